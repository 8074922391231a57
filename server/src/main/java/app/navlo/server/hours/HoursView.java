package app.navlo.server.hours;

import app.navlo.server.sheet.TimeSheet;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * @param assumed whether the student has never said
 * @param holidays of the term, from today on
 * @param example the address of a feed to try; null but in the demo
 */
public record HoursView(
        boolean assumed,
        TimeSheet sheet,
        List<HolidayView> holidays,
        List<BusyCalendarView> calendars,
        @Nullable String example) {}
