package app.navlo.server.personal;

import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * @param work null for a note on a whole course
 * @param number of this very state of it
 * @param at when it was last written
 */
public record OwnNoteView(
        long id,
        long number,
        long course,
        @Nullable Long work,
        Instant at,
        @Nullable String tag,
        String body) {}
