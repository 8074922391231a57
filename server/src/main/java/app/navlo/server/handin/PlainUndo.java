package app.navlo.server.handin;

import app.navlo.core.work.Fact;
import app.navlo.server.board.Board;
import app.navlo.server.change.WorkWrites;
import app.navlo.server.change.Writer;
import app.navlo.server.live.LiveFeed;
import app.navlo.server.outbox.SchoolBox;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Changes.Change;
import app.navlo.server.store.Courses;
import app.navlo.server.store.Drafts;
import app.navlo.server.store.HandIns;
import app.navlo.server.store.RecordedFact;
import app.navlo.server.store.Works;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Undoes changes by one more change each, and knows what they touched. */
@Component
class PlainUndo {
    private final WorkWrites writes;
    private final Changes changes;
    private final Works works;
    private final Courses courses;
    private final Drafts drafts;
    private final HandIns contents;
    private final LiveFeed live;
    private final SchoolBox school;

    PlainUndo(
            WorkWrites writes,
            Changes changes,
            Works works,
            Courses courses,
            Drafts drafts,
            HandIns contents,
            LiveFeed live,
            SchoolBox school) {
        this.writes = writes;
        this.changes = changes;
        this.works = works;
        this.courses = courses;
        this.drafts = drafts;
        this.contents = contents;
        this.live = live;
        this.school = school;
    }

    /** Lets what was withdrawn stand again, once the school has it again. */
    long standAgain(Writer writer, long id, SchoolBox.Taken taken) {
        Change change = changes.find(writer.student(), id).orElseThrow();
        Change target = root(change);
        Set<Long> touched = touchedWorks(target);
        RecordedFact handIn =
                Objects.requireNonNull(letStandAgain(writer, touched.iterator().next(), change.at()));
        long undo = undo(writer, change, target, touched);
        if (school.known(taken).isEmpty()) {
            school.is(taken, undo, handIn.id());
        }
        return undo;
    }

    long undo(Writer writer, Change change, Change target, Set<Long> touched) {
        long undo = changes.add(
                new Changes.NewChange(
                        writer.student(),
                        writer.person(),
                        ChangeKind.UNDO,
                        writes.now(),
                        Changes.TYPED_IN,
                        "Undid: " + change.summary()),
                change.id());
        touched.forEach(work -> works.touch(work, undo));
        courses.touchedBy(target.id()).forEach(course -> courses.touch(course, undo));
        live.changed(writer.student());
        return undo;
    }

    /** An undo of an undo brings back what the first change brought. */
    Change root(Change change) {
        Change root = change;
        while (root.undoes() != null) {
            root = changes.find(root.student(), root.undoes()).orElseThrow();
        }
        return root;
    }

    Set<Long> touchedWorks(Change target) {
        Set<Long> touched = new HashSet<>(works.touchedBy(target.id()));
        if (target.kind() == ChangeKind.ADD_COURSE || target.kind() == ChangeKind.IMPORT) {
            courses.touchedBy(target.id()).forEach(course -> touched.addAll(works.everIn(course)));
        }
        return touched;
    }

    void refuseIfBuiltUpon(Set<Long> touched, Change change, Set<Long> undone) {
        List<Long> later = new ArrayList<>();
        touched.forEach(work -> later.addAll(works.changesSince(work, change.id())));
        if (root(change).kind() == ChangeKind.EDIT_COURSE) {
            courses.touchedBy(root(change).id())
                    .forEach(course -> later.addAll(courses.changesSince(course, change.id())));
        }
        later.removeAll(undone);
        if (!later.isEmpty()) {
            throw Refusal.conflict(
                    "Something was done to the same since then",
                    "Undo that first, or leave this as it is. Nothing was changed.");
        }
    }

    /** A withdrawn hand-in stands again as of its own instant, which would be untrue once its due has passed. */
    @Nullable
    RecordedFact letStandAgain(Writer writer, long work, Instant withdrawn) {
        Board.Entry entry = writes.open(new Writer(writer.student(), writer.person(), writer.name(), null, null), work);
        Instant due = entry.state().due();
        if (due != null && !withdrawn.isAfter(due) && writes.now().isAfter(due)) {
            throw Refusal.conflict(
                    "It was withdrawn before its due, and the due has passed since",
                    "Hand it in again; the files lie ready in the draft.");
        }
        clearRefilled(work, entry);
        return entry.recorded().stream()
                .filter(fact -> fact.fact() instanceof Fact.HandedIn)
                .reduce((earlier, later) -> later)
                .orElse(null);
    }

    /** Takes away what the withdrawal laid ready, but never what was added to it since. */
    private void clearRefilled(long work, Board.Entry entry) {
        entry.recorded().stream()
                .filter(fact -> fact.fact() instanceof Fact.HandedIn)
                .reduce((earlier, later) -> later)
                .flatMap(fact -> contents.find(fact.id()))
                .filter(content -> drafts.find(work)
                        .filter(draft -> draft.storedFiles().equals(content.files()))
                        .filter(draft -> draft.text().equals(content.text() == null ? "" : content.text()))
                        .isPresent())
                .ifPresent(same -> drafts.clear(work));
    }
}
