package app.navlo.core.time;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import app.navlo.core.check.IllegalInput;
import app.navlo.core.time.Availability.ClassTime;
import app.navlo.core.time.Availability.OnHolidays;
import app.navlo.core.time.Availability.Pauses;
import app.navlo.core.time.WeeklyHours.Span;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The time to work in, with all that takes from it. */
public class OwnTimeTest {
    private static final ZoneId ZONE = ZoneId.of("Europe/Copenhagen");
    private static final LocalDate TUESDAY = LocalDate.of(2026, 11, 24);
    private static final WeeklyHours WEEK = new WeeklyHours(Map.of(
            DayOfWeek.TUESDAY, List.of(span("16:00-18:00"), span("19:00-21:00")),
            DayOfWeek.WEDNESDAY, List.of(span("15:00-17:00")),
            DayOfWeek.SUNDAY, List.of(span("10:00-12:00"))));
    private static final Availability PLAIN = Availability.of(WEEK, ZONE);

    private static Span span(String text) {
        return new Span(LocalTime.parse(text.substring(0, 5)), LocalTime.parse(text.substring(6)));
    }

    private static Instant at(LocalDate day, String time) {
        return day.atTime(LocalTime.parse(time)).atZone(ZONE).toInstant();
    }

    private static Stretch stretch(LocalDate day, String text) {
        return new Stretch(at(day, text.substring(0, 5)), at(day, text.substring(6)));
    }

    private static Availability with(
            Map<LocalDate, List<Span>> otherwise,
            OnHolidays onHolidays,
            Set<LocalDate> holidays,
            List<ClassTime> classes,
            List<Stretch> busy,
            Pauses pauses) {
        return new Availability(WEEK, otherwise, onHolidays, holidays, classes, busy, pauses, ZONE);
    }

    private static String day(Availability time, LocalDate day) {
        List<String> spans = new ArrayList<>();
        Instant start = day.atStartOfDay(ZONE).toInstant();
        for (Stretch one :
                time.sittings(start, day.plusDays(1).atStartOfDay(ZONE).toInstant())) {
            spans.add(one.start().atZone(ZONE).toLocalTime() + "-"
                    + one.endExclusive().atZone(ZONE).toLocalTime());
        }
        return String.join(" ", spans);
    }

    private static Availability busy(Stretch... busy) {
        return with(Map.of(), OnHolidays.AS_USUAL, Set.of(), List.of(), List.of(busy), Pauses.NONE);
    }

    private static Availability classes(ClassTime... classes) {
        return with(
                Map.of(), OnHolidays.AS_USUAL, Set.of(TUESDAY.plusDays(7)), List.of(classes), List.of(), Pauses.NONE);
    }

    private static Availability holiday(OnHolidays how) {
        return with(Map.of(), how, Set.of(TUESDAY), List.of(), List.of(), Pauses.NONE);
    }

    private static Availability paused(int longest, int rest) {
        return with(Map.of(), OnHolidays.AS_USUAL, Set.of(), List.of(), List.of(), new Pauses(longest, rest));
    }

    @DataProvider
    public static Object[][] days() {
        ClassTime held = new ClassTime(DayOfWeek.TUESDAY, span("17:00-19:30"), TUESDAY, TUESDAY.plusDays(14));
        return new Object[][] {
            {"a usual day", PLAIN, TUESDAY, "16:00-18:00 19:00-21:00"},
            {"a day with none", PLAIN, TUESDAY.plusDays(2), ""},
            {
                "a day of its own",
                with(
                        Map.of(TUESDAY, List.of(span("20:00-22:00"), span("08:00-09:00"))),
                        OnHolidays.NONE,
                        Set.of(TUESDAY),
                        List.of(),
                        List.of(),
                        Pauses.NONE),
                TUESDAY,
                "08:00-09:00 20:00-22:00"
            },
            {
                "a day without any",
                with(Map.of(TUESDAY, List.of()), OnHolidays.AS_USUAL, Set.of(), List.of(), List.of(), Pauses.NONE),
                TUESDAY,
                ""
            },
            {"a holiday as usual", holiday(OnHolidays.AS_USUAL), TUESDAY, "16:00-18:00 19:00-21:00"},
            {"a holiday like a Sunday", holiday(OnHolidays.AS_SUNDAY), TUESDAY, "10:00-12:00"},
            {"a holiday without any", holiday(OnHolidays.NONE), TUESDAY, ""},
            {"a class takes its time", classes(held), TUESDAY, "16:00-17:00 19:30-21:00"},
            {"not on a holiday", classes(held), TUESDAY.plusDays(7), "16:00-18:00 19:00-21:00"},
            {"until the term's last day", classes(held), TUESDAY.plusDays(14), "16:00-17:00 19:30-21:00"},
            {"not after it", classes(held), TUESDAY.plusDays(21), "16:00-18:00 19:00-21:00"},
            {"busy in the middle", busy(stretch(TUESDAY, "16:30-17:00")), TUESDAY, "16:00-16:30 17:00-18:00 19:00-21:00"
            },
            {
                "busy over both, twice",
                busy(stretch(TUESDAY, "17:00-19:30"), stretch(TUESDAY, "17:30-20:00")),
                TUESDAY,
                "16:00-17:00 20:00-21:00"
            },
            {"busy all day", busy(stretch(TUESDAY, "00:00-23:59")), TUESDAY, ""},
            {"no sitting too long", paused(50, 10), TUESDAY, "16:00-16:50 17:00-17:50 19:00-19:50 20:00-20:50"},
            {"what is left after a break counts", paused(45, 15), TUESDAY.plusDays(1), "15:00-15:45 16:00-16:45"},
        };
    }

    @Test(dataProvider = "days")
    public void theSittingsOfADay(String how, Availability time, LocalDate day, String expected) {
        assertEquals(day(time, day), expected, how);
        assertEquals(
                time.freeMinutes(day, Instant.MIN),
                time.sittings(at(day, "00:00"), at(day.plusDays(1), "00:00")).stream()
                        .mapToLong(Stretch::minutes)
                        .sum(),
                how);
    }

    @Test
    public void whatIsGivenForTodayKeepsClearOfBusyTimesAndDoesNotCountBreaks() {
        Instant now = at(TUESDAY, "16:20");
        Availability time = with(
                Map.of(),
                OnHolidays.AS_USUAL,
                Set.of(),
                List.of(),
                List.of(stretch(TUESDAY, "16:50-18:00")),
                new Pauses(50, 10));
        assertEquals(
                time.sittingsOf(90, now, now.plus(Duration.ofDays(1))),
                List.of(
                        stretch(TUESDAY, "16:20-16:50"),
                        stretch(TUESDAY, "18:00-18:50"),
                        stretch(TUESDAY, "19:00-19:10")));
        assertEquals(time.sittingsOf(0, now, now.plus(Duration.ofDays(1))), List.of());
        assertEquals(time.sittingsOf(90, now, now), List.of());
    }

    /** Minute by minute, by brute force: a minute is free where the hours say so and nothing takes it. */
    @Test
    public void aMinuteIsFreeExactlyWhereNothingTakesIt() {
        Random random = new Random(5);
        Instant start = at(TUESDAY, "00:00");
        for (int round = 0; round < 40; round++) {
            List<Stretch> busy = new ArrayList<>();
            for (int i = 0; i < random.nextInt(6); i++) {
                Instant from = start.plus(Duration.ofMinutes(random.nextInt(2880)));
                busy.add(new Stretch(from, from.plus(Duration.ofMinutes(1 + random.nextInt(300)))));
            }
            Availability time = busy(busy.toArray(new Stretch[0]));
            List<Stretch> free = time.sittings(start, start.plus(Duration.ofDays(2)));
            for (int minute = 0; minute < 2880; minute++) {
                Instant at = start.plus(Duration.ofMinutes(minute));
                boolean expected = holds(PLAIN.sittings(start, start.plus(Duration.ofDays(2))), at) && !holds(busy, at);
                assertEquals(holds(free, at), expected, at + " in round " + round);
            }
        }
    }

    private static boolean holds(List<Stretch> all, Instant at) {
        return all.stream().anyMatch(one -> !at.isBefore(one.start()) && at.isBefore(one.endExclusive()));
    }

    @Test
    public void whatCannotBeIsRefusedInWords() {
        IllegalInput tooShort = expectThrows(IllegalInput.class, () -> new Pauses(5, 0));
        assertEquals(tooShort.problems().size(), 2, "both are told at once");
        IllegalArgumentException twice = expectThrows(
                IllegalArgumentException.class,
                () -> with(
                        Map.of(TUESDAY, List.of(span("10:00-12:00"), span("11:00-13:00"))),
                        OnHolidays.NONE,
                        Set.of(),
                        List.of(),
                        List.of(),
                        Pauses.NONE));
        assertTrue(twice.getMessage().contains("overlap on 2026-11-24"), twice.getMessage());
    }

    private static String spill(Availability time, String from, int minutes) {
        List<String> spans = new ArrayList<>();
        for (Stretch one : time.spill(at(TUESDAY, from), at(TUESDAY, "23:30"), minutes)) {
            spans.add(one.start().atZone(ZONE).toLocalTime() + "-"
                    + one.endExclusive().atZone(ZONE).toLocalTime());
        }
        return String.join(" ", spans);
    }

    @DataProvider
    public static Object[][] ends() {
        ClassTime soon = new ClassTime(DayOfWeek.TUESDAY, span("18:05-18:40"), TUESDAY, TUESDAY.plusDays(14));
        ClassTime within = new ClassTime(DayOfWeek.TUESDAY, span("17:00-18:30"), TUESDAY, TUESDAY.plusDays(14));
        return new Object[][] {
            {"a usual day", PLAIN, "15:00", 15, "18:00-18:15 21:00-21:15"},
            {"none is wanted", PLAIN, "15:00", 0, ""},
            {"up to the next free hours", PLAIN, "15:00", 90, "18:00-19:00 21:00-22:30"},
            {"up to a class", classes(soon), "15:00", 15, "18:00-18:05 21:00-21:15"},
            {"none where a class cuts the hours", classes(within), "15:00", 15, "21:00-21:15"},
            {"not into what is busy", busy(stretch(TUESDAY, "21:00-22:00")), "15:00", 15, "18:00-18:15"},
            {"breaks are no ends", paused(30, 10), "15:00", 15, "18:00-18:15 21:00-21:15"},
            {"what is left of it just after the end", PLAIN, "18:10", 15, "18:10-18:15 21:00-21:15"},
            {"once it is past", PLAIN, "18:20", 15, "21:00-21:15"},
        };
    }

    @Test(dataProvider = "ends")
    public void howFarASittingMayRunOver(String why, Availability time, String from, int minutes, String spans) {
        assertEquals(spill(time, from, minutes), spans, why);
    }
}
