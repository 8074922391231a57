package app.navlo.server;

import java.io.IOException;
import java.io.InputStream;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.UUID;
import java.util.zip.CRC32C;
import java.util.zip.CheckedInputStream;

/**
 * The checksum of stored data that nothing has open, in a file beside them. The database finds damage only where it can't read on;
 * a letter that a bad disk changed in a name or a score it hands out as it stands. While a Navlo has the data, the file names it
 * instead: nobody else seals what it writes to, and who was killed leaves no checksum that is wrong.
 */
final class Seal {
    private static final int BUFFER = 1 << 20;
    private static final String OPEN = "open ";
    private static final String ME = OPEN + UUID.randomUUID();

    private final Path data;
    private final Path seal;

    /** @param data the file of the database */
    Seal(Path data) {
        this.data = data;
        seal = Path.of(data.toString().replace(".mv.db", ".seal"));
    }

    private interface Step {
        void run() throws IOException;
    }

    /** One at a time, of all processes. */
    private void alone(Step step) throws IOException {
        Path turn = Path.of(seal + ".turn");
        synchronized (Seal.class) {
            try (FileChannel channel = FileChannel.open(turn, StandardOpenOption.CREATE, StandardOpenOption.WRITE);
                    FileLock lock = channel.lock()) {
                assert lock.isValid();
                step.run();
            }
        }
    }

    /**
     * Takes the data for this process, before it opens them.
     *
     * @throws InUse if another has them open
     * @throws DamagedData if they aren't what was left at the last stop; what wasn't stopped in peace has no checksum
     */
    void claim() throws IOException {
        alone(() -> {
            free();
            if (Files.isRegularFile(data)
                    && !written().isEmpty()
                    && !written().startsWith(OPEN)
                    && !written().equals(sum())) {
                throw DamagedData.changed(data, seal);
            }
            Files.writeString(seal, ME);
        });
    }

    /** The same of data that are about to be written anew, whatever they are now. */
    void claimAnew() throws IOException {
        alone(() -> {
            free();
            Files.writeString(seal, ME);
        });
    }

    private void free() throws IOException {
        if (!isClosed()) {
            throw new InUse();
        }
    }

    /** Where this process has claimed the data, nobody else has since, and nothing has them open any more; else nothing is done. */
    void put() throws IOException {
        alone(() -> {
            if (Files.isRegularFile(data) && written().equals(ME) && isClosed()) {
                Files.writeString(seal, sum() + "\n");
            }
        });
    }

    private String written() throws IOException {
        return Files.isRegularFile(seal) ? Files.readString(seal).strip() : "";
    }

    /** Whether nothing has the data open; there may be none yet. */
    boolean isClosed() throws IOException {
        if (!Files.isRegularFile(data)) {
            return true;
        }
        try (FileChannel channel = FileChannel.open(data, StandardOpenOption.WRITE);
                FileLock lock = channel.tryLock()) {
            return lock != null;
        } catch (OverlappingFileLockException openHere) {
            return false;
        }
    }

    private String sum() throws IOException {
        CRC32C sum = new CRC32C();
        try (InputStream in = new CheckedInputStream(Files.newInputStream(data), sum)) {
            byte[] buffer = new byte[BUFFER];
            while (in.read(buffer) >= 0) {
                // The sum sees it pass.
            }
        }
        return Long.toHexString(sum.getValue()) + " " + Files.size(data);
    }

    /** Another process has the data open. */
    static final class InUse extends IOException {
        private static final long serialVersionUID = 1;

        private InUse() {
            super("another Navlo uses this data; stop it, or choose another folder with --data");
        }
    }

    /** The data are others than were left. */
    static final class DamagedData extends IOException {
        private static final long serialVersionUID = 1;

        private DamagedData(String words) {
            super(words);
        }

        private static DamagedData changed(Path data, Path seal) {
            return new DamagedData("the data aren't as they were left at the last stop: " + data
                    + " was damaged, or put there by somebody. Bring it back from a copy (./navlo restore FILE [--data DIR]); or,"
                    + " if it was you who put it there, delete " + seal + " and start again");
        }

        static DamagedData empty(Path data) {
            return new DamagedData(
                    data + " holds no data of Navlo any more: it was cut off, or is something else. Bring it back from"
                            + " a copy (./navlo restore FILE [--data DIR]); or, to begin with nothing, move it away and start again");
        }
    }
}
