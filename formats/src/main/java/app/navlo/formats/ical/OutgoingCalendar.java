package app.navlo.formats.ical;

import app.navlo.core.time.Deadline;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A calendar that is given to other programs.
 *
 * @param asOf when it was true; written into each entry
 */
public record OutgoingCalendar(String name, Instant asOf, List<ToDo> toDos, List<Event> events) {
    public enum Status {
        NEEDS_ACTION,
        IN_PROCESS,
        COMPLETED,
        CANCELLED
    }

    /**
     * @param key that stays the same as long as it is the same thing
     * @param opens null for no such instant
     * @param due null for none
     * @param percent done, 0 to 100
     * @param completedAt null where it isn't
     */
    public record ToDo(
            String key,
            String title,
            String description,
            String category,
            @Nullable Instant opens,
            @Nullable Deadline due,
            Status status,
            int percent,
            @Nullable Instant completedAt) {}

    /**
     * @param end not before the start; the same for an instant
     * @param busy whether it takes the time
     */
    public record Event(
            String key,
            String title,
            String description,
            @Nullable String category,
            Instant start,
            Instant end,
            boolean busy) {}

    public OutgoingCalendar {
        toDos = List.copyOf(toDos);
        events = List.copyOf(events);
    }
}
