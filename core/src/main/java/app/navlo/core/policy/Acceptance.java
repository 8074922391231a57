package app.navlo.core.policy;

import java.time.Instant;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * Until when a hand-in made now would be taken. The last instant itself still counts.
 *
 * @param ends null for no end
 * @param endedBy the limit that comes first; null exactly when {@code ends} is
 */
public record Acceptance(@Nullable Instant ends, @Nullable Limit endedBy) {
    /** What can end acceptance. Of limits at the same instant the first in this order is named. */
    public enum Limit {
        CLOSES_AT,
        CUTOFF,
        GRADING_CLOSE,
        REDO_UNTIL,
        ATTEMPTS
    }

    public static final Acceptance UNLIMITED = new Acceptance(null, null);

    public Acceptance {
        if ((ends == null) != (endedBy == null)) {
            throw new IllegalArgumentException("an end and its limit come together: ends " + ends + ", by " + endedBy);
        }
    }

    /** This, ended at {@code instant} if that is earlier. A null instant limits nothing. */
    public Acceptance until(@Nullable Instant instant, Limit limit) {
        Objects.requireNonNull(limit, "limit");
        return instant == null || (ends != null && !instant.isBefore(ends)) ? this : new Acceptance(instant, limit);
    }

    public boolean openAt(Instant now) {
        return ends == null || !now.isAfter(ends);
    }
}
