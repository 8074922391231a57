package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** Stored data come up to date whole or stay as they were. */
public class UpgradeTest {
    private static final String OLD = "11";

    private Path data;
    private final List<Path> opened = new ArrayList<>();

    @BeforeMethod
    public void oldData() throws IOException, SQLException {
        data = Files.createTempDirectory("navlo-upgrade").resolve("navlo.mv.db");
        upgrade().bring(OLD);
        run("""
                INSERT INTO person (email, email_key, password_hash, name, role, zone, created_at)
                VALUES ('a@b.example', 'a@b.example', 'x', 'Asta', 'STUDENT', 'Europe/Copenhagen', '2026-09-07 08:00:00+00')""");
        opened.clear();
    }

    private Upgrade upgrade() {
        return new Upgrade(data, this::url);
    }

    private String url(Path database) {
        opened.add(database);
        return "jdbc:h2:file:" + database;
    }

    private Connection open() throws SQLException {
        return DriverManager.getConnection("jdbc:h2:file:" + data.toString().replace(".mv.db", ""), Launch.USER, "");
    }

    private void run(String sql) throws SQLException {
        try (Connection db = open();
                Statement statement = db.createStatement()) {
            statement.execute(sql);
        }
    }

    private int number(String sql) throws SQLException {
        try (Connection db = open();
                Statement statement = db.createStatement();
                ResultSet row = statement.executeQuery(sql)) {
            row.next();
            return row.getInt(1);
        }
    }

    private int version() throws SQLException {
        return number("SELECT MAX(CAST(\"version\" AS INT)) FROM \"flyway_schema_history\" WHERE \"success\"");
    }

    private Path next() {
        return data.resolveSibling("navlo-next.mv.db");
    }

    @Test
    public void itIsDoneOnACopyThatTakesTheirPlace() throws IOException, SQLException {
        assertEquals(version(), Integer.parseInt(OLD));
        upgrade().bring();
        assertTrue(version() > Integer.parseInt(OLD), "version " + version());
        assertEquals(number("SELECT COUNT(*) FROM person WHERE name = 'Asta'"), 1);
        assertFalse(Files.exists(next()));
        assertTrue(opened.contains(data.resolveSibling("navlo-next")), opened.toString());
    }

    /** As it is after a kill: the copy lies there half done, the data are untouched. */
    @Test
    public void whatWasCutOffIsBegunAnew() throws IOException, SQLException {
        Files.writeString(next(), "half of a copy", StandardCharsets.UTF_8);
        upgrade().bring();
        assertEquals(number("SELECT COUNT(*) FROM person WHERE name = 'Asta'"), 1);
        assertFalse(Files.exists(next()));
    }

    /** A step that fails after others were done leaves nothing of them in the data. */
    @Test
    public void aStepThatFailsLeavesTheDataAsTheyWere() throws IOException, SQLException {
        run("CREATE TABLE held_plan (somebody VARCHAR(10))");
        for (int again = 0; again < 2; again++) {
            expectThrows(RuntimeException.class, () -> upgrade().bring());
            assertEquals(version(), Integer.parseInt(OLD));
        }
        assertEquals(number("SELECT COUNT(*) FROM held_plan"), 0);
        run("DROP TABLE held_plan");
        upgrade().bring();
        assertTrue(version() > Integer.parseInt(OLD));
    }

    @Test
    public void whatIsUpToDateIsntCopied() throws IOException {
        upgrade().bring();
        opened.clear();
        upgrade().bring();
        assertFalse(opened.contains(data.resolveSibling("navlo-next")), opened.toString());
    }

    /** A file that was cut off to nothing isn't begun anew as if nobody had ever been here. */
    @Test
    public void aFileWithNothingInItIsNoNewNavlo() throws IOException {
        for (int size : new int[] {0, 10, 4096}) {
            Files.write(data, new byte[size]);
            Exception refused = expectThrows(Exception.class, () -> upgrade().bring());
            assertTrue(refused instanceof Seal.DamagedData || Failures.damaged(refused), size + " bytes: " + refused);
        }
    }

    @Test
    public void dataOfANewerNavloAreLeftAlone() throws IOException, SQLException {
        upgrade().bring();
        run("INSERT INTO \"flyway_schema_history\" SELECT \"installed_rank\" + 1000, '9999', 'from the future', 'SQL',"
                + " 'V9999__from_the_future.sql', 1, \"installed_by\", \"installed_on\", 1, TRUE FROM \"flyway_schema_history\""
                + " WHERE \"version\" = '1'");
        String words = String.valueOf(
                expectThrows(IllegalArgumentException.class, () -> upgrade().bring())
                        .getMessage());
        assertTrue(words.contains("newer Navlo"), words);
    }

    @Test
    public void twoAtOnceDontMeet() throws IOException, SQLException {
        try (FileChannel other = FileChannel.open(
                        data.resolveSibling("navlo.upgrading"), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
                FileLock held = other.lock()) {
            String words = String.valueOf(
                    expectThrows(IllegalArgumentException.class, () -> upgrade().bring())
                            .getMessage());
            assertTrue(words.contains("another Navlo is starting"), words + held);
        }
        assertEquals(version(), Integer.parseInt(OLD));
        upgrade().bring();
    }
}
