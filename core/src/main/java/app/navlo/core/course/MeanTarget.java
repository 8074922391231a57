package app.navlo.core.course;

import app.navlo.core.exact.Rational;
import app.navlo.core.grade.Reading;
import app.navlo.core.grade.StandardsScheme;
import app.navlo.core.grade.Target;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The mean of a term's courses in percent: ratings 0–4 are spread over it, and courses without a figure aren't in it. And the
 * least uniform percent on all that is open in all of them with which a mean is reached.
 */
public final class MeanTarget {
    private static final int HUNDREDTHS = 100 * 100;
    private static final Rational RATING = Rational.of(25);

    private final List<CourseBook> books;

    private MeanTarget(Collection<CourseBook> books) {
        this.books = List.copyOf(books);
    }

    /** @return what is expected of the term as it is; null where no course has a figure */
    public static @Nullable Rational expected(Collection<CourseBook> books) {
        List<Rational> figures = new ArrayList<>();
        for (CourseBook book : books) {
            Rational figure = book.readings().of(Reading.EXPECTED).grade().figure();
            if (figure != null) {
                figures.add(percent(book, figure));
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
        return new MeanTarget(books).search(target);
    }

    private Target.Answer search(Rational target) {
        Rational most = meanWith(HUNDREDTHS);
        if (most == null || most.compareTo(target) < 0) {
            return new Target.Answer(null, true, most);
        }
        int low = -1;
        int high = HUNDREDTHS;
        while (high - low > 1) {
            int middle = (low + high) >>> 1;
            Rational mean = meanWith(middle);
            if (mean != null && mean.compareTo(target) >= 0) {
                high = middle;
            } else {
                low = middle;
            }
        }
        return new Target.Answer(Rational.of(high, 100), false, most);
    }

    private @Nullable Rational meanWith(int hundredths) {
        List<Rational> figures = new ArrayList<>();
        for (CourseBook book : books) {
            Rational figure = book.trial(List.of(), List.of()).figureWith(hundredths);
            if (figure != null) {
                figures.add(percent(book, figure));
            }
        }
        return mean(figures);
    }

    private static Rational percent(CourseBook book, Rational figure) {
        return book.rules().scheme() instanceof StandardsScheme ? figure.times(RATING) : figure;
    }

    private static @Nullable Rational mean(List<Rational> figures) {
        return figures.isEmpty() ? null : Rational.sum(figures).dividedBy(Rational.of(figures.size()));
    }
}
