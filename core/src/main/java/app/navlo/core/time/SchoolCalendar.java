package app.navlo.core.time;

import app.navlo.core.check.Check;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.EnumSet;
import java.util.Set;

/**
 * Which days school is held on. A school day is one of the weekdays and no holiday; it is whole, from midnight to
 * midnight in the zone, and has 23 or 25 hours where the clocks change.
 *
 * @param schoolWeekdays at least one
 * @param holidays local dates; may be empty
 */
public record SchoolCalendar(ZoneId zone, Set<DayOfWeek> schoolWeekdays, Set<LocalDate> holidays) {
    public static final Set<DayOfWeek> MONDAY_TO_FRIDAY = Set.copyOf(EnumSet.range(DayOfWeek.MONDAY, DayOfWeek.FRIDAY));

    /** How far a search for school days goes before it is a mistake: more holidays in a row than any term has. */
    private static final int FARTHEST_DAYS = 3 * 366;

    public SchoolCalendar {
        schoolWeekdays = Set.copyOf(schoolWeekdays);
        holidays = Set.copyOf(holidays);
        new Check()
                .that(!schoolWeekdays.isEmpty(), "schoolWeekdays", "is empty; name at least one day of the week")
                .orThrow();
    }

    public static SchoolCalendar weekdays(ZoneId zone, Set<LocalDate> holidays) {
        return new SchoolCalendar(zone, MONDAY_TO_FRIDAY, holidays);
    }

    public boolean isSchoolDay(LocalDate day) {
        return schoolWeekdays.contains(day.getDayOfWeek()) && !holidays.contains(day);
    }

    public LocalDate dayOf(Instant instant) {
        return instant.atZone(zone).toLocalDate();
    }

    /** The instant at which {@code day} begins; where a clock change skips midnight, the first one after it. */
    public Instant startOf(LocalDate day) {
        return day.atStartOfDay(zone).toInstant();
    }

    /** The day whose work an instant still belongs to: at midnight sharp, the day that this midnight closes. */
    public LocalDate dayBefore(Instant endExclusive) {
        return dayOf(endExclusive.minusNanos(1));
    }

    /** Local midnights from {@code from} (included) to {@code to} (excluded). */
    public long midnights(Instant from, Instant to) {
        return to.isAfter(from) ? dayBefore(to).toEpochDay() - dayBefore(from).toEpochDay() : 0;
    }

    /** Those of the {@link #midnights} that open a school day. */
    public long schoolDaysOpened(Instant from, Instant to) {
        return to.isAfter(from) ? schoolDays(dayBefore(from).plusDays(1), dayBefore(to)) : 0;
    }

    /** School days from {@code first} to {@code last}, both counted; 0 if {@code last} is before {@code first}. */
    public long schoolDays(LocalDate first, LocalDate last) {
        return last.isBefore(first)
                ? 0
                : first.datesUntil(last.plusDays(1)).filter(this::isSchoolDay).count();
    }

    /** The part of the span that lies in school days; zero if the span is empty. */
    public Duration workingTime(Instant from, Instant to) {
        Duration sum = Duration.ZERO;
        LocalDate day = dayOf(from);
        for (Instant begin = from; begin.isBefore(to); day = day.plusDays(1)) {
            Instant next = startOf(day.plusDays(1));
            Instant end = next.isBefore(to) ? next : to;
            sum = isSchoolDay(day) ? sum.plus(Duration.between(begin, end)) : sum;
            begin = end;
        }
        return sum;
    }

    /**
     * The latest instant from which at least {@code working} time is left before {@code end}.
     *
     * @throws IllegalArgumentException if there isn't so much in the three years before
     */
    public Instant latestStart(Duration working, Instant end) {
        Duration left = working;
        Instant to = end;
        LocalDate day = dayBefore(end);
        for (int i = 0; i < FARTHEST_DAYS; i++, day = day.minusDays(1)) {
            if (left.isZero()) {
                return to;
            }
            Instant begin = startOf(day);
            if (isSchoolDay(day)) {
                Duration here = Duration.between(begin, to);
                if (here.compareTo(left) >= 0) {
                    return to.minus(left);
                }
                left = left.minus(here);
            }
            to = begin;
        }
        throw new IllegalArgumentException(
                "there isn't " + working + " of school time in the three years before " + end);
    }

    /**
     * The instant at which so much working time has passed since {@code from}.
     *
     * @throws IllegalArgumentException if there isn't so much in the three years after
     */
    public Instant plusWorkingTime(Instant from, Duration working) {
        Duration left = working;
        Instant begin = from;
        LocalDate day = dayOf(from);
        for (int i = 0; i < FARTHEST_DAYS; i++, day = day.plusDays(1)) {
            Instant next = startOf(day.plusDays(1));
            if (isSchoolDay(day)) {
                Duration here = Duration.between(begin, next);
                if (here.compareTo(left) >= 0) {
                    return begin.plus(left);
                }
                left = left.minus(here);
            }
            begin = next;
        }
        throw new IllegalArgumentException(
                "there isn't " + working + " of school time in the three years after " + from);
    }

    /**
     * The {@code n}-th school day after {@code day}, {@code n} at least 1.
     *
     * @throws IllegalArgumentException if there are none for three years
     */
    public LocalDate schoolDayAfter(LocalDate day, long n) {
        LocalDate at = day;
        long gap = 0;
        for (long found = 0; found < n; gap++) {
            if (gap > FARTHEST_DAYS) {
                throw new IllegalArgumentException("no school day for three years after " + day);
            }
            at = at.plusDays(1);
            if (isSchoolDay(at)) {
                found++;
                gap = 0;
            }
        }
        return at;
    }
}
