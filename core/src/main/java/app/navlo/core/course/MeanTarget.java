package app.navlo.core.course;

import app.navlo.core.exact.Rational;
import app.navlo.core.grade.Reading;
import app.navlo.core.grade.Target;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * The mean of a term's courses in percent: ratings 0–4 are spread over it, and courses without a figure aren't in it. And the
 * least uniform percent on all that is open in all of them with which a mean is reached.
 */
public final class MeanTarget {
    private final Map<CourseBook, WhatIfCourse> trials = new LinkedHashMap<>();

    private MeanTarget(Collection<CourseBook> books) {
        books.forEach(book -> trials.put(book, book.trial(List.of(), List.of())));
    }

    /** @return what is expected of the term as it is; null where no course has a figure */
    public static @Nullable Rational expected(Collection<CourseBook> books) {
        List<Rational> figures = new ArrayList<>();
        for (CourseBook book : books) {
            Rational figure = book.readings().of(Reading.EXPECTED).grade().figure();
            if (figure != null) {
                figures.add(book.percent(figure));
            }
        }
        return mean(figures);
    }

    /**
     * To a hundredth of a percent, rounded up.
     *
     * @param target in percent, at least 0
     */
    public static Target.Answer reach(Rational target, Collection<CourseBook> books) {
        return Target.search(target, new MeanTarget(books)::meanWith);
    }

    private @Nullable Rational meanWith(int hundredths) {
        List<Rational> figures = new ArrayList<>();
        trials.forEach((book, trial) -> {
            Rational figure = trial.figureWith(hundredths);
            if (figure != null) {
                figures.add(book.percent(figure));
            }
        });
        return mean(figures);
    }

    private static @Nullable Rational mean(List<Rational> figures) {
        return figures.isEmpty() ? null : Rational.sum(figures).dividedBy(Rational.of(figures.size()));
    }
}
