package app.navlo.core.leeway;

import app.navlo.core.check.Check;
import app.navlo.core.time.Deadline;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Answers for one piece of work: may an extension be asked for, until when, and to what due. */
public final class ExtensionDesk {
    private ExtensionDesk() {}

    /**
     * @param rule null where the course gives none
     * @param due original, or null for none
     * @param zone of the course, for the wall time of the new due
     * @param granted extensions so far
     * @param pending asked for and not answered
     * @param keyOpenedAt null if it wasn't; later than {@code now} counts as not yet
     */
    public record Asking(
            @Nullable ExtensionRule rule,
            @Nullable Deadline due,
            ZoneId zone,
            Instant now,
            @Nullable Instant gradingClose,
            int granted,
            int pending,
            @Nullable Instant keyOpenedAt,
            int tokensLeft) {
        public Asking {
            new Check()
                    .notNegative(granted, "granted")
                    .notNegative(pending, "pending")
                    .notNegative(tokensLeft, "tokensLeft")
                    .orThrow();
        }
    }

    /**
     * @param from null for any time
     * @param until by the clock, cut to the close; null where there is no rule or no due
     * @param newDue null where it may not be asked for
     * @param bars every reason why not; empty if it may
     */
    public record Answer(
            boolean may,
            List<Bar> bars,
            @Nullable Instant from,
            @Nullable Instant until,
            @Nullable Instant newDue) {}

    public static Answer ask(Asking asking) {
        ExtensionRule rule = asking.rule();
        Deadline due = asking.due();
        if (rule == null || rule.limit() == 0 || due == null) {
            Bar bar = rule == null || rule.limit() == 0 ? Bar.NO_RULE : Bar.NO_DUE;
            return new Answer(false, List.of(bar), null, null, null);
        }
        Instant from = rule.before() == null ? null : due.instant().minus(rule.before());
        Instant lastByHours = due.instant().plus(rule.after());
        Instant newDue = rule.dueAfter(asking.granted() + 1, due, asking.zone(), asking.gradingClose());
        List<Bar> bars = new ArrayList<>();
        addIf(from != null && asking.now().isBefore(from), Bar.TOO_EARLY, bars);
        addIf(asking.now().isAfter(lastByHours), Bar.TOO_LATE, bars);
        addIf(past(asking.gradingClose(), asking.now()), Bar.GRADING_CLOSE, bars);
        addIf(asking.granted() + asking.pending() >= rule.limit(), Bar.LIMIT, bars);
        addIf(opened(asking.keyOpenedAt(), asking.now()), Bar.ANSWER_KEY, bars);
        addIf(asking.tokensLeft() < rule.tokens(), Bar.TOKENS, bars);
        addIf(!newDue.isAfter(dueNow(rule, due, asking)), Bar.NO_GAIN, bars);
        Instant until = earlier(lastByHours, asking.gradingClose());
        return new Answer(bars.isEmpty(), List.copyOf(bars), from, until, bars.isEmpty() ? newDue : null);
    }

    private static Instant dueNow(ExtensionRule rule, Deadline due, Asking asking) {
        return rule.dueAfter(asking.granted(), due, asking.zone(), asking.gradingClose());
    }

    static Instant earlier(Instant one, @Nullable Instant other) {
        return other != null && other.isBefore(one) ? other : one;
    }

    static boolean past(@Nullable Instant end, Instant now) {
        return end != null && now.isAfter(end);
    }

    static boolean opened(@Nullable Instant keyOpenedAt, Instant now) {
        return keyOpenedAt != null && !keyOpenedAt.isAfter(now);
    }

    static void addIf(boolean holds, Bar bar, List<Bar> bars) {
        if (holds) {
            bars.add(bar);
        }
    }
}
