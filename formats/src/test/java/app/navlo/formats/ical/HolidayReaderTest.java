package app.navlo.formats.ical;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import app.navlo.formats.ical.HolidayReader.DaysOff;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Days off, out of a calendar of holidays. */
public class HolidayReaderTest {
    private static final ZoneId ZONE = ZoneId.of("Europe/Copenhagen");

    private static byte[] calendar(String... events) {
        StringBuilder text = new StringBuilder("BEGIN:VCALENDAR\r\nVERSION:2.0\r\n");
        for (int i = 0; i < events.length; i++) {
            text.append("BEGIN:VEVENT\r\nUID:")
                    .append(i)
                    .append("\r\n")
                    .append(events[i])
                    .append("\r\nEND:VEVENT\r\n");
        }
        return text.append("END:VCALENDAR\r\n").toString().getBytes(StandardCharsets.UTF_8);
    }

    private static LocalDate day(int month, int day) {
        return LocalDate.of(2026, month, day);
    }

    @Test
    public void wholeDaysAreDaysOffInTheOrderOfTime() throws CalendarFault {
        List<DaysOff> days = HolidayReader.read(
                calendar(
                        "SUMMARY:Winter break\r\nDTSTART;VALUE=DATE:20261221\r\nDTEND;VALUE=DATE:20270104",
                        "SUMMARY:All Saints\r\nDTSTART;VALUE=DATE:20261101",
                        "SUMMARY:Autumn break\r\nDTSTART;VALUE=DATE:20261012\r\nDTEND;VALUE=DATE:20261017"),
                ZONE);
        assertEquals(
                days,
                List.of(
                        new DaysOff(day(10, 12), day(10, 16), "Autumn break"),
                        new DaysOff(day(11, 1), day(11, 1), "All Saints"),
                        new DaysOff(day(12, 21), LocalDate.of(2027, 1, 3), "Winter break")));
    }

    @Test
    public void aBreakOverAChangeOfTheClocksKeepsItsDays() throws CalendarFault {
        List<DaysOff> days = HolidayReader.read(
                calendar("SUMMARY:Break\r\nDTSTART;VALUE=DATE:20261024\r\nDTEND;VALUE=DATE:20261027"), ZONE);
        assertEquals(days, List.of(new DaysOff(day(10, 24), day(10, 26), "Break")));
    }

    @Test
    public void whatHasAnHourOrWasCancelledIsNoDayOff() throws CalendarFault {
        List<DaysOff> days = HolidayReader.read(
                calendar(
                        "SUMMARY:Staff meeting\r\nDTSTART:20261103T090000Z\r\nDTEND:20261103T100000Z",
                        "SUMMARY:Storm day\r\nSTATUS:CANCELLED\r\nDTSTART;VALUE=DATE:20261104",
                        "SUMMARY:Founders' day\r\nDTSTART;VALUE=DATE:20261105"),
                ZONE);
        assertEquals(days.stream().map(DaysOff::name).toList(), List.of("Founders' day"));
    }

    @Test
    public void aLongNameIsCutAndTheSameFirstDayStandsOnce() throws CalendarFault {
        List<DaysOff> days = HolidayReader.read(
                calendar(
                        "SUMMARY:First\r\nDTSTART;VALUE=DATE:20261105",
                        "SUMMARY:" + "x".repeat(200) + "\r\nDTSTART;VALUE=DATE:20261105"),
                ZONE);
        assertEquals(days.size(), 1);
        assertEquals(days.get(0).name().length(), 120);
    }

    @DataProvider
    public static Object[][] none() {
        return new Object[][] {
            {calendar()},
            {calendar("SUMMARY:Lecture\r\nDTSTART:20261103T090000Z")},
            {"no calendar at all".getBytes(StandardCharsets.UTF_8)},
            {new byte[0]},
        };
    }

    @Test(dataProvider = "none")
    public void aCalendarWithoutHolidaysSaysSo(byte[] content) {
        CalendarFault fault = expectThrows(CalendarFault.class, () -> HolidayReader.read(content, ZONE));
        assertTrue(String.valueOf(fault.getMessage()).length() > 10, fault.getMessage());
    }
}
