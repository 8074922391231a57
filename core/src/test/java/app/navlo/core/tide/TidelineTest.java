package app.navlo.core.tide;

import static org.testng.Assert.assertEquals;

import app.navlo.core.time.Availability;
import app.navlo.core.time.WeeklyHours;
import app.navlo.core.work.Stage;
import app.navlo.core.work.Turn;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import org.testng.annotations.Test;

public class TidelineTest {
    private static final ZoneId ZONE = ZoneId.of("Europe/Copenhagen");
    private static final Instant NOW = Instant.parse("2026-11-24T15:20:00Z");
    private static final Tideline.Reach REACH = new Tideline.Reach(7, 21);

    private static final WeeklyHours HOURS = new WeeklyHours(Map.of(
            DayOfWeek.TUESDAY,
            List.of(
                    new WeeklyHours.Span(LocalTime.of(16, 0), LocalTime.of(18, 0)),
                    new WeeklyHours.Span(LocalTime.of(22, 0), LocalTime.MIDNIGHT))));

    private static Tideline.Day<String> day(LocalDate day, List<Tideline.Entry<String>> entries) {
        return Tideline.of(entries, List.of(), Availability.of(HOURS, ZONE), REACH, NOW).stream()
                .filter(one -> one.day().equals(day))
                .findFirst()
                .orElseThrow();
    }

    private static Tideline.Entry<String> entry(String key, int minutes, String due, Stage stage, Turn move) {
        return new Tideline.Entry<>(key, minutes, null, Instant.parse(due), stage, move);
    }

    @Test
    public void theStripReachesFromSevenDaysBackToTwentyOneOn() {
        List<Tideline.Day<String>> days = Tideline.of(List.of(), List.of(), Availability.of(HOURS, ZONE), REACH, NOW);
        assertEquals(days.size(), 29);
        assertEquals(days.get(7).day(), LocalDate.of(2026, 11, 24));
    }

    @Test
    public void midnightBelongsToTheDayThatItCloses() {
        Tideline.Day<String> day = day(
                LocalDate.of(2026, 11, 25),
                List.of(entry("a", 50, "2026-11-25T23:00:00Z", Stage.ASSIGNED, Turn.YOURS)));
        assertEquals(day.due(), List.of("a"));
        assertEquals(day.openMinutes(), 50);
    }

    @Test
    public void minutesAreOpenDoneOrLost() {
        Tideline.Day<String> day = day(
                LocalDate.of(2026, 11, 24),
                List.of(
                        entry("a", 200, "2026-11-24T17:00:00Z", Stage.DRAFT, Turn.YOURS),
                        entry("b", 30, "2026-11-24T17:00:00Z", Stage.TURNED_IN, Turn.TEACHERS),
                        entry("c", 45, "2026-11-24T09:00:00Z", Stage.ASSIGNED, Turn.OUT_OF_REACH)));
        assertEquals(day.openMinutes(), 200);
        assertEquals(day.doneMinutes(), 30);
        assertEquals(day.lostMinutes(), 45);
    }

    @Test
    public void ofTodayOnlyWhatIsLeftIsFree() {
        Tideline.Day<String> today = day(
                LocalDate.of(2026, 11, 24),
                List.of(entry("a", 250, "2026-11-24T22:00:00Z", Stage.ASSIGNED, Turn.YOURS)));
        assertEquals(today.freeMinutes(), 100 + 120);
        assertEquals(today.overMinutes(), 30);
        assertEquals(day(LocalDate.of(2026, 12, 1), List.of()).freeMinutes(), 240);
    }

    @Test
    public void onTheDayOfTheClockChangeASpanIsAnHourLonger() {
        WeeklyHours night = new WeeklyHours(
                Map.of(DayOfWeek.SUNDAY, List.of(new WeeklyHours.Span(LocalTime.of(1, 0), LocalTime.of(4, 0)))));
        assertEquals(Availability.of(night, ZONE).freeMinutes(LocalDate.of(2026, 10, 25), Instant.MIN), 240);
        assertEquals(Availability.of(night, ZONE).freeMinutes(LocalDate.of(2026, 3, 29), Instant.MIN), 120);
        assertEquals(Availability.of(night, ZONE).freeMinutes(LocalDate.of(2026, 11, 1), Instant.MIN), 180);
    }
}
