package app.navlo.formats.ical;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import app.navlo.core.time.Deadline;
import app.navlo.formats.ical.OutgoingCalendar.Event;
import app.navlo.formats.ical.OutgoingCalendar.Status;
import app.navlo.formats.ical.OutgoingCalendar.ToDo;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What other programs are given: each line as RFC 5545 has it, and the same work when it is read back. */
public class CalendarWriterTest {
    private static final ZoneId COPENHAGEN = ZoneId.of("Europe/Copenhagen");
    private static final Instant AS_OF = Instant.parse("2026-11-24T15:20:00.987Z");
    private static final Instant DUE = Instant.parse("2026-11-27T16:00:00Z");

    private static String written(List<ToDo> toDos, List<Event> events) {
        return CalendarWriter.write(new OutgoingCalendar("Mira, Navlo", AS_OF, toDos, events));
    }

    /** Long lines are folded; what follows a fold belongs to the line before. */
    private static List<String> lines(String calendar) {
        return calendar.replace("\r\n ", "").lines().toList();
    }

    private static ToDo toDo(Instant opens, Deadline due, Status status, int percent, Instant done, Duration alarm) {
        return new ToDo(
                "work-7@navlo",
                "Essay",
                "Two pages; one map,\nno more",
                "Botany",
                opens,
                due,
                status,
                percent,
                done,
                alarm);
    }

    private static List<String> one(ToDo toDo) {
        return lines(written(List.of(toDo), List.of()));
    }

    private static void assertHas(List<String> lines, String line) {
        assertTrue(lines.contains(line), line + " isn't in " + lines);
    }

    @Test
    public void anEmptyCalendarIsOneAllTheSame() {
        List<String> lines = lines(written(List.of(), List.of()));
        assertEquals(lines.get(0), "BEGIN:VCALENDAR");
        assertHas(lines, "VERSION:2.0");
        assertHas(lines, "X-WR-CALNAME:Mira\\, Navlo");
        assertEquals(lines.get(lines.size() - 1), "END:VCALENDAR");
    }

    @Test
    public void aPieceOfWorkSaysWhenItOpensAndIsDueAndHowFarItIs() {
        List<String> lines = one(toDo(
                Instant.parse("2026-11-20T08:00:00Z"),
                Deadline.at(DUE),
                Status.IN_PROCESS,
                40,
                null,
                Duration.ofMinutes(90)));
        assertHas(lines, "UID:work-7@navlo");
        assertHas(lines, "DTSTAMP:20261124T152000Z");
        assertHas(lines, "DTSTART:20261120T080000Z");
        assertHas(lines, "DUE:20261127T160000Z");
        assertHas(lines, "STATUS:IN-PROCESS");
        assertHas(lines, "PERCENT-COMPLETE:40");
        assertHas(lines, "DESCRIPTION:Two pages\\; one map\\,\\nno more");
        assertHas(lines, "TRIGGER;RELATED=END:-PT1H30M");
    }

    /** A start on or after the due is no calendar that programs take. */
    @DataProvider
    public static Object[][] openings() {
        return new Object[][] {{DUE}, {DUE.plusSeconds(1)}};
    }

    @Test(dataProvider = "openings")
    public void whatWouldOpenAtItsDueSaysItsDueAlone(Instant opens) {
        List<String> lines = one(toDo(opens, Deadline.at(DUE), Status.NEEDS_ACTION, 0, null, null));
        assertFalse(lines.stream().anyMatch(line -> line.startsWith("DTSTART")), lines.toString());
        assertHas(lines, "DUE:20261127T160000Z");
    }

    @Test
    public void aDayIsADayAndWithoutADueNothingRings() {
        List<String> day = one(toDo(
                null,
                Deadline.endOf(LocalDate.of(2026, 11, 27), COPENHAGEN),
                Status.NEEDS_ACTION,
                0,
                null,
                Duration.ofDays(1)));
        assertHas(day, "DUE;VALUE=DATE:20261127");
        assertHas(day, "BEGIN:VALARM");
        List<String> none = one(toDo(null, null, Status.NEEDS_ACTION, 0, null, Duration.ofDays(1)));
        assertFalse(none.contains("BEGIN:VALARM"), none.toString());
        assertFalse(none.stream().anyMatch(line -> line.startsWith("DUE")), none.toString());
    }

    @Test
    public void whatIsDoneSaysWhen() {
        List<String> lines = one(toDo(null, Deadline.at(DUE), Status.COMPLETED, 100, DUE.minusSeconds(60), null));
        assertHas(lines, "STATUS:COMPLETED");
        assertHas(lines, "COMPLETED:20261127T155900Z");
    }

    @Test
    public void aSittingTakesItsTimeAndACloseOfADayTakesNone() {
        Event sitting = new Event(
                "sitting-7", "Essay", "", "Botany", DUE, DUE.plusSeconds(3600), true, null, Duration.ofMinutes(10));
        Event close = new Event("close-1", "Grading close", "", null, DUE, DUE, false, LocalDate.of(2026, 12, 1), null);
        Event moment = new Event("moment-1", "Asking ends", "", null, DUE, DUE, false);
        List<String> lines = lines(written(List.of(), List.of(sitting, close, moment)));
        assertHas(lines, "DTEND:20261127T170000Z");
        assertHas(lines, "TRIGGER;RELATED=START:-PT10M");
        assertHas(lines, "DTSTART;VALUE=DATE:20261201");
        assertEquals(lines.stream().filter("TRANSP:OPAQUE"::equals).count(), 1);
        assertEquals(lines.stream().filter("TRANSP:TRANSPARENT"::equals).count(), 2);
        assertEquals(
                lines.stream().filter(line -> line.startsWith("DTEND")).count(), 1, "what takes no time has no end");
    }

    /** A line of a title can't end its entry, nor begin another one. */
    @Test
    public void aTitleIsNeverALineOfItsOwn() {
        ToDo hostile = new ToDo(
                "x",
                "A\r\nEND:VTODO\r\nBEGIN:VEVENT",
                "",
                "B\nC",
                null,
                Deadline.at(DUE),
                Status.NEEDS_ACTION,
                0,
                null);
        List<String> lines = one(hostile);
        assertEquals(lines.stream().filter("END:VTODO"::equals).count(), 1, lines.toString());
        assertFalse(lines.contains("BEGIN:VEVENT"), lines.toString());
    }

    @Test
    public void noLineIsLongerThanProgramsTake() {
        String long_ = "Größenordnung ".repeat(40).strip();
        String text = written(
                List.of(new ToDo("x", long_, long_, "B", null, Deadline.at(DUE), Status.NEEDS_ACTION, 0, null)),
                List.of());
        for (String line : text.split("\r\n")) {
            assertTrue(line.getBytes(StandardCharsets.UTF_8).length <= 150, line);
        }
        assertHas(lines(text), "SUMMARY:" + long_);
    }

    /** Navlo knows its own calendars again; what they hold is the same work. */
    @Test
    public void whatIsWrittenIsReadBackAsTheSame() throws CalendarFault {
        String text = written(
                List.of(
                        toDo(
                                Instant.parse("2026-11-20T08:00:00Z"),
                                Deadline.at(DUE),
                                Status.NEEDS_ACTION,
                                0,
                                null,
                                null),
                        new ToDo(
                                "y",
                                "Log, “week 2”",
                                "",
                                "Soil",
                                null,
                                Deadline.endOf(LocalDate.of(2026, 11, 30), COPENHAGEN),
                                Status.CANCELLED,
                                0,
                                null)),
                List.of());
        CalendarContent back = CalendarReader.read(
                text.replace(CalendarWriter.MAKER, "-//other//EN").getBytes(StandardCharsets.UTF_8), COPENHAGEN);
        assertEquals(back.entries().stream().map(CalendarEntry::title).toList(), List.of("Essay", "Log, “week 2”"));
        CalendarEntry essay = back.entries().get(0);
        assertEquals(essay.due(), Deadline.at(DUE));
        assertEquals(essay.opensAt(), Instant.parse("2026-11-20T08:00:00Z"));
        assertEquals(essay.description(), "Two pages; one map,\nno more");
        assertEquals(essay.categories(), List.of("Botany"));
        assertTrue(back.entries().get(1).cancelled());
        assertEquals(back.entries().get(1).due(), Deadline.endOf(LocalDate.of(2026, 11, 30), COPENHAGEN));
    }
}
