package app.navlo.server.handin;

import app.navlo.server.change.UndoElsewhere;
import app.navlo.server.change.Writer;
import app.navlo.server.outbox.SchoolCommand.Payload;
import app.navlo.server.outbox.SchoolCommands;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Changes.Change;
import app.navlo.server.store.HandIns;
import app.navlo.server.store.Outbox;
import app.navlo.server.store.RecordedFact;
import java.util.Optional;
import java.util.Set;
import java.util.function.LongSupplier;
import org.springframework.stereotype.Component;

/** What was withdrawn from a school is handed in there again before it stands again here. */
@Component
class UndoWithdrawal implements UndoElsewhere {
    private final StandingAgain again;
    private final SchoolCommands commands;
    private final HandIns contents;

    UndoWithdrawal(StandingAgain again, SchoolCommands commands, HandIns contents) {
        this.again = again;
        this.commands = commands;
        this.contents = contents;
    }

    @Override
    public ChangeKind kind() {
        return ChangeKind.WITHDRAW;
    }

    @Override
    public Optional<LongSupplier> instead(Writer writer, Change change, Set<Long> touched) {
        long work = UndoHandIn.only(touched);
        return again.handIn(writer, work, change.at())
                .map(RecordedFact::id)
                .filter(handIn -> contents.receiptOf(handIn).isPresent())
                .flatMap(contents::find)
                .map(content -> () -> atSchool(writer.unversioned(), work, change.id(), content));
    }

    private long atSchool(Writer writer, long work, long withdrawal, HandIns.Content content) {
        Payload payload = new Payload(null, content, 0, withdrawal);
        return commands.run(
                        Outbox.Kind.HAND_IN_AGAIN,
                        writer,
                        work,
                        "undo " + withdrawal,
                        () -> new SchoolCommands.Prepared(payload, true))
                .change();
    }
}
