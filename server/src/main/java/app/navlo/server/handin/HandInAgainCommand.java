package app.navlo.server.handin;

import app.navlo.server.change.Done;
import app.navlo.server.change.UndoWriter;
import app.navlo.server.change.Writer;
import app.navlo.server.outbox.SchoolBox;
import app.navlo.server.outbox.SchoolBox.Taken;
import app.navlo.server.outbox.SchoolCommand;
import app.navlo.server.outbox.SchoolCommand.Payload;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Changes.Change;
import app.navlo.server.store.Outbox;
import app.navlo.server.store.RecordedFact;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** What was withdrawn stands again, once the school has it again. */
@Component
class HandInAgainCommand implements SchoolCommand {
    private final UndoWriter undos;
    private final StandingAgain again;
    private final Changes changes;
    private final SchoolBox school;

    HandInAgainCommand(UndoWriter undos, StandingAgain again, Changes changes, SchoolBox school) {
        this.undos = undos;
        this.again = again;
        this.changes = changes;
        this.school = school;
    }

    @Override
    public Outbox.Kind kind() {
        return Outbox.Kind.HAND_IN_AGAIN;
    }

    @Override
    public Done confirm(Writer writer, long work, Payload payload, Optional<Taken> taken) {
        Change withdrawal = changes.find(writer.student(), payload.change()).orElseThrow();
        RecordedFact handIn = again.handIn(writer, work, withdrawal.at()).orElseThrow();
        long undo = undos.undo(writer, withdrawal);
        if (school.known(taken.orElseThrow()).isEmpty()) {
            school.is(taken.orElseThrow(), undo, handIn.id());
        }
        return new Done(undo, 0);
    }
}
