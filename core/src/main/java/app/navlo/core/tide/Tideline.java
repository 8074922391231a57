package app.navlo.core.tide;

import app.navlo.core.time.Availability;
import app.navlo.core.work.Stage;
import app.navlo.core.work.Turn;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/** One cell a day from some days back to some days on. */
public final class Tideline {
    private Tideline() {}

    /**
     * What the tideline looks at of a piece of work.
     *
     * @param minutes of effort, at least 0
     */
    public record Entry<K>(
            K key,
            int minutes,
            @Nullable Instant opensAt,
            @Nullable Instant due,
            Stage stage,
            Turn move) {}

    /** A grading close, a post across the strip. */
    public record Close(String name, Instant at) {}

    /**
     * @param openMinutes of work due this day that isn't handed in, and still can be
     * @param doneMinutes of work due this day that is handed in, returned or excused
     * @param lostMinutes of work due this day that is out of reach, or optional and let go
     * @param freeMinutes free this day; of today, what is left of it
     * @param overMinutes of open work that doesn't fit into what is free; 0 for days past
     */
    public record Day<K>(
            LocalDate day,
            long openMinutes,
            long doneMinutes,
            long lostMinutes,
            long freeMinutes,
            long overMinutes,
            List<K> due,
            List<K> opens,
            List<Close> closes) {}

    /** The span in days around today, both ends included. */
    public record Reach(int daysBack, int daysOn) {}

    /** @return the days in order, {@code daysBack + 1 + daysOn} of them */
    public static <K> List<Day<K>> of(
            Collection<Entry<K>> entries, Collection<Close> closes, Availability own, Reach reach, Instant now) {
        ZoneId zone = own.zone();
        LocalDate today = now.atZone(zone).toLocalDate();
        Map<LocalDate, Cell<K>> cells = new TreeMap<>();
        for (int offset = -reach.daysBack(); offset <= reach.daysOn(); offset++) {
            cells.put(today.plusDays(offset), new Cell<>());
        }
        for (Entry<K> entry : entries) {
            Cell<K> due = entry.due() == null ? null : cells.get(dayClosedBy(entry.due(), zone));
            if (due != null) {
                due.add(entry);
            }
            Cell<K> opens = entry.opensAt() == null
                    ? null
                    : cells.get(entry.opensAt().atZone(zone).toLocalDate());
            if (opens != null) {
                opens.opens.add(entry.key());
            }
        }
        for (Close close : closes) {
            Cell<K> cell = cells.get(dayClosedBy(close.at(), zone));
            if (cell != null) {
                cell.closes.add(close);
            }
        }
        List<Day<K>> days = new ArrayList<>();
        cells.forEach((day, cell) -> {
            Instant from = day.equals(today) ? now : Instant.MIN;
            days.add(cell.day(day, own.freeMinutes(day, from), day.isBefore(today)));
        });
        return days;
    }

    /** Midnight belongs to the day that it closes. */
    public static LocalDate dayClosedBy(Instant deadline, ZoneId zone) {
        return deadline.minus(Duration.ofNanos(1)).atZone(zone).toLocalDate();
    }

    private static final class Cell<K> {
        private long open;
        private long done;
        private long lost;
        private final List<K> due = new ArrayList<>();
        private final List<K> opens = new ArrayList<>();
        private final List<Close> closes = new ArrayList<>();

        void add(Entry<K> entry) {
            due.add(entry.key());
            boolean handedIn = entry.stage() == Stage.TURNED_IN
                    || entry.stage() == Stage.RETURNED
                    || entry.stage() == Stage.EXCUSED;
            if (handedIn) {
                done += entry.minutes();
            } else if (entry.move() == Turn.YOURS || entry.move() == Turn.NOT_YET) {
                open += entry.minutes();
            } else {
                lost += entry.minutes();
            }
        }

        Day<K> day(LocalDate day, long free, boolean past) {
            long over = past ? 0 : Math.max(0, open - free);
            return new Day<>(
                    day, open, done, lost, free, over, List.copyOf(due), List.copyOf(opens), List.copyOf(closes));
        }
    }
}
