package app.navlo.core.work;

import app.navlo.core.reason.Reason;
import app.navlo.core.reason.Rule;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/** Whose move it is: exactly one answer for every piece of work. */
enum TurnRule implements Rule {
    EXCUSED(Turn.SETTLED, "Excused; nothing is left to do"),
    OPTIONAL_OVER(Turn.SETTLED, "Optional, and its due is past"),
    TO_COMPLETE(Turn.YOURS, "Flagged incomplete, and what is lacking is still accepted"),
    WITH_TEACHER(Turn.TEACHERS, "It is with the teacher"),
    REDO_ASKED(Turn.YOURS, "A redo was asked for, and it is still accepted"),
    REDO_ALLOWED(Turn.YOURS, "Below the pass mark, and a redo is allowed"),
    RETURNED(Turn.SETTLED, "Returned, with no redo to do"),
    EXTENSION_PENDING(Turn.TEACHERS, "Closed, but an extension was asked for and isn't answered"),
    CLOSED(Turn.OUT_OF_REACH, "Closed, and no hand-in stands"),
    SHUT_FOR_GOOD(Turn.OUT_OF_REACH, "It waits for what can't come any more, unless the teacher opens that again"),
    NOT_OPEN(Turn.NOT_YET, "It isn't open yet"),
    TO_FIX(Turn.YOURS, "Sent back, and still accepted"),
    TO_HAND_IN(Turn.YOURS, "Open, accepted, and not handed in");

    private final Turn move;
    private final String template;

    TurnRule(Turn move, String template) {
        this.move = move;
        this.template = template;
    }

    @Override
    public String template() {
        return template;
    }

    /** @param mayHandIn one's own to hand in, or optional work past its due that is still taken */
    record Answer(Turn move, boolean mayHandIn, Reason reason) {}

    static Answer of(
            WorkItem item,
            WorkHistory life,
            Stage stage,
            GateState gate,
            Clock clock,
            Redo.@Nullable Kind redo,
            @Nullable Instant due) {
        TurnRule rule = rule(item, life, stage, clock, redo, due);
        rule = rule == NOT_OPEN && gate == GateState.SHUT_FOR_GOOD ? SHUT_FOR_GOOD : rule;
        boolean stillTaken = rule == OPTIONAL_OVER && clock.accepted() && stage != Stage.NOT_OPEN;
        return new Answer(rule.move, rule.move == Turn.YOURS || stillTaken, Reason.of(rule));
    }

    private static TurnRule rule(
            WorkItem item,
            WorkHistory life,
            Stage stage,
            Clock clock,
            Redo.@Nullable Kind redo,
            @Nullable Instant due) {
        boolean pastDue = due != null && clock.now().isAfter(due);
        if (stage == Stage.EXCUSED) {
            return EXCUSED;
        }
        boolean toComplete = life.toComplete() && clock.accepted();
        if (stage == Stage.TURNED_IN) {
            return toComplete ? TO_COMPLETE : WITH_TEACHER;
        }
        if (stage == Stage.RETURNED) {
            return redo != null && clock.accepted()
                    ? redo == Redo.Kind.ASKED ? REDO_ASKED : REDO_ALLOWED
                    : toComplete ? TO_COMPLETE : RETURNED;
        }
        if (!item.required() && pastDue) {
            return OPTIONAL_OVER;
        }
        if (!clock.accepted()) {
            return life.extensionPending() ? EXTENSION_PENDING : CLOSED;
        }
        if (stage == Stage.NOT_OPEN) {
            return NOT_OPEN;
        }
        return stage == Stage.SENT_BACK ? TO_FIX : TO_HAND_IN;
    }
}
