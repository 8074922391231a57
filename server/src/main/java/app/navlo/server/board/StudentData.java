package app.navlo.server.board;

import app.navlo.core.course.CourseBook;
import app.navlo.core.course.WorkAssessment;
import app.navlo.core.id.WorkId;
import app.navlo.core.next.Aim;
import app.navlo.core.signal.Around;
import app.navlo.server.sheet.TimeSheet;
import app.navlo.server.store.Course;
import app.navlo.server.store.Material;
import app.navlo.server.store.Notes;
import app.navlo.server.store.RecordedFact;
import app.navlo.server.store.StudentEstimates;
import app.navlo.server.store.Term;
import app.navlo.server.store.Work;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;

/**
 * What the store has of a student. Immutable.
 *
 * @param last the last change of this student
 * @param notes by work, the latest first
 * @param records that other systems have, by work
 * @param wrote when the student last wrote about each piece of work
 * @param time to work in; empty if the student has never said
 * @param aims by course
 */
record StudentData(
        long last,
        Map<Long, Course> courses,
        Map<Long, Term> terms,
        Map<Long, Work> works,
        Map<Long, List<RecordedFact>> facts,
        Map<Long, StudentEstimates.Figures> figures,
        Map<Long, List<Notes.Note>> notes,
        Map<Long, List<Material.OtherRecord>> records,
        Map<Long, Instant> wrote,
        Optional<TimeSheet> time,
        Map<Long, Aim> aims,
        Efforts efforts,
        Books books) {
    /** The same, for who isn't told what was said: whatever is derived of it is as before. */
    StudentData withoutWords() {
        Map<Long, List<RecordedFact>> silent = new HashMap<>();
        facts.forEach((work, all) ->
                silent.put(work, all.stream().map(RecordedFact::withoutWords).toList()));
        return new StudentData(
                last,
                courses,
                terms,
                works,
                silent,
                figures,
                Map.of(),
                records,
                wrote,
                time,
                aims,
                efforts,
                new Books(courses, terms, works.values(), silent, figures, efforts));
    }

    Board.Entry entry(CourseBook book, WorkAssessment finding) {
        Work work = works.get(finding.id().number());
        Course course = courses.get(Objects.requireNonNull(work).definition().courseId());
        return new Board.Entry(
                work,
                Objects.requireNonNull(course),
                facts.getOrDefault(work.id(), List.of()),
                figures.getOrDefault(work.id(), StudentEstimates.Figures.NONE),
                notes.getOrDefault(work.id(), List.of()),
                efforts.of(work.id()),
                book,
                finding,
                around(work.id()),
                this::title);
    }

    private Around around(long work) {
        return new Around(
                wrote.get(work),
                records.getOrDefault(work, List.of()).stream()
                        .map(BoardSignals::around)
                        .toList(),
                this::title);
    }

    private String title(WorkId work) {
        return Objects.requireNonNull(works.get(work.number())).definition().title();
    }
}
