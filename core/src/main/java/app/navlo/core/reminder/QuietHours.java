package app.navlo.core.reminder;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;

/**
 * A part of each day in which nobody is to be disturbed. It goes over midnight where it ends before it begins, and is empty
 * where both are the same.
 *
 * @param untilExclusive the first time of day at which a word may come again
 */
public record QuietHours(LocalTime from, LocalTime untilExclusive) {
    public static final QuietHours USUAL = new QuietHours(LocalTime.of(22, 0), LocalTime.of(7, 0));
    public static final QuietHours NONE = new QuietHours(LocalTime.MIDNIGHT, LocalTime.MIDNIGHT);

    /** Time enough to read a word before it gets quiet. */
    private static final Duration BEFORE_QUIET = Duration.ofMinutes(15);

    public boolean hold(Instant at, ZoneId zone) {
        LocalTime time = at.atZone(zone).toLocalTime();
        if (from.equals(untilExclusive)) {
            return false;
        }
        boolean begun = !time.isBefore(from);
        boolean over = !time.isBefore(untilExclusive);
        return from.isBefore(untilExclusive) ? begun && !over : begun || !over;
    }

    /** The instant itself, or where it is quiet then, the last one before at which a word still gets read. */
    public Instant atOrBefore(Instant at, ZoneId zone) {
        if (!hold(at, zone)) {
            return at;
        }
        ZonedDateTime local = at.atZone(zone);
        LocalDate day = local.toLocalTime().isBefore(from) ? local.toLocalDate().minusDays(1) : local.toLocalDate();
        Duration before = loud().compareTo(BEFORE_QUIET) < 0 ? loud() : BEFORE_QUIET;
        Instant told = day.atTime(from).atZone(zone).toInstant().minus(before);
        // Where the clock goes forward over their beginning, so long before it is still within them. No step is longer
        // than the time that isn't quiet, so none goes over it.
        while (hold(told, zone)) {
            told = told.minus(before);
        }
        return told;
    }

    /** How long it isn't quiet, each day by the clock on the wall. */
    private Duration loud() {
        Duration loud = Duration.between(untilExclusive, from);
        return loud.isNegative() ? loud.plusDays(1) : loud;
    }
}
