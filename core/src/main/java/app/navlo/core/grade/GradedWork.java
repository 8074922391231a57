package app.navlo.core.grade;

import app.navlo.core.check.Check;
import app.navlo.core.exact.Rational;
import app.navlo.core.id.CategoryId;
import app.navlo.core.id.StandardId;
import app.navlo.core.id.WorkId;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What the readings need to know of a piece of work. Practice and excused work never comes here.
 *
 * @param category null where the scheme has none
 * @param standards that it is evidence of; empty where the scheme has none
 * @param required false for optional work
 * @param score kept points of final, posted scores, after penalties; null while there are none
 * @param evidentAt the instant that it is evidence of: that of its score, else its due; null for none
 * @param dueReached its due is past, or it has none
 * @param missing as shown, the teacher's flag counted in
 * @param awaited handed in, and its score is still to come
 * @param expected points that it will likely bring, after the penalty it would bear
 * @param most points that it can still come to; null where that is left out of the ceiling
 */
public record GradedWork(
        WorkId id,
        @Nullable CategoryId category,
        List<StandardId> standards,
        Rational possible,
        boolean extra,
        boolean required,
        @Nullable Rational score,
        @Nullable Instant evidentAt,
        boolean dueReached,
        boolean missing,
        boolean awaited,
        Rational expected,
        @Nullable Rational most) {
    public GradedWork {
        standards = List.copyOf(standards);
        new Check()
                .notNegative(possible, "possible")
                .notNegative(score, "score")
                .notNegative(expected, "expected")
                .notNegative(most, "most")
                .orThrow();
    }

    /**
     * This work as it would be with a score.
     *
     * @param points as they count, after every penalty
     * @param most that it can still come to; null where that is left out of the ceiling
     */
    public GradedWork scored(Rational points, @Nullable Rational most) {
        return new GradedWork(
                id,
                category,
                standards,
                possible,
                extra,
                required,
                points,
                evidentAt,
                dueReached,
                false,
                false,
                points,
                most);
    }

    /** This work as evidence of another instant. */
    public GradedWork evidentAt(@Nullable Instant at) {
        return new GradedWork(
                id,
                category,
                standards,
                possible,
                extra,
                required,
                score,
                at,
                dueReached,
                missing,
                awaited,
                expected,
                most);
    }

    /** This work with another value in hand. */
    public Valued valued(Rational earned) {
        return new Valued(id, category, standards, possible, extra, earned, evidentAt);
    }
}
