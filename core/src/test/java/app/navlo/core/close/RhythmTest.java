package app.navlo.core.close;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import app.navlo.core.check.IllegalInput;
import app.navlo.core.id.CourseId;
import app.navlo.core.time.SchoolCalendar;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.testng.annotations.Test;

/** How long a course takes to give work back, on which day, and by when work must be in. */
public class RhythmTest {
    private static final ZoneId ZONE = ZoneId.of("Europe/Copenhagen");
    private static final SchoolCalendar CALENDAR = SchoolCalendar.weekdays(ZONE, Set.of(LocalDate.of(2026, 11, 25)));
    private static final Instant NOW = Instant.parse("2026-11-24T15:20:00Z");

    /** Handed in on a Monday at ten, returned so many days later at the same time; week by week. */
    private static List<GradedReturn> mondays(String course, int... days) {
        List<GradedReturn> returns = new ArrayList<>();
        Instant monday = Instant.parse("2026-09-07T08:00:00Z");
        for (int i = 0; i < days.length; i++) {
            Instant handedIn = monday.plus(Duration.ofDays(7L * i));
            returns.add(new GradedReturn(new CourseId(course), handedIn, handedIn.plus(Duration.ofDays(days[i]))));
        }
        return returns;
    }

    @Test
    public void theMedianOfAnEvenNumberIsTheMeanOfTheMiddleTwo() {
        Turnaround turnaround = Turnaround.of(new CourseId("soil"), mondays("soil", 1, 1, 2, 3, 3, 4), CALENDAR, NOW);
        assertEquals(turnaround.source(), Turnaround.Source.COURSE);
        assertEquals(turnaround.median(), Duration.ofHours(60));
        assertEquals(turnaround.p90(), Duration.ofDays(4));
    }

    @Test
    public void weekendsAreNoWorkingTime() {
        assertEquals(
                Turnaround.of(new CourseId("soil"), mondays("soil", 7, 7, 7, 7, 7), CALENDAR, NOW)
                        .median(),
                Duration.ofDays(5));
    }

    @Test
    public void tooFewReturnsArePooledAndNoneAreThreeSchoolDays() {
        List<GradedReturn> few = new ArrayList<>(mondays("soil", 1, 1));
        assertEquals(Turnaround.of(new CourseId("soil"), few, CALENDAR, NOW).source(), Turnaround.Source.DEFAULT);
        assertEquals(Turnaround.of(new CourseId("soil"), few, CALENDAR, NOW).p90(), Duration.ofDays(3));
        few.addAll(mondays("books", 2, 2, 2));
        Turnaround pooled = Turnaround.of(new CourseId("soil"), few, CALENDAR, NOW);
        assertEquals(pooled.source(), Turnaround.Source.POOLED);
        assertEquals(pooled.used(), 5);
    }

    @Test
    public void sevenInTenOnOneDayMakeARhythm() {
        int[] wednesdays = {2, 2, 2, 2, 2, 2, 2, 1, 1, 3};
        assertEquals(
                Turnaround.of(new CourseId("soil"), mondays("soil", wednesdays), CALENDAR, NOW)
                        .gradingDay(),
                DayOfWeek.WEDNESDAY);
        int[] sixInTen = {2, 2, 2, 2, 2, 2, 1, 1, 1, 3};
        assertNull(Turnaround.of(new CourseId("soil"), mondays("soil", sixInTen), CALENDAR, NOW)
                .gradingDay());
        assertNull(Turnaround.of(new CourseId("soil"), mondays("soil", 2, 2, 2, 2), CALENDAR, NOW)
                .gradingDay());
    }

    @Test
    public void theNextGradingDayPassesHolidaysOverAndTodayCounts() {
        Turnaround wednesdays = Turnaround.of(new CourseId("soil"), mondays("soil", 2, 2, 2, 2, 2), CALENDAR, NOW);
        Instant afterTheHoliday = CALENDAR.startOf(LocalDate.of(2026, 12, 2));
        assertEquals(wednesdays.nextGradingDay(CALENDAR, NOW), afterTheHoliday, "the 25th is a holiday");
        assertEquals(wednesdays.nextGradingDay(CALENDAR, afterTheHoliday.plusSeconds(40_000)), afterTheHoliday);
        assertNull(Turnaround.of(new CourseId("soil"), List.of(), CALENDAR, NOW).nextGradingDay(CALENDAR, NOW));
    }

    @Test
    public void aReturnToComeIsNotKnownYet() {
        Instant early = Instant.parse("2026-09-20T08:00:00Z");
        assertEquals(
                Turnaround.of(new CourseId("soil"), mondays("soil", 1, 1, 1, 1, 1), CALENDAR, early)
                        .source(),
                Turnaround.Source.DEFAULT);
    }

    @Test
    public void byRhythmWorkIsSafeBeforeTheLastGradingDayThatIsNoHoliday() {
        Turnaround wednesdays = Turnaround.of(new CourseId("soil"), mondays("soil", 2, 2, 2, 2, 2), CALENDAR, NOW);
        Instant close = Instant.parse("2026-11-27T16:00:00Z");
        SafeBy safeBy = SafeBy.of(wednesdays, close, CALENDAR, null, NOW);
        assertEquals(safeBy.rule(), SafeBy.By.RHYTHM);
        assertEquals(safeBy.at(), Instant.parse("2026-11-17T23:00:00Z"), "the 25th is a holiday");
        assertTrue(safeBy.passed());
    }

    @Test
    public void withoutARhythmItIsTheCloseLessNineInTen() {
        Turnaround mixed = Turnaround.of(new CourseId("soil"), mondays("soil", 1, 2, 3, 4, 1, 2, 3), CALENDAR, NOW);
        Instant close = Instant.parse("2026-12-18T11:00:00Z");
        SafeBy safeBy = SafeBy.of(mixed, close, CALENDAR, null, NOW);
        assertEquals(safeBy.rule(), SafeBy.By.PERCENTILE);
        assertEquals(CALENDAR.workingTime(safeBy.at(), close), mixed.p90());
        assertFalse(safeBy.passed());
    }

    @Test
    public void checkItSaysWhy() {
        Turnaround quick = Turnaround.of(new CourseId("soil"), mondays("soil", 1, 1, 1, 1, 1), CALENDAR, NOW);
        Instant monday = Instant.parse("2026-11-23T08:00:00Z");
        assertEquals(CheckIt.reasons(monday, true, quick, CALENDAR, NOW).size(), 2);
        assertEquals(
                CheckIt.reasons(NOW.minusSeconds(60), true, quick, CALENDAR, NOW), List.of(CheckIt.LISTED_AS_MISSING));
        assertEquals(CheckIt.reasons(NOW.minusSeconds(60), false, quick, CALENDAR, NOW), List.of());
    }

    @Test
    public void workBelongsToTheFirstCloseNotBeforeItsDue() {
        Instant first = Instant.parse("2026-11-27T16:00:00Z");
        Instant last = Instant.parse("2026-12-18T11:00:00Z");
        GradingPeriods periods = new GradingPeriods(
                List.of(new GradingPeriods.Period("one", first), new GradingPeriods.Period("two", last)));
        assertEquals(periods.of(first).orElseThrow().name(), "one");
        assertEquals(periods.of(first.plusNanos(1)).orElseThrow().name(), "two");
        assertEquals(periods.of(null).orElseThrow().name(), "two");
        assertTrue(periods.of(last.plusNanos(1)).isEmpty());
        assertEquals(
                expectThrows(IllegalInput.class, () -> periods.checkDue(last.plusNanos(1)))
                        .problems()
                        .get(0)
                        .field(),
                "due");
    }
}
