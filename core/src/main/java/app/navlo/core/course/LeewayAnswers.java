package app.navlo.core.course;

import app.navlo.core.leeway.Bar;
import app.navlo.core.leeway.ExtensionDesk;
import app.navlo.core.leeway.TokenDesk;
import app.navlo.core.work.Fact;
import java.time.Duration;
import java.time.Instant;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** What leeway a piece of work of a course could have: by the course's rules, its bank, and what happened so far. */
final class LeewayAnswers {
    private final CourseRules rules;
    private final Instant now;
    private final int tokensLeft;

    LeewayAnswers(CourseRules rules, Collection<EvaluatedWork> works, Instant now) {
        this.rules = rules;
        this.now = now;
        this.tokensLeft =
                rules.tokens() == null ? 0 : Math.max(0, rules.tokens().bank() - spent(works));
    }

    int tokensLeft() {
        return tokensLeft;
    }

    private int spent(Collection<EvaluatedWork> works) {
        int each = rules.extension() == null ? 0 : rules.extension().tokens();
        return works.stream()
                .mapToInt(one -> count(one, Fact.TokenUsed.class) + each * count(one, Fact.ExtensionGranted.class))
                .sum();
    }

    private int count(EvaluatedWork one, Class<? extends Fact> kind) {
        return (int) one.work().facts().stream()
                .filter(fact -> kind.isInstance(fact) && !fact.stamp().at().isAfter(now))
                .count();
    }

    /** @param never what bars all leeway for it; null for nothing */
    ExtensionDesk.Answer extension(EvaluatedWork one, @Nullable Bar never) {
        return never == null
                ? ExtensionDesk.ask(asking(one))
                : new ExtensionDesk.Answer(false, List.of(never), null, null, null);
    }

    ExtensionDesk.Asking asking(EvaluatedWork one) {
        int granted = count(one, Fact.ExtensionGranted.class);
        return new ExtensionDesk.Asking(
                rules.extension(),
                one.item().schedule().due(),
                rules.calendar().zone(),
                now,
                one.item().schedule().gradingClose(),
                granted,
                pending(one),
                keyOpenedAt(one),
                tokensLeft);
    }

    /** How often an extension was asked for since the last answer. */
    private int pending(EvaluatedWork one) {
        List<Fact> known = one.work().facts().stream()
                .filter(fact -> !fact.stamp().at().isAfter(now))
                .sorted(Comparator.comparing((Fact fact) -> fact.stamp().at())
                        .thenComparing(fact -> fact.stamp().order()))
                .toList();
        int pending = 0;
        for (Fact fact : known) {
            boolean answer = fact instanceof Fact.ExtensionGranted || fact instanceof Fact.ExtensionDeclined;
            pending = answer ? 0 : pending + (fact instanceof Fact.ExtensionAsked ? 1 : 0);
        }
        return pending;
    }

    /** @param never what bars all leeway for it; null for nothing */
    TokenDesk.Answer tokens(EvaluatedWork one, @Nullable Bar never) {
        return never == null
                ? TokenDesk.use(using(one))
                : new TokenDesk.Answer(false, List.of(never), null, one.state().due(), List.of());
    }

    TokenDesk.Using using(EvaluatedWork one) {
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

    private @Nullable Instant keyOpenedAt(EvaluatedWork one) {
        return one.work().facts().stream()
                .filter(fact -> fact instanceof Fact.KeyOpened)
                .map(fact -> fact.stamp().at())
                .min(Instant::compareTo)
                .orElse(null);
    }
}
