package app.navlo.server.handin;

import app.navlo.core.work.Fact;
import app.navlo.core.work.HandInContent;
import app.navlo.server.change.Done;
import app.navlo.server.change.WorkWrites;
import app.navlo.server.change.WriteOnce;
import app.navlo.server.change.Writer;
import app.navlo.server.outbox.SchoolCommand.Payload;
import app.navlo.server.outbox.SchoolCommands;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Changes.Change;
import app.navlo.server.store.HandIns;
import app.navlo.server.store.Outbox;
import app.navlo.server.store.RecordedFact;
import app.navlo.server.store.Works;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Undoes a change by one more change. What was done to the same work since then must be undone first, so that nothing is
 * pulled away from under it.
 */
@Service
public class UndoService {
    private final WorkWrites writes;
    private final PlainUndo plain;
    private final HandInService handIns;
    private final SchoolCommands commands;
    private final Changes changes;
    private final Works works;
    private final HandIns contents;
    private final WriteOnce once;
    private final TransactionTemplate transaction;

    UndoService(
            WorkWrites writes,
            PlainUndo plain,
            HandInService handIns,
            SchoolCommands commands,
            Changes changes,
            Works works,
            HandIns contents,
            WriteOnce once,
            TransactionTemplate transaction) {
        this.writes = writes;
        this.plain = plain;
        this.handIns = handIns;
        this.commands = commands;
        this.changes = changes;
        this.works = works;
        this.contents = contents;
        this.once = once;
        this.transaction = transaction;
    }

    /** What an undo comes to. */
    private record Plan(@Nullable Long done, long work, boolean withdraws, HandIns.@Nullable Content standsAgain) {}

    /** @return the change that undid it, which can be undone in its turn */
    public long undo(Writer writer, long id) {
        Plan plan = Objects.requireNonNull(transaction.execute(status -> plan(writer, id)));
        if (plan.done() != null) {
            return plan.done();
        }
        if (plan.withdraws()) {
            return handIns.withdraw(unversioned(writer), plan.work()).change();
        }
        Payload payload = new Payload(null, plan.standsAgain(), 0, id);
        return commands.run(
                        Outbox.Kind.HAND_IN_AGAIN,
                        unversioned(writer),
                        plan.work(),
                        "undo " + id,
                        () -> new SchoolCommands.Prepared(payload, true))
                .change();
    }

    private static Writer unversioned(Writer writer) {
        return new Writer(writer.student(), writer.person(), writer.name(), null, writer.key());
    }

    /** Nobody else writes while it is looked what there is to undo, so that two presses undo once. */
    private Plan plan(Writer writer, long id) {
        changes.lock(writer.student());
        WriteOnce.Once request =
                new WriteOnce.Once(writer.student(), writer.person(), writer.key(), "undo " + id, writes.now());
        Optional<Done> earlier = once.answered(request, Done.class);
        if (earlier.isPresent()) {
            return new Plan(earlier.get().change(), 0, false, null);
        }
        Change change = changes.find(writer.student(), id).orElseThrow(() -> Refusal.notFound("change"));
        Set<Long> undone = changes.undone(writer.student());
        if (undone.contains(id)) {
            throw Refusal.conflict("This is undone already", "Nothing is left to undo.");
        }
        if (!change.kind().undoable()) {
            throw Refusal.conflict("This can't be undone", "Change it back by hand.");
        }
        Change target = plain.root(change);
        Set<Long> touched = plain.touchedWorks(target);
        touched.forEach(work -> works.lock(writer.student(), work));
        plain.refuseIfBuiltUpon(touched, change, undone);
        if (change.kind() == ChangeKind.HAND_IN && !byOwnWord(writer, change)) {
            return new Plan(null, only(touched), true, null);
        }
        if (change.kind() == ChangeKind.WITHDRAW) {
            RecordedFact handIn = plain.letStandAgain(writer, only(touched), change.at());
            boolean atSchool = handIn != null && contents.receiptOf(handIn.id()).isPresent();
            if (atSchool) {
                return new Plan(
                        null, only(touched), false, contents.find(handIn.id()).orElseThrow());
            }
        }
        Done done = once.run(request, Done.class, () -> new Done(plain.undo(writer, change, target, touched), 0));
        return new Plan(done.change(), 0, false, null);
    }

    private static long only(Set<Long> touched) {
        return touched.stream()
                .findFirst()
                .orElseThrow(() -> Refusal.conflict(
                        "This can't be undone from here", "Open the piece of work and take it back there."));
    }

    /** What was only reported, and never went to a teacher through Navlo, is as if it had not been reported. */
    private boolean byOwnWord(Writer writer, Change change) {
        return works.touchedBy(change.id()).stream()
                .map(work ->
                        writes.open(new Writer(writer.student(), writer.person(), writer.name(), null, null), work))
                .flatMap(entry -> entry.recorded().stream())
                .anyMatch(fact -> fact.changeId() == change.id()
                        && fact.fact() instanceof Fact.HandedIn handedIn
                        && (handedIn.content() == HandInContent.ATTEMPT || handedIn.content() == HandInContent.DONE));
    }
}
