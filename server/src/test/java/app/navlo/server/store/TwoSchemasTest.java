package app.navlo.server.store;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.flywaydb.core.Flyway;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/**
 * The file database and PostgreSQL hold the same tables: what the migrations of the one made is what those of the other make.
 * Both are read by H2, which speaks enough of PostgreSQL for them; whether PostgreSQL takes it, is seen by whoever runs the
 * tests on one.
 */
public class TwoSchemasTest {
    private static final String OF_FILE = "jdbc:h2:mem:two-schemas-file;DB_CLOSE_DELAY=-1";
    private static final String OF_POSTGRES =
            "jdbc:h2:mem:two-schemas-postgres;MODE=PostgreSQL;DATABASE_TO_LOWER=TRUE;DB_CLOSE_DELAY=-1";

    private static final String COLUMNS = """
            SELECT LOWER(table_name), LOWER(column_name), UPPER(data_type), character_maximum_length, numeric_precision, numeric_scale,
                   is_nullable, is_identity, CASE WHEN column_default IS NULL THEN '' ELSE 'default' END
            FROM information_schema.columns
            WHERE LOWER(table_schema) = 'public' AND LOWER(table_name) <> 'flyway_schema_history'
            """;

    private static final String REFERENCES = """
            SELECT LOWER(one.table_name), LOWER(one.column_name), LOWER(other.table_name), LOWER(other.column_name),
                   reference.delete_rule
            FROM information_schema.key_column_usage one
            JOIN information_schema.referential_constraints reference
              ON reference.constraint_name = one.constraint_name
            JOIN information_schema.key_column_usage other
              ON other.constraint_name = reference.unique_constraint_name
             AND other.ordinal_position = one.position_in_unique_constraint
            """;

    private static final String KEYS = """
            SELECT LOWER(held.table_name), held.constraint_type,
                   LISTAGG(LOWER(part.column_name), ',') WITHIN GROUP (ORDER BY part.ordinal_position)
            FROM information_schema.table_constraints held
            JOIN information_schema.key_column_usage part ON part.constraint_name = held.constraint_name
            WHERE held.constraint_type IN ('PRIMARY KEY', 'UNIQUE') AND LOWER(held.table_name) <> 'flyway_schema_history'
            GROUP BY held.constraint_name, held.table_name, held.constraint_type
            """;

    private static final String CHECKS = """
            SELECT LOWER(held.table_name), said.check_clause
            FROM information_schema.table_constraints held
            JOIN information_schema.check_constraints said ON said.constraint_name = held.constraint_name
            """;

    private static final String INDEXES = """
            SELECT LOWER(held.table_name), held.index_type_name,
                   LISTAGG(LOWER(part.column_name), ',') WITHIN GROUP (ORDER BY part.ordinal_position)
            FROM information_schema.indexes held
            JOIN information_schema.index_columns part
              ON part.index_name = held.index_name AND part.table_name = held.table_name
            WHERE LOWER(held.table_name) <> 'flyway_schema_history'
            GROUP BY held.index_name, held.table_name, held.index_type_name
            """;

    private Connection file;
    private Connection postgres;

    @BeforeClass
    public void makeBoth() throws SQLException {
        Flyway.configure().dataSource(OF_FILE, "navlo", "").load().migrate();
        file = DriverManager.getConnection(OF_FILE, "navlo", "");
        Flyway.configure()
                .dataSource(OF_POSTGRES, "navlo", "")
                .locations("classpath:db/postgresql")
                .load()
                .migrate();
        postgres = DriverManager.getConnection(OF_POSTGRES, "navlo", "");
    }

    @AfterClass(alwaysRun = true)
    public void dropBoth() throws SQLException {
        for (Connection one : new Connection[] {file, postgres}) {
            if (one != null) {
                one.createStatement().execute("SHUTDOWN");
            }
        }
    }

    /** @return the rows, each with its cells in one text */
    private static Set<String> rows(Connection db, String sql) throws SQLException {
        Set<String> rows = new TreeSet<>();
        try (Statement statement = db.createStatement();
                ResultSet row = statement.executeQuery(sql)) {
            int width = row.getMetaData().getColumnCount();
            while (row.next()) {
                StringBuilder cells = new StringBuilder();
                for (int i = 1; i <= width; i++) {
                    cells.append(row.getString(i)).append(' ');
                }
                rows.add(plain(cells.toString().strip()));
            }
        }
        return rows;
    }

    /** Contents of files have other names, and a length in one of them only; instants are kept to the microsecond in one. */
    private static String plain(String row) {
        return row.replaceAll("BINARY LARGE OBJECT \\d+", "BYTES")
                .replaceAll("BINARY VARYING \\d+", "BYTES")
                .replaceAll("DECFLOAT|NUMERIC", "DECIMAL");
    }

    private static void assertSame(Set<String> ofPostgres, Set<String> ofFile) {
        Set<String> more = new TreeSet<>(ofPostgres);
        more.removeAll(ofFile);
        Set<String> missing = new TreeSet<>(ofFile);
        missing.removeAll(ofPostgres);
        assertEquals(missing + " missing, " + more + " more", "[] missing, [] more");
    }

    @Test
    public void theTablesHaveTheSameColumns() throws SQLException {
        Set<String> columns = rows(file, COLUMNS);
        assertTrue(columns.size() > 400, columns.size() + " columns");
        assertSame(rows(postgres, COLUMNS), columns);
    }

    @Test
    public void theSameColumnsNameOthers() throws SQLException {
        Set<String> references = rows(file, REFERENCES);
        assertTrue(references.size() > 100, references.size() + " references");
        assertSame(rows(postgres, REFERENCES), references);
    }

    @Test
    public void theSameColumnsTellRowsApart() throws SQLException {
        assertSame(rows(postgres, KEYS), rows(file, KEYS));
    }

    /** Compared without brackets and casts, which each puts where it likes. */
    @Test
    public void theSameIsAskedOfRows() throws SQLException {
        assertEquals(clauses(postgres), clauses(file));
    }

    private static Map<String, Long> clauses(Connection db) throws SQLException {
        return rows(db, CHECKS).stream()
                .map(row -> row.toLowerCase(java.util.Locale.ROOT)
                        .replaceAll("cast\\((\\d+) as [a-z]+(\\(\\d+\\))?\\)", "$1")
                        .replaceAll("[\"()\\s]", ""))
                .collect(Collectors.groupingBy(row -> row, TreeMap::new, Collectors.counting()));
    }

    /** What is found by an index in the one is found by one in the other; PostgreSQL may have more. */
    @Test
    public void whatIsFoundByAnIndexIsFoundByOne() throws SQLException {
        Set<String> leading = leading(postgres);
        Set<String> missing = leading(file);
        missing.removeAll(leading);
        assertEquals(missing, Set.of());
    }

    private static Set<String> leading(Connection db) throws SQLException {
        return rows(db, INDEXES).stream()
                .map(row -> row.split(" ")[0] + " "
                        + row.substring(row.lastIndexOf(' ') + 1).split(",")[0])
                .collect(Collectors.toCollection(TreeSet::new));
    }
}
