package app.navlo.formats.ical;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import app.navlo.core.time.Stretch;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class BusyReaderTest {
    private static final ZoneId COPENHAGEN = ZoneId.of("Europe/Copenhagen");
    private static final Stretch SPAN =
            new Stretch(Instant.parse("2026-10-19T22:00:00Z"), Instant.parse("2026-11-20T23:00:00Z"));

    private static BusyContent read(String... events) throws CalendarFault {
        String text = "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//test//EN\r\nX-WR-CALNAME:Club\r\n"
                + String.join("", events) + "END:VCALENDAR\r\n";
        return BusyReader.read(text.getBytes(StandardCharsets.UTF_8), COPENHAGEN, SPAN);
    }

    private static String event(String... lines) {
        return "BEGIN:VEVENT\r\nUID:u1\r\nSUMMARY:Practice\r\n" + String.join("\r\n", lines) + "\r\nEND:VEVENT\r\n";
    }

    private static List<String> times(BusyContent content) {
        return content.times().stream()
                .map(busy -> busy.stretch().start() + "/" + busy.stretch().minutes())
                .toList();
    }

    private static final String WEEKLY =
            "DTSTART;TZID=Europe/Copenhagen:20261020T173000\r\nDTEND;TZID=Europe/Copenhagen:20261020T190000\r\n";

    @DataProvider
    public static Object[][] events() {
        return new Object[][] {
            {"once", "DTSTART:20261102T160000Z\r\nDTEND:20261102T170000Z", "2026-11-02T16:00:00Z/60"},
            {"with a duration", "DTSTART:20261102T160000Z\r\nDURATION:PT90M", "2026-11-02T16:00:00Z/90"},
            {"all day", "DTSTART;VALUE=DATE:20261102", "2026-11-01T23:00:00Z/1440"},
            {"all day, when the clock goes back", "DTSTART;VALUE=DATE:20261025", "2026-10-24T22:00:00Z/1500"},
            {"no time at all", "DTSTART:20261102T160000Z", ""},
            {"said to be free", "DTSTART:20261102T160000Z\r\nDTEND:20261102T170000Z\r\nTRANSP:TRANSPARENT", ""},
            {"cancelled", "DTSTART:20261102T160000Z\r\nDTEND:20261102T170000Z\r\nSTATUS:CANCELLED", ""},
            {"before the span", "DTSTART:20260902T160000Z\r\nDTEND:20260902T170000Z", ""},
            {
                "every week, at the same time by the wall clock across its change, until a day, one left out",
                WEEKLY + "RRULE:FREQ=WEEKLY;UNTIL=20261110T170000Z\r\nEXDATE;TZID=Europe/Copenhagen:20261103T173000",
                "2026-10-20T15:30:00Z/90, 2026-10-27T16:30:00Z/90, 2026-11-10T16:30:00Z/90"
            },
            {
                "begun long ago, with no end",
                "DTSTART:20200907T173000\r\nDTEND:20200907T180000\r\nRRULE:FREQ=WEEKLY;BYDAY=MO;INTERVAL=2",
                "2026-10-26T16:30:00Z/30, 2026-11-09T16:30:00Z/30"
            },
            {
                "on other days as well",
                "DTSTART:20261102T160000Z\r\nDTEND:20261102T170000Z\r\nRDATE:20261105T160000Z",
                "2026-11-02T16:00:00Z/60, 2026-11-05T16:00:00Z/60"
            },
        };
    }

    @Test(dataProvider = "events")
    public void anEventIsBusy(String how, String lines, String expected) throws CalendarFault {
        assertEquals(String.join(", ", times(read(event(lines)))), expected, how);
    }

    @Test
    public void oneOfManyThatWasMovedIsBusyWhereItWasMovedTo() throws CalendarFault {
        BusyContent content = read(
                event(WEEKLY + "RRULE:FREQ=WEEKLY;COUNT=3"),
                event(
                        "RECURRENCE-ID;TZID=Europe/Copenhagen:20261027T173000",
                        "DTSTART;TZID=Europe/Copenhagen:20261028T080000",
                        "DTEND;TZID=Europe/Copenhagen:20261028T090000"));
        assertEquals(
                times(content),
                List.of("2026-10-20T15:30:00Z/90", "2026-10-28T07:00:00Z/60", "2026-11-03T16:30:00Z/90"));
        assertEquals(content.name(), "Club");
    }

    @Test
    public void ofTwoVersionsTheOneWithTheHigherNumberHolds() throws CalendarFault {
        BusyContent content = read(
                event("SEQUENCE:2", "DTSTART:20261102T160000Z", "DTEND:20261102T170000Z"),
                event("SEQUENCE:1", "DTSTART:20261103T160000Z", "DTEND:20261103T170000Z"));
        assertEquals(times(content), List.of("2026-11-02T16:00:00Z/60"));
    }

    /** A second's rule would be three million times, and a rule that can't be read must not spoil the rest. */
    @Test(timeOut = 20_000)
    public void aHostileEntryIsLeftAsideAndTheRestStands() throws CalendarFault {
        BusyContent content = read(
                "BEGIN:VEVENT\r\nUID:h1\r\nSUMMARY:Tick\r\nDTSTART:20200101T000000Z\r\nDTEND:20200101T000001Z\r\n"
                        + "RRULE:FREQ=SECONDLY\r\nEND:VEVENT\r\n",
                "BEGIN:VEVENT\r\nUID:h2\r\nSUMMARY:Tock\r\nDTSTART:20200101T000000Z\r\nDTEND:20200101T010000Z\r\n"
                        + "RRULE:FREQ=DAILY;BYMINUTE=1,2,3\r\nEND:VEVENT\r\n",
                "BEGIN:VEVENT\r\nUID:h3\r\nSUMMARY:No date\r\nEND:VEVENT\r\n",
                event("DTSTART:20261102T160000Z", "DTEND:20261102T170000Z"));
        assertEquals(times(content), List.of("2026-11-02T16:00:00Z/60"));
        assertEquals(
                content.leftAside().stream().map(aside -> aside.title()).toList(), List.of("Tick", "Tock", "No date"));
    }

    @Test
    public void navlosOwnCalendarIsRefused() {
        String own = CalendarWriter.write(
                new OutgoingCalendar("Mine", Instant.parse("2026-11-01T00:00:00Z"), List.of(), List.of()));
        CalendarFault fault = expectThrows(
                CalendarFault.class, () -> BusyReader.read(own.getBytes(StandardCharsets.UTF_8), COPENHAGEN, SPAN));
        assertTrue(fault.getMessage().contains("made by Navlo"), fault.getMessage());
    }
}
