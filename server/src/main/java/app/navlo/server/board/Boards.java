package app.navlo.server.board;

import app.navlo.core.course.CourseBook;
import app.navlo.core.id.WorkId;
import app.navlo.core.time.Deadline;
import app.navlo.server.account.Sights;
import app.navlo.server.problem.Refusal;
import app.navlo.server.sheet.RuleSheet;
import app.navlo.server.store.Course;
import app.navlo.server.store.Sight;
import app.navlo.server.store.Term;
import app.navlo.server.store.Work;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** Reads a student's facts in a handful of queries, however many courses there are, and has the core derive the rest. */
@Service
@ReadBoard
public class Boards {
    private final StudentDataCache data;
    private final Sights sights;

    Boards(StudentDataCache data, Sights sights) {
        this.data = data;
        this.sights = sights;
    }

    /** With the words that who asks now is told. */
    private StudentData of(long student) {
        return data.of(student, sights.of(student).words());
    }

    /** Of what runs now. @param zone the student's own, for when no term or course says another */
    public Board read(long student, ZoneId zone, Instant now) {
        return read(of(student), student, zone, now, false);
    }

    /** The same for a reader who doesn't ask themselves. */
    public Board read(long student, Sight reader, ZoneId zone, Instant now) {
        return read(data.of(student, reader.words()), student, zone, now, false);
    }

    /** Of what was closed and is kept to look at: of one term, or the courses that were closed by themselves. */
    public Board closed(long student, ZoneId zone, Instant now) {
        return read(of(student), student, zone, now, true);
    }

    /**
     * As it was at the end of a day that is past, as it was known then.
     *
     * @throws Refusal if the day isn't past
     */
    public Board asItWas(long student, ZoneId zone, LocalDate day, Instant now) {
        ZoneId days = zone(zone, of(student).courses(), of(student).terms());
        Instant ends = Deadline.endOf(day, days).instant();
        if (!ends.isBefore(now)) {
            throw Refusal.invalid("asof", "Choose a day that is past.");
        }
        // Its last minute: the end itself is the next day already.
        Instant then = ends.minus(Duration.ofMinutes(1));
        return read(data.asItWas(student, sights.of(student).words(), then), student, zone, then, false);
    }

    private static Board read(StudentData stored, long student, ZoneId zone, Instant now, boolean closed) {
        Map<Long, Course> courses = of(stored.courses(), course -> course.isClosed(stored.terms()) == closed);
        Map<Long, Term> terms = of(stored.terms(), term -> term.closed() == closed);
        Map<Long, CourseBook> byCourse = new LinkedHashMap<>();
        List<Board.Entry> entries = new ArrayList<>();
        for (long course : courses.keySet()) {
            CourseBook book = stored.books().of(course, now);
            byCourse.put(course, book);
            book.findings().forEach(finding -> entries.add(stored.entry(book, finding)));
        }
        entries.sort(Comparator.comparingLong(entry -> entry.work().id()));
        return new Board(
                student,
                now,
                zone(zone, courses, terms),
                stored.last(),
                courses,
                terms,
                byCourse,
                entries,
                stored.time(),
                stored.aims(),
                stored.efforts());
    }

    /** In which the days of a student are counted, without anything being derived. @param own as in {@link #read} */
    @ReadBoard
    public ZoneId zone(long student, ZoneId own) {
        StudentData stored = of(student);
        return zone(
                own,
                of(stored.courses(), course -> !course.isClosed(stored.terms())),
                of(stored.terms(), term -> !term.closed()));
    }

    private static <T> Map<Long, T> of(Map<Long, T> all, Predicate<T> wanted) {
        Map<Long, T> some = new LinkedHashMap<>();
        all.forEach((id, one) -> {
            if (wanted.test(one)) {
                some.put(id, one);
            }
        });
        return some;
    }

    /** @throws Refusal if the student has no such work */
    public Board.Entry one(long student, long id, Instant now) {
        return several(student, List.of(id), now).get(0);
    }

    /**
     * In the order of {@code ids}.
     *
     * @throws Refusal if the student has no such work
     */
    public List<Board.Entry> several(long student, List<Long> ids, Instant now) {
        StudentData stored = of(student);
        Map<Long, CourseBook> books = new HashMap<>();
        List<Board.Entry> entries = new ArrayList<>();
        for (long id : ids) {
            Work work = stored.works().get(id);
            if (work == null) {
                throw Refusal.notFound("piece of work");
            }
            CourseBook book = books.computeIfAbsent(
                    work.definition().courseId(), course -> stored.books().of(course, now));
            entries.add(stored.entry(book, book.finding(WorkId.of(id))));
        }
        return entries;
    }

    /**
     * One course as it is, or as it would be under other rules.
     *
     * @param sheet null for the rules that it has
     * @throws Refusal if the student has no such course
     * @throws app.navlo.core.check.IllegalInput naming every field of the sheet that doesn't fit
     */
    public CourseBook course(long student, long course, @Nullable RuleSheet sheet, Instant now) {
        StudentData stored = of(student);
        if (!stored.courses().containsKey(course)) {
            throw Refusal.notFound("course");
        }
        return sheet == null ? stored.books().of(course, now) : stored.books().of(course, sheet, now);
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
