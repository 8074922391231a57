package app.navlo.formats.oneroster;

import app.navlo.core.exact.Rational;
import app.navlo.core.time.Deadline;
import app.navlo.formats.table.TextTable.Row;
import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import org.jspecify.annotations.Nullable;

/** Single values of a row. Each throws {@link IllegalArgumentException} with a plain clause for what can't be read. */
final class RosterValues {
    private static final int DATE = 10;
    private static final int MOST_DIGITS = 14;

    private final ZoneId zone;

    RosterValues(ZoneId zone) {
        this.zone = zone;
    }

    static String wanted(Row row, String head) {
        String value = row.get(head);
        if (value.isEmpty()) {
            throw new IllegalArgumentException("its " + head + " is missing");
        }
        return value;
    }

    static @Nullable Rational numberOrNull(Row row, String head) {
        String value = row.get(head);
        if (value.isEmpty()) {
            return null;
        }
        boolean plain = value.length() <= MOST_DIGITS && value.matches("\\d+(\\.\\d+)?");
        if (!plain) {
            throw new IllegalArgumentException("the " + head + " '" + value + "' is no number from 0 up");
        }
        return Rational.of(new BigDecimal(value));
    }

    static boolean flag(Row row, String head) {
        return row.get(head).equalsIgnoreCase("true");
    }

    @Nullable
    Deadline due(Row row, String head) {
        String value = row.get(head);
        if (value.isEmpty()) {
            return null;
        }
        try {
            return value.length() == DATE ? Deadline.endOf(LocalDate.parse(value), zone) : Deadline.at(instant(value));
        } catch (DateTimeException e) {
            throw noDate(head, value, e);
        }
    }

    @Nullable
    Instant opens(Row row, String head) {
        String value = row.get(head);
        if (value.isEmpty()) {
            return null;
        }
        try {
            return value.length() == DATE
                    ? LocalDate.parse(value).atStartOfDay(zone).toInstant()
                    : instant(value);
        } catch (DateTimeException e) {
            throw noDate(head, value, e);
        }
    }

    /** The day that the table gives, at the time of the last change if that was on this day, else at noon. */
    @Nullable
    Instant scoredAt(Row row) {
        String day = row.get("scoreDate");
        if (day.isEmpty()) {
            return null;
        }
        try {
            LocalDate date = LocalDate.parse(day.substring(0, Math.min(DATE, day.length())));
            String modified = row.get("dateLastModified");
            Instant changed = modified.isEmpty() ? null : instant(modified);
            boolean then = changed != null && changed.atZone(zone).toLocalDate().equals(date);
            return then ? changed : date.atTime(LocalTime.NOON).atZone(zone).toInstant();
        } catch (DateTimeException e) {
            throw noDate("scoreDate", day, e);
        }
    }

    private Instant instant(String value) {
        boolean offset = value.matches(".*(Z|[+-]\\d\\d:?\\d\\d)$");
        return offset
                ? OffsetDateTime.parse(value).toInstant()
                : LocalDateTime.parse(value.replace(' ', 'T')).atZone(zone).toInstant();
    }

    private static IllegalArgumentException noDate(String head, String value, DateTimeException cause) {
        return new IllegalArgumentException(
                "the " + head + " '" + value + "' is no date; one looks like 2026-11-24", cause);
    }
}
