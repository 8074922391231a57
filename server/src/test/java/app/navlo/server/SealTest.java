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
import java.sql.SQLException;
import java.util.List;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Data that were changed while nothing had them open are not opened. */
public class SealTest {
    private Path folder;
    private Launch launch;
    private String temporary;

    private interface Change {
        void of(Path file) throws IOException;
    }

    @BeforeMethod
    public void dataStoppedInPeace() throws IOException {
        temporary = System.getProperty("java.io.tmpdir");
        folder = Files.createTempDirectory("navlo-seal");
        launch = Launch.of(List.of("start", "--data", folder.toString()));
        launch.prepare();
        launch.seal().put();
    }

    @AfterMethod(alwaysRun = true)
    public void back() {
        System.setProperty("java.io.tmpdir", temporary);
    }

    private Path seal() {
        return folder.resolve("navlo.seal");
    }

    private static void flip(Path file, double where) throws IOException {
        try (RandomAccessFile data = new RandomAccessFile(file.toFile(), "rw")) {
            long at = (long) (data.length() * where);
            data.seek(at);
            int one = data.read();
            data.seek(at);
            data.write(one ^ 1);
        }
    }

    /** Whether a checksum stands beside the data, and not who has them open. */
    private boolean isSealed() throws IOException {
        return !Files.readString(seal()).startsWith("open ");
    }

    @Test
    public void whatIsAsItWasLeftStartsAndHasNoChecksumWhileItRuns() throws IOException {
        assertTrue(isSealed());
        launch.prepare();
        assertFalse(isSealed(), "who is killed from here on leaves none behind that is wrong");
        launch.prepare();
    }

    /** Who failed to start beside a Navlo that runs, or was slow to stop, seals nothing that another writes to. */
    @Test
    public void onlyWhoHasTheDataSealsThem() throws IOException {
        launch.prepare();
        Files.writeString(seal(), "open by another");
        launch.seal().put();
        assertEquals(Files.readString(seal()), "open by another");
        launch.prepare();
        launch.seal().put();
        assertTrue(isSealed());
    }

    /** A second Navlo on the same folder is told so before it touches anything. */
    @Test
    public void whatAnotherHasOpenIsntClaimed() throws IOException, SQLException {
        launch.prepare();
        String mine = Files.readString(seal());
        try (Connection open = DriverManager.getConnection(launch.url(), Launch.USER, "")) {
            String words = String.valueOf(
                    expectThrows(Seal.InUse.class, launch::prepare).getMessage());
            assertTrue(words.contains("another Navlo uses this data"), words + open);
        }
        assertEquals(Files.readString(seal()), mine);
    }

    @DataProvider
    public static Object[][] changes() {
        return new Object[][] {
            {(Change) file -> flip(file, 0)},
            {(Change) file -> flip(file, 0.3)},
            {(Change) file -> flip(file, 0.7)},
            {(Change) file -> flip(file, 0.999)},
            {(Change) file -> Files.write(file, new byte[0])},
            {(Change) file -> Files.write(file, new byte[] {0}, java.nio.file.StandardOpenOption.APPEND)},
        };
    }

    @Test(dataProvider = "changes")
    public void oneBitElsewhereIsRefusedWithTheCureAndNothingIsTouched(Change change) throws IOException {
        change.of(launch.file());
        byte[] damaged = Files.readAllBytes(launch.file());
        for (int again = 0; again < 2; again++) {
            String words = String.valueOf(
                    expectThrows(Seal.DamagedData.class, launch::prepare).getMessage());
            assertTrue(words.contains("./navlo restore FILE"), words);
            assertTrue(words.contains("delete " + seal()), words);
        }
        assertEquals(Files.readAllBytes(launch.file()), damaged);
        Files.delete(seal());
        launch.seal().claim();
    }

    /** A seal over data that something writes to would be wrong at once. */
    @Test
    public void whatIsOpenIsntSealed() throws IOException, SQLException {
        launch.prepare();
        try (Connection open = DriverManager.getConnection(launch.url(), Launch.USER, "")) {
            launch.seal().put();
            assertFalse(isSealed(), open.toString());
        }
        launch.seal().put();
        assertTrue(isSealed());
    }

    /** A copy is made from damaged data no more than they are started, and a copy leaves them sealed. */
    @Test
    public void aCopyIsMadeOfWhatIsSealedAndSealsItAgain() throws IOException {
        Backup backup = new Backup(java.time.Duration.ofSeconds(1));
        backup.backup(List.of(folder.resolve("one.zip").toString(), "--data", folder.toString()));
        assertTrue(isSealed());
        flip(launch.file(), 0.5);
        List<String> two = List.of(folder.resolve("two.zip").toString(), "--data", folder.toString());
        expectThrows(Seal.DamagedData.class, () -> backup.backup(two));
        assertFalse(Files.exists(folder.resolve("two.zip")));
        backup.restore(List.of(folder.resolve("one.zip").toString(), "--data", folder.toString()));
        launch.prepare();
    }

    /** Who changed the data by hand takes the seal away, as the words say. */
    @Test
    public void withoutASealWhatCanBeOpenedIsOpened() throws IOException {
        Files.writeString(seal(), "something else", StandardCharsets.UTF_8);
        expectThrows(Seal.DamagedData.class, launch::prepare);
        Files.delete(seal());
        launch.prepare();
    }
}
