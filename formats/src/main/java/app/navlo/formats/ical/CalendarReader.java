package app.navlo.formats.ical;

import app.navlo.formats.ical.CalendarContent.LeftAside;
import app.navlo.formats.told.SourceSnapshot;
import java.io.IOException;
import java.io.StringReader;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.data.ParserException;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.Component;
import net.fortuna.ical4j.model.Property;
import net.fortuna.ical4j.model.component.CalendarComponent;
import net.fortuna.ical4j.util.CompatibilityHints;
import org.jspecify.annotations.Nullable;

/**
 * Reads a calendar file of any program. Events and to-dos become work; what repeats is taken for a class and left aside;
 * what can't be read is left aside with the reason and spoils nothing else. At most 5 MB and 30,000 entries.
 */
public final class CalendarReader {
    static {
        CompatibilityHints.setHintEnabled(CompatibilityHints.KEY_RELAXED_UNFOLDING, true);
        CompatibilityHints.setHintEnabled(CompatibilityHints.KEY_RELAXED_PARSING, true);
    }

    private CalendarReader() {}

    /**
     * @param floating the zone of dates and times that name none
     * @throws CalendarFault if the file is no calendar, is cut off, or is too large
     */
    public static CalendarContent read(byte[] content, ZoneId floating) throws CalendarFault {
        Map<String, Sequenced> entries = new LinkedHashMap<>();
        List<LeftAside> leftAside = new ArrayList<>();
        List<SourceSnapshot.ClassTime> classes = new ArrayList<>();
        List<Calendar> calendars = calendars(content, leftAside);
        for (Calendar calendar : calendars) {
            for (CalendarComponent component : calendar.getComponents()) {
                take(component, floating, entries, classes, leftAside);
            }
        }
        return new CalendarContent(
                name(calendars), entries.values().stream().map(Sequenced::entry).toList(), classes, leftAside);
    }

    /** What can be read of a file; an entry that spoils it is put aside. */
    static List<Calendar> calendars(byte[] content, List<LeftAside> leftAside) throws CalendarFault {
        List<Calendar> calendars = new ArrayList<>();
        for (String text : CalendarText.calendars(content)) {
            calendars.addAll(parse(text, leftAside));
        }
        return calendars;
    }

    /** The first name that is given; null for none. */
    static @Nullable String name(List<Calendar> calendars) {
        return calendars.stream()
                .flatMap(calendar -> calendar.getProperty("X-WR-CALNAME").stream())
                .map(property -> property.getValue())
                .filter(value -> !value.isBlank())
                .findFirst()
                .orElse(null);
    }

    /** Of two versions of an entry in one file the one with the higher sequence number holds, else the later one. */
    private record Sequenced(int sequence, CalendarEntry entry) {}

    /** The calendar, or, where one entry spoils it, a calendar for each of those that can be read. */
    private static List<Calendar> parse(String text, List<LeftAside> leftAside) throws CalendarFault {
        try {
            return List.of(build(text));
        } catch (IOException | ParserException | RuntimeException spoiled) {
            List<Calendar> readable = new ArrayList<>();
            for (String one : CalendarText.oneByOne(text)) {
                try {
                    readable.add(build(one));
                } catch (IOException | ParserException | RuntimeException e) {
                    leftAside.add(new LeftAside(summary(one), "can't be read"));
                }
            }
            if (readable.isEmpty()) {
                throw new CalendarFault(
                        "The file can't be read as a calendar. Export it again from the calendar program.", spoiled);
            }
            return readable;
        }
    }

    private static Calendar build(String text) throws IOException, ParserException {
        return new CalendarBuilder().build(new StringReader(text));
    }

    private static String summary(String entry) {
        return entry.lines()
                .filter(line -> line.toUpperCase(Locale.ROOT).startsWith("SUMMARY"))
                .map(line -> line.substring(line.indexOf(':') + 1).strip())
                .filter(title -> !title.isEmpty())
                .findFirst()
                .orElse("Untitled");
    }

    private static void take(
            CalendarComponent component,
            ZoneId floating,
            Map<String, Sequenced> entries,
            List<SourceSnapshot.ClassTime> classes,
            List<LeftAside> leftAside) {
        boolean event = component.getName().equals(Component.VEVENT);
        if (!event && !component.getName().equals(Component.VTODO)) {
            return;
        }
        String title = EntryReader.title(component);
        try {
            if (repeats(component)) {
                List<SourceSnapshot.ClassTime> weekly = Weekly.of(component, title, floating);
                classes.addAll(weekly);
                if (weekly.isEmpty()) {
                    leftAside.add(new LeftAside(title, "repeats, like a class does"));
                }
                return;
            }
            CalendarEntry entry = EntryReader.read(component, floating);
            Sequenced now = new Sequenced(EntryReader.sequence(component), entry);
            entries.merge(entry.key(), now, (a, b) -> b.sequence() >= a.sequence() ? b : a);
        } catch (IllegalArgumentException unreadable) {
            leftAside.add(new LeftAside(title, String.valueOf(unreadable.getMessage())));
        }
    }

    private static boolean repeats(CalendarComponent component) {
        return component.getProperty(Property.RRULE).isPresent()
                || component.getProperty(Property.RDATE).isPresent()
                || component.getProperty(Property.RECURRENCE_ID).isPresent();
    }
}
