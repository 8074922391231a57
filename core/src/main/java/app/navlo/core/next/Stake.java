package app.navlo.core.next;

import app.navlo.core.exact.Rational;
import app.navlo.core.id.CourseId;
import java.util.Collection;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What hangs on a student's moves in one course: its reading <em>expected</em> in percent, ratings 0–4 spread over it; of a
 * course by completion, how much of what it takes is done.
 *
 * @param course null for the mean of all
 * @param none with none of the moves made
 * @param planned with those of the plan, each handed in when it is planned to be
 * @param all with every one of them handed in at once, as if the hours allowed it: no plan comes to more
 * @param inMean whether the course has a percent, and so a part in the mean of all courses
 */
public record Stake(@Nullable CourseId course, Rational none, Rational planned, Rational all, boolean inMean) {
    /** What the plan keeps. */
    public Rational kept() {
        return planned.minus(none);
    }

    /** What can be kept at most. */
    public Rational most() {
        return all.minus(none);
    }

    /** The mean of all courses that have a percent: {@code none}, {@code planned}, {@code all} of that; 0 where no course has. */
    public static Stake mean(Collection<Stake> stakes) {
        List<Stake> counted = stakes.stream().filter(Stake::inMean).toList();
        return new Stake(
                null,
                mean(counted.stream().map(Stake::none).toList()),
                mean(counted.stream().map(Stake::planned).toList()),
                mean(counted.stream().map(Stake::all).toList()),
                !counted.isEmpty());
    }

    private static Rational mean(List<Rational> percents) {
        return percents.isEmpty() ? Rational.ZERO : Rational.sum(percents).dividedBy(Rational.of(percents.size()));
    }
}
