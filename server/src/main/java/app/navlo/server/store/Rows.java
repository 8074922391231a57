package app.navlo.server.store;

import app.navlo.core.exact.Rational;
import app.navlo.core.time.Deadline;
import java.math.BigDecimal;
import java.math.MathContext;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.support.KeyHolder;

/** Reads and writes what a plain column doesn't say by itself. */
public final class Rows {
    private Rows() {}

    public static Instant instant(ResultSet row, String column) throws SQLException {
        return row.getObject(column, OffsetDateTime.class).toInstant();
    }

    public static @Nullable Instant instantOrNull(ResultSet row, String column) throws SQLException {
        OffsetDateTime value = row.getObject(column, OffsetDateTime.class);
        return value == null ? null : value.toInstant();
    }

    public static @Nullable Integer integerOrNull(ResultSet row, String column) throws SQLException {
        return row.getObject(column, Integer.class);
    }

    public static @Nullable Long longOrNull(ResultSet row, String column) throws SQLException {
        return row.getObject(column, Long.class);
    }

    public static Rational exact(ResultSet row, String column) throws SQLException {
        return Rational.of(row.getBigDecimal(column));
    }

    public static @Nullable Rational exactOrNull(ResultSet row, String column) throws SQLException {
        BigDecimal value = row.getBigDecimal(column);
        return value == null ? null : Rational.of(value);
    }

    /** A deadline in two columns, {@code prefix_at} and {@code prefix_day}; the day ends in {@code zone}. */
    public static @Nullable Deadline deadlineOrNull(ResultSet row, String prefix, ZoneId zone) throws SQLException {
        Instant at = instantOrNull(row, prefix + "_at");
        if (at != null) {
            return Deadline.at(at);
        }
        LocalDate day = row.getObject(prefix + "_day", LocalDate.class);
        return day == null ? null : Deadline.endOf(day, zone);
    }

    public static @Nullable Instant at(@Nullable Deadline deadline) {
        return deadline instanceof Deadline.At at ? at.instant() : null;
    }

    public static @Nullable LocalDate day(@Nullable Deadline deadline) {
        return deadline instanceof Deadline.EndOfDay end ? end.day() : null;
    }

    /** What the store keeps of an exact number: six decimals, which every number that it was given has at most. */
    public static @Nullable BigDecimal decimal(@Nullable Rational value) {
        return value == null
                ? null
                : new BigDecimal(value.num()).divide(new BigDecimal(value.den()), MathContext.UNLIMITED);
    }

    /** The number that the database gave a new row. */
    static long newId(KeyHolder key) {
        return Objects.requireNonNull(key.getKeyAs(Long.class));
    }
}
