package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** How the server is started, and the data that it finds. */
public class LaunchTest {
    private static void signUp(Connection db, String email) throws SQLException {
        try (Statement statement = db.createStatement()) {
            statement.execute("""
                    INSERT INTO person (email, email_key, password_hash, name, role, zone, created_at)
                    VALUES ('%1$s', '%1$s', 'x', 'Asta', 'STUDENT', 'Europe/Copenhagen', '2026-09-07 08:00:00+00')""".formatted(email));
        }
    }

    private static Connection open(Launch launch) throws SQLException {
        return DriverManager.getConnection(launch.url(), Launch.USER, "");
    }

    /** Connections come and go for as long as the server runs, the first of all too. */
    @Test
    public void rowsAreTakenWhicheverConnectionsWereClosed() throws IOException, SQLException {
        Path data = Files.createTempDirectory("navlo");
        Launch launch = Launch.of(List.of("start", "--data", data.toString()));
        launch.prepare();
        Connection first = open(launch);
        try (Connection second = open(launch)) {
            signUp(first, "a@b.example");
            first.close();
            signUp(second, "c@d.example");
            try (Statement statement = second.createStatement();
                    ResultSet people = statement.executeQuery("SELECT COUNT(*) FROM person")) {
                assertTrue(people.next());
                assertEquals(people.getInt(1), 2);
            }
        }
        launch.prepare();
        try (Connection again = open(launch)) {
            signUp(again, "e@f.example");
        }
    }

    /** What lies there is for who runs it alone, and what a killed server left of uploads is gone. */
    @Test
    public void theFolderIsItsOwnersAlone() throws IOException {
        String before = System.getProperty("java.io.tmpdir");
        Path data = Files.createTempDirectory("navlo").resolve("term");
        Launch launch = Launch.of(List.of("start", "--data", data.toString()));
        try {
            launch.prepare();
            Files.writeString(data.resolve("uploads").resolve("upload_1.tmp"), "half a drawing");
            Files.setPosixFilePermissions(data.resolve("navlo.mv.db"), PosixFilePermissions.fromString("rw-r--r--"));
            launch.prepare();
        } finally {
            System.setProperty("java.io.tmpdir", before);
        }
        assertEquals(PosixFilePermissions.toString(Files.getPosixFilePermissions(data)), "rwx------");
        assertEquals(
                PosixFilePermissions.toString(Files.getPosixFilePermissions(data.resolve("navlo.mv.db"))), "rw-------");
        assertTrue(Files.isDirectory(data.resolve("uploads")));
        assertFalse(Files.exists(data.resolve("uploads").resolve("upload_1.tmp")));
    }

    @DataProvider
    public static Object[][] wrong() {
        return new Object[][] {
            {List.of(), "say 'demo' or 'start'"},
            {List.of("run"), "not 'run'"},
            {List.of("start", "--port"), "--port wants a value"},
            {List.of("start", "--port", "70000"), "not '70000'"},
            {List.of("start", "--colour", "red"), "there is no option '--colour'"},
        };
    }

    @Test(dataProvider = "wrong")
    public void aWrongCallSaysWhatIsWrong(List<String> args, String words) {
        String said = String.valueOf(expectThrows(IllegalArgumentException.class, () -> Launch.of(args))
                .getMessage());
        assertTrue(said.contains(words), said);
    }

    @Test
    public void whatIsAskedForIsPassedOn() {
        Launch launch = Launch.of(List.of("demo", "--port", "9000", "--keep", "--still", "--host", "0.0.0.0"));
        assertEquals(launch.properties().get("server.port"), 9000);
        assertEquals(launch.properties().get("server.address"), "0.0.0.0");
        assertEquals(launch.properties().get("navlo.demo"), true);
        assertEquals(launch.properties().get("navlo.demo.clock"), "still");
        assertTrue(launch.url().contains("navlo-demo"), launch.url());
    }
}
