package app.navlo.server.handin;

import app.navlo.core.work.Fact;
import app.navlo.core.work.HandInContent;
import app.navlo.core.work.HandInRules;
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

/** Writes down a hand-in: here alone, or as the school took it. */
@Component
class HandInCommand implements SchoolCommand {
    private final WorkWrites writes;
    private final Drafts drafts;
    private final HandIns handIns;
    private final SchoolBox school;

    HandInCommand(WorkWrites writes, Drafts drafts, HandIns handIns, SchoolBox school) {
        this.writes = writes;
        this.drafts = drafts;
        this.handIns = handIns;
        this.school = school;
    }

    @Override
    public Outbox.Kind kind() {
        return Outbox.Kind.HAND_IN;
    }

    @Override
    public Done confirm(Writer writer, long work, Payload payload, Optional<Taken> taken) {
        Board.Entry entry = writes.open(writer, work);
        HandIns.Content content = Objects.requireNonNull(payload.content());
        String title = entry.work().definition().title();
        long change = writes.change(writer, ChangeKind.HAND_IN, "Handed in " + title);
        Long told = taken.flatMap(school::known).orElse(null);
        long fact = told == null ? add(writer, entry, change, payload, taken) : told;
        if (told == null) {
            handIns.add(fact, content);
            taken.ifPresent(one -> school.is(one, change, fact));
        } else {
            handIns.replace(fact, content);
            writes.touch(writer, work, change);
        }
        taken.ifPresent(one -> handIns.received(fact, one.school(), one.number()));
        boolean same = drafts.find(work)
                .filter(draft -> draft.number() == payload.draft())
                .isPresent();
        if (same) {
            drafts.clear(work);
        }
        return new Done(change, fact);
    }

    private long add(Writer writer, Board.Entry entry, long change, Payload payload, Optional<Taken> taken) {
        int attempt = HandInRules.attempt(entry.state());
        HandInContent content = HandInContent.valueOf(Objects.requireNonNull(payload.type()));
        return writes.add(
                writer,
                change,
                entry.work().id(),
                SchoolBox.Taken.when(taken, writes.now()),
                stamp -> new Fact.HandedIn(stamp, attempt, content));
    }
}
