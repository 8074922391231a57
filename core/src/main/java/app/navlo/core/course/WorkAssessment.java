package app.navlo.core.course;

import app.navlo.core.close.CheckIt;
import app.navlo.core.close.SafeBy;
import app.navlo.core.exact.Rational;
import app.navlo.core.gate.Shut;
import app.navlo.core.grade.GradedWork;
import app.navlo.core.id.WorkId;
import app.navlo.core.leeway.ExtensionDesk;
import app.navlo.core.leeway.TokenDesk;
import app.navlo.core.policy.AttemptRule;
import app.navlo.core.policy.LatePolicy;
import app.navlo.core.work.WorkItem;
import app.navlo.core.work.WorkState;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * All that is known of one piece of work at an instant.
 *
 * @param item with the cut-off and the grading close that hold for it
 * @param policy its own, or the course's
 * @param state with gates counted in
 * @param shut the gates that shut it; empty if none does
 * @param shutForGood the work at the root of it, where no gate can open any more by the student's own doing; else empty
 * @param outcome its attempts with their penalties, and what is kept
 * @param penalty what lateness takes off full marks: of its hand-in, else of a hand-in now; null where none is to come
 * @param steps what is kept of full marks by when it is handed in; empty where nothing is to be handed in any more
 * @param safeBy null without a grading close or with nothing to hand in
 * @param checkIt why it should be asked about; empty if there is no reason
 * @param expectedPercent before any penalty
 * @param graded what the readings know of it; null where it never counts
 * @param impact what a zero there would cost, in the units of the course's figure; null where it has none
 * @param mayBeReopened whether a redo waits for nothing but the teacher's word
 * @param raised points that would count if less than is expected stood and were raised to it; null where nothing can
 * @param lift what the expected score would bring where something less stands that could still be raised: a zero, a redo, work
 *     that is shut for good; null where nothing can
 */
public record WorkAssessment(
        CourseWork work,
        WorkItem item,
        LatePolicy policy,
        WorkState state,
        List<Shut> shut,
        Set<WorkId> shutForGood,
        AttemptRule.Outcome outcome,
        LatePolicy.@Nullable Judged penalty,
        List<LatePolicy.Step> steps,
        @Nullable SafeBy safeBy,
        List<CheckIt> checkIt,
        Rational expectedPercent,
        @Nullable GradedWork graded,
        @Nullable Rational impact,
        boolean mayBeReopened,
        @Nullable Rational raised,
        @Nullable Rational lift,
        ExtensionDesk.Answer extension,
        TokenDesk.Answer tokens) {
    public WorkId id() {
        return work.id();
    }
}
