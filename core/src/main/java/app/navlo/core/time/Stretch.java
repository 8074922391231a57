package app.navlo.core.time;

import java.time.Duration;
import java.time.Instant;

/** From an instant to a later one. */
public record Stretch(Instant start, Instant endExclusive) {
    public Stretch {
        if (!start.isBefore(endExclusive)) {
            throw new IllegalArgumentException(
                    "a stretch from " + start + " ends at " + endExclusive + ", not after it");
        }
    }

    public long minutes() {
        return Duration.between(start, endExclusive).toMinutes();
    }
}
