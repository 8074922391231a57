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

        private boolean endsBy(LocalTime next) {
            return !endExclusive.equals(LocalTime.MIDNIGHT) && !endExclusive.isAfter(next);
        }
    }

    public WeeklyHours {
        Map<DayOfWeek, List<Span>> sorted = new EnumMap<>(DayOfWeek.class);
        spans.forEach((day, those) -> sorted.put(day, disjoint(day, those)));
        spans = Map.copyOf(sorted);
    }

    private static List<Span> disjoint(DayOfWeek day, List<Span> spans) {
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

    /** Minutes that are free on {@code day} and not before {@code from}. */
    public long freeMinutes(LocalDate day, Instant from, ZoneId zone) {
        Duration free = Duration.ZERO;
        for (Span span : spans.getOrDefault(day.getDayOfWeek(), List.of())) {
            Instant start = start(day, span, zone);
            Instant end = end(day, span, zone);
            Instant begin = start.isBefore(from) ? from : start;
            if (begin.isBefore(end)) {
                free = free.plus(Duration.between(begin, end));
            }
        }
        return free.toMinutes();
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
            List<Span> here = spans.getOrDefault(day.getDayOfWeek(), List.of());
            for (int j = here.size() - 1; j >= 0; j--) {
                Instant start = start(day, here.get(j), zone);
                Instant stop = end(day, here.get(j), zone);
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

    /** What is free from one instant to another, in order; empty if the second isn't later. */
    public List<Stretch> free(Instant from, Instant until, ZoneId zone) {
        List<Stretch> free = new ArrayList<>();
        LocalDate last = until.atZone(zone).toLocalDate();
        for (LocalDate day = from.atZone(zone).toLocalDate(); !day.isAfter(last); day = day.plusDays(1)) {
            for (Span span : spans.getOrDefault(day.getDayOfWeek(), List.of())) {
                Instant start = start(day, span, zone);
                Instant end = end(day, span, zone);
                Instant begin = start.isBefore(from) ? from : start;
                Instant stop = end.isAfter(until) ? until : end;
                if (begin.isBefore(stop)) {
                    free.add(new Stretch(begin, stop));
                }
            }
        }
        return free;
    }

    private static Instant start(LocalDate day, Span span, ZoneId zone) {
        return day.atTime(span.startInclusive()).atZone(zone).toInstant();
    }

    private static Instant end(LocalDate day, Span span, ZoneId zone) {
        return (span.endExclusive().equals(LocalTime.MIDNIGHT)
                        ? day.plusDays(1).atStartOfDay(zone)
                        : day.atTime(span.endExclusive()).atZone(zone))
                .toInstant();
    }
}
