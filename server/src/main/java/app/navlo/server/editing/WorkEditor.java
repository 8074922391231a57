package app.navlo.server.editing;

import app.navlo.server.board.Board;
import app.navlo.server.change.WorkWrites;
import app.navlo.server.change.WriteOnce;
import app.navlo.server.change.Writer;
import app.navlo.server.live.LiveFeed;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Course;
import app.navlo.server.store.Courses;
import app.navlo.server.store.Work;
import app.navlo.server.store.Works;
import app.navlo.server.workdetail.WorkForm;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Pieces of work that a student types in, changes or removes. What they set of work that a source told of isn't overwritten by
 * it later.
 */
@Service
class WorkEditor {
    private final WorkWrites writes;
    private final Changes changes;
    private final Courses courses;
    private final Works works;
    private final WriteOnce once;
    private final LiveFeed live;

    WorkEditor(WorkWrites writes, Changes changes, Courses courses, Works works, WriteOnce once, LiveFeed live) {
        this.writes = writes;
        this.changes = changes;
        this.courses = courses;
        this.works = works;
        this.once = once;
        this.live = live;
    }

    /** The change, and the number of the course or work that it is about. */
    record Edited(long change, long id) {}

    @Transactional
    public Edited addWork(Writer writer, WorkForm form) {
        return once(writer, "add work " + form, () -> {
            Work.Definition definition =
                    form.definition(course(writer, form.courseId()).zone(), null);
            long change = writes.change(writer, ChangeKind.ADD_WORK, "Added " + definition.title());
            long id = works.add(new Works.NewWork(
                    writer.student(), change, Work.Origin.TYPED, null, null, definition, form.instructions()));
            writes.touch(writer, id, change);
            return new Edited(change, id);
        });
    }

    /** Any number of pieces of work at once, as work that repeats is: one change. */
    @Transactional
    public Edited addWorks(Writer writer, List<WorkForm> forms) {
        return once(writer, "add works " + forms, () -> {
            Map<Long, Course> known = courses.all(writer.student(), changes.undone(writer.student()));
            String first = forms.get(0).title().strip();
            String summary =
                    forms.size() == 1 ? "Added " + first : "Added " + forms.size() + " pieces of work: " + first + " …";
            long change = writes.change(writer, ChangeKind.ADD_WORK, summary);
            List<Long> ids = works.addAll(forms.stream()
                    .map(form -> new Works.NewWork(
                            writer.student(),
                            change,
                            Work.Origin.TYPED,
                            null,
                            null,
                            form.definition(course(known, form.courseId()).zone(), null),
                            form.instructions()))
                    .toList());
            writes.tell(writer.student());
            return new Edited(change, ids.get(0));
        });
    }

    @Transactional
    public Edited editWork(Writer writer, long work, WorkForm form) {
        return once(writer, "edit work " + work + " " + form, () -> {
            Board.Entry entry = writes.open(writer, work);
            Work.Definition definition = form.definition(
                    course(writer, form.courseId()).zone(), entry.work().definition());
            long change = writes.change(writer, ChangeKind.EDIT_WORK, "Changed " + definition.title());
            works.revise(
                    work,
                    change,
                    TogetherService.byHand(
                            entry, definition, form.changed(entry.work().definition(), definition)),
                    form.instructions(),
                    false);
            writes.touch(writer, work, change);
            return new Edited(change, work);
        });
    }

    @Transactional
    public Edited removeWork(Writer writer, long work) {
        return once(writer, "remove work " + work, () -> {
            Board.Entry entry = writes.open(writer, work);
            Work.Definition definition = entry.work().definition();
            long change = writes.change(writer, ChangeKind.REMOVE_WORK, "Removed " + definition.title());
            String instructions = works.instructions(work, changes.undone(writer.student()));
            works.revise(work, change, definition, instructions, true);
            writes.touch(writer, work, change);
            return new Edited(change, work);
        });
    }

    private Course.Details course(Writer writer, long id) {
        return course(courses.all(writer.student(), changes.undone(writer.student())), id);
    }

    private static Course.Details course(Map<Long, Course> known, long id) {
        Course course = known.get(id);
        if (course == null) {
            throw Refusal.invalid("courseId", "Choose one of your courses, or add one first.");
        }
        return course.details();
    }

    private Edited once(Writer writer, String asked, java.util.function.Supplier<Edited> write) {
        return once.run(
                new WriteOnce.Once(writer.student(), writer.person(), writer.key(), asked, writes.now()),
                Edited.class,
                write);
    }
}
