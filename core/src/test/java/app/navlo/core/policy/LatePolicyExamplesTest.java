package app.navlo.core.policy;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertTrue;

import app.navlo.core.exact.Rational;
import app.navlo.core.reason.Sentences;
import app.navlo.core.time.SchoolCalendar;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The late policy by the examples of the book, and at its edges. */
public class LatePolicyExamplesTest {
    private static final ZoneId ZONE = ZoneId.of("Europe/Copenhagen");
    private static final Instant DUE = Instant.parse("2026-11-20T17:00:00Z");
    private static final SchoolCalendar CALENDAR = SchoolCalendar.weekdays(ZONE, Set.of(LocalDate.of(2026, 11, 24)));

    private static Rational n(String number) {
        return Rational.parse(number);
    }

    private static LatePolicy perDay(String percent, Measure measure, Base base) {
        return new LatePolicy(Duration.ZERO, new Penalty.PerDay(n(percent), null, measure, base), null, null);
    }

    private static LatePolicy.Judged judge(
            LatePolicy policy, Duration late, String possible, String earned, @Nullable String byDue) {
        return policy.judge(DUE, DUE.plus(late), n(possible), n(earned), byDue == null ? null : n(byDue), CALENDAR);
    }

    @Test
    public void tenPercentOfThePossibleForTwoDaysBegun() {
        LatePolicy policy = perDay("10", Measure.SPANS_24H, Base.POSSIBLE);
        LatePolicy.Judged judged = judge(policy, Duration.ofHours(25), "20", "17", null);
        assertEquals(judged.score(), n("13"));
        assertEquals(judged.lost(), n("4"));
        assertEquals(judged.days(), Long.valueOf(2));
        assertEquals(Sentences.write(judged.reason(), ZONE), "Days late: 2, so 20 % off; 4 of 17 points lost, 13 kept");
    }

    @Test
    public void tenPercentOfTheEarnedForTwoDaysBegun() {
        LatePolicy policy = perDay("10", Measure.SPANS_24H, Base.EARNED);
        assertEquals(judge(policy, Duration.ofHours(25), "20", "17", null).score(), n("13.6"));
    }

    @Test
    public void onlyWhatWasEarnedAfterTheDue() {
        LatePolicy policy = new LatePolicy(Duration.ZERO, new Penalty.Flat(n("25"), Base.AFTER_DUE), null, null);
        assertEquals(judge(policy, Duration.ofHours(1), "20", "14", "8").score(), n("12.5"));
        assertEquals(judge(policy, Duration.ofHours(1), "20", "14", null).score(), n("10.5"));
    }

    @Test
    public void aFloorHoldsAndNeverRaises() {
        LatePolicy policy = new LatePolicy(
                Duration.ZERO, new Penalty.PerDay(n("10"), null, Measure.SPANS_24H, Base.POSSIBLE), n("50"), null);
        assertEquals(judge(policy, Duration.ofDays(8), "100", "90", null).score(), n("50"));
        assertEquals(judge(policy, Duration.ofDays(8), "100", "30", null).score(), n("30"));
    }

    @DataProvider
    public static Object[][] days() {
        Duration nano = Duration.ofNanos(1);
        return new Object[][] {
            {Measure.SPANS_24H, Duration.ZERO, 0L},
            {Measure.SPANS_24H, nano, 1L},
            {Measure.SPANS_24H, Duration.ofHours(24), 1L},
            {Measure.SPANS_24H, Duration.ofHours(24).plus(nano), 2L},
            {Measure.CALENDAR_DAYS, Duration.ofHours(6), 0L},
            {Measure.CALENDAR_DAYS, Duration.ofHours(6).plus(nano), 1L},
            {Measure.CALENDAR_DAYS, Duration.ofHours(30).plus(nano), 2L},
            {Measure.SCHOOL_DAYS, Duration.ofHours(54), 0L},
            {Measure.SCHOOL_DAYS, Duration.ofHours(54).plus(nano), 1L},
            {Measure.SCHOOL_DAYS, Duration.ofHours(78).plus(nano), 1L},
            {Measure.SCHOOL_DAYS, Duration.ofHours(102).plus(nano), 2L},
        };
    }

    /** The due is a Friday at 18:00; Tuesday is a holiday. */
    @Test(dataProvider = "days")
    public void daysAreCountedFromTheDue(Measure measure, Duration late, long days) {
        LatePolicy.Judged judged = judge(perDay("10", measure, Base.POSSIBLE), late, "20", "20", null);
        assertEquals(judged.days(), Long.valueOf(days), measure + " after " + late);
    }

    @Test
    public void withinTheGraceNothingIsLostAndPastItDaysCountFromTheDue() {
        LatePolicy policy = new LatePolicy(
                Duration.ofHours(2), new Penalty.PerDay(n("10"), null, Measure.SPANS_24H, Base.POSSIBLE), null, null);
        LatePolicy.Judged within = judge(policy, Duration.ofHours(2), "20", "17", null);
        assertTrue(within.late() && within.withinGrace());
        assertEquals(within.score(), n("17"));
        assertEquals(judge(policy, Duration.ofMinutes(121), "20", "17", null).score(), n("15"));
        assertEquals(judge(policy, Duration.ofHours(25), "20", "17", null).score(), n("13"));
    }

    @Test
    public void aCapStopsTheDaysAndACutOffEndsNoSoonerThanTheGrace() {
        LatePolicy policy = new LatePolicy(
                Duration.ofHours(5),
                new Penalty.PerDay(n("10"), n("25"), Measure.SPANS_24H, Base.POSSIBLE),
                null,
                Duration.ofHours(3));
        assertEquals(judge(policy, Duration.ofDays(9), "20", "20", null).score(), n("15"));
        assertEquals(policy.takenFor(), Duration.ofHours(5));
        assertNull(LatePolicy.NONE.takenFor());
    }

    @Test
    public void workWithoutADueIsNeverLate() {
        LatePolicy.Judged judged =
                perDay("10", Measure.SPANS_24H, Base.POSSIBLE).judge(null, DUE, n("20"), n("9"), null, CALENDAR);
        assertFalse(judged.late());
        assertEquals(judged.score(), n("9"));
    }

    @Test
    public void theStepsSayWhatIsKeptByWhen() {
        LatePolicy policy = perDay("25", Measure.SPANS_24H, Base.POSSIBLE);
        List<LatePolicy.Step> steps = policy.steps(DUE, n("20"), n("20"), DUE.minusSeconds(60), null, CALENDAR);
        assertEquals(
                steps.stream().map(LatePolicy.Step::score).toList(),
                List.of(n("20"), n("15"), n("10"), n("5"), n("0")));
        assertEquals(steps.get(0).handedIn(), DUE);
        assertEquals(steps.get(1).handedIn(), DUE.plus(Duration.ofHours(24)));
        assertNull(steps.get(4).handedIn());
    }
}
