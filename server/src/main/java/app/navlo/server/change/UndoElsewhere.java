package app.navlo.server.change;

import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Changes.Change;
import java.util.Optional;
import java.util.Set;
import java.util.function.LongSupplier;

/** A kind of change that isn't always undone by writing alone: a school has a part in it. */
public interface UndoElsewhere {
    ChangeKind kind();

    /**
     * Asked in the transaction in which everything touched is locked.
     *
     * @param touched the pieces of work that the change touched
     * @return what undoes it once that transaction has ended, and answers with the change that did; empty where it is undone as any
     *     other change
     * @throws app.navlo.server.problem.Refusal where it can't be undone any more
     */
    Optional<LongSupplier> instead(Writer writer, Change change, Set<Long> touched);
}
