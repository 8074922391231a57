package app.navlo.core.grade;

import app.navlo.core.exact.Rational;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** What one piece of work is worth to its course: the course with its expected score, less the course with zero for it. */
public final class Impact {
    private Impact() {}

    /**
     * By the whole engine, drops and all, in the reading <em>expected</em>.
     *
     * @param work one of {@code works}
     * @return in the units of the course's figure; empty where the course has none
     */
    public static Optional<Rational> of(GradedWork work, Scheme scheme, Collection<GradedWork> works) {
        List<Valued> others = Readings.valued(
                Reading.EXPECTED,
                works.stream().filter(one -> !one.id().equals(work.id())).toList());
        Rational with = figure(scheme, others, work, work.score() == null ? work.expected() : work.score());
        Rational without = figure(scheme, others, work, Rational.ZERO);
        return with == null || without == null ? Optional.empty() : Optional.of(with.minus(without));
    }

    private static @Nullable Rational figure(Scheme scheme, List<Valued> others, GradedWork work, Rational points) {
        List<Valued> all = new ArrayList<>(others);
        all.add(work.valued(points));
        return scheme.grade(all).figure();
    }
}
