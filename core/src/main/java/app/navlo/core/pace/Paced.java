package app.navlo.core.pace;

import app.navlo.core.check.Check;
import app.navlo.core.exact.Rational;
import app.navlo.core.id.WorkId;
import app.navlo.core.work.Stage;
import app.navlo.core.work.Turn;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * A piece of work as pace sees it.
 *
 * @param unit null for none
 * @param minutes of effort, at least 0
 * @param due null for none
 * @param startedAt null if nothing was begun
 * @param doneAt when it was handed in; null if it wasn't
 * @param points final, posted; null while there are none
 */
public record Paced(
        WorkId id,
        @Nullable String unit,
        boolean required,
        long minutes,
        @Nullable Instant due,
        Stage stage,
        Turn move,
        @Nullable Instant startedAt,
        @Nullable Instant doneAt,
        @Nullable Rational points,
        Rational possible) {
    public Paced {
        new Check()
                .notNegative(minutes, "minutes")
                .notNegative(possible, "possible")
                .orThrow();
    }

    /** Counted apart: neither done, left nor expected. */
    boolean outOfReach() {
        return move == Turn.OUT_OF_REACH;
    }

    boolean done() {
        return !outOfReach() && (stage == Stage.TURNED_IN || stage == Stage.RETURNED || stage == Stage.EXCUSED);
    }

    public boolean left() {
        return !outOfReach() && !done();
    }

    boolean dueBefore(Instant now) {
        return due != null && due.isBefore(now);
    }

    @Nullable
    Rational percent() {
        return points == null || possible.isZero()
                ? null
                : points.times(Rational.HUNDRED).dividedBy(possible);
    }
}
