package app.navlo.server.personal;

import app.navlo.server.board.ReadBoard;
import app.navlo.server.change.Changed;
import app.navlo.server.change.OneChange;
import app.navlo.server.change.Writer;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Course;
import app.navlo.server.store.Courses;
import app.navlo.server.store.Notes;
import app.navlo.server.store.Work;
import app.navlo.server.store.Works;
import app.navlo.server.time.ServerClock;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.springframework.stereotype.Service;

/** A student's notes. Every write is one change, and can be undone. */
@Service
class NoteService {
    private final OneChange one;
    private final Notes notes;
    private final Changes changes;
    private final Courses courses;
    private final Works works;
    private final ServerClock clock;

    NoteService(OneChange one, Notes notes, Changes changes, Courses courses, Works works, ServerClock clock) {
        this.one = one;
        this.notes = notes;
        this.changes = changes;
        this.courses = courses;
        this.works = works;
        this.clock = clock;
    }

    @ReadBoard
    public List<OwnNoteView> all(long student) {
        Set<Long> undone = changes.undone(student);
        Map<Long, Work> standing = works.all(student, undone, courses.all(student, undone));
        return notes.notes(student, undone).stream()
                .filter(note -> note.work() == null || standing.containsKey(note.work()))
                .map(note -> new OwnNoteView(
                        note.id(),
                        note.number(),
                        note.work() == null
                                ? Objects.requireNonNull(note.course())
                                : Objects.requireNonNull(standing.get(note.work()))
                                        .definition()
                                        .courseId(),
                        note.work(),
                        note.at(),
                        note.tag(),
                        note.body()))
                .toList();
    }

    Changed addToCourse(Writer writer, long course, NoteForm form) {
        return one.write(writer, "course note " + course + form, () -> {
            Course to = courses.all(writer.student(), changes.undone(writer.student()))
                    .get(course);
            if (to == null) {
                throw Refusal.notFound("course");
            }
            Notes.Note note = form.note(null, clock.instant());
            return new OneChange.Intended(
                    ChangeKind.NOTE,
                    "Added a note to " + to.details().name(),
                    change -> notes.addNote(
                            writer.student(),
                            change,
                            new Notes.Note(0, 0, null, course, note.at(), note.tag(), note.body())));
        });
    }

    Changed edit(Writer writer, long id, NoteForm form) {
        return one.write(writer, "note " + id + form, () -> {
            Notes.Note before = standing(writer, id);
            if (writer.version() != null && writer.version() != before.number()) {
                throw Refusal.savedElsewhere(
                        "The note", new Refusal.SavedElsewhere(before.body(), before.number(), before.at()));
            }
            return new OneChange.Intended(ChangeKind.NOTE, "Changed a note", change -> {
                notes.reviseNote(id, change, form.note(before.work(), clock.instant()), false);
                return id;
            });
        });
    }

    Changed remove(Writer writer, long id) {
        return one.write(writer, "remove note " + id, () -> {
            Notes.Note before = standing(writer, id);
            return new OneChange.Intended(ChangeKind.NOTE, "Removed a note", change -> {
                notes.reviseNote(id, change, before, true);
                return id;
            });
        });
    }

    private Notes.Note standing(Writer writer, long id) {
        return notes.note(writer.student(), id, changes.undone(writer.student()))
                .orElseThrow(() -> Refusal.notFound("note"));
    }
}
