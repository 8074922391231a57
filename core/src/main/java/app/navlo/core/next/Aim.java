package app.navlo.core.next;

import app.navlo.core.check.Check;
import app.navlo.core.exact.Rational;
import org.jspecify.annotations.Nullable;

/**
 * What a student wants of a course.
 *
 * @param importance of its points beside those of the other courses; 1 is as usual, from a quarter to 4
 * @param target in the units of the course's figure; null for none
 */
public record Aim(Rational importance, @Nullable Rational target) {
    private static final Rational LEAST = Rational.of(1, 4);
    private static final Rational MOST = Rational.of(4);
    public static final Aim USUAL = new Aim(Rational.ONE, null);

    public Aim {
        new Check()
                .that(
                        importance.compareTo(LEAST) >= 0 && importance.compareTo(MOST) <= 0,
                        "importance",
                        "is " + importance + "; from a quarter to 4")
                .notNegative(target, "target")
                .orThrow();
    }
}
