package app.navlo.server.board;

import app.navlo.core.work.WorkState;
import app.navlo.server.problem.Refusal;
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
        Set<Long> undone = changes.undone(student);
        Map<Long, Course> standing = courses.all(student, undone);
        Map<Long, Term> terms = courses.terms(student);
        Map<Long, List<RecordedFact>> byWork = facts.all(student, undone);
        List<Board.Entry> entries = works.all(student, undone, standing).values().stream()
                .map(work -> entry(work, standing, terms, byWork.getOrDefault(work.id(), List.of()), now))
                .toList();
        return new Board(student, now, zone(zone, standing, terms), changes.last(student), standing, terms, entries);
    }

    /** @throws Refusal if the student has no such work */
    public Board.Entry one(long student, long work, Instant now) {
        Set<Long> undone = changes.undone(student);
        Map<Long, Course> standing = courses.all(student, undone);
        Work found = works.find(student, work, undone, standing).orElseThrow(() -> Refusal.notFound("piece of work"));
        return entry(found, standing, courses.terms(student), facts.of(student, work, undone), now);
    }

    private static Board.Entry entry(
            Work work, Map<Long, Course> courses, Map<Long, Term> terms, List<RecordedFact> recorded, Instant now) {
        Course course = courses.get(work.definition().courseId());
        WorkState state = WorkState.of(
                work.definition().item(work.id(), gradingClose(work, course, terms)),
                recorded.stream().map(RecordedFact::fact).toList(),
                false,
                course.details().soon(),
                now);
        return new Board.Entry(work, course, recorded, state, now);
    }

    private static @Nullable Instant gradingClose(Work work, Course course, Map<Long, Term> terms) {
        Term term = course.termId() == null ? null : terms.get(course.termId());
        if (term == null) {
            return null;
        }
        return term.closeFor(
                work.definition().due() == null ? null : work.definition().due().instant());
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
