package app.navlo.core.grade;

import app.navlo.core.exact.Rational;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * What one piece of work is worth to its course, by the whole engine, drops and all: how far the reading <em>expected</em>
 * moves when that piece alone brings something else. All other work stays at what is expected of it.
 */
public final class Impact {
    private final Regrade regrade;
    private final @Nullable Rational expected;

    /** @param works all that counts in the course */
    public Impact(Scheme scheme, Collection<GradedWork> works) {
        List<Valued> valued = Readings.valued(Reading.EXPECTED, works);
        regrade = scheme.regrade(valued);
        expected = scheme.grade(valued).figure();
    }

    /**
     * What a zero there would cost.
     *
     * @return in the units of the course's figure; empty where the course has none
     */
    public Optional<Rational> of(GradedWork work) {
        return with(work, Rational.ZERO).map(Rational::negate);
    }

    /**
     * What so many points there would bring.
     *
     * @param points as they count, after every penalty
     * @return in the units of the course's figure, below 0 for a loss; empty where the course has none
     */
    public Optional<Rational> with(GradedWork work, Rational points) {
        Rational then = regrade.figure(work.valued(points));
        return expected == null || then == null ? Optional.empty() : Optional.of(then.minus(expected));
    }
}
