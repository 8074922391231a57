package app.navlo.server.editing;

import app.navlo.core.time.Deadline;
import app.navlo.core.work.Fact;
import app.navlo.core.work.HandInRules;
import app.navlo.core.work.Stamp;
import app.navlo.server.board.Board;
import app.navlo.server.change.WorkWrites;
import app.navlo.server.change.WriteOnce;
import app.navlo.server.change.Writer;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Course;
import app.navlo.server.store.Courses;
import app.navlo.server.store.Facts;
import app.navlo.server.store.Work;
import app.navlo.server.store.Works;
import app.navlo.server.workdetail.WorkForm;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
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
    private final Facts facts;
    private final WriteOnce once;

    WorkEditor(WorkWrites writes, Changes changes, Courses courses, Works works, Facts facts, WriteOnce once) {
        this.writes = writes;
        this.changes = changes;
        this.courses = courses;
        this.works = works;
        this.once = once;
        this.facts = facts;
    }

    /** The change, and the number of the course or work that it is about. */
    record Edited(long change, long id) {}

    /**
     * One or any number of pieces of work at once, as work that repeats is: one change.
     *
     * @param past when that of it was handed in that was due before now; null for what wasn't
     */
    @Transactional
    public Edited addWorks(Writer writer, List<WorkForm> forms, @Nullable DoneWhen past) {
        return once(writer, "add works " + forms + (past == null ? "" : " " + past), () -> {
            Map<Long, Course> known = courses.all(writer.student(), changes.undone(writer.student()));
            String first = forms.get(0).title().strip();
            String summary =
                    forms.size() == 1 ? "Added " + first : "Added " + forms.size() + " pieces of work: " + first + " …";
            long change = writes.change(writer, ChangeKind.ADD_WORK, summary);
            List<Works.NewWork> added = forms.stream()
                    .map(form -> new Works.NewWork(
                            writer.student(),
                            change,
                            Work.Origin.TYPED,
                            null,
                            null,
                            form.definition(course(known, form.courseId()).zone(), null),
                            form.instructions()))
                    .toList();
            List<Long> ids = works.addAll(added);
            if (past != null) {
                handedIn(writer, change, past, added, ids);
            }
            writes.tell(writer.student());
            return new Edited(change, ids.get(0));
        });
    }

    /** What was due before now is written down as handed in; what happens at its time isn't handed in. */
    private void handedIn(Writer writer, long change, DoneWhen when, List<Works.NewWork> added, List<Long> ids) {
        List<Facts.NewFact> done = new ArrayList<>();
        for (int i = 0; i < ids.size(); i++) {
            Work.Definition work = added.get(i).definition();
            Deadline due = work.due();
            if (due == null
                    || !due.instant().isBefore(writes.now())
                    || work.rules().appointment() != null) {
                continue;
            }
            Stamp then = writes.stamp(writer, when.at(due.instant(), writes.now()));
            Fact fact = new Fact.HandedIn(then, 1, HandInRules.ownWord(work.kind()));
            done.add(new Facts.NewFact(change, writer.student(), ids.get(i), fact));
        }
        facts.addAll(done);
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
