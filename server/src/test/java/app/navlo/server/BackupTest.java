package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Duration;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.util.FileSystemUtils;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** A copy of all data out of a folder, and back into it when nothing of it is left. */
public class BackupTest {
    private final Backup backup = new Backup(Duration.ofSeconds(30));
    private Path data;
    private Path copy;
    private String temporary;

    @BeforeMethod
    public void aTermOfOnesOwn() throws IOException, SQLException {
        temporary = System.getProperty("java.io.tmpdir");
        data = Files.createTempDirectory("navlo").resolve("term");
        copy = data.resolveSibling("copy-" + UUID.randomUUID() + ".zip");
        launch().prepare();
        System.setProperty("java.io.tmpdir", temporary);
        write("""
                INSERT INTO person (email, email_key, password_hash, name, role, zone, created_at)
                VALUES ('a@b.example', 'a@b.example', 'x', 'Asta', 'STUDENT', 'Europe/Copenhagen', '2026-09-07 08:00:00+00')
                """);
    }

    @AfterMethod(alwaysRun = true)
    public void tidy() throws IOException {
        System.setProperty("java.io.tmpdir", temporary);
        FileSystemUtils.deleteRecursively(data.getParent());
    }

    private Launch launch() {
        return Launch.of(List.of("start", "--data", data.toString(), "--port", "0"));
    }

    private Connection open() throws SQLException {
        return DriverManager.getConnection(launch().url(), Launch.USER, "");
    }

    private void write(String sql) throws SQLException {
        try (Connection db = open();
                Statement statement = db.createStatement()) {
            statement.execute(sql);
        }
    }

    private int people() throws SQLException {
        try (Connection db = open();
                Statement statement = db.createStatement();
                ResultSet rows = statement.executeQuery("SELECT COUNT(*) FROM person WHERE name = 'Asta'")) {
            rows.next();
            return rows.getInt(1);
        }
    }

    private String made() throws IOException {
        return backup.backup(List.of(copy.toString(), "--data", data.toString()));
    }

    private String restored() throws IOException {
        return backup.restore(List.of(copy.toString(), "--data", data.toString()));
    }

    @Test
    public void whatWasLostIsBack() throws IOException, SQLException {
        String line = made();
        assertTrue(line.contains("1 people, 0 pieces of work and 0 files, read back whole"), line);
        FileSystemUtils.deleteRecursively(data);
        String back = restored();
        assertTrue(back.contains("is back from"), back);
        assertFalse(back.contains("What was there"), back);
        assertEquals(people(), 1);
    }

    /** What is there isn't written over: who took the wrong copy goes back once more. */
    @Test
    public void whatWasThereStaysBesideIt() throws IOException, SQLException {
        made();
        write("UPDATE person SET name = 'Somebody else'");
        String back = restored();
        assertTrue(back.contains("What was there is "), back);
        assertEquals(people(), 1);
        try (Stream<Path> files = Files.list(data)) {
            assertEquals(
                    files.filter(file -> file.getFileName().toString().startsWith("navlo-before-"))
                            .count(),
                    1);
        }
    }

    /** Damaged data can't be opened, and is put aside all the same. */
    @Test
    public void damagedDataGiveWayToACopy() throws IOException, SQLException {
        made();
        try (RandomAccessFile file = new RandomAccessFile(launch().file().toFile(), "rw")) {
            file.setLength(file.length() / 2);
            file.seek(0);
            file.write(new byte[8192]);
        }
        assertTrue(restored().contains("What was there is "));
        assertEquals(people(), 1);
    }

    @Test
    public void aCopyThatCantBeReadIsntMadeOne() throws IOException, SQLException {
        made();
        byte[] half = Files.readAllBytes(copy);
        Files.write(copy, java.util.Arrays.copyOf(half, half.length / 2));
        IOException wrong = expectThrows(IOException.class, this::restored);
        assertTrue(wrong.getMessage().contains("only the first part of one"), wrong.getMessage());
        Files.write(copy, "no copy".getBytes(StandardCharsets.UTF_8));
        expectThrows(IOException.class, this::restored);
        assertEquals(people(), 1, "what is there is as it was");
    }

    @Test
    public void aFileThatIsDamagedIsCounted() throws IOException, SQLException {
        try (Connection db = open();
                PreparedStatement statement =
                        db.prepareStatement("INSERT INTO stored_file (sha256, size, content) VALUES (?, 3, ?)")) {
            for (String digest : List.of("0".repeat(64), app.navlo.server.store.Sha256.of("abc"))) {
                statement.setString(1, digest);
                statement.setBytes(2, "abc".getBytes(StandardCharsets.UTF_8));
                statement.execute();
            }
        }
        String line = made();
        assertTrue(line.contains("2 files, read back whole but for 1 files that were damaged before"), line);
    }

    @Test
    public void whatIsTypedWrongIsSaid() throws IOException {
        expectThrows(IllegalArgumentException.class, () -> backup.backup(List.of()));
        expectThrows(IllegalArgumentException.class, () -> backup.backup(List.of("--data", data.toString())));
        expectThrows(
                IllegalArgumentException.class,
                () -> backup.backup(List.of(copy.toString(), "--data", data + "-elsewhere")));
        expectThrows(IllegalArgumentException.class, this::restored);
        made();
        IllegalArgumentException twice = expectThrows(IllegalArgumentException.class, this::made);
        assertTrue(twice.getMessage().contains("is there already"), twice.getMessage());
        assertFalse(Files.exists(Path.of(copy + ".part")));
    }

    /** A Navlo that runs makes the copy itself; going back to one has to wait until it is stopped. */
    @Test
    public void whileItRunsItMakesTheCopyItself() throws IOException, SQLException {
        try (OtherProcess running = new OtherProcess(data, "start")) {
            String line = made();
            assertTrue(line.contains("1 people"), line);
            IllegalArgumentException inUse = expectThrows(IllegalArgumentException.class, this::restored);
            assertTrue(inUse.getMessage().contains("stop it first"), inUse.getMessage());
            running.kill();
        }
        FileSystemUtils.deleteRecursively(data);
        restored();
        assertEquals(people(), 1);
    }

    /** A start on damaged data says how to go on, and touches nothing. */
    @Test
    public void aStartOnDamagedDataNamesTheCure() throws IOException {
        Path file = launch().file();
        try (RandomAccessFile data = new RandomAccessFile(file.toFile(), "rw")) {
            data.setLength(data.length() / 2);
            data.seek(0);
            data.write(new byte[8192]);
        }
        byte[] before = Files.readAllBytes(file);
        IllegalStateException ended =
                expectThrows(IllegalStateException.class, () -> new OtherProcess(data, "start").close());
        assertTrue(ended.getMessage().contains("./navlo restore FILE"), ended.getMessage());
        assertFalse(ended.getMessage().contains("\tat "), "one line, and no stack: " + ended.getMessage());
        assertEquals(Files.readAllBytes(file), before);
    }
}
