package app.navlo.core.course;

import app.navlo.core.pace.Pace;
import app.navlo.core.pace.PaceLine;
import app.navlo.core.pace.Paced;
import app.navlo.core.time.SchoolCalendar;
import app.navlo.core.time.WeeklyHours;
import app.navlo.core.work.Fact;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * One course counted over its term.
 *
 * @param close the last of the term; of a course without a term the last due, so that there is an end to count to, and the
 *     instant itself where nothing has a due
 * @param guessed pieces of required work that are left and of which nobody has said how long they take
 * @param line due and done by the end of each day on which either changes
 * @param chains what stands in a row behind gates, the most urgent first
 */
public record CoursePace(Pace pace, Instant close, int guessed, List<PaceLine.Point> line, List<PaceChain> chains) {
    public CoursePace {
        line = List.copyOf(line);
        chains = List.copyOf(chains);
    }

    /**
     * @param termStart first day of the course's term; without a term it begins with the first fact, at the latest today
     * @param termCloses of the term; empty for a course without one
     * @param week the free hours, in which chains are worked on
     */
    public static CoursePace of(
            CourseBook book, @Nullable LocalDate termStart, List<Instant> termCloses, WeeklyHours week) {
        List<WorkAssessment> all = book.findings();
        List<Paced> works = all.stream().map(CoursePace::paced).toList();
        SchoolCalendar calendar = book.rules().calendar();
        LocalDate firstDay = termStart == null ? firstDay(book, all) : termStart;
        Instant close = close(book, all, termCloses);
        return new CoursePace(
                Pace.of(works, calendar, firstDay, close, book.rules().paceCap(), book.now()),
                close,
                guessed(all),
                PaceLine.of(works, calendar, firstDay, calendar.dayBefore(close), book.now()),
                PaceChain.allOf(book, all, week));
    }

    private static int guessed(List<WorkAssessment> all) {
        return (int) all.stream()
                .filter(one -> one.work().isEffortGuessed())
                .map(CoursePace::paced)
                .filter(one -> one.required() && one.left())
                .count();
    }

    private static LocalDate firstDay(CourseBook book, List<WorkAssessment> all) {
        Instant first = all.stream()
                .flatMap(one -> one.work().facts().stream())
                .map(fact -> fact.stamp().at())
                .min(Comparator.naturalOrder())
                .orElse(book.now());
        return book.rules().calendar().dayOf(first.isBefore(book.now()) ? first : book.now());
    }

    private static Instant close(CourseBook book, List<WorkAssessment> all, List<Instant> termCloses) {
        Stream<Instant> dues = all.stream().map(one -> one.state().due()).filter(Objects::nonNull);
        return (termCloses.isEmpty() ? dues : termCloses.stream())
                .max(Comparator.naturalOrder())
                .orElse(book.now());
    }

    private static Paced paced(WorkAssessment one) {
        Instant started = one.work().facts().stream()
                .filter(fact -> fact instanceof Fact.DraftStarted || fact instanceof Fact.AttemptBegun)
                .map(fact -> fact.stamp().at())
                .min(Comparator.naturalOrder())
                .orElse(null);
        return new Paced(
                one.id(),
                one.work().place().unit(),
                one.item().required(),
                one.work().effort(),
                one.state().due(),
                one.state().stage(),
                one.state().move(),
                started,
                one.state().handedInAt(),
                one.outcome().kept(),
                one.item().marking().possible());
    }
}
