package app.navlo.core.feedback;

import app.navlo.core.exact.Rational;
import app.navlo.core.reason.Rule;
import app.navlo.core.work.Actor;
import app.navlo.core.work.Fact;
import app.navlo.core.work.Move;
import app.navlo.core.work.Redo;
import app.navlo.core.work.ScoreShown;
import app.navlo.core.work.Stage;
import app.navlo.core.work.WorkState;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;

/** What a returned piece of work may be asking for, each raised by itself. */
public enum Signal implements Rule {
    ZERO_WITHOUT_FEEDBACK("A zero came back, and nobody said why"),
    ZERO_WITH_COMMENT("A zero came back with a comment; it may be asking for something"),
    REDO_ASKED("A redo was asked for"),
    BELOW_PASS_REDO_ALLOWED("Below the pass mark, and a redo is allowed");

    private final String template;

    Signal(String template) {
        this.template = template;
    }

    @Override
    public String template() {
        return template;
    }

    /** In the order of this list; empty if nothing asks for anything. */
    public static List<Signal> of(WorkState state, Collection<Fact> facts, Instant now) {
        List<Signal> signals = new ArrayList<>();
        Rational points = state.score().points();
        boolean zero = state.stage() == Stage.RETURNED
                && state.score().mark() == ScoreShown.Mark.FINAL
                && points != null
                && points.isZero();
        if (zero) {
            boolean said = FeedbackStream.of(facts, now).stream().anyMatch(entry -> entry.by() == Actor.TEACHER);
            signals.add(said ? ZERO_WITH_COMMENT : ZERO_WITHOUT_FEEDBACK);
        }
        if (state.redo() != null && state.stage() == Stage.RETURNED && state.move() == Move.YOURS) {
            signals.add(state.redo().kind() == Redo.Kind.ASKED ? REDO_ASKED : BELOW_PASS_REDO_ALLOWED);
        }
        return signals;
    }
}
