package app.navlo.formats.ical;

import app.navlo.core.time.Stretch;
import app.navlo.formats.told.SourceSnapshot;
import java.time.DayOfWeek;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import net.fortuna.ical4j.model.Property;
import net.fortuna.ical4j.model.component.CalendarComponent;

/** Reads the hours of a class out of an event that repeats week by week. */
final class Weekly {
    private static final Map<String, DayOfWeek> DAYS = Map.of(
            "MO", DayOfWeek.MONDAY,
            "TU", DayOfWeek.TUESDAY,
            "WE", DayOfWeek.WEDNESDAY,
            "TH", DayOfWeek.THURSDAY,
            "FR", DayOfWeek.FRIDAY,
            "SA", DayOfWeek.SATURDAY,
            "SU", DayOfWeek.SUNDAY);
    private static final Pattern BY_DAY = Pattern.compile("BYDAY=([A-Z,]+)");
    private static final int LONGEST_NAME = 120;

    private Weekly() {}

    /** @return empty for what doesn't repeat each week, or takes no time, or more than half a day */
    static List<SourceSnapshot.ClassTime> of(CalendarComponent event, String title, ZoneId zone) {
        String rule = EntryReader.text(event, Property.RRULE).toUpperCase(Locale.ROOT);
        boolean weekly = rule.contains("FREQ=WEEKLY") && !rule.matches(".*INTERVAL=(?!1(;|$)).*");
        Stretch held = EntryReader.stretch(event, zone).orElse(null);
        if (!weekly || held == null || held.minutes() > EntryReader.LONGEST_HELD) {
            return List.of();
        }
        ZonedDateTime from = held.start().atZone(zone);
        LocalTime until = held.endExclusive().atZone(zone).toLocalTime();
        if (!from.toLocalTime().isBefore(until) && !until.equals(LocalTime.MIDNIGHT)) {
            return List.of();
        }
        Matcher named = BY_DAY.matcher(rule);
        List<DayOfWeek> days = named.find()
                ? Arrays.stream(named.group(1).split(","))
                        .filter(DAYS::containsKey)
                        .map(DAYS::get)
                        .toList()
                : List.of(from.getDayOfWeek());
        String name = title.length() <= LONGEST_NAME ? title : title.substring(0, LONGEST_NAME);
        return days.stream()
                .map(day -> new SourceSnapshot.ClassTime(name, day, from.toLocalTime(), until))
                .toList();
    }
}
