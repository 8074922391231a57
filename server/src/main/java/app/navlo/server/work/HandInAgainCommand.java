package app.navlo.server.work;

import app.navlo.server.store.Outbox;
import app.navlo.server.work.HandInService.Done;
import app.navlo.server.work.SchoolBox.Taken;
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
