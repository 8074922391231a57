package app.navlo.core.work;

import app.navlo.core.reason.Reason;
import app.navlo.core.reason.Rule;

/** Missing: expected, required, not there and past its due, or said so by the teacher, whose word goes first. */
enum MissingRule implements Rule {
    FLAGGED("The teacher flagged it as missing"),
    FLAGGED_OTHERWISE("The teacher flagged it otherwise"),
    EXCUSED("Excused work is never missing"),
    RETURNED("Returned work is missing only if the teacher says so"),
    NOT_EXPECTED("No hand-in is required"),
    THERE("It was handed in"),
    NOT_DUE("It isn't past its due"),
    OVERDUE("Required, past its due, and nothing was handed in");

    private final String template;

    MissingRule(String template) {
        this.template = template;
    }

    @Override
    public String template() {
        return template;
    }

    record Answer(boolean missing, Reason reason) {}

    static Answer of(WorkItem item, WorkHistory life, Stage stage, Timing timing) {
        MissingRule rule = rule(item, life, stage, timing);
        return new Answer(rule == FLAGGED || rule == OVERDUE, Reason.of(rule));
    }

    private static MissingRule rule(WorkItem item, WorkHistory life, Stage stage, Timing timing) {
        if (stage == Stage.EXCUSED) {
            return EXCUSED;
        }
        if (life.flagged(Flag.MISSING)) {
            return FLAGGED;
        }
        if (life.flagged(Flag.LATE) || life.flagged(Flag.ON_TIME) || life.flagged(Flag.COLLECTED)) {
            return FLAGGED_OTHERWISE;
        }
        if (stage == Stage.RETURNED) {
            return RETURNED;
        }
        if (!item.required() || !item.expectsHandIn()) {
            return NOT_EXPECTED;
        }
        if (life.handInStands()) {
            return THERE;
        }
        return timing == Timing.OVERDUE || timing == Timing.CLOSED ? OVERDUE : NOT_DUE;
    }
}
