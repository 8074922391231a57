package app.navlo.server.course;

import app.navlo.core.check.Check;
import app.navlo.server.change.Changed;
import app.navlo.server.change.OneChange;
import app.navlo.server.change.Writer;
import app.navlo.server.problem.Refusal;
import app.navlo.server.sheet.LateSheet;
import app.navlo.server.sheet.RuleSheet;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Course;
import app.navlo.server.store.Courses;
import app.navlo.server.store.Term;
import app.navlo.server.store.Terms;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Adds courses, names them otherwise, closes and removes them. Every write is one change, and can be undone. */
@Service
class CourseService {
    private final Courses courses;
    private final Terms terms;
    private final Changes changes;
    private final OneChange one;

    CourseService(Courses courses, Terms terms, Changes changes, OneChange one) {
        this.courses = courses;
        this.terms = terms;
        this.changes = changes;
        this.one = one;
    }

    @Transactional
    public Changed add(Writer writer, CourseForm form) {
        return one.write(
                writer,
                "add course " + form,
                ChangeKind.ADD_COURSE,
                "Added the course " + form.name().strip(),
                change -> {
                    Course.Details details = form.details();
                    Known known = known(writer);
                    refuseTaken(known, details.name(), null);
                    RuleSheet rules = rules(known, form);
                    long id = courses.add(writer.student(), known.runningTerm(), change, details);
                    if (rules != null) {
                        courses.setRules(id, change, rules);
                    }
                    return id;
                });
    }

    private static @Nullable RuleSheet rules(Known known, CourseForm form) {
        if (form.rulesOf() != null) {
            Course like = known.courses().get(form.rulesOf());
            if (like == null) {
                throw Refusal.invalid("rulesOf", "Choose one of your courses.");
            }
            return like.rules().copied();
        }
        return form.graded() == null ? null : RuleSheet.UNKNOWN.graded(form.graded());
    }

    @Transactional
    public Changed edit(Writer writer, long id, CourseForm form) {
        Course course = open(writer, id);
        Course.Details details = form.details();
        refuseTaken(known(writer), details.name(), id);
        return revise(
                writer,
                course,
                "edit " + form,
                "Changed the course " + details.name(),
                details,
                Courses.Where.of(course));
    }

    @Transactional
    public Changed close(Writer writer, long id, boolean closed) {
        Course course = open(writer, id);
        String summary =
                (closed ? "Closed " : "Opened again ") + course.details().name();
        return revise(
                writer,
                course,
                "close " + closed,
                summary,
                course.details(),
                Courses.Where.of(course).closed(closed));
    }

    /** With all its work; all of it is there again when this is undone. */
    @Transactional
    public Changed remove(Writer writer, long id) {
        Course course = open(writer, id);
        String summary = "Removed the course " + course.details().name();
        return revise(
                writer,
                course,
                "remove",
                summary,
                course.details(),
                Courses.Where.of(course).taken());
    }

    private Changed revise(
            Writer writer, Course course, String asked, String summary, Course.Details details, Courses.Where where) {
        String request = "course " + course.id() + " " + asked;
        return one.write(writer, request, ChangeKind.EDIT_COURSE, summary, change -> {
            courses.revise(course.id(), change, details, where);
            courses.touch(course.id(), change);
            return course.id();
        });
    }

    /** The late rule of one course, written down for others as well. */
    @Transactional
    public Changed copyLate(Writer writer, List<Long> ids, LateSheet late) {
        changes.lock(writer.student());
        Known known = known(writer);
        List<Course> to = ids.stream().distinct().map(known.courses()::get).toList();
        if (to.contains(null)) {
            throw Refusal.invalid("courses", "Choose some of your courses.");
        }
        new Check().part("late", late::policy).orThrow();
        String summary =
                "Set the late rule of " + (to.size() == 1 ? to.get(0).details().name() : to.size() + " courses");
        return one.write(writer, "late " + ids + late, ChangeKind.EDIT_COURSE, summary, change -> {
            to.forEach(course -> {
                courses.setRules(course.id(), change, course.rules().late(late));
                courses.touch(course.id(), change);
            });
            return to.get(0).id();
        });
    }

    /** @param courses all that there are, closed ones too */
    private record Known(Map<Long, Course> courses, Map<Long, Term> terms) {
        @Nullable
        Long runningTerm() {
            return terms.values().stream()
                    .filter(term -> !term.closed())
                    .map(Term::id)
                    .findFirst()
                    .orElse(null);
        }

        List<Course> running() {
            return courses.values().stream()
                    .filter(course -> !course.isClosed(terms))
                    .toList();
        }
    }

    private Known known(Writer writer) {
        Set<Long> undone = changes.undone(writer.student());
        return new Known(courses.all(writer.student(), undone), terms.all(writer.student(), undone));
    }

    private static void refuseTaken(Known known, String name, @Nullable Long but) {
        Course same = Courses.named(known.running(), name);
        if (same != null && !Objects.equals(same.id(), but)) {
            throw Refusal.invalid("name", "You have a course of this name already. Give it another.");
        }
    }

    private Course open(Writer writer, long id) {
        changes.lock(writer.student());
        Course course = known(writer).courses().get(id);
        if (course == null) {
            throw Refusal.notFound("course");
        }
        if (writer.version() != null && writer.version() != course.version()) {
            throw Refusal.changedSince(course.details().name());
        }
        return course;
    }
}
