package app.navlo.core.policy;

import app.navlo.core.check.Check;
import app.navlo.core.exact.Rational;
import app.navlo.core.time.SchoolCalendar;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * How many attempts there are and which one counts.
 *
 * @param allowed at least 1, or null for unlimited
 */
public record AttemptRule(@Nullable Integer allowed, KeptScore kept) {
    public AttemptRule {
        new Check()
                .that(allowed == null || allowed >= 1, "allowed", () -> "is " + allowed + "; it must be at least 1")
                .orThrow();
    }

    /**
     * One attempt with its own penalty.
     *
     * @param penalty null where the attempt was refused, or is not scored
     * @param counts accepted, scored, final and posted
     * @param score after the penalty; null unless it counts
     */
    public record Judged(
            Attempt attempt,
            boolean accepted,
            LatePolicy.@Nullable Judged penalty,
            boolean counts,
            @Nullable Rational score) {
        Rational points() {
            return score == null ? Rational.ZERO : score;
        }
    }

    /**
     * @param kept points after penalties; null while nothing counts
     * @param keptRaw raw points, picked in the same way; the pass mark is judged on these
     * @param keptAttempt its number; a tie goes to the earlier; null for the mean
     * @param left null for unlimited; a refused attempt uses none up
     */
    public record Outcome(
            List<Judged> attempts,
            @Nullable Rational kept,
            @Nullable Rational keptRaw,
            @Nullable Integer keptAttempt,
            @Nullable Integer left) {}

    /** @param attempts in any order, no number twice */
    public Outcome judge(List<Attempt> attempts, LatePolicy policy, Rational possible, SchoolCalendar calendar) {
        List<Judged> judged = new ArrayList<>();
        int used = 0;
        for (Attempt attempt : inOrder(attempts)) {
            boolean accepted = accepts(attempt, used);
            used += accepted && attempt.handedIn() != null ? 1 : 0;
            judged.add(judged(attempt, accepted, policy, possible, calendar));
        }
        List<Judged> counting = judged.stream().filter(Judged::counts).toList();
        Optional<Rational> kept =
                kept().pick(counting.stream().map(Judged::points).toList());
        Optional<Rational> keptRaw =
                kept().pick(counting.stream().map(one -> one.attempt().earned()).toList());
        return new Outcome(
                List.copyOf(judged),
                kept.orElse(null),
                keptRaw.orElse(null),
                keptNumber(counting, kept),
                allowed == null ? null : Math.max(0, allowed - used));
    }

    private static List<Attempt> inOrder(List<Attempt> attempts) {
        return attempts.stream()
                .sorted(Comparator.comparingInt(Attempt::number))
                .toList();
    }

    private boolean accepts(Attempt attempt, int used) {
        return attempt.handedIn() == null
                || ((allowed == null || used < allowed)
                        && attempt.window().refusing(attempt.handedIn()).isEmpty());
    }

    private static Judged judged(
            Attempt attempt, boolean accepted, LatePolicy policy, Rational possible, SchoolCalendar calendar) {
        if (!accepted) {
            return new Judged(attempt, false, null, false, null);
        }
        Rational earned = attempt.earned();
        boolean counts = earned != null && attempt.isFinal() && attempt.posted();
        if (attempt.handedIn() == null) {
            return new Judged(attempt, true, null, counts, counts ? earned : null);
        }
        LatePolicy.Judged penalty = policy.judge(
                attempt.window().due(),
                attempt.handedIn(),
                possible,
                earned == null ? Rational.ZERO : earned,
                attempt.earnedByDue(),
                calendar);
        return new Judged(attempt, true, penalty, counts, counts ? penalty.score() : null);
    }

    private @Nullable Integer keptNumber(List<Judged> counting, Optional<Rational> score) {
        if (score.isEmpty() || kept == KeptScore.MEAN) {
            return null;
        }
        if (kept == KeptScore.LATEST) {
            return counting.get(counting.size() - 1).attempt().number();
        }
        return counting.stream()
                .filter(one -> one.points().equals(score.get()))
                .findFirst()
                .map(one -> one.attempt().number())
                .orElseThrow();
    }
}
