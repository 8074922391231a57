package app.navlo.core.policy;

import app.navlo.core.exact.Rational;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A redo that a student may begin unasked, below the pass mark.
 *
 * @param until the last instant to hand it in; null for as long as the work is accepted
 * @param needsReopening only after the teacher reopens the work
 */
public record RedoRule(@Nullable Instant until, boolean needsReopening) {
    /** What can shut a redo, in the order in which it is said. */
    public enum Shut {
        CLOSES_AT,
        GRADING_CLOSE,
        ATTEMPTS,
        PASS_MARK,
        UNTIL,
        REOPENING
    }

    /** What a redo is asked about: null for "no such limit", and for a raw score that isn't there yet. */
    public record Asked(
            Instant now,
            @Nullable Instant closesAt,
            @Nullable Instant gradingClose,
            @Nullable Integer attemptsLeft,
            @Nullable Rational onlyBelowPercent,
            @Nullable Rational keptRaw,
            Rational possible,
            boolean reopened) {}

    /** All that shuts it; empty if it may be begun. A redo without a due of its own has no cut-off. */
    public List<Shut> shutBy(Asked asked) {
        List<Shut> shut = new ArrayList<>();
        addIf(past(asked.closesAt(), asked.now()), Shut.CLOSES_AT, shut);
        addIf(past(asked.gradingClose(), asked.now()), Shut.GRADING_CLOSE, shut);
        addIf(asked.attemptsLeft() != null && asked.attemptsLeft() == 0, Shut.ATTEMPTS, shut);
        addIf(!below(asked.onlyBelowPercent(), asked.keptRaw(), asked.possible()), Shut.PASS_MARK, shut);
        addIf(past(until, asked.now()), Shut.UNTIL, shut);
        addIf(needsReopening && !asked.reopened(), Shut.REOPENING, shut);
        return shut;
    }

    /** Below the pass mark, unrounded; the mark itself is not below. Without a mark everything is. */
    public static boolean below(@Nullable Rational passPercent, @Nullable Rational keptRaw, Rational possible) {
        if (passPercent == null) {
            return true;
        }
        Rational line = passPercent.times(possible).dividedBy(Rational.HUNDRED);
        return keptRaw != null && keptRaw.compareTo(line) < 0;
    }

    private static boolean past(@Nullable Instant end, Instant now) {
        return end != null && now.isAfter(end);
    }

    private static void addIf(boolean holds, Shut reason, List<Shut> shut) {
        if (holds) {
            shut.add(reason);
        }
    }
}
