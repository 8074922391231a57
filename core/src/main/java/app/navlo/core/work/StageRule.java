package app.navlo.core.work;

import app.navlo.core.reason.Reason;
import app.navlo.core.reason.Rule;
import app.navlo.core.work.WorkHistory.HandIn;
import app.navlo.core.work.WorkHistory.Opening;
import java.time.Instant;

/** The stage, asked in the order of docs/rules.md, section 1. */
enum StageRule implements Rule {
    EXCUSED("Excused {at}"),
    TURNED_IN("Handed in {at}, and neither returned nor sent back since"),
    DONE_AT_DUE("Nothing is to be handed in; it counts as done since {at}"),
    SENT_BACK("Sent back {at} to be fixed: {why}"),
    RETURNED("Returned {at}"),
    RETURNED_UNSEEN("Returned {at}; no hand-in is known"),
    COLLECTED("Collected on paper, the teacher says; no hand-in is known here"),
    OPENS_LATER("Opens {at}"),
    GATE_SHUT("Shut until other work is done"),
    SHUT_FOR_GOOD("Shut for good: what it waits for can't come any more"),
    PARTS("{done} of {of} parts are there; it counts as handed in when all are"),
    WITHDRAWN("Taken back {at}; nothing is with the teacher"),
    BEGUN("Begun {at} and not handed in"),
    NOTHING_BEGUN("Open, and nothing is begun");

    private final String template;

    StageRule(String template) {
        this.template = template;
    }

    @Override
    public String template() {
        return template;
    }

    record Answer(Stage stage, Reason reason) {}

    static Answer of(WorkItem item, WorkHistory life, GateState gate) {
        if (life.excuse() != null && life.excused()) {
            return at(Stage.EXCUSED, EXCUSED, life.excuse().stamp().at());
        }
        if (life.withTeacher()) {
            HandIn last = life.current().last().orElseThrow();
            return at(Stage.TURNED_IN, last.assumed() ? DONE_AT_DUE : TURNED_IN, last.at());
        }
        Opening opening = life.current().opening();
        if (opening instanceof Opening.SendBack sendBack) {
            Reason reason = Reason.of(SENT_BACK)
                    .with("at", sendBack.fact().stamp().at())
                    .with("why", sendBack.fact().reason());
            return new Answer(Stage.SENT_BACK, reason);
        }
        if (opening instanceof Opening.Return returned) {
            return at(Stage.RETURNED, life.handInStands() ? RETURNED : RETURNED_UNSEEN, returned.at());
        }
        return life.flagged(Flag.COLLECTED)
                ? new Answer(Stage.TURNED_IN, Reason.of(COLLECTED))
                : notHandedIn(item, life, gate);
    }

    private static Answer notHandedIn(WorkItem item, WorkHistory life, GateState gate) {
        Instant opensAt = item.schedule().opensAt();
        if (opensAt != null && life.now().isBefore(opensAt)) {
            return at(Stage.NOT_OPEN, OPENS_LATER, opensAt);
        }
        if (gate != GateState.OPEN) {
            return new Answer(Stage.NOT_OPEN, Reason.of(gate == GateState.SHUT ? GATE_SHUT : SHUT_FOR_GOOD));
        }
        if (life.begun() == null) {
            return new Answer(Stage.ASSIGNED, Reason.of(NOTHING_BEGUN));
        }
        if (life.withdrawn() != null) {
            return at(Stage.DRAFT, WITHDRAWN, life.withdrawn());
        }
        PartsDone parts = PartsDone.of(item, life);
        if (parts != null) {
            return new Answer(
                    Stage.DRAFT, Reason.of(PARTS).with("done", parts.done()).with("of", parts.of()));
        }
        return at(Stage.DRAFT, BEGUN, life.begun());
    }

    private static Answer at(Stage stage, StageRule rule, Instant at) {
        return new Answer(stage, Reason.of(rule).with("at", at));
    }
}
