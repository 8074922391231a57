package app.navlo.core.time;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Objects;

/** The last instant that still counts. One step later is too late. */
public sealed interface Deadline {
    Instant instant();

    /** The same wall time, or the same end of day, so many calendar days later. */
    Deadline plusDays(long days, ZoneId zone);

    static Deadline at(Instant instant) {
        return new At(instant);
    }

    /** The end of a local day: the instant at which the next local day begins, which still belongs to this one. */
    static Deadline endOf(LocalDate day, ZoneId zone) {
        return new EndOfDay(day, zone);
    }

    record At(Instant instant) implements Deadline {
        public At {
            Objects.requireNonNull(instant, "instant");
        }

        @Override
        public Deadline plusDays(long days, ZoneId zone) {
            return new At(instant.atZone(zone).plusDays(days).toInstant());
        }
    }

    /** A date with no time, as many calendars give it. Right on days of 23 and 25 hours, too. */
    record EndOfDay(LocalDate day, ZoneId zone) implements Deadline {
        public EndOfDay {
            Objects.requireNonNull(day, "day");
            Objects.requireNonNull(zone, "zone");
        }

        @Override
        public Instant instant() {
            return day.plusDays(1).atStartOfDay(zone).toInstant();
        }

        /** @param zone not looked at: a day keeps its own */
        @Override
        public Deadline plusDays(long days, ZoneId zone) {
            return new EndOfDay(day.plusDays(days), this.zone);
        }
    }
}
