package app.navlo.formats.ical;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import app.navlo.core.time.Deadline;
import app.navlo.core.work.WorkKind;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class CalendarReaderTest {
    private static final ZoneId COPENHAGEN = ZoneId.of("Europe/Copenhagen");

    private static CalendarContent read(String... lines) throws CalendarFault {
        String text = "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//test//EN\r\n" + String.join("\r\n", lines)
                + "\r\nEND:VCALENDAR\r\n";
        return CalendarReader.read(text.getBytes(StandardCharsets.UTF_8), COPENHAGEN);
    }

    private static CalendarEntry event(String... lines) throws CalendarFault {
        CalendarContent content =
                read("BEGIN:VEVENT", "UID:e1", "SUMMARY:Essay", String.join("\r\n", lines), "END:VEVENT");
        assertEquals(content.entries().size(), 1, content.toString());
        return content.entries().get(0);
    }

    @DataProvider
    public static Object[][] dues() {
        return new Object[][] {
            {"in UTC", "DTSTART:20261120T140000Z", "2026-11-20T14:00:00Z"},
            {"in a named zone", "DTSTART;TZID=Europe/Helsinki:20261120T160000", "2026-11-20T14:00:00Z"},
            {"in a quoted zone", "DTSTART;TZID=\"Europe/Helsinki\":20261120T160000", "2026-11-20T14:00:00Z"},
            {
                "in a zone with a prefix",
                "DTSTART;TZID=/org.example/2026/Europe/Helsinki:20261120T160000",
                "2026-11-20T14:00:00Z"
            },
            {"with no zone: the course's", "DTSTART:20261120T150000", "2026-11-20T14:00:00Z"},
            {"an event is due at its end", "DTSTART:20261120T130000Z\r\nDTEND:20261120T140000Z", "2026-11-20T14:00:00Z"
            },
            {"an end given as a duration", "DTSTART:20261120T130000Z\r\nDURATION:PT1H", "2026-11-20T14:00:00Z"},
            {
                "an end before the start is ignored",
                "DTSTART:20261120T140000Z\r\nDTEND:20261120T130000Z",
                "2026-11-20T14:00:00Z"
            },
            {"all day: the end of the day", "DTSTART;VALUE=DATE:20261120", "2026-11-20T23:00:00Z"},
            {"all day without saying so", "DTSTART:20261120", "2026-11-20T23:00:00Z"},
            {
                "all day, the end is the day after",
                "DTSTART;VALUE=DATE:20261120\r\nDTEND;VALUE=DATE:20261121",
                "2026-11-20T23:00:00Z"
            },
            {
                "several days: the end of the last",
                "DTSTART;VALUE=DATE:20261118\r\nDTEND;VALUE=DATE:20261121",
                "2026-11-20T23:00:00Z"
            },
            {"several days as a duration", "DTSTART;VALUE=DATE:20261118\r\nDURATION:P3D", "2026-11-20T23:00:00Z"},
            {"the day of 25 hours", "DTSTART;VALUE=DATE:20261025", "2026-10-25T23:00:00Z"},
            {"02:30 twice: the first", "DTSTART;TZID=Europe/Copenhagen:20261025T023000", "2026-10-25T00:30:00Z"},
            {"02:30 skipped: an hour on", "DTSTART;TZID=Europe/Copenhagen:20270328T023000", "2027-03-28T01:30:00Z"},
        };
    }

    @Test(dataProvider = "dues")
    public void anEventIsDue(String how, String lines, String due) throws CalendarFault {
        assertEquals(event(lines).due().instant(), Instant.parse(due), how);
    }

    @Test
    public void anAllDayDueStaysADay() throws CalendarFault {
        assertEquals(
                event("DTSTART;VALUE=DATE:20261120").due(), Deadline.endOf(LocalDate.of(2026, 11, 20), COPENHAGEN));
    }

    @Test
    public void aZoneThatTheFileDefinesItselfIsUsed() throws CalendarFault {
        CalendarContent content = read(
                "BEGIN:VTIMEZONE",
                "TZID:Garden Time",
                "BEGIN:STANDARD",
                "DTSTART:16010101T000000",
                "TZOFFSETFROM:+0500",
                "TZOFFSETTO:+0500",
                "END:STANDARD",
                "END:VTIMEZONE",
                "BEGIN:VEVENT",
                "UID:e1",
                "SUMMARY:Essay",
                "DTSTART;TZID=Garden Time:20261120T190000",
                "END:VEVENT");
        assertEquals(content.entries().get(0).due().instant(), Instant.parse("2026-11-20T14:00:00Z"));
    }

    @Test
    public void anUnknownZoneIsReadInTheCoursesAndSaidSo() throws CalendarFault {
        CalendarEntry entry = event("DTSTART;TZID=Nowhere Standard Time:20261120T150000");
        assertEquals(entry.due().instant(), Instant.parse("2026-11-20T14:00:00Z"));
        assertTrue(entry.note().contains("Nowhere Standard Time"), entry.note());
    }

    @Test
    public void aToDoOpensAtItsStartAndIsDueAtItsDue() throws CalendarFault {
        CalendarEntry entry = read(
                        "BEGIN:VTODO",
                        "UID:t1",
                        "SUMMARY:Herbarium project",
                        "DTSTART:20261110T080000Z",
                        "DUE:20261120T140000Z",
                        "CATEGORIES:Plant Identification,Autumn",
                        "END:VTODO")
                .entries()
                .get(0);
        assertEquals(entry.opensAt(), Instant.parse("2026-11-10T08:00:00Z"));
        assertEquals(entry.due().instant(), Instant.parse("2026-11-20T14:00:00Z"));
        assertEquals(entry.categories(), java.util.List.of("Plant Identification", "Autumn"));
        assertEquals(entry.kind(), WorkKind.PROJECT);
    }

    @Test
    public void aToDoWithoutADueHasNone() throws CalendarFault {
        assertNull(read("BEGIN:VTODO", "UID:t1", "SUMMARY:Read", "END:VTODO")
                .entries()
                .get(0)
                .due());
    }

    @Test
    public void whatRepeatsIsLeftAside() throws CalendarFault {
        CalendarContent content = read(
                "BEGIN:VEVENT",
                "UID:c1",
                "SUMMARY:Soil class",
                "DTSTART:20260907T080000Z",
                "RRULE:FREQ=WEEKLY;COUNT=15",
                "END:VEVENT",
                "BEGIN:VEVENT",
                "UID:c1",
                "RECURRENCE-ID:20260914T080000Z",
                "SUMMARY:Soil class, moved",
                "DTSTART:20260914T100000Z",
                "END:VEVENT");
        assertEquals(content.entries().size(), 0);
        assertEquals(content.leftAside().size(), 2);
    }

    @Test
    public void foldedEscapedAndLongLinesAreReadWhole() throws CalendarFault {
        CalendarContent content = read(
                "BEGIN:VEVENT",
                "UID:e1",
                "SUMMARY:Lab 5\\, pH and lime\\; with",
                "  a folded line",
                "DESCRIPTION:" + "x".repeat(3000) + "\\nend",
                "DTSTART:20261120T140000Z",
                "END:VEVENT");
        CalendarEntry entry = content.entries().get(0);
        assertEquals(entry.title(), "Lab 5, pH and lime; with a folded line");
        assertTrue(entry.description().endsWith("x\nend"), entry.description());
    }

    @Test
    public void aCancelledEventSaysSo() throws CalendarFault {
        assertTrue(event("DTSTART:20261120T140000Z", "STATUS:CANCELLED").cancelled());
    }

    @Test
    public void ofTwoVersionsTheHigherSequenceHolds() throws CalendarFault {
        CalendarContent content = read(
                "BEGIN:VEVENT",
                "UID:e1",
                "SUMMARY:New",
                "SEQUENCE:3",
                "DTSTART:20261121T140000Z",
                "END:VEVENT",
                "BEGIN:VEVENT",
                "UID:e1",
                "SUMMARY:Old",
                "SEQUENCE:2",
                "DTSTART:20261120T140000Z",
                "END:VEVENT");
        assertEquals(content.entries().size(), 1);
        assertEquals(content.entries().get(0).title(), "New");
    }

    @Test
    public void oneBrokenEventSpoilsNothingElse() throws CalendarFault {
        CalendarContent content = read(
                "BEGIN:VEVENT",
                "UID:e1",
                "SUMMARY:Broken",
                "DTSTART:20269999T140000Z",
                "END:VEVENT",
                "BEGIN:VEVENT",
                "UID:e2",
                "SUMMARY:Good",
                "DTSTART:20261120T140000Z",
                "END:VEVENT");
        assertEquals(content.entries().size(), 1);
        assertEquals(content.leftAside().get(0).title(), "Broken");
    }

    @Test
    public void latinOneAndSeveralCalendarsInOneFileAreRead() throws CalendarFault {
        String one = "BEGIN:VCALENDAR\nX-WR-CALNAME:Haven\nBEGIN:VEVENT\nUID:%s\nSUMMARY:Gr\u00f8d\n"
                + "DTSTART:20261120T140000Z\nEND:VEVENT\nEND:VCALENDAR\n";
        byte[] both = (one.formatted("a") + one.formatted("b")).getBytes(StandardCharsets.ISO_8859_1);
        CalendarContent content = CalendarReader.read(both, COPENHAGEN);
        assertEquals(content.entries().size(), 2);
        assertEquals(content.entries().get(1).title(), "Gr\u00f8d");
        assertEquals(content.name(), "Haven");
    }

    @DataProvider
    public static Object[][] badFiles() {
        return new Object[][] {
            {"", "empty"},
            {"<html>not signed in</html>", "no iCalendar file"},
            {"BEGIN:VCALENDAR\nBEGIN:VEVENT\nUID:x\nSUMMARY:cut", "ends in the middle"},
            {"BEGIN:VCALENDAR\n" + "BEGIN:VEVENT\n".repeat(9) + "END:VCALENDAR\n", "nests"},
            {"BEGIN:VCALENDAR\n" + "BEGIN:VEVENT\nEND:VEVENT\n".repeat(30_001) + "END:VCALENDAR\n", "more than 30000"},
            {"BEGIN:VCALENDAR\n" + "X".repeat(CalendarText.MOST_BYTES) + "\nEND:VCALENDAR\n", "at most 5 MB"},
        };
    }

    @Test(dataProvider = "badFiles")
    public void aBadFileIsRefusedWithItsReason(String file, String why) {
        CalendarFault fault = expectThrows(
                CalendarFault.class, () -> CalendarReader.read(file.getBytes(StandardCharsets.UTF_8), COPENHAGEN));
        assertTrue(fault.getMessage().contains(why), fault.getMessage());
    }
}
