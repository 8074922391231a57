package app.navlo.core.course;

import app.navlo.core.exact.Rational;
import app.navlo.core.id.WorkId;
import app.navlo.core.policy.Attempt;
import app.navlo.core.policy.AttemptRule;
import app.navlo.core.policy.LatePolicy;
import app.navlo.core.work.Fact;
import app.navlo.core.work.GateState;
import app.navlo.core.work.WorkItem;
import app.navlo.core.work.WorkState;
import java.time.Instant;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/** One piece of work, its state, and its attempts judged by its late policy. */
record EvaluatedWork(CourseWork work, WorkItem item, LatePolicy policy, WorkState state, AttemptRule.Outcome outcome) {

    static EvaluatedWork of(CourseWork work, CourseRules rules, GateState gate, Instant now) {
        LatePolicy policy = work.late() == null ? rules.late() : work.late();
        Instant due = work.item().schedule().due() == null
                ? null
                : work.item().schedule().due().instant();
        Instant close = rules.periods().of(due).map(period -> period.close()).orElse(null);
        WorkItem item = work.item().within(policy.takenFor(), close);
        WorkState state = WorkState.of(item, work.facts(), gate, rules.soon(), now);
        AttemptRule attempts =
                new AttemptRule(state.attemptsAllowed(), item.marking().kept());
        List<Attempt> made = lessExtensionPenalty(work, rules, state, now);
        return new EvaluatedWork(
                work,
                item,
                policy,
                state,
                attempts.judge(made, policy.ofScores(), item.marking().possible(), rules.calendar()));
    }

    /** Points lost to an extension come off before the late policy counts from the new due. */
    private static List<Attempt> lessExtensionPenalty(
            CourseWork work, CourseRules rules, WorkState state, Instant now) {
        List<Attempt> made = state.attempts().list();
        boolean costs = rules.extension() != null
                && rules.extension().penaltyPercent().signum() > 0
                && work.item().schedule().due() != null
                && work.facts().stream()
                        .anyMatch(fact -> fact instanceof Fact.ExtensionGranted
                                && !fact.stamp().at().isAfter(now));
        if (!costs) {
            return made;
        }
        Instant original = Objects.requireNonNull(work.item().schedule().due()).instant();
        return made.stream().map(one -> afterOriginal(one, original, rules)).toList();
    }

    private static Attempt afterOriginal(Attempt attempt, Instant original, CourseRules rules) {
        Rational earned = attempt.earned();
        if (earned == null || attempt.handedIn() == null || !attempt.handedIn().isAfter(original)) {
            return attempt;
        }
        Rational byDue = attempt.earnedByDue() == null ? Rational.ZERO : attempt.earnedByDue();
        return new Attempt(
                attempt.number(),
                attempt.window(),
                attempt.handedIn(),
                Objects.requireNonNull(rules.extension()).keep(byDue, earned.minus(byDue)),
                attempt.earnedByDue(),
                attempt.isFinal(),
                attempt.posted());
    }

    Rational possible() {
        return item.marking().possible();
    }

    WorkId id() {
        return work.id();
    }

    /** Raw percent of what is kept, before penalties; null without a score or points possible. */
    @Nullable
    Rational rawPercent() {
        return outcome.keptRaw() == null || possible().isZero()
                ? null
                : outcome.keptRaw().times(Rational.HUNDRED).dividedBy(possible());
    }
}
