package app.navlo.core.policy;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import app.navlo.core.exact.Rational;
import app.navlo.core.policy.RedoRule.Asked;
import app.navlo.core.policy.RedoRule.Shut;
import java.time.Instant;
import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** When a redo may be begun, and all that shuts it. */
public class RedoRuleTest {
    private static final Instant NOW = Instant.parse("2026-11-24T15:20:00Z");
    private static final Instant PAST = NOW.minusNanos(1);
    private static final Rational TEN = Rational.of(10);

    private static Asked asked(
            Instant closesAt, Instant close, Integer left, Rational below, Rational kept, boolean reopened) {
        return new Asked(NOW, closesAt, close, left, below, kept, TEN, reopened);
    }

    private static Asked free() {
        return asked(null, null, null, null, null, false);
    }

    @DataProvider
    public static Object[][] cases() {
        Rational pass = Rational.of(60);
        RedoRule plain = new RedoRule(null, false);
        return new Object[][] {
            {"nothing limits it", plain, free(), List.of()},
            {"exactly at its end it may still", new RedoRule(NOW, false), free(), List.of()},
            {"a moment later not", new RedoRule(PAST, false), free(), List.of(Shut.UNTIL)},
            {"the work has closed", plain, asked(PAST, null, null, null, null, false), List.of(Shut.CLOSES_AT)},
            {"it closes right now", plain, asked(NOW, null, null, null, null, false), List.of()},
            {"grades are closed", plain, asked(null, PAST, null, null, null, false), List.of(Shut.GRADING_CLOSE)},
            {"no attempt is left", plain, asked(null, null, 0, null, null, false), List.of(Shut.ATTEMPTS)},
            {"one is", plain, asked(null, null, 1, null, null, false), List.of()},
            {"below the mark", plain, asked(null, null, null, pass, Rational.of(599, 100), false), List.of()},
            {"at the mark", plain, asked(null, null, null, pass, Rational.of(6), false), List.of(Shut.PASS_MARK)},
            {"above it", plain, asked(null, null, null, pass, Rational.of(9), false), List.of(Shut.PASS_MARK)},
            {"nothing is scored yet", plain, asked(null, null, null, pass, null, false), List.of(Shut.PASS_MARK)},
            {"it has to be opened again", new RedoRule(null, true), free(), List.of(Shut.REOPENING)},
            {"and was", new RedoRule(null, true), asked(null, null, null, null, null, true), List.of()},
            {
                "all at once, each is said",
                new RedoRule(PAST, true),
                asked(PAST, PAST, 0, pass, TEN, false),
                List.of(Shut.values())
            },
        };
    }

    @Test(dataProvider = "cases")
    public void allThatShutsItIsSaidInOrder(String why, RedoRule rule, Asked asked, List<Shut> shut) {
        assertEquals(rule.shutBy(asked), shut, why);
    }

    /** The line is exact: two thirds of 10 points is neither 6.66 nor 6.67. */
    @Test
    public void thePassMarkIsntRounded() {
        Rational twoThirds = Rational.of(200, 3);
        assertFalse(RedoRule.below(twoThirds, Rational.of(20, 3), TEN));
        assertTrue(RedoRule.below(twoThirds, Rational.of(666, 100), TEN));
        assertFalse(RedoRule.below(twoThirds, Rational.of(667, 100), TEN));
        assertTrue(RedoRule.below(null, null, TEN), "without a mark everything is below it");
    }
}
