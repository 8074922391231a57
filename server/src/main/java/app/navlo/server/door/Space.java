package app.navlo.server.door;

import java.nio.file.Path;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import org.springframework.util.unit.DataSize;

/**
 * How much may still be written where the data lie. What is left below the floors is kept for what has to be written in any case: a
 * database that finds no space at all closes, and then nobody reads either.
 */
@Component
class Space {
    /** Who asks the disk. */
    @FunctionalInterface
    interface Disk {
        long usable();
    }

    private final Disk disk;
    private final long floor;

    /** @param floor that files leave free; a text, which needs little, leaves a tenth of it */
    @Autowired
    Space(@Value("${navlo.ops.data:.}") Path data, @Value("${navlo.floor:200MB}") DataSize floor) {
        this(() -> data.toAbsolutePath().toFile().getUsableSpace(), floor.toBytes());
    }

    Space(Disk disk, long floor) {
        this.disk = disk;
        this.floor = floor;
    }

    /** @param bytes that come; below 0 where nobody says how many */
    boolean isThereForFiles(long bytes) {
        // Once as it comes, once as it is stored.
        return disk.usable() - 2 * Math.max(0, bytes) >= floor;
    }

    boolean isThereForText() {
        return disk.usable() >= floor / 10;
    }
}
