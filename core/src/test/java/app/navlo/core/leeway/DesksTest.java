package app.navlo.core.leeway;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import app.navlo.core.exact.Rational;
import app.navlo.core.leeway.ExtensionRule.Answered;
import app.navlo.core.time.Deadline;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.Test;

/** The two desks at which more time can be had. */
public class DesksTest {
    private static final ZoneId ZONE = ZoneId.of("Europe/Copenhagen");
    private static final Instant DUE = Instant.parse("2026-10-23T16:00:00Z");

    private static ExtensionDesk.Answer ask(ExtensionRule rule, Instant now, int granted, @Nullable Instant close) {
        return ExtensionDesk.ask(
                new ExtensionDesk.Asking(rule, Deadline.at(DUE), ZONE, now, close, granted, 0, null, 9));
    }

    @Test
    public void anExtensionCountsFromTheOriginalDueAtTheSameWallTime() {
        ExtensionDesk.Answer answer = ask(ExtensionRule.DEFAULT, DUE, 0, null);
        assertTrue(answer.may());
        assertEquals(answer.newDue(), Instant.parse("2026-10-27T17:00:00Z"), "an hour more, as the clocks go back");
        assertEquals(answer.until(), DUE.plus(Duration.ofHours(36)));
    }

    @Test
    public void itCanBeAskedForUpToTheLastInstantAndNotAfter() {
        Instant last = DUE.plus(Duration.ofHours(36));
        assertTrue(ask(ExtensionRule.DEFAULT, last, 0, null).may());
        assertEquals(ask(ExtensionRule.DEFAULT, last.plusNanos(1), 0, null).bars(), List.of(Bar.TOO_LATE));
    }

    @Test
    public void aCourseMayOpenTheDeskLateAndGiveMoreThanOne() {
        ExtensionRule rule =
                new ExtensionRule(Duration.ofHours(48), Duration.ofHours(24), 2, 2, Answered.TEACHER, 0, Rational.ZERO);
        assertEquals(ask(rule, DUE.minus(Duration.ofHours(49)), 0, null).bars(), List.of(Bar.TOO_EARLY));
        assertEquals(ask(rule, DUE, 1, null).newDue(), Instant.parse("2026-10-27T17:00:00Z"));
        assertEquals(ask(rule, DUE, 2, null).bars(), List.of(Bar.LIMIT));
    }

    @Test
    public void theGradingCloseCutsItAndAfterItNothingIsGiven() {
        Instant close = DUE.plus(Duration.ofHours(30));
        assertEquals(ask(ExtensionRule.DEFAULT, DUE, 0, close).newDue(), close);
        assertEquals(ask(ExtensionRule.DEFAULT, DUE, 0, close).until(), close);
        assertTrue(ask(ExtensionRule.DEFAULT, close.plusSeconds(1), 0, close)
                .bars()
                .contains(Bar.GRADING_CLOSE));
        assertTrue(ask(ExtensionRule.DEFAULT, DUE, 0, DUE).bars().contains(Bar.NO_GAIN));
    }

    @Test
    public void theAnswerKeyBarsItFromTheInstantItIsOpened() {
        ExtensionDesk.Asking later = new ExtensionDesk.Asking(
                ExtensionRule.DEFAULT, Deadline.at(DUE), ZONE, DUE, null, 0, 0, DUE.plusSeconds(1), 0);
        assertTrue(ExtensionDesk.ask(later).may());
        ExtensionDesk.Asking opened =
                new ExtensionDesk.Asking(ExtensionRule.DEFAULT, Deadline.at(DUE), ZONE, DUE, null, 0, 0, DUE, 0);
        assertEquals(ExtensionDesk.ask(opened).bars(), List.of(Bar.ANSWER_KEY));
    }

    @Test
    public void allThatBarsItIsSaidAtOnce() {
        ExtensionRule rule = new ExtensionRule(null, Duration.ofHours(1), 4, 1, Answered.AT_ONCE, 2, Rational.ZERO);
        ExtensionDesk.Asking asking = new ExtensionDesk.Asking(
                rule, Deadline.at(DUE), ZONE, DUE.plus(Duration.ofHours(2)), null, 0, 1, DUE, 1);
        assertEquals(ExtensionDesk.ask(asking).bars(), List.of(Bar.TOO_LATE, Bar.LIMIT, Bar.ANSWER_KEY, Bar.TOKENS));
    }

    @Test
    public void whatWasEarnedAfterTheDueCostsWhatTheCourseSays() {
        ExtensionRule rule = new ExtensionRule(null, Duration.ZERO, 4, 1, Answered.AT_ONCE, 0, Rational.of(20));
        assertEquals(rule.keep(Rational.of(8), Rational.of(5)), Rational.of(12));
    }

    private static TokenDesk.Answer use(Instant now, int left, int used, @Nullable Instant close) {
        TokenRule rule = new TokenRule(5, Duration.ofHours(48), 2, Duration.ofHours(24));
        return TokenDesk.use(new TokenDesk.Using(rule, DUE, now, close, null, left, used));
    }

    @Test
    public void aTokenMovesTheDueInForceAndOnlySoManyGoOnOnePiece() {
        assertEquals(
                use(DUE, 5, 0, null).dues(), List.of(DUE.plus(Duration.ofHours(48)), DUE.plus(Duration.ofHours(96))));
        assertEquals(use(DUE, 1, 0, null).dues(), List.of(DUE.plus(Duration.ofHours(48))));
        assertEquals(use(DUE, 5, 1, null).dueNow(), DUE.plus(Duration.ofHours(48)));
        assertEquals(use(DUE, 5, 2, null).bars(), List.of(Bar.LIMIT));
        assertEquals(use(DUE, 0, 0, null).bars(), List.of(Bar.TOKENS));
    }

    @Test
    public void aTokenIsCutToTheCloseAndGoesNoFurther() {
        Instant close = DUE.plus(Duration.ofHours(50));
        assertEquals(use(DUE, 5, 0, close).dues(), List.of(DUE.plus(Duration.ofHours(48)), close));
        assertFalse(use(DUE, 5, 0, DUE).may());
    }

    @Test
    public void aCourseWithoutTheRuleSaysSo() {
        assertEquals(
                TokenDesk.use(new TokenDesk.Using(null, DUE, DUE, null, null, 0, 0))
                        .bars(),
                List.of(Bar.NO_RULE));
        ExtensionDesk.Asking undated =
                new ExtensionDesk.Asking(ExtensionRule.DEFAULT, null, ZONE, DUE, null, 0, 0, null, 0);
        assertEquals(ExtensionDesk.ask(undated).bars(), List.of(Bar.NO_DUE));
    }

    @Test
    public void aLimitOfNoneMeansThatTheCourseGivesNone() {
        ExtensionRule none = new ExtensionRule(null, Duration.ofHours(36), 4, 0, Answered.AT_ONCE, 0, Rational.ZERO);
        assertEquals(ask(none, DUE, 0, null), ask(null, DUE, 0, null));
        assertEquals(ask(none, DUE, 0, null).bars(), List.of(Bar.NO_RULE));
    }
}
