package app.navlo.core.grade;

import app.navlo.core.exact.Rational;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** What one piece of work is worth to its course: the course with its expected score, less the course with zero for it. */
public final class Impact {
    private final Regrade regrade;
    private final @Nullable Rational expected;

    /** @param works all that counts in the course, in the reading <em>expected</em> */
    public Impact(Scheme scheme, Collection<GradedWork> works) {
        List<Valued> valued = Readings.valued(Reading.EXPECTED, works);
        regrade = scheme.regrade(valued);
        expected = scheme.grade(valued).figure();
    }

    /**
     * By the whole engine, drops and all.
     *
     * @return in the units of the course's figure; empty where the course has none
     */
    public Optional<Rational> of(GradedWork work) {
        Rational with = Reading.EXPECTED.worth(work) == null ? regrade.figure(work.valued(work.expected())) : expected;
        Rational without = regrade.figure(work.valued(Rational.ZERO));
        return with == null || without == null ? Optional.empty() : Optional.of(with.minus(without));
    }
}
