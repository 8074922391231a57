package app.navlo.server.door;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Some room that Navlo holds beside its data and gives back when something else has filled the disk to its end: the database, which
 * closes where it can write nothing at all, opens in it again, and people read on and sign in.
 */
@Component
@ConditionalOnProperty("navlo.ops.data")
public class Reserve {
    private static final Logger LOG = LoggerFactory.getLogger(Reserve.class);
    private static final int BYTES = 16 << 20;
    private static final int BLOCK = 1 << 16;
    /** So little is left on a disk that is full. */
    private static final long NOTHING = 1 << 20;
    /** Taken back only where much more than itself is free. */
    private static final int TIMES = 4;

    private final Space.Disk disk;
    private final Path file;

    /** @param data the folder beside which room is held */
    @Autowired
    public Reserve(@Value("${navlo.ops.data}") Path data) {
        this(() -> data.toAbsolutePath().toFile().getUsableSpace(), data.resolve("navlo.reserve"));
    }

    Reserve(Space.Disk disk, Path file) {
        this.disk = disk;
        this.file = file;
    }

    @Scheduled(fixedDelayString = "${navlo.reserve.round:2s}")
    public void look() {
        try {
            long free = disk.usable();
            boolean held = Files.exists(file);
            if (held && free < NOTHING) {
                Files.delete(file);
                LOG.error("the disk is full; {} MB that were kept for this are free again", BYTES >> 20);
            } else if (!held && free > (long) TIMES * BYTES) {
                take();
            }
        } catch (IOException fault) {
            LOG.warn("the reserve beside the data couldn't be seen to: {}", String.valueOf(fault.getMessage()));
        }
    }

    /** Written, so that no file system takes it for a hole. */
    private void take() throws IOException {
        byte[] block = new byte[BLOCK];
        Arrays.fill(block, (byte) 1);
        try (OutputStream out = Files.newOutputStream(file)) {
            for (int written = 0; written < BYTES; written += BLOCK) {
                out.write(block);
            }
        }
    }
}
