package app.navlo.server.board;

import app.navlo.core.course.CourseBook;
import app.navlo.core.course.Finding;
import app.navlo.server.store.Course;
import app.navlo.server.store.RecordedFact;
import app.navlo.server.store.Term;
import app.navlo.server.store.Work;
import java.util.List;
import java.util.Map;

/**
 * What the store has of a student. Immutable.
 *
 * @param last the last change of this student
 */
record Stored(
        long last,
        Map<Long, Course> courses,
        Map<Long, Term> terms,
        Map<Long, Work> works,
        Map<Long, List<RecordedFact>> facts,
        Books books) {
    Stored(
            long last,
            Map<Long, Course> courses,
            Map<Long, Term> terms,
            Map<Long, Work> works,
            Map<Long, List<RecordedFact>> facts) {
        this(last, courses, terms, works, facts, new Books(courses, terms, works.values(), facts));
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
