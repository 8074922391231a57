package app.navlo.core.leeway;

import app.navlo.core.check.Check;
import java.time.Duration;

/**
 * A bank of tokens that a course gives.
 *
 * @param bank how many there are in a term
 * @param span elapsed time that each adds to the due
 * @param most on one piece of work
 * @param after usable until so long past the due in force
 */
public record TokenRule(int bank, Duration span, int most, Duration after) {
    public TokenRule {
        new Check()
                .notNegative(bank, "bank")
                .that(span.compareTo(Duration.ZERO) > 0, "span", "is " + span + "; a token must add some time")
                .atLeast(1, most, "most")
                .notNegative(after, "after")
                .orThrow();
    }
}
