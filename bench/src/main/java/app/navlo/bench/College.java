package app.navlo.bench;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;

/**
 * Grows the data of one student into those of as many as are wanted: the first one's rows over and over, each with numbers of its
 * own, points drawn anew from a seed. The file is written by itself, while no Navlo has it open.
 */
final class College implements AutoCloseable {
    /** What only one has, or what only means something for the one who made it. */
    private static final Set<String> NOT_COPIED = Set.of(
            "ACCESS_TOKEN",
            "ADDRESS_CONFIRMATION",
            "CALENDAR_FEED",
            "GUARDIANSHIP",
            "HELD_PLAN",
            "INSTANCE",
            "INVITATION",
            "WRITE_ONCE");

    private static final long FIRST = 1;
    private static final int AT_ONCE = 250;
    /** Points that were given are between so much of the first student's and all of it. */
    private static final double LEAST_SHARE = 0.6;

    private final Connection db;
    /** By table: its columns, and of them those whose number is of a row: they are told apart by student. */
    private final Map<String, List<String>> columns = new TreeMap<>();

    private final Map<String, Set<String>> numbers = new TreeMap<>();

    College(Path database) throws SQLException {
        db = DriverManager.getConnection("jdbc:h2:file:" + database + ";CACHE_SIZE=262144", "navlo", "");
        db.setAutoCommit(false);
        readColumns();
        read(
                "SELECT table_name, column_name FROM information_schema.columns WHERE table_schema = 'PUBLIC' AND is_identity = 'YES'");
        read("""
                SELECT k.table_name, k.column_name FROM information_schema.key_column_usage k
                JOIN information_schema.referential_constraints r ON r.constraint_name = k.constraint_name
                JOIN information_schema.columns c ON c.table_name = k.table_name AND c.column_name = k.column_name
                WHERE k.table_schema = 'PUBLIC' AND c.table_schema = 'PUBLIC' AND c.data_type = 'BIGINT'""");
    }

    private void readColumns() throws SQLException {
        try (Statement statement = db.createStatement();
                ResultSet rows = statement.executeQuery(
                        "SELECT table_name, column_name FROM information_schema.columns WHERE table_schema = 'PUBLIC' ORDER BY table_name, ordinal_position")) {
            while (rows.next()) {
                columns.computeIfAbsent(rows.getString(1), any -> new ArrayList<>())
                        .add(rows.getString(2));
            }
        }
    }

    private void read(String sql) throws SQLException {
        try (Statement statement = db.createStatement();
                ResultSet rows = statement.executeQuery(sql)) {
            while (rows.next()) {
                numbers.computeIfAbsent(rows.getString(1), any -> new HashSet<>())
                        .add(rows.getString(2));
            }
        }
    }

    /** Leaves of all people the first alone, and of all rows those that name nobody and nothing that is gone. */
    void only() throws SQLException {
        List<String> orphans = new ArrayList<>();
        try (Statement statement = db.createStatement()) {
            try (ResultSet rows = statement.executeQuery("""
                    SELECT k.table_name, k.column_name, p.table_name, p.column_name
                    FROM information_schema.referential_constraints r
                    JOIN information_schema.key_column_usage k ON k.constraint_name = r.constraint_name
                    JOIN information_schema.key_column_usage p ON p.constraint_name = r.unique_constraint_name
                        AND p.ordinal_position = k.position_in_unique_constraint
                    WHERE k.table_schema = 'PUBLIC'""")) {
                while (rows.next()) {
                    orphans.add("DELETE FROM %s WHERE %2$s IS NOT NULL AND %2$s NOT IN (SELECT %4$s FROM %3$s)"
                            .formatted(rows.getString(1), rows.getString(2), rows.getString(3), rows.getString(4)));
                }
            }
            statement.execute("SET REFERENTIAL_INTEGRITY FALSE");
            int gone = statement.executeUpdate("DELETE FROM person WHERE id <> " + FIRST);
            while (gone > 0) {
                gone = 0;
                for (String orphan : orphans) {
                    gone += statement.executeUpdate(orphan);
                }
            }
            statement.execute("SET REFERENTIAL_INTEGRITY TRUE");
            db.commit();
        }
    }

    /** @return how far the numbers of one student lie from those of the next */
    long grow(long students, long seed) throws SQLException {
        long apart = apart();
        try (Statement statement = db.createStatement()) {
            statement.execute("SET REFERENTIAL_INTEGRITY FALSE");
            statement.execute("SELECT RAND(" + seed + ")");
            for (String table : copied()) {
                statement.execute("CREATE LOCAL TEMPORARY TABLE first_" + table + " AS SELECT * FROM " + table);
            }
            for (long from = 1; from < students; from += AT_ONCE) {
                for (String table : copied()) {
                    statement.execute(copy(table, from, Math.min(students - 1, from + AT_ONCE - 1), apart));
                }
                db.commit();
            }
            for (String table : copied()) {
                if (numbers.get(table).contains("ID")) {
                    statement.execute(
                            "ALTER TABLE " + table + " ALTER COLUMN id RESTART WITH " + apart * (students + 1));
                }
            }
            statement.execute("SET REFERENTIAL_INTEGRITY TRUE");
            db.commit();
        }
        return apart;
    }

    private List<String> copied() {
        return numbers.keySet().stream()
                .filter(table -> !NOT_COPIED.contains(table) && !table.startsWith("SPRING_"))
                .toList();
    }

    private long apart() throws SQLException {
        long most = 0;
        for (String table : numbers.keySet()) {
            if (numbers.get(table).contains("ID")) {
                most = Math.max(most, number("SELECT COALESCE(MAX(id), 0) FROM " + table));
            }
        }
        return most + 1;
    }

    private String copy(String table, long from, long to, long apart) {
        String values = columns.get(table).stream()
                .map(column -> value(table, column, apart))
                .collect(Collectors.joining(", "));
        // One student after another: rows that come in the order of their numbers are quickly put at the end.
        return "INSERT INTO " + table + " (" + String.join(", ", columns.get(table)) + ") SELECT " + values
                + " FROM (SELECT x AS nth FROM SYSTEM_RANGE(" + from + ", " + to + ")) AS other CROSS JOIN first_"
                + table + " ORDER BY other.nth";
    }

    private String value(String table, String column, long apart) {
        if (numbers.get(table).contains(column)) {
            return column + " + other.nth * " + apart;
        }
        if (table.equals("PERSON")) {
            return switch (column) {
                case "EMAIL", "EMAIL_KEY" -> "'" + email("' || (other.nth + 1) || '") + "'";
                case "NAME" -> "'Student ' || (other.nth + 1)";
                default -> column;
            };
        }
        return table.equals("FACT") && column.equals("POINTS")
                ? "points * (" + LEAST_SHARE + " + " + (1 - LEAST_SHARE) + " * RAND())"
                : column;
    }

    static String email(Object number) {
        return "student." + number + "@example.org";
    }

    /** The number of a student, the first of whom is 1. */
    static long id(long student, long apart) {
        return FIRST + (student - 1) * apart;
    }

    /** A guardian of so many of them. */
    void entrust(long guardian, long students, long apart) throws SQLException {
        try (Statement statement = db.createStatement()) {
            statement.execute(
                    "INSERT INTO guardianship (guardian_id, student_id, accepted_at) SELECT %d, %d + (x - 1) * %d, CURRENT_TIMESTAMP FROM SYSTEM_RANGE(1, %d)"
                            .formatted(guardian, FIRST, apart, students));
            db.commit();
        }
    }

    long number(String sql) throws SQLException {
        try (Statement statement = db.createStatement();
                ResultSet row = statement.executeQuery(sql)) {
            row.next();
            return row.getLong(1);
        }
    }

    /** What was overwritten on the way gives its space back. */
    @Override
    public void close() throws SQLException {
        try (Statement statement = db.createStatement()) {
            statement.execute("SHUTDOWN COMPACT");
        }
    }
}
