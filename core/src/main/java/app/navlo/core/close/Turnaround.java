package app.navlo.core.close;

import app.navlo.core.id.CourseId;
import app.navlo.core.time.SchoolCalendar;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * How long a course takes to give work back, in working time: the part of a span that lies on school days.
 *
 * @param used how many returns it comes from; 0 for the default
 * @param median of an even number, the mean of the middle two
 * @param p90 the 90th percentile, by nearest rank
 * @param gradingDay the weekday on which the course's own returns fall, or null for none
 */
public record Turnaround(
        Source source,
        int used,
        Duration median,
        Duration p90,
        @Nullable DayOfWeek gradingDay) {
    public enum Source {
        COURSE,
        /** All of the student's courses, for want of returns in this one. */
        POOLED,
        /** Nothing is known: three school days. */
        DEFAULT
    }

    private static final int LAST_RETURNS = 20;
    private static final int ENOUGH = 5;
    private static final int LAST_FOR_RHYTHM = 10;
    private static final int RHYTHM_TENTHS = 7;
    private static final Duration UNKNOWN = Duration.ofDays(3);
    /** Beyond a year there is no rhythm left to speak of. */
    private static final int DAYS_LOOKED_AHEAD = 366;

    /** @param returns of all courses, in any order; one later than {@code now} isn't known yet */
    public static Turnaround of(
            CourseId course, Collection<GradedReturn> returns, SchoolCalendar calendar, Instant now) {
        List<GradedReturn> known = returns.stream()
                .filter(one -> !one.returned().isAfter(now))
                .sorted(Comparator.comparing(GradedReturn::returned)
                        .thenComparing(GradedReturn::handedIn)
                        .reversed())
                .toList();
        List<GradedReturn> own =
                known.stream().filter(one -> one.course().equals(course)).toList();
        DayOfWeek day = gradingDay(first(own, LAST_FOR_RHYTHM), calendar);
        if (own.size() >= ENOUGH) {
            return measured(Source.COURSE, first(own, LAST_RETURNS), calendar, day);
        }
        return known.size() >= ENOUGH
                ? measured(Source.POOLED, first(known, LAST_RETURNS), calendar, day)
                : new Turnaround(Source.DEFAULT, 0, UNKNOWN, UNKNOWN, day);
    }

    private static List<GradedReturn> first(List<GradedReturn> returns, int most) {
        return returns.subList(0, Math.min(most, returns.size()));
    }

    private static Turnaround measured(
            Source source, List<GradedReturn> returns, SchoolCalendar calendar, @Nullable DayOfWeek day) {
        List<Duration> spans = returns.stream()
                .map(one -> calendar.workingTime(one.handedIn(), one.returned()))
                .sorted()
                .toList();
        int n = spans.size();
        Duration median = n % 2 == 1
                ? spans.get(n / 2)
                : spans.get(n / 2 - 1).plus(spans.get(n / 2)).dividedBy(2);
        return new Turnaround(source, n, median, spans.get((9 * n + 9) / 10 - 1), day);
    }

    private static @Nullable DayOfWeek gradingDay(List<GradedReturn> last, SchoolCalendar calendar) {
        if (last.size() < ENOUGH) {
            return null;
        }
        Map<DayOfWeek, Long> byDay = last.stream()
                .map(one -> calendar.dayOf(one.returned()).getDayOfWeek())
                .collect(Collectors.groupingBy(Function.identity(), Collectors.counting()));
        return byDay.entrySet().stream()
                .filter(day -> 10 * day.getValue() >= (long) RHYTHM_TENTHS * last.size())
                .map(Map.Entry::getKey)
                .findFirst()
                .orElse(null);
    }

    /** The start of the next day on which this course usually gives work back, today included; null without a rhythm. */
    public @Nullable Instant nextGradingDay(SchoolCalendar calendar, Instant now) {
        if (gradingDay == null) {
            return null;
        }
        LocalDate today = calendar.dayOf(now);
        for (int days = 0; days < DAYS_LOOKED_AHEAD; days++) {
            LocalDate day = today.plusDays(days);
            if (day.getDayOfWeek() == gradingDay && !calendar.holidays().contains(day)) {
                return calendar.startOf(day);
            }
        }
        return null;
    }

    /** Whether what was handed in then would have been looked at by now, as this teacher usually does. */
    public boolean shouldBeGraded(Instant handedIn, SchoolCalendar calendar, Instant now) {
        Instant day = nextGradingDay(calendar, handedIn);
        return day == null ? ungradedTooLong(handedIn, calendar, now) : now.isAfter(day.plus(Duration.ofDays(1)));
    }

    /** Whether work that was handed in then has been waiting for longer than nine in ten did. */
    public boolean ungradedTooLong(Instant handedIn, SchoolCalendar calendar, Instant now) {
        return calendar.workingTime(handedIn, now).compareTo(p90) > 0;
    }
}
