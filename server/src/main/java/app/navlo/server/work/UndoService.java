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
import app.navlo.server.store.Outbox;
import app.navlo.server.store.RecordedFact;
import app.navlo.server.store.Works;
import app.navlo.server.store.WriteOnce;
import app.navlo.server.work.HandInService.Done;
import app.navlo.server.work.SchoolCommand.Payload;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.context.annotation.Lazy;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

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
    private final SchoolCommands commands;
    private final WriteOnce once;
    private final TransactionTemplate transaction;

    UndoService(
            WorkDesk desk,
            HandInService handIns,
            Changes changes,
            Works works,
            Courses courses,
            Drafts drafts,
            HandIns contents,
            LiveFeed live,
            SchoolBox school,
            @Lazy SchoolCommands commands,
            WriteOnce once,
            TransactionTemplate transaction) {
        this.commands = commands;
        this.once = once;
        this.transaction = transaction;
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
                new WriteOnce.Once(writer.student(), writer.person(), writer.key(), "undo " + id, desk.now());
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
        Change target = root(change);
        Set<Long> touched = touchedWorks(target);
        touched.forEach(work -> works.lock(writer.student(), work));
        refuseIfBuiltUpon(touched, change, undone);
        if (change.kind() == ChangeKind.HAND_IN && !byOwnWord(writer, change)) {
            return new Plan(null, only(touched), true, null);
        }
        if (change.kind() == ChangeKind.WITHDRAW) {
            RecordedFact handIn = letStandAgain(writer, only(touched), change.at());
            boolean atSchool = handIn != null && contents.receiptOf(handIn.id()).isPresent();
            if (atSchool) {
                return new Plan(
                        null, only(touched), false, contents.find(handIn.id()).orElseThrow());
            }
        }
        Done done = once.run(request, Done.class, () -> new Done(undoPlainly(writer, change, target, touched), 0));
        return new Plan(done.change(), 0, false, null);
    }

    private static long only(Set<Long> touched) {
        return touched.stream()
                .findFirst()
                .orElseThrow(() -> Refusal.conflict(
                        "This can't be undone from here", "Open the piece of work and take it back there."));
    }

    /** Lets what was withdrawn stand again, once the school has it again. */
    long standAgain(Writer writer, long id, SchoolBox.Taken taken) {
        Change change = changes.find(writer.student(), id).orElseThrow();
        Change target = root(change);
        Set<Long> touched = touchedWorks(target);
        RecordedFact handIn = Objects.requireNonNull(letStandAgain(writer, only(touched), change.at()));
        long undo = undoPlainly(writer, change, target, touched);
        if (school.known(taken).isEmpty()) {
            school.is(taken, undo, handIn.id());
        }
        return undo;
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
