package app.navlo.core.course;

import app.navlo.core.exact.Rational;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * What taking a hand-in back would mean.
 *
 * @param mayHandInAgain whether anything would be accepted after it
 * @param due that would judge a new hand-in; null for none
 * @param keeps of full points by a new hand-in now; 0 where nothing would be accepted
 * @param kept of full points by the hand-in as it stands
 * @param until the last instant at which {@code keeps} holds; null for always, and where nothing would be accepted
 * @param ends of acceptance; null for no end
 */
public record TakenBack(
        boolean mayHandInAgain,
        @Nullable Instant due,
        Rational keeps,
        Rational kept,
        @Nullable Instant until,
        @Nullable Instant ends) {
    /** What it would cost of full points. */
    public Rational price() {
        return kept.minus(keeps).max(Rational.ZERO);
    }
}
