package app.navlo.core.time;

import app.navlo.core.check.Check;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * The time that is a student's own to work in: the hours of a usual week, or those of a single day where it has others,
 * without classes and whatever else is busy, in sittings that aren't longer than can be borne.
 *
 * @param otherwise hours of single days; none at all for an empty list
 * @param onHolidays which hours hold on a holiday that has none of its own
 * @param busy in any order; may overlap
 * @param zone in which the clock on the wall is read
 */
public record Availability(
        WeeklyHours week,
        Map<LocalDate, List<WeeklyHours.Span>> otherwise,
        OnHolidays onHolidays,
        Set<LocalDate> holidays,
        List<ClassTime> classes,
        List<Stretch> busy,
        Pauses pauses,
        ZoneId zone) {

    /** What a holiday's hours are. Classes aren't held on it whichever it is. */
    public enum OnHolidays {
        AS_USUAL,
        AS_SUNDAY,
        NONE
    }

    /** A class on one day of the week, from {@code first} to {@code last}, holidays left out. */
    public record ClassTime(DayOfWeek day, WeeklyHours.Span span, LocalDate first, LocalDate last) {}

    /**
     * @param longestMinutes that one works without a break; null for as long as the free hours are
     * @param breakMinutes after that; at least 1
     */
    public record Pauses(@Nullable Integer longestMinutes, int breakMinutes) {
        public static final Pauses NONE = new Pauses(null, 10);
        public static final int SHORTEST_SITTING = 10;

        public Pauses {
            new Check()
                    .that(
                            longestMinutes == null || longestMinutes >= SHORTEST_SITTING,
                            "longestMinutes",
                            "is " + longestMinutes + "; a sitting takes at least " + SHORTEST_SITTING)
                    .that(breakMinutes >= 1, "breakMinutes", "is " + breakMinutes + "; a break takes at least 1")
                    .orThrow();
        }
    }

    public Availability {
        Map<LocalDate, List<WeeklyHours.Span>> days = new HashMap<>();
        otherwise.forEach((day, spans) -> days.put(day, WeeklyHours.disjoint(day, spans)));
        otherwise = Map.copyOf(days);
        holidays = Set.copyOf(holidays);
        classes = List.copyOf(classes);
        busy = Stretch.joined(busy);
    }

    /** The plain hours of a week, and nothing besides. */
    public static Availability of(WeeklyHours week, ZoneId zone) {
        return new Availability(week, Map.of(), OnHolidays.AS_USUAL, Set.of(), List.of(), List.of(), Pauses.NONE, zone);
    }

    /** The sittings from one instant to another, in order; empty if the second isn't later. */
    public List<Stretch> sittings(Instant from, Instant until) {
        return paused(Stretch.without(onDays(from, until, this::hours), taken(from, until)));
    }

    /**
     * Up to so many minutes right after each end of free hours, as far as nothing else is there: neither a class, nor what is
     * busy, nor free hours themselves. What is left of those that end just before {@code from} is among them.
     */
    public List<Stretch> spill(Instant from, Instant until, int minutes) {
        if (minutes <= 0) {
            return List.of();
        }
        Duration over = Duration.ofMinutes(minutes);
        Instant since = from.minus(over);
        List<Stretch> taken = taken(since, until.plus(over));
        List<Stretch> hours = Stretch.joined(Stretch.without(onDays(since, until, this::hours), taken));
        Set<Instant> ends = hours.stream().map(Stretch::endExclusive).collect(Collectors.toSet());
        List<Stretch> blocked = new ArrayList<>(hours);
        blocked.addAll(taken);
        List<Stretch> after = hours.stream()
                .map(stretch -> new Stretch(
                        stretch.endExclusive(), stretch.endExclusive().plus(over)))
                .toList();
        List<Stretch> right = Stretch.without(after, blocked).stream()
                .filter(stretch -> ends.contains(stretch.start()))
                .toList();
        return Stretch.within(right, from, until.plus(over));
    }

    /**
     * The sittings that so many minutes from an instant on give, whatever the hours of the day say; busy times are kept clear
     * of, breaks aren't counted.
     *
     * @return of fewer minutes only if there aren't so many before {@code until}
     */
    public List<Stretch> sittingsOf(long minutes, Instant from, Instant until) {
        if (minutes <= 0 || !from.isBefore(until)) {
            return List.of();
        }
        List<Stretch> given = new ArrayList<>();
        long left = minutes;
        for (Stretch stretch : paused(Stretch.without(List.of(new Stretch(from, until)), taken(from, until)))) {
            long here = Math.min(left, stretch.minutes());
            if (here > 0) {
                given.add(new Stretch(stretch.start(), stretch.start().plus(Duration.ofMinutes(here))));
            }
            left -= here;
        }
        return given;
    }

    /** Minutes of the sittings on {@code day} that are not before {@code from}. */
    public long freeMinutes(LocalDate day, Instant from) {
        Instant start = startOf(day);
        return sittings(start.isBefore(from) ? from : start, startOf(day.plusDays(1))).stream()
                .mapToLong(Stretch::minutes)
                .sum();
    }

    /** Classes and busy times from one instant to another, joined. */
    public List<Stretch> taken(Instant from, Instant until) {
        return Stretch.joined(
                Stream.concat(onDays(from, until, this::classes).stream(), Stretch.within(busy, from, until).stream())
                        .toList());
    }

    private interface Hours {
        Stream<WeeklyHours.Span> on(LocalDate day);
    }

    private List<Stretch> onDays(Instant from, Instant until, Hours hours) {
        if (!from.isBefore(until)) {
            return List.of();
        }
        LocalDate last = until.atZone(zone).toLocalDate();
        List<Stretch> all = from.atZone(zone)
                .toLocalDate()
                .datesUntil(last.plusDays(1))
                .flatMap(day -> hours.on(day).flatMap(span -> span.on(day, zone).stream()))
                .toList();
        return Stretch.within(all, from, until);
    }

    private Stream<WeeklyHours.Span> hours(LocalDate day) {
        List<WeeklyHours.Span> own = otherwise.get(day);
        if (own != null) {
            return own.stream();
        }
        if (!holidays.contains(day) || onHolidays == OnHolidays.AS_USUAL) {
            return week.on(day.getDayOfWeek()).stream();
        }
        return onHolidays == OnHolidays.NONE ? Stream.of() : week.on(DayOfWeek.SUNDAY).stream();
    }

    private Stream<WeeklyHours.Span> classes(LocalDate day) {
        Predicate<ClassTime> held = one -> one.day() == day.getDayOfWeek()
                && !day.isBefore(one.first())
                && !day.isAfter(one.last())
                && !holidays.contains(day);
        return classes.stream().filter(held).map(ClassTime::span);
    }

    private List<Stretch> paused(List<Stretch> free) {
        if (pauses.longestMinutes() == null) {
            return free;
        }
        Duration longest = Duration.ofMinutes(pauses.longestMinutes());
        Duration rest = Duration.ofMinutes(pauses.breakMinutes());
        List<Stretch> sittings = new ArrayList<>();
        for (Stretch stretch : free) {
            Instant start = stretch.start();
            while (start.isBefore(stretch.endExclusive())) {
                Instant end = earlier(start.plus(longest), stretch.endExclusive());
                sittings.add(new Stretch(start, end));
                start = end.plus(rest);
            }
        }
        return sittings;
    }

    private static Instant earlier(Instant a, Instant b) {
        return a.isBefore(b) ? a : b;
    }

    private Instant startOf(LocalDate day) {
        return day.atStartOfDay(zone).toInstant();
    }
}
