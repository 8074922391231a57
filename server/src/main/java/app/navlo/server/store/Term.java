package app.navlo.server.store;

import app.navlo.core.close.GradingPeriods;
import app.navlo.core.time.SchoolCalendar;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * A term with its days off and grading closes.
 *
 * @param version of this very state of it
 * @param closed kept to look at; its courses are out of every count
 * @param closes in order of time
 */
public record Term(
        long id,
        long version,
        boolean closed,
        String name,
        String school,
        ZoneId zone,
        LocalDate firstDay,
        LocalDate lastDay,
        List<DaysOff> daysOff,
        List<GradingPeriod> closes) {

    /** Both days included. */
    public record DaysOff(LocalDate first, LocalDate last, String name) {}

    public record GradingPeriod(String name, Instant closesAt) {}

    public Term {
        daysOff = List.copyOf(daysOff);
        closes = closes.stream()
                .sorted(Comparator.comparing(GradingPeriod::closesAt))
                .toList();
    }

    /** The same, closed or open again. */
    public Term closed(boolean other) {
        return new Term(id, version, other, name, school, zone, firstDay, lastDay, daysOff, closes);
    }

    /** The days on which school is held, in the zone of a course. */
    public SchoolCalendar calendar(ZoneId courseZone) {
        Set<LocalDate> holidays = new HashSet<>();
        daysOff.forEach(off -> off.first().datesUntil(off.last().plusDays(1)).forEach(holidays::add));
        return SchoolCalendar.weekdays(courseZone, holidays);
    }

    public GradingPeriods periods() {
        return new GradingPeriods(closes.stream()
                .map(close -> new GradingPeriods.Period(close.name(), close.closesAt()))
                .toList());
    }
}
