package app.navlo.core.next;

import java.time.Instant;

/**
 * What has to be asked for or used so that the later due holds.
 *
 * @param tokens that it costs
 * @param until when it can be had
 * @param due that it gives
 */
public record Leeway(Kind kind, int tokens, Instant until, Instant due) {
    public enum Kind {
        EXTENSION,
        TOKEN
    }
}
