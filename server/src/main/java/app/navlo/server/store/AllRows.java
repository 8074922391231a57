package app.navlo.server.store;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.ResultSetMetaData;
import java.sql.SQLException;
import java.sql.Statement;
import java.sql.Types;
import java.time.OffsetDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import javax.sql.DataSource;
import org.jspecify.annotations.Nullable;

/**
 * All rows of a file of data, brought to a PostgreSQL whose tables are the same: in one transaction, so that either all of them are
 * there or none is. The numbers of rows to come go on where they were.
 */
public final class AllRows {
    private static final String TABLES = """
            SELECT LOWER(table_name) FROM information_schema.tables
            WHERE table_schema = CURRENT_SCHEMA AND table_type = 'BASE TABLE' AND LOWER(table_name) <> 'flyway_schema_history'
            ORDER BY 1
            """;

    /** What says which row names which, as it was written; each is asked of all rows once they are there. */
    private static final String REFERENCES = """
            SELECT held.conrelid::regclass::text, held.conname, pg_get_constraintdef(held.oid)
            FROM pg_constraint held JOIN pg_namespace here ON here.oid = held.connamespace
            WHERE held.contype = 'f' AND here.nspname = CURRENT_SCHEMA
            """;

    private static final String IDENTITIES = """
            SELECT LOWER(table_name), LOWER(column_name), identity_base FROM information_schema.columns
            WHERE table_schema = CURRENT_SCHEMA AND is_identity = 'YES'
            """;

    private static final String SEQUENCES = """
            SELECT LOWER(sequence_name), base_value FROM information_schema.sequences
            WHERE sequence_schema = CURRENT_SCHEMA AND sequence_name NOT LIKE 'SYSTEM_SEQUENCE%'
            """;

    private static final int AT_ONCE = 500;

    private final Connection file;
    private final Connection shared;

    private AllRows(Connection file, Connection shared) {
        this.file = file;
        this.shared = shared;
    }

    /** @param people that have an account, and everybody's pieces of work and files; {@code rows} of all tables */
    public record Brought(long people, long works, long files, long rows) {}

    /** Whether anybody has an account there. */
    public static boolean isInUse(DataSource shared) throws SQLException {
        try (Connection db = shared.getConnection()) {
            return count(db, "person") > 0;
        }
    }

    /** @param shared with every table of this version, and nobody's rows */
    public static Brought bring(DataSource file, DataSource shared) throws SQLException {
        try (Connection from = file.getConnection();
                Connection to = shared.getConnection()) {
            to.setAutoCommit(false);
            try {
                Brought brought = new AllRows(from, to).bring();
                to.commit();
                return brought;
            } catch (SQLException | RuntimeException failed) {
                to.rollback();
                throw failed;
            }
        }
    }

    private Brought bring() throws SQLException {
        List<List<String>> references = rows(shared, REFERENCES, 3);
        for (List<String> one : references) {
            execute("ALTER TABLE " + one.get(0) + " DROP CONSTRAINT " + one.get(1));
        }
        long all = 0;
        for (List<String> table : rows(file, TABLES, 1)) {
            all += copy(table.get(0));
        }
        for (List<String> one : references) {
            execute("ALTER TABLE " + one.get(0) + " ADD CONSTRAINT " + one.get(1) + " " + one.get(2));
        }
        for (List<String> one : rows(file, IDENTITIES, 3)) {
            execute("SELECT setval(pg_get_serial_sequence('" + one.get(0) + "', '" + one.get(1) + "'), " + one.get(2)
                    + ", false)");
        }
        for (List<String> one : rows(file, SEQUENCES, 2)) {
            execute("SELECT setval('" + one.get(0) + "', " + one.get(1) + ", false)");
        }
        return new Brought(count(shared, "person"), count(shared, "work"), count(shared, "stored_file"), all);
    }

    /** What the schema itself put into a table gives way. */
    private long copy(String table) throws SQLException {
        execute("DELETE FROM " + table);
        try (Statement statement = file.createStatement();
                ResultSet row = statement.executeQuery("SELECT * FROM " + table)) {
            ResultSetMetaData columns = row.getMetaData();
            List<String> names = new ArrayList<>();
            boolean large = false;
            for (int i = 1; i <= columns.getColumnCount(); i++) {
                names.add(columns.getColumnName(i).toLowerCase(Locale.ROOT));
                large |= isBytes(columns.getColumnType(i));
            }
            String into = "INSERT INTO " + table + " (" + String.join(", ", names) + ") VALUES ("
                    + String.join(", ", Collections.nCopies(names.size(), "?")) + ")";
            try (PreparedStatement insert = shared.prepareStatement(into)) {
                return copy(row, columns, insert, large ? 1 : AT_ONCE);
            }
        }
    }

    /** @param atOnce one where each may be as large as a file */
    private static long copy(ResultSet row, ResultSetMetaData columns, PreparedStatement insert, int atOnce)
            throws SQLException {
        long rows = 0;
        while (row.next()) {
            for (int i = 1; i <= columns.getColumnCount(); i++) {
                set(insert, i, row, columns.getColumnType(i));
            }
            insert.addBatch();
            rows++;
            if (rows % atOnce == 0) {
                insert.executeBatch();
            }
        }
        insert.executeBatch();
        return rows;
    }

    private static boolean isBytes(int type) {
        return type == Types.BLOB || type == Types.VARBINARY || type == Types.BINARY;
    }

    /** Instants are kept to the microsecond there, and so cut off, not rounded up into the future. */
    private static void set(PreparedStatement insert, int place, ResultSet row, int type) throws SQLException {
        if (isBytes(type)) {
            insert.setBytes(place, bytes(row, place));
        } else if (type == Types.TIMESTAMP_WITH_TIMEZONE) {
            OffsetDateTime at = row.getObject(place, OffsetDateTime.class);
            insert.setObject(place, at == null ? null : at.truncatedTo(ChronoUnit.MICROS), type);
        } else if (type == Types.BOOLEAN || type == Types.BIGINT || type == Types.INTEGER) {
            insert.setObject(place, row.getObject(place), type);
        } else {
            insert.setString(place, row.getString(place));
        }
    }

    private static byte @Nullable [] bytes(ResultSet row, int place) throws SQLException {
        try (InputStream in = row.getBinaryStream(place)) {
            return in == null ? null : in.readAllBytes();
        } catch (IOException unread) {
            throw new UncheckedIOException("the contents of a file can't be read", unread);
        }
    }

    private void execute(String sql) throws SQLException {
        try (Statement statement = shared.createStatement()) {
            statement.execute(sql);
        }
    }

    private static List<List<String>> rows(Connection db, String sql, int width) throws SQLException {
        try (Statement statement = db.createStatement();
                ResultSet row = statement.executeQuery(sql)) {
            List<List<String>> rows = new ArrayList<>();
            while (row.next()) {
                List<String> cells = new ArrayList<>();
                for (int i = 1; i <= width; i++) {
                    cells.add(row.getString(i));
                }
                rows.add(cells);
            }
            return rows;
        }
    }

    private static long count(Connection db, String table) throws SQLException {
        return Long.parseLong(
                rows(db, "SELECT COUNT(*) FROM " + table, 1).get(0).get(0));
    }
}
