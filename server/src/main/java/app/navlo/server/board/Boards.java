package app.navlo.server.board;

import app.navlo.core.course.CourseBook;
import app.navlo.core.course.Finding;
import app.navlo.server.problem.Refusal;
import app.navlo.server.rules.RuleSheet;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Course;
import app.navlo.server.store.Courses;
import app.navlo.server.store.Facts;
import app.navlo.server.store.RecordedFact;
import app.navlo.server.store.Term;
import app.navlo.server.store.Work;
import app.navlo.server.store.Works;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Isolation;
import org.springframework.transaction.annotation.Transactional;

/** Reads a student's facts in a handful of queries, however many courses there are, and has the core derive the rest. */
@Service
@Transactional(readOnly = true, isolation = Isolation.REPEATABLE_READ)
public class Boards {
    private final Changes changes;
    private final Courses courses;
    private final Works works;
    private final Facts facts;

    Boards(Changes changes, Courses courses, Works works, Facts facts) {
        this.changes = changes;
        this.courses = courses;
        this.works = works;
        this.facts = facts;
    }

    /** @param zone the student's own, for when no term or course says another */
    public Board read(long student, ZoneId zone, Instant now) {
        Stored stored = stored(student);
        Books books = stored.books(now);
        Map<Long, CourseBook> byCourse = new LinkedHashMap<>();
        List<Board.Entry> entries = new ArrayList<>();
        for (long course : stored.courses().keySet()) {
            CourseBook book = books.of(course);
            byCourse.put(course, book);
            book.findings().forEach(finding -> entries.add(stored.entry(book, finding)));
        }
        entries.sort(Comparator.comparingLong(entry -> entry.work().id()));
        return new Board(
                student,
                now,
                zone(zone, stored.courses(), stored.terms()),
                changes.last(student),
                stored.courses(),
                stored.terms(),
                byCourse,
                entries);
    }

    /** @throws Refusal if the student has no such work */
    public Board.Entry one(long student, long id, Instant now) {
        Stored stored = stored(student);
        Work work = stored.works().get(id);
        if (work == null) {
            throw Refusal.notFound("piece of work");
        }
        CourseBook book = stored.books(now).of(work.definition().courseId());
        return stored.entry(book, book.finding(Long.toString(id)));
    }

    /**
     * One course as it is, or as it would be under other rules.
     *
     * @param sheet null for the rules that it has
     * @throws Refusal if the student has no such course
     * @throws app.navlo.core.check.IllegalInput naming every field of the sheet that doesn't fit
     */
    public CourseBook course(long student, long course, @Nullable RuleSheet sheet, Instant now) {
        Stored stored = stored(student);
        Course found = stored.courses().get(course);
        if (found == null) {
            throw Refusal.notFound("course");
        }
        return stored.books(now).of(course, sheet == null ? found.rules() : sheet);
    }

    private Stored stored(long student) {
        Set<Long> undone = changes.undone(student);
        Map<Long, Course> standing = courses.all(student, undone);
        return new Stored(
                standing, courses.terms(student), works.all(student, undone, standing), facts.all(student, undone));
    }

    /** What the store has of a student. */
    private record Stored(
            Map<Long, Course> courses,
            Map<Long, Term> terms,
            Map<Long, Work> works,
            Map<Long, List<RecordedFact>> facts) {
        Books books(Instant now) {
            return new Books(courses, terms, works.values(), facts, now);
        }

        Board.Entry entry(CourseBook book, Finding finding) {
            Work work = works.get(Long.parseLong(finding.id()));
            Course course = courses.get(work.definition().courseId());
            return new Board.Entry(work, course, facts.getOrDefault(work.id(), List.of()), book, finding, this::title);
        }

        private String title(String work) {
            return works.get(Long.parseLong(work)).definition().title();
        }
    }

    private static ZoneId zone(ZoneId own, Map<Long, Course> courses, Map<Long, Term> terms) {
        if (!terms.isEmpty()) {
            return terms.values().iterator().next().zone();
        }
        return courses.isEmpty()
                ? own
                : courses.values().iterator().next().details().zone();
    }
}
