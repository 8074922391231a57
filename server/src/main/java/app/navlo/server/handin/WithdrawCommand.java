package app.navlo.server.handin;

import app.navlo.core.work.Fact;
import app.navlo.core.work.HandInContent;
import app.navlo.server.board.Board;
import app.navlo.server.change.Done;
import app.navlo.server.change.WorkWrites;
import app.navlo.server.change.Writer;
import app.navlo.server.outbox.SchoolBox;
import app.navlo.server.outbox.SchoolBox.Taken;
import app.navlo.server.outbox.SchoolCommand;
import app.navlo.server.outbox.SchoolCommand.Payload;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Drafts;
import app.navlo.server.store.HandIns;
import app.navlo.server.store.Outbox;
import java.util.Objects;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Writes down that a hand-in was taken back; what it held lies ready again. */
@Component
class WithdrawCommand implements SchoolCommand {
    private final WorkWrites writes;
    private final Drafts drafts;
    private final HandIns handIns;
    private final SchoolBox school;

    WithdrawCommand(WorkWrites writes, Drafts drafts, HandIns handIns, SchoolBox school) {
        this.writes = writes;
        this.drafts = drafts;
        this.handIns = handIns;
        this.school = school;
    }

    @Override
    public Outbox.Kind kind() {
        return Outbox.Kind.WITHDRAW;
    }

    @Override
    public Done confirm(Writer writer, long work, Payload payload, Optional<Taken> taken) {
        Board.Entry entry = writes.open(writer, work);
        Long standing = entry.standingHandIn();
        String title = entry.work().definition().title();
        long change = writes.change(writer, ChangeKind.WITHDRAW, "Withdrew " + title);
        Long told = taken.flatMap(school::known).orElse(null);
        if (told != null) {
            writes.touch(writer, work, change);
            return new Done(change, told);
        }
        long fact = writes.add(writer, change, work, SchoolBox.Taken.when(taken, writes.now()), Fact.Withdrawn::new);
        taken.ifPresent(one -> school.is(one, change, fact));
        boolean held = standing != null
                && entry.recorded().stream().noneMatch(one -> one.id() == standing && isDone(one.fact()));
        if (held) {
            refill(writer, work, Objects.requireNonNull(standing));
        }
        return new Done(change, fact);
    }

    private static boolean isDone(Fact fact) {
        return fact instanceof Fact.HandedIn handedIn && handedIn.content() == HandInContent.DONE;
    }

    /** What was withdrawn lies ready again, unless something newer does. */
    private void refill(Writer writer, long work, long handIn) {
        if (drafts.find(work).filter(draft -> !draft.isEmpty()).isPresent()) {
            return;
        }
        handIns.find(handIn).ifPresent(content -> {
            drafts.saveText(writer.student(), work, content.text() == null ? "" : content.text(), writes.now());
            content.files().forEach(file -> drafts.addFile(work, file));
        });
    }
}
