package app.navlo.core.course;

import app.navlo.core.close.CheckIt;
import app.navlo.core.work.Flag;
import app.navlo.core.work.Stage;
import app.navlo.core.work.Turn;
import app.navlo.core.work.WorkState;
import java.util.EnumSet;
import java.util.Set;

/**
 * What is the matter with a piece of work, for who looks after a student. The kinds of missing stay apart: that there is nothing
 * and something can still come, that there is nothing and nothing more is taken, that it is there and stands as missing all the
 * same, and that it is there and waits.
 */
public enum Lack {
    /** Missing, and the student's to hand in. */
    SAVABLE,
    /** Missing, and nothing more is taken: closed, or scored with nothing known to be handed in. */
    CLOSED,
    /** Handed in, and flagged missing all the same. */
    LISTED,
    /** With the teacher longer than is usual there. */
    UNGRADED_LONG,
    /** Back with the student: sent back, something lacking, or to be done again. */
    BACK;

    /** Those that a piece of work has; none where all is well. */
    public static Set<Lack> of(WorkAssessment finding) {
        WorkState state = finding.state();
        Set<Lack> lacks = EnumSet.noneOf(Lack.class);
        boolean yours = state.move() == Turn.YOURS;
        boolean listed = state.shown().flag() == Flag.MISSING && state.handInStands();
        if (listed) {
            lacks.add(LISTED);
        } else if (state.missing()) {
            lacks.add(yours ? SAVABLE : CLOSED);
        }
        if (finding.checkIt().contains(CheckIt.UNGRADED_TOO_LONG)) {
            lacks.add(UNGRADED_LONG);
        }
        if (yours && (state.stage() == Stage.SENT_BACK || state.redo() != null || state.toComplete())) {
            lacks.add(BACK);
        }
        return lacks;
    }
}
