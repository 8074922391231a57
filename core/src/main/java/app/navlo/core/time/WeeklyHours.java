package app.navlo.core.time;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The hours that are free in a week, by the clock on the wall. On the days on which the clocks change, a span that holds
 * the change is an hour shorter or longer than it reads.
 *
 * @param spans a day's spans are disjoint and in order; a day that isn't there has none
 */
public record WeeklyHours(Map<DayOfWeek, List<Span>> spans) {
    private static final int FARTHEST_DAYS = 366;

    /** @param endExclusive midnight is the end of the day */
    public record Span(LocalTime startInclusive, LocalTime endExclusive) {
        public Span {
            if (!endExclusive.equals(LocalTime.MIDNIGHT) && !startInclusive.isBefore(endExclusive)) {
                throw new IllegalArgumentException(
                        "free from " + startInclusive + " to " + endExclusive + ": the end must be after the start");
            }
        }

        @Override
        public String toString() {
            return startInclusive + "–" + endExclusive;
        }

        /** Empty on a day on which a change of the clocks leaves nothing of it. */
        public Optional<Stretch> on(LocalDate day, ZoneId zone) {
            return Stretch.between(start(day, zone), end(day, zone));
        }

        private Instant start(LocalDate day, ZoneId zone) {
            return day.atTime(startInclusive).atZone(zone).toInstant();
        }

        private Instant end(LocalDate day, ZoneId zone) {
            return (endExclusive.equals(LocalTime.MIDNIGHT)
                            ? day.plusDays(1).atStartOfDay(zone)
                            : day.atTime(endExclusive).atZone(zone))
                    .toInstant();
        }

        private boolean endsBy(LocalTime next) {
            return !endExclusive.equals(LocalTime.MIDNIGHT) && !endExclusive.isAfter(next);
        }
    }

    public WeeklyHours {
        Map<DayOfWeek, List<Span>> sorted = new EnumMap<>(DayOfWeek.class);
        spans.forEach((day, those) -> sorted.put(day, disjoint(day, those)));
        spans = Map.copyOf(sorted);
    }

    /** @param day as it is named in the error */
    static List<Span> disjoint(Object day, List<Span> spans) {
        List<Span> sorted = new ArrayList<>(spans);
        sorted.sort(Comparator.comparing(Span::startInclusive));
        for (int i = 1; i < sorted.size(); i++) {
            if (!sorted.get(i - 1).endsBy(sorted.get(i).startInclusive())) {
                throw new IllegalArgumentException("the free hours " + sorted.get(i - 1) + " and " + sorted.get(i)
                        + " overlap on " + day + "; join them or move one");
            }
        }
        return List.copyOf(sorted);
    }

    /** A day's spans, in order. */
    public List<Span> on(DayOfWeek day) {
        return spans.getOrDefault(day, List.of());
    }

    /**
     * The latest instant from which so many free minutes are left before {@code end}.
     *
     * @return empty if there aren't so many in the year before
     */
    public Optional<Instant> latestStart(long minutes, Instant end, ZoneId zone) {
        Duration left = Duration.ofMinutes(minutes);
        LocalDate day = end.atZone(zone).toLocalDate();
        for (int i = 0; i <= FARTHEST_DAYS; i++, day = day.minusDays(1)) {
            List<Span> here = on(day.getDayOfWeek());
            for (int j = here.size() - 1; j >= 0; j--) {
                Instant start = here.get(j).start(day, zone);
                Instant stop = here.get(j).end(day, zone);
                stop = stop.isAfter(end) ? end : stop;
                Duration free = stop.isAfter(start) ? Duration.between(start, stop) : Duration.ZERO;
                if (free.compareTo(left) >= 0) {
                    return Optional.of(left.isZero() ? end : stop.minus(left));
                }
                left = left.minus(free);
            }
        }
        return Optional.empty();
    }
}
