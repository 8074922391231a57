package app.navlo.server.work;

import org.jspecify.annotations.Nullable;

/**
 * Who writes to whose work, and what they had before them.
 *
 * @param version of the work as the page showed it; null where the writer saw none
 * @param key names this write for a retry; null for a write that may not be retried
 */
public record Writer(
        long student,
        long person,
        String name,
        @Nullable Long version,
        @Nullable String key) {}
