package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.math.BigDecimal;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.sql.Types;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import org.springframework.util.FileSystemUtils;
import org.testng.SkipException;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** A whole term out of its file into a PostgreSQL, where it goes on. */
public class MoveTest {
    private Postgres postgres;
    private Path folder;
    private Map<String, String> environment;

    /** The demo's data, with something of everything, as those of a Navlo of one's own. */
    @BeforeClass
    public void aTermInAFile() throws Exception {
        if (!Postgres.isInstalled()) {
            throw new SkipException("no PostgreSQL is installed");
        }
        postgres = new Postgres();
        folder = Files.createTempDirectory("navlo-move");
        new OtherProcess(folder, "demo").close();
        for (String ending : List.of(".mv.db", ".key")) {
            Files.move(
                    folder.resolve("navlo-demo" + ending),
                    folder.resolve("navlo" + ending),
                    StandardCopyOption.REPLACE_EXISTING);
        }
        environment = Map.of(
                "NAVLO_DB",
                "jdbc:postgresql://" + postgres.where() + "/postgres",
                "NAVLO_DB_USER",
                "navlo",
                "NAVLO_KEY",
                Files.readString(folder.resolve("navlo.key")).strip());
    }

    @AfterClass(alwaysRun = true)
    public void stop() throws Exception {
        if (postgres != null) {
            postgres.close();
            FileSystemUtils.deleteRecursively(folder);
        }
    }

    private List<String> arguments() {
        return List.of("--data", folder.toString());
    }

    private String refused(Map<String, String> otherwise) {
        return expectThrows(IllegalArgumentException.class, () -> new Move(otherwise).move(arguments()))
                .getMessage();
    }

    private Map<String, String> but(String name, String value) {
        Map<String, String> changed = new HashMap<>(environment);
        changed.put(name, value);
        return changed;
    }

    @Test
    public void whatIsMissingOrWrongIsSaidBeforeAnythingIsDone() {
        assertTrue(refused(Map.of()).startsWith("say where to: set NAVLO_DB"), refused(Map.of()));
        String other = refused(but("NAVLO_KEY", "AAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAA="));
        assertTrue(other.contains("NAVLO_KEY=$(cat " + folder), other);
        String nothing = expectThrows(IllegalArgumentException.class, () -> new Move(environment)
                        .move(List.of("--data", folder.resolve("none").toString())))
                .getMessage();
        assertTrue(nothing.contains("no data in that folder"), nothing);
    }

    /** Everything is there, cell by cell, and goes on from there: people sign in, and what is new gets a number of its own. */
    @Test
    public void everyRowComesAlongAndLifeGoesOn() throws Exception {
        Map<String, List<String>> before = cells(fileOfOurs());
        String said = new Move(environment).move(arguments());
        assertTrue(said.contains(" people, ") && said.contains(folder.resolve("navlo.mv.db") + " stays"), said);
        Map<String, List<String>> after = cells(shared());
        assertEquals(after.keySet(), before.keySet());
        before.forEach((table, rows) -> assertEquals(after.get(table), rows, table));
        assertTrue(refused(environment).contains("there are people in"), refused(environment));
        try (OtherProcess navlo = new OtherProcess(folder, environment, "start")) {
            TestClient mira = navlo.mira();
            assertEquals(mira.get("/api/students/1/board").status(), 200);
            TestClient.Answer added = mira.post(
                    "/api/students/1/courses",
                    "{\"name\":\"Botany\",\"teacher\":null,\"zone\":\"Europe/Oslo\",\"colour\":\"fern\"}");
            assertEquals(added.status(), 201, added.body());
        }
        assertEquals(cells(fileOfOurs()), before, "the file is as it was");
    }

    private Connection fileOfOurs() throws SQLException {
        return DriverManager.getConnection("jdbc:h2:file:" + folder.resolve("navlo") + ";IFEXISTS=TRUE", "navlo", "");
    }

    private Connection shared() throws SQLException {
        return DriverManager.getConnection(environment.get("NAVLO_DB"), "navlo", null);
    }

    /** By table: its rows, each in one text, in the order of these. */
    private static Map<String, List<String>> cells(Connection opened) throws SQLException {
        try (Connection db = opened;
                Statement statement = db.createStatement()) {
            List<String> tables = new ArrayList<>();
            try (ResultSet row = statement.executeQuery("""
                    SELECT LOWER(table_name) FROM information_schema.tables WHERE LOWER(table_schema) = 'public'
                    AND table_type = 'BASE TABLE' AND LOWER(table_name) <> 'flyway_schema_history'
                    """)) {
                while (row.next()) {
                    tables.add(row.getString(1));
                }
            }
            Map<String, List<String>> all = new TreeMap<>();
            for (String table : tables) {
                all.put(table, rows(statement, table));
            }
            return all;
        }
    }

    private static List<String> rows(Statement statement, String table) throws SQLException {
        List<String> rows = new ArrayList<>();
        try (ResultSet row = statement.executeQuery("SELECT * FROM " + table)) {
            int width = row.getMetaData().getColumnCount();
            while (row.next()) {
                Map<String, String> cells = new TreeMap<>();
                for (int i = 1; i <= width; i++) {
                    cells.put(row.getMetaData().getColumnName(i).toLowerCase(Locale.ROOT), cell(row, i));
                }
                rows.add(cells.toString());
            }
        }
        rows.sort(null);
        return rows;
    }

    private static String cell(ResultSet row, int place) throws SQLException {
        String type = row.getMetaData().getColumnTypeName(place).toLowerCase(Locale.ROOT);
        if (type.equals("timestamptz") || row.getMetaData().getColumnType(place) == Types.TIMESTAMP_WITH_TIMEZONE) {
            OffsetDateTime at = row.getObject(place, OffsetDateTime.class);
            return at == null
                    ? "none"
                    : at.withOffsetSameInstant(ZoneOffset.UTC)
                            .truncatedTo(ChronoUnit.MICROS)
                            .toString();
        }
        Object value = row.getObject(place);
        if (value == null) {
            return "none";
        }
        if (type.equals("bytea") || type.contains("binary")) {
            return Integer.toString(Arrays.hashCode(row.getBytes(place)));
        }
        if (value instanceof Number number) {
            return new BigDecimal(number.toString()).stripTrailingZeros().toPlainString();
        }
        return value instanceof Boolean ? value.toString() : row.getString(place);
    }
}
