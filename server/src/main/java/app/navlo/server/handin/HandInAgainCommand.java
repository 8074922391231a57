package app.navlo.server.handin;

import app.navlo.server.change.Done;
import app.navlo.server.change.Writer;
import app.navlo.server.outbox.SchoolBox.Taken;
import app.navlo.server.outbox.SchoolCommand;
import app.navlo.server.outbox.SchoolCommand.Payload;
import app.navlo.server.store.Outbox;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** What was withdrawn stands again, once the school has it again. */
@Component
class HandInAgainCommand implements SchoolCommand {
    private final PlainUndo undo;

    HandInAgainCommand(PlainUndo undo) {
        this.undo = undo;
    }

    @Override
    public Outbox.Kind kind() {
        return Outbox.Kind.HAND_IN_AGAIN;
    }

    @Override
    public Done confirm(Writer writer, long work, Payload payload, Optional<Taken> taken) {
        return new Done(undo.standAgain(writer, payload.change(), taken.orElseThrow()), 0);
    }
}
