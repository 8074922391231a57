package app.navlo.server.work;

import app.navlo.server.board.ReadBoard;
import app.navlo.server.live.LiveFeed;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Course;
import app.navlo.server.store.Courses;
import app.navlo.server.store.Own;
import app.navlo.server.store.Work;
import app.navlo.server.store.Works;
import app.navlo.server.store.WriteOnce;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Writes down what a student adds for itself. Every write is one change, and can be undone. */
@Service
class OwnDesk {
    private final WorkDesk desk;
    private final Own own;
    private final Changes changes;
    private final Courses courses;
    private final Works works;
    private final WriteOnce once;
    private final LiveFeed live;

    OwnDesk(WorkDesk desk, Own own, Changes changes, Courses courses, Works works, WriteOnce once, LiveFeed live) {
        this.works = works;
        this.desk = desk;
        this.own = own;
        this.changes = changes;
        this.courses = courses;
        this.once = once;
        this.live = live;
    }

    @ReadBoard
    public List<OwnNoteView> notes(long student) {
        Set<Long> undone = changes.undone(student);
        Map<Long, Work> standing = works.all(student, undone, courses.all(student, undone));
        return own.notes(student, undone).stream()
                .filter(note -> note.work() == null || standing.containsKey(note.work()))
                .map(note -> new OwnNoteView(
                        note.id(),
                        note.number(),
                        note.work() == null
                                ? Objects.requireNonNull(note.course())
                                : standing.get(note.work()).definition().courseId(),
                        note.work(),
                        note.at(),
                        note.tag(),
                        note.body()))
                .toList();
    }

    @Transactional
    public EditedView addCourseNote(Writer writer, long course, NoteForm form) {
        return once(writer, "course note " + course + form, () -> {
            Course to = courses.all(writer.student(), changes.undone(writer.student()))
                    .get(course);
            if (to == null) {
                throw Refusal.notFound("course");
            }
            long change = desk.change(
                    writer, ChangeKind.NOTE, "Added a note to " + to.details().name());
            Own.Note note = note(null, form);
            long id = own.addNote(
                    writer.student(), change, new Own.Note(0, 0, null, course, note.at(), note.tag(), note.body()));
            live.changed(writer.student());
            return new EditedView(change, id);
        });
    }

    @Transactional
    public EditedView editNote(Writer writer, long id, NoteForm form) {
        return once(writer, "note " + id + form, () -> {
            Own.Note before = standing(writer, id);
            if (writer.version() != null && writer.version() != before.number()) {
                throw Refusal.savedElsewhere(
                        "The note", new Refusal.SavedElsewhere(before.body(), before.number(), before.at()));
            }
            long change = desk.change(writer, ChangeKind.NOTE, "Changed a note");
            own.reviseNote(id, change, note(before.work(), form), false);
            live.changed(writer.student());
            return new EditedView(change, id);
        });
    }

    @Transactional
    public EditedView removeNote(Writer writer, long id) {
        return once(writer, "remove note " + id, () -> {
            Own.Note before = standing(writer, id);
            long change = desk.change(writer, ChangeKind.NOTE, "Removed a note");
            own.reviseNote(id, change, before, true);
            live.changed(writer.student());
            return new EditedView(change, id);
        });
    }

    private Own.Note standing(Writer writer, long id) {
        return own.note(writer.student(), id, changes.undone(writer.student()))
                .orElseThrow(() -> Refusal.notFound("note"));
    }

    @ReadBoard
    public List<LensView> lenses(long student) {
        return own.lenses(student, changes.undone(student)).stream()
                .map(lens -> new LensView(lens.id(), lens.name(), lens.query()))
                .toList();
    }

    @Transactional
    public EditedView addLens(Writer writer, LensForm form) {
        return once(writer, "lens " + form, () -> {
            String name = form.name().strip();
            boolean taken = lenses(writer.student()).stream()
                    .anyMatch(lens -> lens.name().equalsIgnoreCase(name));
            if (taken) {
                throw Refusal.invalid("name", "You have a lens of this name already. Give it another.");
            }
            long change = desk.change(writer, ChangeKind.LENS, "Saved the lens " + name);
            long id = own.addLens(writer.student(), change, name, form.query());
            live.changed(writer.student());
            return new EditedView(change, id);
        });
    }

    @Transactional
    public EditedView removeLens(Writer writer, long id) {
        return once(writer, "remove lens " + id, () -> {
            LensView lens = lenses(writer.student()).stream()
                    .filter(one -> one.id() == id)
                    .findFirst()
                    .orElseThrow(() -> Refusal.notFound("lens"));
            long change = desk.change(writer, ChangeKind.LENS, "Removed the lens " + lens.name());
            own.reviseLens(change, new Own.Lens(id, lens.name(), lens.query()), true);
            live.changed(writer.student());
            return new EditedView(change, id);
        });
    }

    @Transactional
    public EditedView arrange(Writer writer, ArrangementForm form) {
        return once(writer, "arrange " + form, () -> {
            Map<Long, Course> standing = courses.all(writer.student(), changes.undone(writer.student()));
            Set<Long> given = new HashSet<>();
            form.courses().forEach(placed -> given.add(placed.id()));
            if (!given.equals(standing.keySet())
                    || given.size() != form.courses().size()) {
                throw Refusal.changedSince("The list of courses");
            }
            if (!form.courses().stream().map(PlacedCourse::colour).allMatch(Course.COLOURS::contains)) {
                throw Refusal.invalid("colour", "Choose one of the colours offered.");
            }
            long change = desk.change(writer, ChangeKind.EDIT_COURSE, "Arranged the courses");
            int place = 0;
            for (PlacedCourse placed : form.courses()) {
                place++;
                Course.Details details = standing.get(placed.id()).details();
                courses.revise(
                        placed.id(),
                        change,
                        details.coloured(placed.colour()),
                        Courses.Where.of(standing.get(placed.id())).at(place));
                courses.touch(placed.id(), change);
            }
            live.changed(writer.student());
            return new EditedView(change, form.courses().get(0).id());
        });
    }

    private Own.Note note(@Nullable Long work, NoteForm form) {
        return form.note(work, desk.now());
    }

    private EditedView once(Writer writer, String asked, Supplier<EditedView> write) {
        return once.run(
                new WriteOnce.Once(writer.student(), writer.person(), writer.key(), asked, desk.now()),
                EditedView.class,
                write);
    }
}
