package app.navlo.server.editing;

import java.time.Duration;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/** When work was handed in that was done elsewhere. */
public enum DoneWhen {
    /** At its due; what isn't due yet, or has no due, just now. */
    AT_ITS_DUE,
    /** Within the day after its due. */
    LATE,
    NOW;

    private static final Duration A_DAY = Duration.ofDays(1);

    /** @param due null for work that has none @return no later than now */
    Instant at(@Nullable Instant due, Instant now) {
        if (this == NOW || due == null || due.isAfter(now)) {
            return now;
        }
        Instant late = due.plus(A_DAY);
        return this == AT_ITS_DUE ? due : late.isAfter(now) ? now : late;
    }
}
