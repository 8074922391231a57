package app.navlo.server.health;

import app.navlo.server.store.Pulse;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;

/** Whether this Navlo is well. */
@Component
public class Health {
    private static final long LEAST_DISK_BYTES = 100L << 20;

    private final Path data;
    private final Pulse pulse;

    /** @param data the folder in which everything is kept */
    Health(@Value("${navlo.ops.data:.}") Path data, Pulse pulse) {
        this.data = data;
        this.pulse = pulse;
    }

    /**
     * @param counts null where the data doesn't answer
     * @param why it isn't well; empty if it is
     */
    public record State(boolean up, List<String> why, long freeDiskBytes, Pulse.@Nullable Counts counts) {}

    public State now() {
        List<String> why = new ArrayList<>();
        Pulse.Counts counts = null;
        try {
            counts = pulse.counts();
        } catch (DataAccessException broken) {
            why.add("the data doesn't answer");
        }
        long free = data.toAbsolutePath().toFile().getUsableSpace();
        if (free < LEAST_DISK_BYTES) {
            why.add("the disk is nearly full");
        }
        return new State(why.isEmpty(), why, free, counts);
    }
}
