package app.navlo.core.time;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.testng.annotations.Test;

public class SchoolCalendarTest {
    private static final ZoneId ZONE = ZoneId.of("Europe/Copenhagen");
    private static final SchoolCalendar CALENDAR = SchoolCalendar.weekdays(ZONE, Set.of(LocalDate.of(2026, 10, 14)));
    private static final Instant START = Instant.parse("2026-10-05T00:00:00Z");

    private static Instant moment(Random random) {
        return START.plusSeconds(random.nextInt(40 * 24 * 3600));
    }

    @Test
    public void aSchoolDayHasTwentyFiveHoursWhenTheClocksGoBackAndTwentyThreeWhenForward() {
        SchoolCalendar daily = new SchoolCalendar(ZONE, Set.of(DayOfWeek.values()), Set.of());
        LocalDate back = LocalDate.of(2026, 10, 25);
        LocalDate forward = LocalDate.of(2026, 3, 29);
        assertEquals(daily.workingTime(daily.startOf(back), daily.startOf(back.plusDays(1))), Duration.ofHours(25));
        assertEquals(
                daily.workingTime(daily.startOf(forward), daily.startOf(forward.plusDays(1))), Duration.ofHours(23));
    }

    @Test
    public void whereAClockChangeSkipsMidnightTheDayBeginsAfterIt() {
        ZoneId skips = ZoneId.of("America/Asuncion");
        LocalDate day = LocalDate.of(2023, 10, 1);
        SchoolCalendar calendar = SchoolCalendar.weekdays(skips, Set.of());
        assertEquals(calendar.startOf(day).atZone(skips).toLocalTime(), LocalTime.of(1, 0));
        assertEquals(Deadline.endOf(day.minusDays(1), skips).instant(), calendar.startOf(day));
    }

    @Test
    public void workingTimeAddsUpAndIsUndoneByLatestStartAndPlus() {
        Random random = new Random(11);
        for (int i = 0; i < 3_000; i++) {
            Instant a = moment(random);
            Instant b = moment(random);
            Instant c = moment(random);
            Instant low = a.isBefore(b) ? a : b;
            Instant high = a.isBefore(b) ? b : a;
            if (!c.isBefore(low) && !c.isAfter(high)) {
                assertEquals(
                        CALENDAR.workingTime(low, c).plus(CALENDAR.workingTime(c, high)),
                        CALENDAR.workingTime(low, high));
            }
            Duration working = Duration.ofMinutes(1 + random.nextInt(6000));
            Instant latest = CALENDAR.latestStart(working, high);
            assertEquals(CALENDAR.workingTime(latest, high), working);
            assertTrue(CALENDAR.workingTime(latest.plusNanos(1), high).compareTo(working) < 0);
            Instant end = CALENDAR.plusWorkingTime(low, working);
            assertEquals(CALENDAR.workingTime(low, end), working);
        }
    }

    @Test
    public void theLatestStartInFreeHoursIsTheLatest() {
        WeeklyHours free = new WeeklyHours(Map.of(
                DayOfWeek.MONDAY, List.of(new WeeklyHours.Span(LocalTime.of(16, 0), LocalTime.of(18, 0))),
                DayOfWeek.THURSDAY, List.of(new WeeklyHours.Span(LocalTime.of(22, 0), LocalTime.MIDNIGHT))));
        Instant end = Instant.parse("2026-11-26T22:30:00Z");
        assertEquals(free.latestStart(30, end, ZONE).orElseThrow(), Instant.parse("2026-11-26T22:00:00Z"));
        assertEquals(free.latestStart(120, end, ZONE).orElseThrow(), Instant.parse("2026-11-23T16:30:00Z"));
        assertTrue(new WeeklyHours(Map.of()).latestStart(1, end, ZONE).isEmpty());
    }

    @Test
    public void aWallTimeStaysOverTheClockChangeAndADayStaysADay() {
        Deadline five = Deadline.at(Instant.parse("2026-10-23T15:00:00Z"));
        assertEquals(five.plusDays(4, ZONE).instant(), Instant.parse("2026-10-27T16:00:00Z"));
        Deadline day = Deadline.endOf(LocalDate.of(2026, 10, 24), ZONE);
        assertEquals(day.plusDays(1, ZONE), Deadline.endOf(LocalDate.of(2026, 10, 25), ZONE));
    }
}
