package app.navlo.core.next;

import app.navlo.core.work.Stage;
import app.navlo.core.work.WorkItem;
import app.navlo.core.work.WorkState;

/** What is to be done to a piece of work that is one's own to move. */
public enum ActionKind {
    /** It was sent back. */
    FIX,
    REDO,
    /** It was flagged incomplete. */
    COMPLETE,
    /** A discussion of which some parts are there. */
    FINISH_PARTS,
    /** Something lies ready, but isn't handed in. */
    FINISH_DRAFT,
    HAND_IN,
    /** For what happens at its time. */
    PREPARE;

    static ActionKind of(WorkItem item, WorkState state) {
        if (item.schedule().appointment() != null) {
            return PREPARE;
        }
        if (state.stage() == Stage.SENT_BACK) {
            return FIX;
        }
        if (state.redo() != null) {
            return REDO;
        }
        if (state.toComplete()) {
            return COMPLETE;
        }
        if (state.parts() != null && state.parts().done() > 0) {
            return FINISH_PARTS;
        }
        return state.stage() == Stage.DRAFT ? FINISH_DRAFT : HAND_IN;
    }
}
