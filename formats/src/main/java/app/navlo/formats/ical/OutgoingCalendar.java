package app.navlo.formats.ical;

import app.navlo.core.time.Deadline;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
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
     * @param alarm before the due; null for none
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
            @Nullable Instant completedAt,
            @Nullable Duration alarm) {
        /** Without an alarm. */
        public ToDo(
                String key,
                String title,
                String description,
                String category,
                @Nullable Instant opens,
                @Nullable Deadline due,
                Status status,
                int percent,
                @Nullable Instant completedAt) {
            this(key, title, description, category, opens, due, status, percent, completedAt, null);
        }
    }

    /**
     * @param end not before the start; the same for an instant
     * @param busy whether it takes the time
     * @param day where it is something of the whole day; null for the instants
     * @param alarm before the start; null for none
     */
    public record Event(
            String key,
            String title,
            String description,
            @Nullable String category,
            Instant start,
            Instant end,
            boolean busy,
            @Nullable LocalDate day,
            @Nullable Duration alarm) {
        /** Of instants, without an alarm. */
        public Event(
                String key,
                String title,
                String description,
                @Nullable String category,
                Instant start,
                Instant end,
                boolean busy) {
            this(key, title, description, category, start, end, busy, null, null);
        }
    }

    public OutgoingCalendar {
        toDos = List.copyOf(toDos);
        events = List.copyOf(events);
    }
}
