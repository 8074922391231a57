package app.navlo.server.store;

import static org.testng.Assert.assertEquals;

import app.navlo.core.time.Availability;
import app.navlo.core.time.WeeklyHours.Span;
import app.navlo.server.sheet.TimeSheet;
import java.time.DayOfWeek;
import java.time.LocalTime;
import java.util.List;
import org.testng.annotations.Test;

public class AvailabilitiesTest {
    private final Sheets sheets = new Sheets();

    /** As free hours were carried over when there was nothing else to say. */
    @Test
    public void aSheetOfHoursAloneIsReadWithNothingElseSaid() {
        TimeSheet sheet = sheets.read(
                "{\"breakMinutes\":10,\"week\":[{\"day\":\"MONDAY\",\"starts\":\"20:00:00\",\"ends\":\"00:00:00\"}]}",
                TimeSheet.class);
        assertEquals(
                sheet.weeklyHours().on(DayOfWeek.MONDAY), List.of(new Span(LocalTime.of(20, 0), LocalTime.MIDNIGHT)));
        assertEquals(sheet.days(), List.of());
        assertEquals(sheet.classes(), List.of());
        assertEquals(sheet.onHolidays(), Availability.OnHolidays.AS_USUAL);
        assertEquals(sheet.pauses(), new Availability.Pauses(null, 10));
        sheet.check();
    }

    @Test
    public void whatIsWrittenIsReadAgain() {
        TimeSheet sheet = TimeSheet.assumed();
        assertEquals(sheets.read(sheets.write(sheet), TimeSheet.class), sheet);
    }
}
