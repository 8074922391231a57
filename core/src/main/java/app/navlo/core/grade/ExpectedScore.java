package app.navlo.core.grade;

import app.navlo.core.exact.Rational;
import java.util.Collection;
import org.jspecify.annotations.Nullable;

/** The percent that a piece of work will likely get before any penalty. */
public final class ExpectedScore {
    /** Where nothing is known yet. */
    public static final Rational WITHOUT_SCORES = Rational.of(80);

    /** How many scores the course's mean weighs as much as. */
    private static final Rational SHRINK = Rational.of(3);

    private ExpectedScore() {}

    /**
     * The student's own figure; else the mean of the category, shrunk toward that of the course:
     * (n · category + 3 · course) / (n + 3).
     *
     * @param own null where the student has none
     * @param category percents of the scored work of its category
     * @param course percents of the scored work of the course, the category's among them
     */
    public static Rational percent(@Nullable Rational own, Collection<Rational> category, Collection<Rational> course) {
        if (own != null) {
            return own;
        }
        if (course.isEmpty()) {
            return WITHOUT_SCORES;
        }
        Rational shrunk = SHRINK.times(mean(course));
        return sum(category).plus(shrunk).dividedBy(SHRINK.plus(Rational.of(category.size())));
    }

    private static Rational mean(Collection<Rational> percents) {
        return sum(percents).dividedBy(Rational.of(percents.size()));
    }

    private static Rational sum(Collection<Rational> percents) {
        return Rational.sum(percents);
    }
}
