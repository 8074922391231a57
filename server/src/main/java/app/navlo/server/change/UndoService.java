package app.navlo.server.change;

import app.navlo.server.problem.Refusal;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Changes.Change;
import app.navlo.server.store.Works;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.LongSupplier;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Undoes a change by one more change. What was done to the same work since then must be undone first, so that nothing is
 * pulled away from under it.
 */
@Service
public class UndoService {
    private final WorkWrites writes;
    private final UndoWriter undos;
    private final Changes changes;
    private final Works works;
    private final WriteOnce once;
    private final TransactionTemplate transaction;
    private final Map<ChangeKind, UndoElsewhere> elsewhere;

    UndoService(
            WorkWrites writes,
            UndoWriter undos,
            Changes changes,
            Works works,
            WriteOnce once,
            TransactionTemplate transaction,
            List<UndoElsewhere> elsewhere) {
        this.writes = writes;
        this.undos = undos;
        this.changes = changes;
        this.works = works;
        this.once = once;
        this.transaction = transaction;
        this.elsewhere = elsewhere.stream().collect(Collectors.toMap(UndoElsewhere::kind, Function.identity()));
    }

    /** @return the change that undid it, which can be undone in its turn */
    public long undo(Writer writer, long id) {
        return Objects.requireNonNull(transaction.execute(status -> undone(writer, id)))
                .getAsLong();
    }

    /** Nobody else writes while it is looked what there is to undo, so that two presses undo once. */
    private LongSupplier undone(Writer writer, long id) {
        changes.lock(writer.student());
        WriteOnce.Once request =
                new WriteOnce.Once(writer.student(), writer.person(), writer.key(), "undo " + id, writes.now());
        Optional<Done> earlier = once.answered(request, Done.class);
        if (earlier.isPresent()) {
            return earlier.get()::change;
        }
        Change change = undoable(writer, id);
        Set<Long> touched = undos.touchedWorks(undos.root(change));
        touched.forEach(work -> works.lock(writer.student(), work));
        undos.refuseIfBuiltUpon(touched, change, changes.undone(writer.student()));
        return Optional.ofNullable(elsewhere.get(change.kind()))
                .flatMap(part -> part.instead(writer, change, touched))
                .orElseGet(() -> once.run(request, Done.class, () -> new Done(undos.undo(writer, change), 0))::change);
    }

    private Change undoable(Writer writer, long id) {
        Change change = changes.find(writer.student(), id).orElseThrow(() -> Refusal.notFound("change"));
        if (changes.undone(writer.student()).contains(id)) {
            throw Refusal.conflict("This is undone already", "Nothing is left to undo.");
        }
        if (!change.kind().undoable()) {
            throw Refusal.conflict("This can't be undone", "Change it back by hand.");
        }
        return change;
    }
}
