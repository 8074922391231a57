package app.navlo.formats.ical;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.Component;
import net.fortuna.ical4j.model.Property;
import net.fortuna.ical4j.model.component.CalendarComponent;

/** Reads the days off of a calendar of holidays: its events that take whole days. What repeats is passed over. */
public final class HolidayReader {
    private static final int MOST = 60;
    private static final int LONGEST_NAME = 120;

    private HolidayReader() {}

    /** Both days included. */
    public record DaysOff(LocalDate first, LocalDate last, String name) {}

    /**
     * In order of time, each first day once.
     *
     * @param zone in which a day begins and ends
     * @throws CalendarFault if the file is no calendar, or names no days off
     */
    public static List<DaysOff> read(byte[] content, ZoneId zone) throws CalendarFault {
        Map<LocalDate, DaysOff> days = new TreeMap<>();
        for (Calendar calendar : CalendarReader.calendars(content, new ArrayList<>())) {
            for (CalendarComponent component : calendar.getComponents()) {
                boolean wholeDays = component.getName().equals(Component.VEVENT)
                        && EntryReader.text(component, Property.DTSTART).strip().matches("\\d{8}")
                        && !EntryReader.text(component, Property.STATUS).equalsIgnoreCase("CANCELLED");
                if (wholeDays) {
                    daysOff(component, zone).ifPresent(off -> days.put(off.first(), off));
                }
            }
        }
        if (days.isEmpty()) {
            throw new CalendarFault("This calendar has no events that take whole days, as holidays do.");
        }
        return days.values().stream().limit(MOST).toList();
    }

    private static Optional<DaysOff> daysOff(CalendarComponent event, ZoneId zone) {
        try {
            String title = EntryReader.title(event);
            return EntryReader.stretch(event, zone)
                    .map(stretch -> new DaysOff(
                            stretch.start().atZone(zone).toLocalDate(),
                            stretch.endExclusive().minusSeconds(1).atZone(zone).toLocalDate(),
                            title.length() <= LONGEST_NAME ? title : title.substring(0, LONGEST_NAME)));
        } catch (IllegalArgumentException unreadable) {
            return Optional.empty();
        }
    }
}
