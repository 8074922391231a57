package app.navlo.formats.ical;

import app.navlo.core.time.Stretch;
import app.navlo.formats.ical.CalendarContent.LeftAside;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The times in which a calendar says that its owner is busy.
 *
 * @param name of the calendar; null if it has none
 * @param times in order; may overlap
 * @param leftAside what can't be read, and what repeats too often to be told
 */
public record BusyContent(@Nullable String name, List<Busy> times, List<LeftAside> leftAside) {
    public record Busy(Stretch stretch, String title) {}

    public BusyContent {
        times = List.copyOf(times);
        leftAside = List.copyOf(leftAside);
    }
}
