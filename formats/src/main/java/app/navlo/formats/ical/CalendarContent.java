package app.navlo.formats.ical;

import app.navlo.formats.told.SourceSnapshot;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What a calendar file says.
 *
 * @param name of the calendar; null if it has none
 * @param entries in the order of the file, each key once
 * @param classes that repeat week by week
 * @param leftAside what isn't a piece of work, or can't be read
 */
public record CalendarContent(
        @Nullable String name,
        List<CalendarEntry> entries,
        List<SourceSnapshot.ClassTime> classes,
        List<LeftAside> leftAside) {
    /** @param why one plain clause: "repeats, like a class does" */
    public record LeftAside(String title, String why) {}

    public CalendarContent {
        entries = List.copyOf(entries);
        classes = List.copyOf(classes);
        leftAside = List.copyOf(leftAside);
    }
}
