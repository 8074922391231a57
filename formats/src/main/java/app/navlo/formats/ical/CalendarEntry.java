package app.navlo.formats.ical;

import app.navlo.core.time.Deadline;
import app.navlo.core.time.Stretch;
import app.navlo.core.work.WorkKind;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * One piece of work that a calendar tells of.
 *
 * @param key what names it in its calendar: its UID, or a digest of title and date where it has none
 * @param opensAt the start of a to-do; null for an event
 * @param due null for a to-do without one
 * @param cancelled whether the calendar says that it no longer takes place
 * @param categories as they were given, possibly none
 * @param held from when to when it takes place; null for what takes no time, whole days, or more than half a day
 * @param address where it is done; null where that isn't told
 * @param note something about it that was read with a doubt, for a person; null for nothing
 */
public record CalendarEntry(
        String key,
        String title,
        String description,
        @Nullable Instant opensAt,
        @Nullable Deadline due,
        boolean cancelled,
        List<String> categories,
        WorkKind kind,
        @Nullable Stretch held,
        @Nullable String address,
        @Nullable String note) {
    public CalendarEntry {
        categories = List.copyOf(categories);
    }
}
