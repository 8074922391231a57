package app.navlo.core.leeway;

import app.navlo.core.check.Check;
import app.navlo.core.exact.Rational;
import app.navlo.core.time.Deadline;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import org.jspecify.annotations.Nullable;

/**
 * How a course gives extensions.
 *
 * @param before asked for at most this long before the original due; null for any time before
 * @param after asked for at most this long past the original due
 * @param lengthDays calendar days, at the same wall time, counted from the original due
 * @param limit extensions a piece of work; with 0 the course gives none
 * @param tokens that one costs
 * @param penaltyPercent lost of the points earned after the original due, 0–100
 */
public record ExtensionRule(
        @Nullable Duration before,
        Duration after,
        int lengthDays,
        int limit,
        Answered answered,
        int tokens,
        Rational penaltyPercent) {
    public enum Answered {
        AT_ONCE,
        TEACHER
    }

    public static final ExtensionRule DEFAULT =
            new ExtensionRule(null, Duration.ofHours(36), 4, 1, Answered.AT_ONCE, 0, Rational.ZERO);

    public ExtensionRule {
        new Check()
                .notNegative(before, "before")
                .notNegative(after, "after")
                .atLeast(1, lengthDays, "lengthDays")
                .notNegative(limit, "limit")
                .notNegative(tokens, "tokens")
                .percent(penaltyPercent, "penaltyPercent")
                .orThrow();
    }

    /** The due that the {@code n}-th extension gives, cut to the close. */
    public Instant dueAfter(int n, Deadline original, ZoneId zone, @Nullable Instant gradingClose) {
        Instant due = original.plusDays((long) n * lengthDays, zone).instant();
        return gradingClose != null && due.isAfter(gradingClose) ? gradingClose : due;
    }

    /** What is kept of points of which some were earned after the original due, before any late policy. */
    public Rational keep(Rational earnedByDue, Rational earnedAfterDue) {
        Rational share = Rational.ONE.minus(penaltyPercent.dividedBy(Rational.HUNDRED));
        return earnedByDue.plus(earnedAfterDue.times(share));
    }
}
