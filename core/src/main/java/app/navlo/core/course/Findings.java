package app.navlo.core.course;

import app.navlo.core.close.CheckIt;
import app.navlo.core.close.SafeBy;
import app.navlo.core.close.Turnaround;
import app.navlo.core.exact.Rational;
import app.navlo.core.gate.Shut;
import app.navlo.core.grade.GradedWork;
import app.navlo.core.grade.Impact;
import app.navlo.core.leeway.Choices;
import app.navlo.core.leeway.ExtensionDesk;
import app.navlo.core.leeway.TokenDesk;
import app.navlo.core.policy.LatePolicy;
import app.navlo.core.policy.Window;
import app.navlo.core.work.Fact;
import app.navlo.core.work.Flag;
import app.navlo.core.work.Move;
import app.navlo.core.work.Stage;
import app.navlo.core.work.WorkState;
import java.time.Duration;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** Puts together what all rooms say of each piece of work. */
final class Findings {
    private final CourseRules rules;
    private final Map<String, GradedWork> graded;
    private final Ledger ledger;
    private final Impact impact;
    private final Turnaround turnaround;
    private final Instant now;
    private final int tokensLeft;

    Findings(
            CourseRules rules,
            Collection<Worked> works,
            Map<String, GradedWork> graded,
            Ledger ledger,
            Turnaround turnaround,
            Instant now) {
        this.rules = rules;
        this.graded = graded;
        this.ledger = ledger;
        this.impact = new Impact(rules.scheme(), graded.values());
        this.turnaround = turnaround;
        this.now = now;
        this.tokensLeft =
                rules.tokens() == null ? 0 : Math.max(0, rules.tokens().bank() - spent(works));
    }

    int tokensLeft() {
        return tokensLeft;
    }

    private int spent(Collection<Worked> works) {
        int each = rules.extension() == null ? 0 : rules.extension().tokens();
        return works.stream()
                .mapToInt(one -> count(one, Fact.TokenUsed.class) + each * count(one, Fact.ExtensionGranted.class))
                .sum();
    }

    private int count(Worked one, Class<? extends Fact> kind) {
        return (int) one.work().facts().stream()
                .filter(fact -> kind.isInstance(fact) && !fact.stamp().at().isAfter(now))
                .count();
    }

    Finding of(Worked one, List<Shut> shut) {
        GradedWork values = graded.get(one.id());
        Rational worth = values == null ? null : impact.of(values).orElse(null);
        return new Finding(
                one.work(),
                one.item(),
                one.policy(),
                one.state(),
                shut,
                one.outcome(),
                penalty(one),
                steps(one),
                safeBy(one),
                checkIt(one),
                ledger.expectedPercent(one),
                values,
                worth,
                extension(one),
                tokens(one));
    }

    /** @param doneAt when it would be finished and handed in */
    LeewayCase leeway(Worked one, Finding finding, Instant doneAt) {
        Rational done = ledger.expectedPercent(one).times(one.possible()).dividedBy(Rational.HUNDRED);
        Rational now = one.state().stage() == Stage.DRAFT || one.state().handInStands() ? done : Rational.ZERO;
        Choices.Case compared = new Choices.Case(
                asking(one),
                using(one),
                new Window(
                        one.state().due(),
                        one.item().schedule().closesAt() == null
                                ? null
                                : one.item().schedule().closesAt().instant(),
                        one.item().schedule().cutoff(),
                        one.item().schedule().gradingClose()),
                one.policy(),
                one.possible(),
                now,
                done,
                doneAt,
                rules.calendar());
        return LeewayCase.of(finding, compared, rules);
    }

    private static boolean toHandIn(WorkState state) {
        return state.move() == Move.YOURS || state.move() == Move.NOT_YET;
    }

    private @Nullable Instant dueToCome(WorkState state) {
        return state.redo() != null ? state.redo().due() : state.due();
    }

    private LatePolicy.@Nullable Judged penalty(Worked one) {
        WorkState state = one.state();
        if (!one.item().expectsHandIn()) {
            return null;
        }
        if (state.handedInAt() != null && !toHandIn(state)) {
            return judge(one, state.due(), state.handedInAt());
        }
        return toHandIn(state) ? judge(one, dueToCome(state), now) : null;
    }

    private LatePolicy.Judged judge(Worked one, @Nullable Instant due, Instant at) {
        return one.policy().judge(due, at, one.possible(), one.possible(), null, rules.calendar());
    }

    private List<LatePolicy.Step> steps(Worked one) {
        WorkState state = one.state();
        if (!toHandIn(state) || !state.accepted() || !one.item().expectsHandIn()) {
            return List.of();
        }
        return one.policy()
                .steps(
                        dueToCome(state),
                        one.possible(),
                        one.possible(),
                        now,
                        state.acceptance().ends(),
                        rules.calendar());
    }

    private @Nullable SafeBy safeBy(Worked one) {
        Instant close = one.item().schedule().gradingClose();
        boolean matters =
                one.work().counted() && (toHandIn(one.state()) || one.state().stage() == Stage.TURNED_IN);
        return close == null || !matters || now.isAfter(close)
                ? null
                : SafeBy.of(turnaround, close, rules.calendar(), now);
    }

    private List<CheckIt> checkIt(Worked one) {
        WorkState state = one.state();
        return state.stage() != Stage.TURNED_IN
                        || state.handedInAt() == null
                        || !one.item().expectsHandIn()
                ? List.of()
                : CheckIt.reasons(
                        state.handedInAt(), state.shown().flag() == Flag.MISSING, turnaround, rules.calendar(), now);
    }

    private ExtensionDesk.Answer extension(Worked one) {
        return ExtensionDesk.ask(asking(one));
    }

    private ExtensionDesk.Asking asking(Worked one) {
        int granted = count(one, Fact.ExtensionGranted.class);
        int answered = granted + count(one, Fact.ExtensionDeclined.class);
        return new ExtensionDesk.Asking(
                rules.extension(),
                one.item().schedule().due(),
                rules.calendar().zone(),
                now,
                one.item().schedule().gradingClose(),
                granted,
                Math.max(0, count(one, Fact.ExtensionAsked.class) - answered),
                keyOpenedAt(one),
                tokensLeft);
    }

    private TokenDesk.Answer tokens(Worked one) {
        return TokenDesk.use(using(one));
    }

    private TokenDesk.Using using(Worked one) {
        int used = count(one, Fact.TokenUsed.class);
        Duration moved =
                rules.tokens() == null ? Duration.ZERO : rules.tokens().span().multipliedBy(used);
        Instant due = one.state().due();
        return new TokenDesk.Using(
                rules.tokens(),
                due == null ? null : due.minus(moved),
                now,
                one.item().schedule().gradingClose(),
                keyOpenedAt(one),
                tokensLeft,
                used);
    }

    private @Nullable Instant keyOpenedAt(Worked one) {
        return one.work().facts().stream()
                .filter(fact -> fact instanceof Fact.KeyOpened)
                .map(fact -> fact.stamp().at())
                .min(Instant::compareTo)
                .orElse(null);
    }
}
