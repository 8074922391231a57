package app.navlo.server.store;

import app.navlo.server.store.ArchiveTables.Table;
import java.sql.ResultSet;
import java.sql.ResultSetMetaData;
import java.sql.SQLException;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Repository;

/** Copies whole rows of a student's tables, out and in, whatever their columns. */
@Repository
public class TableCopies {
    private static final String REFERENCES = """
            SELECT LOWER(one.table_name) of_table, LOWER(one.column_name) of_column,
                   LOWER(other.table_name) named_table, LOWER(other.column_name) named_column
            FROM information_schema.key_column_usage one
            JOIN information_schema.referential_constraints reference
              ON reference.constraint_name = one.constraint_name
             AND reference.constraint_schema = one.constraint_schema
            JOIN information_schema.key_column_usage other
              ON other.constraint_name = reference.unique_constraint_name
             AND other.constraint_schema = one.constraint_schema
             AND other.ordinal_position = one.position_in_unique_constraint
            WHERE one.constraint_schema = CURRENT_SCHEMA
            """;

    private final JdbcTemplate db;

    TableCopies(JdbcTemplate db) {
        this.db = db;
    }

    public record Column(String table, String name) {}

    /** In the order of the table, in lower case. */
    public List<String> columns(Table table) {
        return db.queryForList("""
                        SELECT column_name FROM information_schema.columns
                        WHERE table_schema = CURRENT_SCHEMA AND LOWER(table_name) = ? ORDER BY ordinal_position
                        """, String.class, table.name()).stream()
                .map(name -> name.toLowerCase(Locale.ROOT))
                .toList();
    }

    /** Which column names which. */
    public Map<Column, Column> references() {
        Map<Column, Column> named = new HashMap<>();
        db.query(REFERENCES, row -> {
            named.put(
                    new Column(row.getString("of_table"), row.getString("of_column")),
                    new Column(row.getString("named_table"), row.getString("named_column")));
        });
        return named;
    }

    /** The rows of a student, one at a time: the values by column, in its order, without those that are null. */
    public void each(Table table, long student, Consumer<Map<String, String>> taker) {
        String sql = "SELECT * FROM " + table.name() + " WHERE " + table.of() + " ORDER BY " + table.order();
        db.query(
                sql,
                row -> {
                    taker.accept(values(row));
                },
                student);
    }

    private static Map<String, String> values(ResultSet row) throws SQLException {
        ResultSetMetaData columns = row.getMetaData();
        Map<String, String> values = new LinkedHashMap<>();
        for (int i = 1; i <= columns.getColumnCount(); i++) {
            String value = row.getString(i);
            if (value != null) {
                values.put(columns.getColumnName(i).toLowerCase(Locale.ROOT), value);
            }
        }
        return values;
    }

    /**
     * @param rows each with a value for every column, in their order
     * @throws org.springframework.dao.DataAccessException if one doesn't fit
     */
    public void insert(Table table, List<String> columns, List<Object[]> rows) {
        String key = ArchiveTables.WORDS.get(table.name());
        db.batchUpdate(
                (key == null ? "INSERT INTO " : "MERGE INTO ") + table.name() + " (" + String.join(", ", columns) + ")"
                        + (key == null ? "" : " KEY (" + key + ")") + " VALUES ("
                        + String.join(", ", Collections.nCopies(columns.size(), "?")) + ")",
                rows);
    }

    /** The greatest number of a row; 0 for none, or where rows have no number. */
    public long last(Table table) {
        Long last = columns(table).contains("id")
                ? db.queryForObject("SELECT COALESCE(MAX(id), 0) FROM " + table.name(), Long.class)
                : null;
        return last == null ? 0 : last;
    }

    /** New rows get numbers after those that came. */
    public void numbersGoOn() {
        for (Table table : ArchiveTables.ALL) {
            if (columns(table).contains("id")) {
                db.execute("ALTER TABLE " + table.name() + " ALTER COLUMN id RESTART WITH " + (last(table) + 1));
            }
        }
    }

    /** Whether a student has this change. Instants are exact enough to name what was done then. */
    public boolean hasChange(long student, @Nullable String kind, @Nullable String at, @Nullable String summary) {
        try {
            return Boolean.TRUE.equals(db.queryForObject(
                    "SELECT EXISTS (SELECT 1 FROM change WHERE student_id = ? AND kind = ? AND at = ? AND summary = ?)",
                    Boolean.class,
                    student,
                    kind,
                    at,
                    summary));
        } catch (DataAccessException e) {
            return false;
        }
    }
}
