package app.navlo.server.term;

import app.navlo.server.store.Course;
import app.navlo.server.store.Term;
import java.time.LocalDate;
import java.time.ZonedDateTime;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * All terms of a student.
 *
 * @param terms the latest first
 * @param courses of all of them, closed ones too
 */
public record TermsView(List<OneTerm> terms, List<TermCourse> courses) {
    /** @param version to be sent with a write */
    public record OneTerm(
            long id,
            long version,
            boolean closed,
            String name,
            String school,
            String zone,
            LocalDate firstDay,
            LocalDate lastDay,
            List<TermForm.OffForm> daysOff,
            List<TermForm.CloseForm> closes) {}

    /**
     * @param version to be sent with a write
     * @param term null for a course outside any term
     * @param closed by itself or with its term
     */
    public record TermCourse(
            long id,
            long version,
            String name,
            String shortName,
            @Nullable String teacher,
            @Nullable String teacherEmail,
            String zone,
            String colour,
            @Nullable Long term,
            boolean closed) {}

    static TermsView of(Map<Long, Term> terms, Map<Long, Course> courses) {
        return new TermsView(
                terms.values().stream().map(TermsView::term).toList(),
                courses.values().stream().map(course -> course(course, terms)).toList());
    }

    private static OneTerm term(Term term) {
        return new OneTerm(
                term.id(),
                term.version(),
                term.closed(),
                term.name(),
                term.school(),
                term.zone().getId(),
                term.firstDay(),
                term.lastDay(),
                term.daysOff().stream()
                        .map(off -> new TermForm.OffForm(off.first(), off.last(), off.name()))
                        .toList(),
                term.closes().stream()
                        .map(close -> {
                            ZonedDateTime at = close.closesAt().atZone(term.zone());
                            return new TermForm.CloseForm(close.name(), at.toLocalDate(), at.toLocalTime());
                        })
                        .toList());
    }

    private static TermCourse course(Course course, Map<Long, Term> terms) {
        Course.Details details = course.details();
        return new TermCourse(
                course.id(),
                course.version(),
                details.name(),
                details.shortName(),
                details.teacher(),
                details.teacherEmail(),
                details.zone().getId(),
                details.colour(),
                course.termId(),
                course.isClosed(terms));
    }
}
