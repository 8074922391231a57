package app.navlo.formats.ical;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.time.temporal.Temporal;
import java.util.Optional;
import net.fortuna.ical4j.model.property.DateProperty;

/** Dates and times as iCalendar writes them. */
final class WallTime {
    private static final DateTimeFormatter DAY = DateTimeFormatter.BASIC_ISO_DATE;
    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("yyyyMMdd'T'HHmmss");

    private WallTime() {}

    static LocalDate day(String value) {
        return LocalDate.parse(value, DAY);
    }

    static Instant utc(String value) {
        return LocalDateTime.parse(value.substring(0, value.length() - 1), TIME).toInstant(ZoneOffset.UTC);
    }

    /** In the hour that a clock change skips, the time moves on by the gap; in the hour that comes twice, the first. */
    static Instant at(String value, ZoneId zone) {
        return LocalDateTime.parse(value, TIME).atZone(zone).toInstant();
    }

    /** A name of the time zone database, also where a program put its own prefix before it. */
    static Optional<ZoneId> zone(String tzid) {
        String rest = tzid.replace("\"", "").strip();
        while (true) {
            try {
                return Optional.of(ZoneId.of(rest));
            } catch (DateTimeException unknown) {
                int slash = rest.indexOf('/');
                if (slash < 0) {
                    return Optional.empty();
                }
                rest = rest.substring(slash + 1);
            }
        }
    }

    /** By the definition of the zone that the file itself carries; empty if it carries none. */
    static Optional<Instant> asDefined(DateProperty<?> property) {
        try {
            Temporal date = property.getDate();
            return date instanceof ZonedDateTime zoned ? Optional.of(zoned.toInstant()) : Optional.empty();
        } catch (DateTimeException e) {
            return Optional.empty();
        }
    }
}
