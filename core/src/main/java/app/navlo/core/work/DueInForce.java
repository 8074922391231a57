package app.navlo.core.work;

import app.navlo.core.work.WorkHistory.Opening;
import java.time.Duration;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/** The due that judges a hand-in of each round. Null is none. */
final class DueInForce {
    private static final Duration TIME_TO_FIX = Duration.ofHours(48);

    private final WorkItem item;
    private final WorkHistory life;

    DueInForce(WorkItem item, WorkHistory life) {
        this.item = item;
        this.life = life;
    }

    /** The extension granted last, else the assigned due, and the tokens used on top. */
    static @Nullable Instant base(WorkItem item, Fact.@Nullable ExtensionGranted grant, Duration tokens) {
        if (grant != null) {
            return grant.due().instant().plus(tokens);
        }
        return item.schedule().due() == null
                ? null
                : item.schedule().due().instant().plus(tokens);
    }

    @Nullable
    Instant base() {
        return base(item, life.grant(), life.tokens());
    }

    @Nullable
    Instant ofRound(int round) {
        Opening opening = life.rounds().get(round).opening();
        if (opening instanceof Opening.SendBack sendBack) {
            return afterSendBack(sendBack.fact(), ofRound(round - 1));
        }
        if (opening instanceof Opening.Return returned) {
            return redo(returned.redo(), round);
        }
        return base();
    }

    /** The redo's own; without one, a redo of what was handed in has none, and of what never was that in force. */
    private @Nullable Instant redo(Fact.@Nullable RedoAsked redo, int round) {
        if (redo != null && redo.due() != null) {
            return redo.due().instant();
        }
        return life.handedInBefore(round) ? null : base();
    }

    /** Of the hand-in that decides late or on time, while there is none: a redo's own due doesn't judge it yet. */
    @Nullable
    Instant awaited() {
        boolean returned = life.current().opening() instanceof Opening.Return;
        return returned && !life.handedInBefore(life.lastIndex()) ? base() : ofCurrentRound();
    }

    /** The one that stood before the last return, a send-back's among them; a redo's is that of the redo alone. */
    @Nullable
    Instant beforeReturn() {
        int round = life.lastIndex();
        while (life.rounds().get(round).opening() instanceof Opening.Return) {
            round--;
        }
        return ofRound(round);
    }

    @Nullable
    Instant ofCurrentRound() {
        return ofRound(life.lastIndex());
    }

    /** The teacher's due, else the later of the due in force and 48 h; an extension granted since replaces it. */
    private @Nullable Instant afterSendBack(Fact.SentBack sentBack, @Nullable Instant before) {
        Instant at = sentBack.stamp().at();
        if (life.grant() != null && life.grant().stamp().at().isAfter(at)) {
            return base();
        }
        if (sentBack.newDue() != null) {
            return sentBack.newDue().instant();
        }
        if (before == null) {
            return null;
        }
        Instant fixed = at.plus(TIME_TO_FIX);
        return before.isAfter(fixed) ? before : fixed;
    }

    /** The due of a round where a teacher gave or granted it: acceptance reaches at least to it. */
    @Nullable
    Instant givenForRound(int round) {
        Opening opening = life.rounds().get(round).opening();
        if (opening instanceof Opening.SendBack sendBack) {
            boolean granted = life.grant() != null
                    && life.grant().stamp().at().isAfter(sendBack.fact().stamp().at());
            return granted || sendBack.fact().newDue() != null ? ofRound(round) : null;
        }
        if (opening instanceof Opening.Return returned
                && (life.handedInBefore(round)
                        || (returned.redo() != null && returned.redo().due() != null))) {
            return ofRound(round);
        }
        return life.grant() == null ? null : base();
    }
}
