package app.navlo.core.next;

import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * What has to be asked for or used so that the later due holds.
 *
 * @param tokens that it costs
 * @param until when it can be had; null for no end
 * @param due that it gives; null where the course knows none
 */
public record Leeway(
        Kind kind,
        int tokens,
        @Nullable Instant until,
        @Nullable Instant due) {
    public enum Kind {
        EXTENSION,
        TOKEN
    }
}
