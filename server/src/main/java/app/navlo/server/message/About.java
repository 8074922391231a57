package app.navlo.server.message;

import org.jspecify.annotations.Nullable;

/** What a message is about: a piece of work, or a whole course; one of them is null. */
record About(@Nullable Long work, @Nullable Long course) {
    static About work(long work) {
        return new About(work, null);
    }

    static About course(long course) {
        return new About(null, course);
    }
}
