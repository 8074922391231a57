package app.navlo.core.next;

import app.navlo.core.course.CourseBook;
import app.navlo.core.course.WhatIfCourse;
import app.navlo.core.course.WorkAssessment;
import app.navlo.core.exact.Rational;
import app.navlo.core.grade.CompletionScheme;
import app.navlo.core.grade.Reading;
import app.navlo.core.work.Stage;
import java.math.RoundingMode;
import java.util.List;

/** A course's expected reading in percent, whatever it is graded by: ratings 0–4 are spread over it, completion is a share of what is required. */
final class Scale {
    private Scale() {}

    static boolean byCompletion(CourseBook book) {
        return book.rules().scheme() instanceof CompletionScheme;
    }

    static Rational factor(CourseBook book) {
        return book.percent(Rational.ONE);
    }

    /** What one required piece of work is of a course by completion. */
    static Rational shareOfCompletion(List<WorkAssessment> findings) {
        long required =
                findings.stream().filter(finding -> finding.item().required()).count();
        return required == 0 ? Rational.ZERO : Rational.of(100, required);
    }

    /** How much of what a course by completion takes is done, in percent. */
    static Rational completed(List<WorkAssessment> findings) {
        long required =
                findings.stream().filter(finding -> finding.item().required()).count();
        long done = findings.stream()
                .filter(finding -> finding.item().required() && isDone(finding))
                .count();
        return required == 0 ? Rational.ZERO : Rational.of(100 * done, required);
    }

    private static boolean isDone(WorkAssessment finding) {
        Stage stage = finding.state().stage();
        return stage == Stage.TURNED_IN || stage == Stage.RETURNED || stage == Stage.EXCUSED;
    }

    /** Whether doing it is a step on the way to completion: it is required and not done, or below its threshold. */
    static boolean completes(CourseBook book, WorkAssessment finding) {
        return book.completion()
                .map(path -> path.undone().contains(finding.id())
                        || path.below().stream().anyMatch(below -> below.work().equals(finding.id())))
                .orElse(false);
    }

    /** @return 0 where the course has no figure */
    static Rational percent(CourseBook book, WhatIfCourse trial) {
        Rational figure = trial.figure(Reading.EXPECTED);
        return figure == null ? Rational.ZERO : book.percent(figure);
    }

    static long hundredths(Rational percent) {
        return percent.times(Rational.HUNDRED)
                .toDecimal(0, RoundingMode.HALF_UP)
                .longValueExact();
    }
}
