package app.navlo.core.pace;

import app.navlo.core.exact.Rational;
import app.navlo.core.reason.Reason;
import app.navlo.core.time.SchoolCalendar;
import java.math.RoundingMode;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;

/** One count of {@link Pace}. */
final class PaceCount {
    private static final int WINDOW_DAYS = 10;

    private final List<Paced> all;
    private final List<Paced> required;
    private final SchoolCalendar calendar;
    private final LocalDate firstDay;
    private final Instant close;
    private final int cap;
    private final Instant now;
    private final LocalDate today;

    PaceCount(List<Paced> works, SchoolCalendar calendar, LocalDate firstDay, Instant close, int cap, Instant now) {
        this.all = works;
        this.required = works.stream().filter(Paced::required).toList();
        this.calendar = calendar;
        this.firstDay = firstDay;
        this.close = close;
        this.cap = cap;
        this.now = now;
        this.today = calendar.dayOf(now);
    }

    Pace pace() {
        int done = count(Paced::done);
        int left = count(Paced::left);
        Predicate<Paced> wasDue = work -> !work.outOfReach() && work.dueBefore(now);
        int expected = count(wasDue);
        int overdue = count(work -> work.left() && work.dueBefore(now));
        int lead = done - expected;
        Standing standing = standing(overdue, lead);
        long daysLeft = now.isBefore(close) ? calendar.schoolDays(today, lastDay()) : 0;
        LocalDate windowStart = windowStart();
        int recentDone = count(work -> work.done() && within(work, windowStart));
        long recentDays = calendar.schoolDays(windowStart, today);
        Rational rate = recentDays == 0 ? null : Rational.of(recentDone, recentDays);
        LocalDate finish = left == 0 || rate == null || rate.isZero() ? null : finish(left, rate);
        Rational minutesADay = perDay(minutes(Paced::left), daysLeft);
        return new Pace(
                done,
                left,
                required.size() - done - left,
                daysLeft,
                perDay(left, daysLeft),
                minutesADay == null
                        ? null
                        : Long.valueOf(
                                minutesADay.toDecimal(0, RoundingMode.CEILING).longValueExact()),
                expected,
                overdue,
                lead,
                minutes(Paced::done) - minutes(wasDue),
                standing,
                Reason.of(standing).with("overdue", overdue).with("lead", lead).with("cap", cap),
                recentDone,
                recentDays,
                rate,
                finish,
                left == 0 || (finish != null && !finish.isAfter(lastDay())),
                Pace.doneDays(all, calendar).min(Comparator.naturalOrder()).orElse(null),
                Pace.doneDays(all, calendar).max(Comparator.naturalOrder()).orElse(null),
                UnitPace.of(all));
    }

    /** Null where something is left and no day is. */
    private static @Nullable Rational perDay(long left, long days) {
        return left == 0 ? Rational.ZERO : days == 0 ? null : Rational.of(left, days);
    }

    private int count(Predicate<Paced> which) {
        return (int) required.stream().filter(which).count();
    }

    private long minutes(Predicate<Paced> which) {
        return required.stream().filter(which).mapToLong(Paced::minutes).sum();
    }

    private LocalDate lastDay() {
        return calendar.dayBefore(close);
    }

    private Standing standing(int overdue, int lead) {
        if (overdue > 0) {
            return Standing.BEHIND;
        }
        return lead > cap ? Standing.WELL_AHEAD : lead > 0 ? Standing.AHEAD : Standing.ON_PACE;
    }

    /** The first of the last ten school days up to today, or the first day of the term. */
    private LocalDate windowStart() {
        LocalDate day = today;
        int found = calendar.isSchoolDay(day) ? 1 : 0;
        while (found < WINDOW_DAYS && day.isAfter(firstDay)) {
            day = day.minusDays(1);
            found += calendar.isSchoolDay(day) ? 1 : 0;
        }
        return day;
    }

    private boolean within(Paced work, LocalDate windowStart) {
        Instant doneAt = work.doneAt();
        return doneAt != null && !doneAt.isBefore(calendar.startOf(windowStart)) && !doneAt.isAfter(now);
    }

    private @Nullable LocalDate finish(int left, Rational rate) {
        long days = Rational.of(left)
                .dividedBy(rate)
                .toDecimal(0, RoundingMode.CEILING)
                .longValueExact();
        return calendar.schoolDayAfter(today, days);
    }
}
