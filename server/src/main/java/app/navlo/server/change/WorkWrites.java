package app.navlo.server.change;

import app.navlo.core.work.Actor;
import app.navlo.core.work.Fact;
import app.navlo.core.work.Stamp;
import app.navlo.server.board.Board;
import app.navlo.server.board.Boards;
import app.navlo.server.live.LiveFeed;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Facts;
import app.navlo.server.store.Works;
import app.navlo.server.time.ServerClock;
import java.time.Instant;
import java.util.List;
import java.util.function.Function;
import org.springframework.stereotype.Component;

/** What every write to a piece of work does: lock it, see that it is as the writer saw it, add, tell open pages. */
@Component
public class WorkWrites {
    private final Works works;
    private final Boards boards;
    private final Changes changes;
    private final Facts facts;
    private final LiveFeed live;
    private final ServerClock clock;

    WorkWrites(Works works, Boards boards, Changes changes, Facts facts, LiveFeed live, ServerClock clock) {
        this.works = works;
        this.boards = boards;
        this.changes = changes;
        this.facts = facts;
        this.live = live;
        this.clock = clock;
    }

    public Instant now() {
        return clock.instant();
    }

    /** The work as it stands, locked until the transaction ends. */
    public Board.Entry open(Writer writer, long work) {
        changes.lock(writer.student());
        long version = works.lock(writer.student(), work).orElseThrow(() -> Refusal.notFound("piece of work"));
        Board.Entry entry = boards.one(writer.student(), work, now());
        if (writer.version() != null && writer.version() != version) {
            throw Refusal.changedSince(entry.work().definition().title());
        }
        return entry;
    }

    /** Several as they stand, in the order given, locked until the transaction ends. */
    public List<Board.Entry> openAll(Writer writer, List<Long> ids) {
        changes.lock(writer.student());
        return boards.several(writer.student(), ids, now());
    }

    /** What the work says of itself; empty for nothing. */
    public String instructions(Writer writer, long work) {
        return works.instructions(work, changes.undone(writer.student()));
    }

    public long change(Writer writer, ChangeKind kind, String summary) {
        return changes.add(
                new Changes.NewChange(writer.student(), writer.person(), kind, now(), Changes.TYPED_IN, summary));
    }

    /** Adds a fact that the student makes now, and marks the work as changed. @param fact of its stamp */
    public long add(Writer writer, long change, long work, Function<Stamp, Fact> fact) {
        return add(writer, change, work, now(), fact);
    }

    /** The same for what happened at {@code at}, and is told now. */
    public long add(Writer writer, long change, long work, Instant at, Function<Stamp, Fact> fact) {
        return add(writer, change, work, fact.apply(stamp(writer, at)), Facts.Words.NONE);
    }

    /** The same for what is said with it. */
    public long add(Writer writer, long change, long work, Fact fact, Facts.Words words) {
        long id = facts.add(new Facts.NewFact(change, writer.student(), work, fact, words));
        touch(writer, work, change);
        return id;
    }

    /**
     * Adds that the student has read something. It is no change of the work: whoever has it before them may go on writing.
     *
     * @param fact of its stamp
     */
    public long addRead(Writer writer, long change, long work, Function<Stamp, Fact> fact) {
        long id = facts.add(new Facts.NewFact(change, writer.student(), work, fact.apply(stamp(writer, now()))));
        live.changed(writer.student());
        return id;
    }

    /** What is added to one of many. */
    public Facts.NewFact fact(Writer writer, long change, Board.Entry entry, Fact fact) {
        return new Facts.NewFact(change, writer.student(), entry.work().id(), fact);
    }

    /** Of what the writer says happened at {@code at}, and tells now. */
    public Stamp stamp(Writer writer, Instant at) {
        return Facts.stamp(at, now(), Actor.STUDENT, writer.name());
    }

    /** Tells open pages that something of a student changed. */
    public void tell(long student) {
        live.changed(student);
    }

    public void touch(Writer writer, long work, long change) {
        works.touch(work, change);
        live.changed(writer.student());
    }
}
