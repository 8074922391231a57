package app.navlo.core.policy;

import app.navlo.core.check.Check;
import app.navlo.core.exact.Rational;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * One attempt as it is on record.
 *
 * @param number from 1
 * @param window that its hand-in was taken in, with the due that judges it
 * @param handedIn null for scored work with no known hand-in, which bears no penalty
 * @param earned raw points, or null while unscored
 * @param earnedByDue the part of {@code earned} that stood at the due; null for nothing of it
 * @param isFinal false while a part is still ungraded
 * @param posted false while the student can't see it
 */
public record Attempt(
        int number,
        Window window,
        @Nullable Instant handedIn,
        @Nullable Rational earned,
        @Nullable Rational earnedByDue,
        boolean isFinal,
        boolean posted) {
    public Attempt {
        new Check()
                .atLeast(1, number, "number")
                .notNegative(earned, "earned")
                .notNegative(earnedByDue, "earnedByDue")
                .that(
                        earned == null || earnedByDue == null || earnedByDue.compareTo(earned) <= 0,
                        "earnedByDue",
                        () -> "is " + earnedByDue + "; it can't be more than was earned, " + earned)
                .orThrow();
    }
}
