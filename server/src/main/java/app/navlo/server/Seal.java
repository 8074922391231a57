package app.navlo.server;

import java.io.IOException;
import java.io.InputStream;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.zip.CRC32C;
import java.util.zip.CheckedInputStream;

/**
 * The checksum of stored data that nothing has open, in a file beside them. The database finds damage only where it can't read on;
 * a letter that a bad disk changed in a name or a score it hands out as it stands.
 */
final class Seal {
    private static final int BUFFER = 1 << 20;

    private final Path data;
    private final Path seal;

    /** @param data the file of the database */
    Seal(Path data) {
        this.data = data;
        seal = Path.of(data.toString().replace(".mv.db", ".seal"));
    }

    /** @throws DamagedData if the data aren't what was left at the last stop; what wasn't stopped in peace has no seal */
    void check() throws IOException {
        if (Files.isRegularFile(seal)
                && Files.isRegularFile(data)
                && !Files.readString(seal).strip().equals(sum())) {
            throw DamagedData.changed(data, seal);
        }
    }

    /** Before something opens the data. */
    void lift() throws IOException {
        Files.deleteIfExists(seal);
    }

    /** Once nothing has the data open any more; where something has, nothing is done. */
    void put() throws IOException {
        if (Files.isRegularFile(data) && isClosed()) {
            Files.writeString(seal, sum() + "\n");
        }
    }

    private boolean isClosed() throws IOException {
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
