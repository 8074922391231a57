package app.navlo.core.leeway;

import app.navlo.core.check.Check;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Answers for one piece of work: may a token be used, until when, and to what dues. */
public final class TokenDesk {
    private TokenDesk() {}

    /**
     * @param rule null where the course has none
     * @param due before any token, or null for none
     * @param tokensLeft in the bank
     * @param usedHere on this piece of work so far
     */
    public record Using(
            @Nullable TokenRule rule,
            @Nullable Instant due,
            Instant now,
            @Nullable Instant gradingClose,
            @Nullable Instant keyOpenedAt,
            int tokensLeft,
            int usedHere) {
        public Using {
            new Check()
                    .notNegative(tokensLeft, "tokensLeft")
                    .notNegative(usedHere, "usedHere")
                    .orThrow();
        }
    }

    /**
     * @param until cut to the close; null where there is no rule or no due
     * @param dueNow the due in force
     * @param dues after 1, 2, … more tokens, each cut to the close, as long as one more moves it; empty if none may be used
     */
    public record Answer(
            boolean may,
            List<Bar> bars,
            @Nullable Instant until,
            @Nullable Instant dueNow,
            List<Instant> dues) {}

    public static Answer use(Using using) {
        TokenRule rule = using.rule();
        Instant due = using.due();
        if (rule == null || due == null) {
            return new Answer(false, List.of(rule == null ? Bar.NO_RULE : Bar.NO_DUE), null, due, List.of());
        }
        Instant dueNow = dueAfter(0, rule, due, using);
        Instant lastByHours = dueNow.plus(rule.after());
        List<Bar> bars = new ArrayList<>();
        ExtensionDesk.addIf(using.now().isAfter(lastByHours), Bar.TOO_LATE, bars);
        ExtensionDesk.addIf(ExtensionDesk.past(using.gradingClose(), using.now()), Bar.GRADING_CLOSE, bars);
        ExtensionDesk.addIf(using.usedHere() >= rule.most(), Bar.LIMIT, bars);
        ExtensionDesk.addIf(using.tokensLeft() < 1, Bar.TOKENS, bars);
        ExtensionDesk.addIf(ExtensionDesk.opened(using.keyOpenedAt(), using.now()), Bar.ANSWER_KEY, bars);
        ExtensionDesk.addIf(!dueAfter(1, rule, due, using).isAfter(dueNow), Bar.NO_GAIN, bars);
        Instant until = ExtensionDesk.earlier(lastByHours, using.gradingClose());
        List<Instant> dues = bars.isEmpty() ? dues(rule, due, using) : List.of();
        return new Answer(bars.isEmpty(), List.copyOf(bars), until, dueNow, dues);
    }

    private static List<Instant> dues(TokenRule rule, Instant due, Using using) {
        int most = Math.min(using.tokensLeft(), rule.most() - using.usedHere());
        List<Instant> dues = new ArrayList<>();
        Instant before = dueAfter(0, rule, due, using);
        for (int more = 1; more <= most; more++) {
            Instant next = dueAfter(more, rule, due, using);
            if (!next.isAfter(before)) {
                break;
            }
            dues.add(next);
            before = next;
        }
        return List.copyOf(dues);
    }

    private static Instant dueAfter(int more, TokenRule rule, Instant due, Using using) {
        Instant moved = due.plus(rule.span().multipliedBy(using.usedHere() + more));
        return ExtensionDesk.earlier(moved, using.gradingClose());
    }
}
