package app.navlo.server.administration;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import app.navlo.server.problem.Refusal;
import app.navlo.server.store.CopiesOf;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DriverManagerDataSource;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** Daily copies over some weeks: one a day, the old ones gone, and what isn't a copy left alone. */
public class CopyServiceTest {
    private static final Instant BEGIN = Instant.parse("2026-11-24T15:20:00Z");

    private Path data;
    private JdbcClient db;
    private Instant now;

    @BeforeMethod
    public void someData() throws IOException {
        data = Files.createTempDirectory("navlo-copy-service");
        db = JdbcClient.create(new DriverManagerDataSource(
                "jdbc:h2:file:" + data.resolve("navlo") + ";DB_CLOSE_DELAY=-1", "navlo", ""));
        db.sql("CREATE TABLE note (text VARCHAR(100))").update();
        now = BEGIN;
    }

    @AfterMethod(alwaysRun = true)
    public void done() {
        db.sql("SHUTDOWN").update();
    }

    private CopyService copies(int days) {
        return new CopyService(CopiesOf.the(db), data, days, () -> now);
    }

    private void pass(CopyService copies, Duration time, Duration step) {
        Instant end = now.plus(time);
        while (now.isBefore(end)) {
            copies.round();
            now = now.plus(step);
        }
    }

    private static List<Instant> made(CopyService copies) {
        return copies.all().stream().map(CopyService.Copy::madeAt).toList();
    }

    @Test
    public void oneIsMadeEachDayAndKeptForTheChosenDays() {
        CopyService copies = copies(3);
        pass(copies, Duration.ofDays(10), Duration.ofHours(1));
        List<Instant> made = made(copies);
        assertTrue(made.size() >= 3 && made.size() <= 4, made.toString());
        for (int i = 1; i < made.size(); i++) {
            Duration apart = Duration.between(made.get(i), made.get(i - 1));
            assertTrue(apart.toHours() >= 24 && apart.toHours() <= 25, made.toString());
        }
        assertTrue(made.get(0).isAfter(now.minus(Duration.ofHours(26))), made.toString());
    }

    @Test
    public void noneIsMadeByItselfUnlessItIsChosen() {
        CopyService copies = copies(0);
        pass(copies, Duration.ofDays(3), Duration.ofHours(6));
        assertEquals(copies.all(), List.of());
        assertFalse(Files.exists(data.resolve("copies")), "nor is there a folder for them");
    }

    /** The machine slept for a week: one copy, not seven. */
    @Test
    public void aGapIsOneCopy() {
        CopyService copies = copies(30);
        copies.round();
        now = now.plus(Duration.ofDays(7));
        copies.round();
        copies.round();
        assertEquals(made(copies), List.of(BEGIN.plus(Duration.ofDays(7)), BEGIN));
    }

    @Test
    public void whatIsAskedForIsMadeBesideAndCountsForTheDay() {
        CopyService copies = copies(2);
        CopyService.Copy made = copies.make();
        assertEquals(made.madeAt(), BEGIN);
        assertEquals(made.name(), "navlo-2026-11-24T152000Z.zip");
        assertTrue(made.bytes() > 100, made.toString());
        now = now.plus(Duration.ofHours(2));
        copies.round();
        assertEquals(made(copies), List.of(BEGIN));
    }

    @Test
    public void whatLiesBesideThemStays() throws IOException {
        CopyService copies = copies(1);
        copies.round();
        Path notes = data.resolve("copies").resolve("how-to-go-back.txt");
        Files.writeString(notes, "stop, unpack, start");
        Path kept = data.resolve("copies").resolve("navlo-before-the-move.zip");
        Files.writeString(kept, "carried here by hand");
        now = now.plus(Duration.ofDays(5));
        copies.round();
        assertTrue(Files.exists(notes) && Files.exists(kept));
        assertEquals(made(copies), List.of(now));
    }

    @Test
    public void aFolderThatCannotBeMadeIsSaidAndNothingHalfIsLeft() throws IOException {
        Files.writeString(data.resolve("copies"), "a file where the folder should be");
        Refusal refused = expectThrows(Refusal.class, () -> copies(1).make());
        assertEquals(refused.status().value(), 507);
        assertTrue(
                refused.faults().get(0).message().contains(data.toString()),
                refused.faults().toString());
        assertEquals(copies(1).all(), List.of());
    }
}
