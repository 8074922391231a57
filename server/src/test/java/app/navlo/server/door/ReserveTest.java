package app.navlo.server.door;

import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.atomic.AtomicLong;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** The room that is kept for a disk that is full. */
public class ReserveTest {
    private static final long MB = 1 << 20;

    private final AtomicLong free = new AtomicLong();
    private Path file;
    private Reserve reserve;

    @BeforeMethod
    public void anEmptyFolder() throws IOException {
        file = Files.createTempDirectory("navlo-reserve").resolve("navlo.reserve");
        reserve = new Reserve(free::get, file);
    }

    private boolean heldWith(long megabytes) {
        free.set(megabytes * MB);
        reserve.look();
        return Files.exists(file);
    }

    @Test
    public void itIsTakenWhereThereIsRoomAndGivenBackWhereThereIsNone() throws IOException {
        assertTrue(heldWith(1000));
        assertTrue(Files.size(file) >= 16 * MB, "bytes that are really there: " + Files.size(file));
        assertTrue(heldWith(30), "little is left, and it is still kept");
        assertFalse(heldWith(0));
        assertFalse(heldWith(16), "what it gave is not taken back at once");
        assertFalse(heldWith(60));
        assertTrue(heldWith(200), "space was made");
    }

    @Test
    public void whereHardlyAnythingIsFreeNothingIsTaken() {
        assertFalse(heldWith(40));
    }

    /** A folder that is gone ends no round. */
    @Test
    public void whatCantBeWrittenIsTriedAgain() throws IOException {
        Files.delete(file.getParent());
        assertFalse(heldWith(1000));
        Files.createDirectory(file.getParent());
        assertTrue(heldWith(1000));
    }
}
