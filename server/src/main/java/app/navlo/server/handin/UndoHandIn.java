package app.navlo.server.handin;

import app.navlo.core.work.Fact;
import app.navlo.core.work.HandInContent;
import app.navlo.server.change.UndoElsewhere;
import app.navlo.server.change.WorkWrites;
import app.navlo.server.change.Writer;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Changes.Change;
import java.util.Optional;
import java.util.Set;
import java.util.function.LongSupplier;
import org.springframework.stereotype.Component;

/** Undoing a hand-in withdraws it. What was only reported never went to a teacher, and is as if it had not been reported. */
@Component
class UndoHandIn implements UndoElsewhere {
    private final WorkWrites writes;
    private final HandInService handIns;

    UndoHandIn(WorkWrites writes, HandInService handIns) {
        this.writes = writes;
        this.handIns = handIns;
    }

    @Override
    public ChangeKind kind() {
        return ChangeKind.HAND_IN;
    }

    @Override
    public Optional<LongSupplier> instead(Writer writer, Change change, Set<Long> touched) {
        Writer now = writer.unversioned();
        if (touched.stream().anyMatch(work -> isReported(now, change, work))) {
            return Optional.empty();
        }
        long work = only(touched);
        return Optional.of(() -> handIns.withdraw(now, work).change());
    }

    private boolean isReported(Writer writer, Change change, long work) {
        return writes.open(writer, work).recorded().stream()
                .anyMatch(fact -> fact.changeId() == change.id()
                        && fact.fact() instanceof Fact.HandedIn handedIn
                        && (handedIn.content() == HandInContent.ATTEMPT || handedIn.content() == HandInContent.DONE));
    }

    /** @throws Refusal where it touched no work */
    static long only(Set<Long> touched) {
        return touched.stream()
                .findFirst()
                .orElseThrow(() -> Refusal.conflict(
                        "This can't be undone from here", "Open the piece of work and take it back there."));
    }
}
