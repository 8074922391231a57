package app.navlo.server.board;

import app.navlo.server.store.Availabilities;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Course;
import app.navlo.server.store.CourseAims;
import app.navlo.server.store.Courses;
import app.navlo.server.store.Facts;
import app.navlo.server.store.Material;
import app.navlo.server.store.Notes;
import app.navlo.server.store.OutgoingMessages;
import app.navlo.server.store.RecordedFact;
import app.navlo.server.store.StudentEstimates;
import app.navlo.server.store.Term;
import app.navlo.server.store.Terms;
import app.navlo.server.store.Work;
import app.navlo.server.store.Works;
import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * Reads what is stored of a student, and keeps what it read: rows are only ever added, each by a change, so a student
 * whose changes are the same has the same rows.
 */
@Component
class StudentDataCache {
    private static final int STUDENTS_KEPT = 200;
    private static final Duration KEPT_FOR = Duration.ofMinutes(20);

    private final Changes changes;
    private final Courses courses;
    private final Terms terms;
    private final Works works;
    private final Facts facts;
    private final StudentEstimates estimates;
    private final Notes notes;
    private final CourseAims ownCourses;
    private final Availabilities times;
    private final Material material;
    private final OutgoingMessages messages;
    private final Cache<Changes.Mark, StudentData> kept = Caffeine.newBuilder()
            .maximumSize(STUDENTS_KEPT)
            .expireAfterAccess(KEPT_FOR)
            .build();
    private final Cache<Changes.Mark, StudentData> keptWithoutWords = Caffeine.newBuilder()
            .maximumSize(STUDENTS_KEPT)
            .expireAfterAccess(KEPT_FOR)
            .build();

    StudentDataCache(
            Changes changes,
            Courses courses,
            Terms terms,
            Works works,
            Facts facts,
            StudentEstimates estimates,
            Notes notes,
            CourseAims ownCourses,
            Availabilities times,
            Material material,
            OutgoingMessages messages) {
        this.material = material;
        this.messages = messages;
        this.ownCourses = ownCourses;
        this.times = times;
        this.changes = changes;
        this.courses = courses;
        this.terms = terms;
        this.works = works;
        this.facts = facts;
        this.estimates = estimates;
        this.notes = notes;
    }

    /**
     * Within a transaction that writes nothing is kept: its change may be there before all of its rows are.
     *
     * @param words whether who asks is told what was said
     */
    StudentData of(long student, boolean words) {
        assert isOneState() : "a board is read within @ReadBoard, or within a transaction that writes";
        Changes.Mark mark = changes.mark(student);
        if (!TransactionSynchronizationManager.isCurrentTransactionReadOnly()) {
            return words ? read(mark) : read(mark).withoutWords();
        }
        StudentData all = kept.get(mark, this::read);
        return words ? all : keptWithoutWords.get(mark, any -> all.withoutWords());
    }

    /** Whether all queries from here on see the same rows; who writes holds the lock of the student. */
    private static boolean isOneState() {
        Integer isolation = TransactionSynchronizationManager.getCurrentTransactionIsolationLevel();
        return !TransactionSynchronizationManager.isCurrentTransactionReadOnly()
                || (isolation != null && isolation == TransactionDefinition.ISOLATION_REPEATABLE_READ);
    }

    /** What was known at an earlier instant: changes made since, and facts learnt since, are left out. */
    StudentData asItWas(long student, boolean words, Instant then) {
        Changes.Mark mark = changes.mark(student);
        StudentData all = read(mark, changes.notYet(student, then), then);
        return words ? all : all.withoutWords();
    }

    private StudentData read(Changes.Mark mark) {
        return read(mark, changes.undone(mark.student()), Instant.MAX);
    }

    private StudentData read(Changes.Mark mark, Set<Long> undone, Instant learntBy) {
        long student = mark.student();
        Map<Long, Course> standing = courses.all(student, undone);
        Map<Long, Term> known = terms.all(student, undone);
        Map<Long, Work> all = works.all(student, undone, standing);
        Map<Long, List<RecordedFact>> happened = learntBy(learntBy, facts.all(student, undone));
        Map<Long, StudentEstimates.Figures> figures = estimates.figures(student, undone);
        Efforts efforts = new Efforts(
                all.values(),
                happened,
                figures,
                estimates.minutesSpent(student, undone),
                ownCourses.refusals(student, undone));
        return new StudentData(
                mark.last(),
                standing,
                known,
                all,
                happened,
                figures,
                notes.notes(student, undone).stream()
                        .filter(note -> note.work() != null)
                        .collect(Collectors.groupingBy(Notes.Note::work)),
                material.otherRecordsOf(student, undone),
                messages.lastWritten(student, undone),
                times.find(student, undone),
                ownCourses.aims(student, undone),
                efforts,
                new Books(standing, known, all.values(), happened, figures, efforts));
    }

    private static Map<Long, List<RecordedFact>> learntBy(Instant then, Map<Long, List<RecordedFact>> facts) {
        if (then.equals(Instant.MAX)) {
            return facts;
        }
        Map<Long, List<RecordedFact>> known = new HashMap<>();
        facts.forEach((work, all) -> known.put(
                work,
                all.stream()
                        .filter(one -> !one.fact().stamp().learnt().isAfter(then))
                        .toList()));
        return known;
    }
}
