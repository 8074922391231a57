package app.navlo.core.course;

import app.navlo.core.exact.Rational;
import app.navlo.core.id.WorkId;
import app.navlo.core.policy.Acceptance;
import app.navlo.core.policy.LatePolicy;
import app.navlo.core.time.Deadline;
import app.navlo.core.work.Fact;
import app.navlo.core.work.WorkState;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * Where a piece of work lies in time, and what is kept of it along the way.
 *
 * @param opens null where it has been open since it was set
 * @param assignedDue as the teacher set it; null for none
 * @param due in force, of a redo its own; null for none
 * @param ends of acceptance; null where it never ends, and for work that isn't to be handed in any more
 * @param kept of full points from the due on, in steps that fall; empty for work that isn't to be handed in any more
 * @param askUntil an extension may be asked for; null where it may not
 * @param extended the due that it would give; null where it may not be asked for
 * @param tokenDues the dues that 1, 2, … tokens would give; empty where none may be used
 * @param safeBy null without a close ahead
 * @param handedIn the hand-in that stands; null for none
 * @param returned it, or excused it, last; null where nothing came back
 * @param waitsFor the work that its gates name, whether they are open or not
 * @param shutBy the part of it for which a gate is shut
 */
public record WorkSpan(
        @Nullable Instant opens,
        @Nullable Instant assignedDue,
        @Nullable Instant due,
        @Nullable Instant ends,
        Acceptance.@Nullable Limit endedBy,
        List<Kept> kept,
        @Nullable Instant askUntil,
        @Nullable Instant extended,
        List<Instant> tokenDues,
        @Nullable Instant safeBy,
        @Nullable Instant handedIn,
        @Nullable Instant returned,
        Set<WorkId> waitsFor,
        Set<WorkId> shutBy) {
    /**
     * @param until the last instant at which it holds; null for always
     * @param share of full points, 0 to 1
     */
    public record Kept(@Nullable Instant until, Rational share) {}

    /** The steps of one span that are told; a penalty by the day over a term has more than anyone looks at. */
    private static final int MOST_STEPS = 200;

    static WorkSpan of(WorkAssessment finding, CourseRules rules, Set<WorkId> waitsFor, Instant now) {
        WorkState state = finding.state();
        boolean toHandIn = state.toHandIn();
        Deadline assigned = finding.item().schedule().due();
        Instant due = state.dueToCome();
        return new WorkSpan(
                finding.item().schedule().opensAt(),
                assigned == null ? null : assigned.instant(),
                due,
                toHandIn ? state.acceptance().ends() : null,
                toHandIn ? state.acceptance().endedBy() : null,
                toHandIn && finding.item().expectsHandIn() ? kept(finding, rules, due, now) : List.of(),
                finding.extension().may() ? finding.extension().until() : null,
                finding.extension().newDue(),
                finding.tokens().dues(),
                finding.safeBy() == null ? null : finding.safeBy().at(),
                state.handInStands() ? state.handedInAt() : null,
                returned(finding.work().facts(), now),
                waitsFor,
                finding.shut().stream().flatMap(shut -> shut.works().stream()).collect(Collectors.toSet()));
    }

    /** From the due on, also where it is past, so that what is lost already can be seen. */
    private static List<Kept> kept(WorkAssessment finding, CourseRules rules, @Nullable Instant due, Instant now) {
        Rational possible = finding.item().marking().possible();
        Instant ends = finding.state().acceptance().ends();
        Instant from = due == null || due.isAfter(now) ? now : due;
        List<Kept> kept = new ArrayList<>();
        List<LatePolicy.Step> steps = finding.state().toComplete()
                ? finding.steps()
                : finding.policy().steps(due, possible, possible, from, ends, rules.calendar());
        for (LatePolicy.Step step : steps) {
            if (kept.size() < MOST_STEPS) {
                Rational share = possible.isZero() ? Rational.ONE : step.score().dividedBy(possible);
                kept.add(new Kept(step.handedIn(), share));
            }
        }
        return kept;
    }

    private static @Nullable Instant returned(Collection<Fact> facts, Instant now) {
        return facts.stream()
                .filter(fact -> fact instanceof Fact.Returned
                        || (fact instanceof Fact.Excused excused && excused.stands())
                        || (fact instanceof Fact.Scored scored && scored.counts()))
                .map(fact -> fact.stamp().at())
                .filter(at -> !at.isAfter(now))
                .max(Instant::compareTo)
                .orElse(null);
    }
}
