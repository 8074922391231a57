package app.navlo.server.handin;

import app.navlo.core.work.Fact;
import app.navlo.server.board.Board;
import app.navlo.server.change.WorkWrites;
import app.navlo.server.change.Writer;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.Drafts;
import app.navlo.server.store.HandIns;
import app.navlo.server.store.RecordedFact;
import java.time.Instant;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** The hand-in that stands again when its withdrawal is undone. */
@Component
class StandingAgain {
    private final WorkWrites writes;
    private final Drafts drafts;
    private final HandIns contents;

    StandingAgain(WorkWrites writes, Drafts drafts, HandIns contents) {
        this.writes = writes;
        this.drafts = drafts;
        this.contents = contents;
    }

    /**
     * The last hand-in of the work; the draft that its withdrawal laid ready is taken away, unless something was added to it since.
     *
     * @param withdrawn when it was withdrawn
     * @throws Refusal if it was before a due that has passed since: standing as of its own instant would be untrue
     */
    Optional<RecordedFact> handIn(Writer writer, long work, Instant withdrawn) {
        Board.Entry entry = writes.open(writer.unversioned(), work);
        Instant due = entry.state().due();
        if (due != null && !withdrawn.isAfter(due) && writes.now().isAfter(due)) {
            throw Refusal.conflict(
                    "It was withdrawn before its due, and the due has passed since",
                    "Hand it in again; the files lie ready in the draft.");
        }
        Optional<RecordedFact> handIn = entry.recorded().stream()
                .filter(fact -> fact.fact() instanceof Fact.HandedIn)
                .reduce((earlier, later) -> later);
        handIn.flatMap(fact -> contents.find(fact.id())).ifPresent(content -> clearRefilled(work, content));
        return handIn;
    }

    private void clearRefilled(long work, HandIns.Content content) {
        String text = content.text() == null ? "" : content.text();
        drafts.find(work)
                .filter(draft -> draft.storedFiles().equals(content.files())
                        && draft.text().equals(text))
                .ifPresent(same -> drafts.clear(work));
    }
}
