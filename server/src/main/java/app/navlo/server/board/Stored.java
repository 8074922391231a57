package app.navlo.server.board;

import app.navlo.core.course.CourseBook;
import app.navlo.core.course.Finding;
import app.navlo.server.store.Course;
import app.navlo.server.store.Own;
import app.navlo.server.store.RecordedFact;
import app.navlo.server.store.Term;
import app.navlo.server.store.Work;
import java.util.List;
import java.util.Map;

/**
 * What the store has of a student. Immutable.
 *
 * @param last the last change of this student
 * @param notes by work, the latest first
 */
record Stored(
        long last,
        Map<Long, Course> courses,
        Map<Long, Term> terms,
        Map<Long, Work> works,
        Map<Long, List<RecordedFact>> facts,
        Map<Long, Own.Figures> figures,
        Map<Long, List<Own.Note>> notes,
        Books books) {
    Stored(
            long last,
            Map<Long, Course> courses,
            Map<Long, Term> terms,
            Map<Long, Work> works,
            Map<Long, List<RecordedFact>> facts,
            Map<Long, Own.Figures> figures,
            Map<Long, List<Own.Note>> notes) {
        this(
                last,
                courses,
                terms,
                works,
                facts,
                figures,
                notes,
                new Books(courses, terms, works.values(), facts, figures));
    }

    Board.Entry entry(CourseBook book, Finding finding) {
        Work work = works.get(Long.parseLong(finding.id()));
        Course course = courses.get(work.definition().courseId());
        return new Board.Entry(
                work,
                course,
                facts.getOrDefault(work.id(), List.of()),
                figures.getOrDefault(work.id(), Own.Figures.NONE),
                notes.getOrDefault(work.id(), List.of()),
                book,
                finding,
                this::title);
    }

    private String title(String work) {
        return works.get(Long.parseLong(work)).definition().title();
    }
}
