package app.navlo.server.work;

import app.navlo.core.work.Fact;
import app.navlo.core.work.HandInContent;
import app.navlo.server.board.Board;
import app.navlo.server.live.LiveFeed;
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
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Undoes a change by one more change. What was done to the same work since then must be undone first, so that nothing is
 * pulled away from under it.
 */
@Service
public class UndoService {
    private final WorkDesk desk;
    private final HandInService handIns;
    private final Changes changes;
    private final Works works;
    private final Courses courses;
    private final Drafts drafts;
    private final HandIns contents;
    private final LiveFeed live;
    private final SchoolBox school;

    UndoService(
            WorkDesk desk,
            HandInService handIns,
            Changes changes,
            Works works,
            Courses courses,
            Drafts drafts,
            HandIns contents,
            LiveFeed live,
            SchoolBox school) {
        this.school = school;
        this.desk = desk;
        this.handIns = handIns;
        this.changes = changes;
        this.works = works;
        this.courses = courses;
        this.drafts = drafts;
        this.contents = contents;
        this.live = live;
    }

    /** @return the change that undid it, which can be undone in its turn */
    @Transactional
    public long undo(Writer writer, long id) {
        Change change = changes.find(writer.student(), id).orElseThrow(() -> Refusal.notFound("change"));
        Set<Long> undone = changes.undone(writer.student());
        if (undone.contains(id)) {
            throw Refusal.conflict("This is undone already", "Nothing is left to undo.");
        }
        if (!change.kind().undoable()) {
            throw Refusal.conflict("This can't be undone", "Change it back by hand.");
        }
        Change target = root(change);
        Set<Long> touched = touchedWorks(target);
        touched.forEach(work -> works.lock(writer.student(), work));
        refuseIfBuiltUpon(touched, change, undone);
        if (change.kind() == ChangeKind.HAND_IN && !byOwnWord(writer, change)) {
            return handIns.withdraw(
                            new Writer(writer.student(), writer.person(), writer.name(), null, null),
                            touched.iterator().next())
                    .change();
        }
        if (change.kind() == ChangeKind.WITHDRAW) {
            long work = touched.iterator().next();
            RecordedFact handIn = letStandAgain(writer, work, change.at());
            Optional<SchoolBox.Taken> taken = takenAgain(writer, work, handIn);
            long undo = undoPlainly(writer, change, target, touched);
            taken.ifPresent(
                    one -> school.is(one, undo, Objects.requireNonNull(handIn).id()));
            return undo;
        }
        return undoPlainly(writer, change, target, touched);
    }

    private long undoPlainly(Writer writer, Change change, Change target, Set<Long> touched) {
        long undo = changes.add(
                new Changes.NewChange(
                        writer.student(),
                        writer.person(),
                        ChangeKind.UNDO,
                        desk.now(),
                        Changes.TYPED_IN,
                        "Undid: " + change.summary()),
                change.id());
        touched.forEach(work -> works.touch(work, undo));
        courses.touchedBy(target.id()).forEach(course -> courses.touch(course, undo));
        live.changed(writer.student());
        return undo;
    }

    /** An undo of an undo brings back what the first change brought. */
    private Change root(Change change) {
        Change root = change;
        while (root.undoes() != null) {
            root = changes.find(root.student(), root.undoes()).orElseThrow();
        }
        return root;
    }

    private Set<Long> touchedWorks(Change target) {
        Set<Long> touched = new HashSet<>(works.touchedBy(target.id()));
        if (target.kind() == ChangeKind.ADD_COURSE || target.kind() == ChangeKind.IMPORT) {
            courses.touchedBy(target.id()).forEach(course -> touched.addAll(works.everIn(course)));
        }
        return touched;
    }

    private void refuseIfBuiltUpon(Set<Long> touched, Change change, Set<Long> undone) {
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

    /** What was only reported, and never went to a teacher through Navlo, is as if it had not been reported. */
    private boolean byOwnWord(Writer writer, Change change) {
        return works.touchedBy(change.id()).stream()
                .map(work -> desk.open(new Writer(writer.student(), writer.person(), writer.name(), null, null), work))
                .flatMap(entry -> entry.recorded().stream())
                .anyMatch(fact -> fact.changeId() == change.id()
                        && fact.fact() instanceof Fact.HandedIn handedIn
                        && (handedIn.content() == HandInContent.ATTEMPT || handedIn.content() == HandInContent.DONE));
    }

    /** A withdrawn hand-in stands again as of its own instant, which would be untrue once its due has passed. */
    /** A school that was told of the withdrawal is told that it stands. */
    private Optional<SchoolBox.Taken> takenAgain(Writer writer, long work, @Nullable RecordedFact handIn) {
        boolean wasTaken = handIn != null && contents.receiptOf(handIn.id()).isPresent();
        return wasTaken
                ? contents.find(handIn.id()).flatMap(content -> school.handIn(writer, work, content))
                : Optional.empty();
    }

    /** @return the hand-in that stands again; null where none is known */
    private @Nullable RecordedFact letStandAgain(Writer writer, long work, Instant withdrawn) {
        Board.Entry entry = desk.open(new Writer(writer.student(), writer.person(), writer.name(), null, null), work);
        Instant due = entry.state().due();
        if (due != null && !withdrawn.isAfter(due) && desk.now().isAfter(due)) {
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
