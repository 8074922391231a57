package app.navlo.core.course;

import app.navlo.core.close.CheckIt;
import app.navlo.core.close.SafeBy;
import app.navlo.core.close.Turnaround;
import app.navlo.core.exact.Rational;
import app.navlo.core.gate.Shut;
import app.navlo.core.grade.GradedWork;
import app.navlo.core.grade.Impact;
import app.navlo.core.id.WorkId;
import app.navlo.core.leeway.Bar;
import app.navlo.core.leeway.Choices;
import app.navlo.core.leeway.Readiness;
import app.navlo.core.policy.Attempt;
import app.navlo.core.policy.LatePolicy;
import app.navlo.core.policy.Window;
import app.navlo.core.work.Actor;
import app.navlo.core.work.Fact;
import app.navlo.core.work.Flag;
import app.navlo.core.work.GateState;
import app.navlo.core.work.HandInContent;
import app.navlo.core.work.Stage;
import app.navlo.core.work.Stamp;
import app.navlo.core.work.WorkState;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** Puts together what all rooms say of each piece of work. */
final class WorkAssessor {
    private static final Duration TOLD_AT_ONCE = Duration.ofDays(1);

    private final CourseRules rules;
    private final Map<WorkId, GradedWork> graded;
    private final ScoreBasis ledger;
    private final Impact impact;
    private final Turnaround turnaround;
    private final LeewayAnswers leeway;
    private final Instant now;

    WorkAssessor(
            CourseRules rules,
            Collection<EvaluatedWork> works,
            Map<WorkId, GradedWork> graded,
            ScoreBasis ledger,
            LeewayAnswers leeway,
            Turnaround turnaround,
            Instant now) {
        this.rules = rules;
        this.graded = graded;
        this.ledger = ledger;
        this.impact = new Impact(rules.scheme(), graded.values());
        this.turnaround = turnaround;
        this.now = now;
        this.leeway = leeway;
    }

    /** By how much {@code expected} moves if a piece of work counts with so many points; 0 where it never counts. */
    Rational moves(WorkId work, Rational points) {
        GradedWork values = graded.get(work);
        return values == null ? Rational.ZERO : impact.with(values, points).orElse(Rational.ZERO);
    }

    /** @param forGood the work at the root of it, where it is shut for good */
    WorkAssessment of(EvaluatedWork one, List<Shut> shut, Set<WorkId> forGood) {
        GradedWork values = graded.get(one.id());
        Rational worth = values == null ? null : impact.of(values).orElse(null);
        Rational raised = forGood.isEmpty() ? ledger.raised(one) : ledger.expectedRaw(one);
        Bar never = !one.item().expectsHandIn() ? Bar.IN_CLASS : forGood.isEmpty() ? null : Bar.SHUT_FOR_GOOD;
        return new WorkAssessment(
                one.work(),
                one.item(),
                one.policy(),
                one.state(),
                shut,
                forGood,
                one.outcome(),
                penalty(one),
                steps(one),
                safeBy(one),
                checkIt(one),
                ledger.expectedPercent(one),
                values,
                worth,
                ledger.mayBeReopened(one),
                raised,
                values == null || raised == null ? null : lift(values, raised),
                leeway.extension(one, never),
                leeway.tokens(one, never));
    }

    /**
     * @param doneAt when it would be finished and handed in
     * @param ready what lies ready of it
     */
    LeewayCase leeway(EvaluatedWork one, WorkAssessment finding, Instant doneAt, Readiness ready) {
        Rational done = ledger.expectedRaw(one);
        Rational there = ready.share(one.item()).map(done::times).orElse(null);
        Choices.Case compared = new Choices.Case(
                leeway.asking(one),
                leeway.using(one),
                new Window(
                        one.state().due(),
                        one.item().schedule().closesAt() == null
                                ? null
                                : one.item().schedule().closesAt().instant(),
                        one.item().schedule().cutoff(),
                        one.item().schedule().gradingClose()),
                one.policy(),
                one.possible(),
                there,
                done,
                doneAt,
                one.state().extensionPending(),
                rules.calendar());
        return LeewayCase.of(finding, compared, rules);
    }

    TakenBack takenBack(EvaluatedWork one) {
        List<Fact> facts = new ArrayList<>(one.work().facts());
        facts.add(new Fact.Withdrawn(new Stamp(now, now, Long.MAX_VALUE, Actor.STUDENT, "", "what if")));
        EvaluatedWork then = EvaluatedWork.of(one.work().with(facts), rules, GateState.OPEN, now);
        LatePolicy.Judged standing = penalty(one);
        Rational kept = standing == null ? one.possible() : standing.score();
        List<LatePolicy.Step> steps = steps(then);
        WorkState state = then.state();
        return steps.isEmpty()
                ? new TakenBack(
                        false,
                        state.dueToCome(),
                        Rational.ZERO,
                        kept,
                        null,
                        state.acceptance().ends())
                : new TakenBack(
                        state.mayHandIn(),
                        state.dueToCome(),
                        steps.get(0).score(),
                        kept,
                        steps.get(0).handedIn(),
                        state.acceptance().ends());
    }

    private @Nullable Rational lift(GradedWork values, Rational raised) {
        return impact.with(values, raised).filter(brings -> brings.signum() > 0).orElse(null);
    }

    private LatePolicy.@Nullable Judged penalty(EvaluatedWork one) {
        WorkState state = one.state();
        if (!one.item().expectsHandIn()) {
            return null;
        }
        if (state.handedInAt() != null && (!state.toHandIn() || state.toComplete())) {
            return judge(one, state.due(), state.handedInAt());
        }
        return state.toHandIn() ? judge(one, state.dueToCome(), now) : null;
    }

    private LatePolicy.Judged judge(EvaluatedWork one, @Nullable Instant due, Instant at) {
        return one.policy().judge(due, at, one.possible(), one.possible(), null, rules.calendar());
    }

    private List<LatePolicy.Step> steps(EvaluatedWork one) {
        WorkState state = one.state();
        if (!state.toHandIn() || !state.accepted() || !one.item().expectsHandIn()) {
            return List.of();
        }
        if (state.toComplete() && state.handedInAt() != null) {
            Rational kept = judge(one, state.due(), state.handedInAt()).score();
            return List.of(new LatePolicy.Step(state.acceptance().ends(), kept));
        }
        return one.policy()
                .steps(
                        state.dueToCome(),
                        one.possible(),
                        one.possible(),
                        now,
                        state.acceptance().ends(),
                        rules.calendar());
    }

    private @Nullable SafeBy safeBy(EvaluatedWork one) {
        Instant close = one.item().schedule().gradingClose();
        boolean matters =
                one.work().counted() && (one.state().toHandIn() || one.state().stage() == Stage.TURNED_IN);
        if (close == null || !matters || now.isAfter(close) || !one.item().expectsHandIn()) {
            return null;
        }
        Instant handedIn = one.state().stage() == Stage.TURNED_IN ? lastHandIn(one) : null;
        return SafeBy.of(turnaround, close, rules.calendar(), handedIn, now);
    }

    private List<CheckIt> checkIt(EvaluatedWork one) {
        WorkState state = one.state();
        return state.stage() != Stage.TURNED_IN
                        || state.handedInAt() == null
                        || !one.item().expectsHandIn()
                ? List.of()
                : CheckIt.reasons(
                                state.handedInAt(),
                                state.shown().flag() == Flag.MISSING,
                                turnaround,
                                rules.calendar(),
                                now)
                        .stream()
                        .filter(reason -> reason != CheckIt.UNGRADED_TOO_LONG || !reportedAfterwards(one))
                        .toList();
    }

    /** What was told of long after it happened says nothing of how long the teacher takes. */
    private boolean reportedAfterwards(EvaluatedWork one) {
        Fact.HandedIn last = null;
        for (Fact fact : one.work().facts()) {
            if (fact instanceof Fact.HandedIn handedIn && !fact.stamp().at().isAfter(now)) {
                last = handedIn;
            }
        }
        return last != null
                && (last.content() == HandInContent.DONE || last.content() == HandInContent.ATTEMPT)
                && last.stamp().learnt().isAfter(last.stamp().at().plus(TOLD_AT_ONCE));
    }

    private static @Nullable Instant lastHandIn(EvaluatedWork one) {
        return one.state().attempts().list().stream()
                .map(Attempt::handedIn)
                .filter(Objects::nonNull)
                .max(Instant::compareTo)
                .orElse(null);
    }
}
