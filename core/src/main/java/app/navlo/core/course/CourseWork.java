package app.navlo.core.course;

import app.navlo.core.check.Check;
import app.navlo.core.exact.Rational;
import app.navlo.core.gate.Gate;
import app.navlo.core.id.CategoryId;
import app.navlo.core.id.StandardId;
import app.navlo.core.id.WorkId;
import app.navlo.core.policy.LatePolicy;
import app.navlo.core.work.Fact;
import app.navlo.core.work.WorkItem;
import app.navlo.core.work.WorkKind;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A piece of work in its course, with what happened to it.
 *
 * @param facts in any order
 * @param late its own policy, which beats the course's; null for the course's
 * @param ownPercent the student's own figure of what it will bring, 0–100 and above; null for none
 * @param minutes of effort, at least 0; for what happens at its time, of preparing for it
 * @param preparing percent of its points that preparing is thought to bring, 0–100; it matters for what happens at its time
 */
public record CourseWork(
        WorkItem item,
        Place place,
        List<Gate> gates,
        @Nullable LatePolicy late,
        @Nullable Rational ownPercent,
        long minutes,
        Rational preparing,
        List<Fact> facts) {
    public static final Rational USUAL_PREPARING = Rational.of(50);

    /** For work of which nobody has said how long it takes. */
    public static final long GUESSED_MINUTES = 30;

    /** With what preparing is usually thought to bring. */
    public CourseWork(
            WorkItem item,
            Place place,
            List<Gate> gates,
            @Nullable LatePolicy late,
            @Nullable Rational ownPercent,
            long minutes,
            List<Fact> facts) {
        this(item, place, gates, late, ownPercent, minutes, USUAL_PREPARING, facts);
    }

    /**
     * Where it stands in the course.
     *
     * @param unit null for none
     * @param category of a weighted course; null for none, and then it counts nowhere in one
     * @param standards of a course by standards that it is evidence of
     * @param extra credit
     */
    public record Place(
            @Nullable String unit, @Nullable CategoryId category, List<StandardId> standards, boolean extra) {
        public static final Place NOWHERE = new Place(null, null, List.of(), false);

        public Place {
            standards = List.copyOf(standards);
        }
    }

    public CourseWork {
        gates = List.copyOf(gates);
        facts = List.copyOf(facts);
        new Check()
                .notNegative(minutes, "minutes")
                .notNegative(ownPercent, "ownPercent")
                .percent(preparing, "preparing")
                .orThrow();
    }

    public WorkId id() {
        return item.id();
    }

    /** Whether nobody has said how long it takes, though it does: what is only done in class takes no hours. */
    public boolean isEffortGuessed() {
        return minutes == 0 && item.expectsHandIn();
    }

    /** Minutes of effort to reckon with: those that were said, else a guess. */
    public long effort() {
        return isEffortGuessed() ? GUESSED_MINUTES : minutes;
    }

    /** Whether a grade may ever count it: practice never does. */
    public boolean counted() {
        return item.kind() != WorkKind.PRACTICE;
    }

    CourseWork with(List<Fact> others) {
        return new CourseWork(item, place, gates, late, ownPercent, minutes, preparing, others);
    }
}
