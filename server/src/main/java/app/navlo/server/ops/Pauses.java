package app.navlo.server.ops;

import java.time.Duration;
import java.util.List;

/** How long to wait after each failure before the next try: the last of them again and again. */
public record Pauses(List<Duration> each) {
    public Pauses {
        each = List.copyOf(each);
        if (each.isEmpty() || each.stream().anyMatch(Duration::isNegative)) {
            throw new IllegalArgumentException("pauses are " + each + "; there must be one at least, and none below 0");
        }
    }

    public static Pauses of(Duration... each) {
        return new Pauses(List.of(each));
    }

    /** @param failures so far, this one included; below 1 is taken as 1 */
    public Duration after(int failures) {
        return each.get(Math.max(0, Math.min(failures, each.size()) - 1));
    }

    /** Whether there were more failures than pauses, for what isn't tried for ever. */
    public boolean areOver(int failures) {
        return failures > each.size();
    }
}
