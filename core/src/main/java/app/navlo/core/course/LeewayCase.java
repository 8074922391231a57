package app.navlo.core.course;

import app.navlo.core.exact.Rational;
import app.navlo.core.leeway.Choices;
import app.navlo.core.leeway.Choices.Choice;
import app.navlo.core.leeway.ExtensionRule;
import app.navlo.core.policy.LatePolicy;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * The choices for one piece of work that could have leeway, each with what it keeps of the expected score over time.
 *
 * @param doneAt when it would be finished, for the scores of the choices
 * @param lines one for each choice that can be taken and that hands something in
 */
public record LeewayCase(WorkAssessment finding, Instant doneAt, List<Choice> choices, List<Line> lines) {
    public LeewayCase {
        choices = List.copyOf(choices);
        lines = List.copyOf(lines);
    }

    /**
     * What a choice keeps of the expected score, by when the work is handed in.
     *
     * @param due that judges it; null for none
     * @param steps each up to its last instant, falling
     */
    public record Line(
            Choices.Kind kind, int tokens, @Nullable Instant due, List<LatePolicy.Step> steps) {}

    /** The best of what can be chosen, the plainest of those that are worth the same. Opening a key is no choice of leeway. */
    public Optional<Choice> best() {
        Choice best = null;
        for (Choice choice : choices) {
            boolean canBe = choice.bars().isEmpty() && choice.kind() != Choices.Kind.OPEN_KEY;
            if (canBe && (best == null || choice.score().compareTo(best.score()) > 0)) {
                best = choice;
            }
        }
        return Optional.ofNullable(best);
    }

    /** The points that leeway brings beyond what there is without it: what opening the key gives up. At least 0. */
    public Rational leewayBrings() {
        Rational without = Rational.ZERO;
        Rational most = Rational.ZERO;
        for (Choice choice : choices) {
            if (choice.kind() == Choices.Kind.LATE_WITHOUT_ASKING) {
                without = choice.score();
            }
            boolean leeway = choice.kind() == Choices.Kind.ASK || choice.kind() == Choices.Kind.USE_TOKENS;
            if (leeway && choice.bars().isEmpty() && choice.score().compareTo(most) > 0) {
                most = choice.score();
            }
        }
        return most.compareTo(without) > 0 ? most.minus(without) : Rational.ZERO;
    }

    /** @param of its choices, as they were compared */
    static LeewayCase of(WorkAssessment finding, Choices.Case of, CourseRules rules) {
        List<Choice> choices = Choices.compare(of);
        List<Line> lines = new ArrayList<>();
        for (Choice choice : choices) {
            boolean handsIn = choice.kind() == Choices.Kind.LATE_WITHOUT_ASKING
                    || choice.kind() == Choices.Kind.ASK
                    || choice.kind() == Choices.Kind.USE_TOKENS;
            if (handsIn && choice.bars().isEmpty()) {
                lines.add(line(finding, of, choice, rules));
            }
        }
        return new LeewayCase(finding, of.doneAt(), choices, lines);
    }

    private static Line line(WorkAssessment finding, Choices.Case of, Choice choice, CourseRules rules) {
        Instant ends = of.window().acceptance().ends();
        Instant last = choice.due() != null && ends != null && ends.isBefore(choice.due()) ? choice.due() : ends;
        Instant close = of.window().gradingClose();
        last = close != null && (last == null || close.isBefore(last)) ? close : last;
        return new Line(choice.kind(), choice.tokens(), choice.due(), steps(finding, of, choice, last, rules));
    }

    /** What an extension costs it costs only after the original due. */
    private static List<LatePolicy.Step> steps(
            WorkAssessment finding, Choices.Case of, Choice choice, @Nullable Instant last, CourseRules rules) {
        Rational raw = of.rawDone();
        Instant original = of.window().due();
        Instant now = of.asking().now();
        ExtensionRule rule = choice.kind() == Choices.Kind.ASK ? rules.extension() : null;
        Rational after = rule == null ? raw : rule.keep(Rational.ZERO, raw);
        boolean before = !after.equals(raw) && original != null && original.isAfter(now);
        List<LatePolicy.Step> steps = new ArrayList<>();
        if (before) {
            steps.add(new LatePolicy.Step(original, raw));
        }
        steps.addAll(finding.policy()
                .steps(
                        choice.due(),
                        of.possible(),
                        after,
                        Objects.requireNonNull(before ? original : now),
                        last,
                        rules.calendar()));
        return steps;
    }
}
