package app.navlo.server;

import java.sql.SQLException;
import java.util.Arrays;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** What the database says went wrong. Of H2 it is found in the messages of all causes, since it has no kinds of its own for it. */
final class Failures {
    private static final int CONNECTION_BROKEN = 90_067;
    private static final int WRONG_NAME = 28_000;

    private Failures() {}

    private static boolean say(Throwable failed, String... words) {
        return Stream.<@Nullable Throwable>iterate(failed, cause -> cause != null, Throwable::getCause)
                .map(cause -> String.valueOf(cause.getMessage()))
                .anyMatch(message -> Arrays.stream(words).anyMatch(message::contains));
    }

    /** PostgreSQL has tables that this version knows nothing of. */
    static boolean newer(Throwable failed) {
        return say(failed, "applied migration not resolved locally");
    }

    /** PostgreSQL doesn't answer (its states of class 08), lets nobody of that name in (28), or has no such database (3D). */
    static boolean outOfReach(Throwable failed) {
        return Stream.<@Nullable Throwable>iterate(failed, cause -> cause != null, Throwable::getCause)
                .filter(cause -> cause.getClass().getName().startsWith("org.postgresql."))
                .map(cause -> cause instanceof SQLException fault ? String.valueOf(fault.getSQLState()) : "")
                .anyMatch(state -> state.startsWith("08") || state.startsWith("28") || state.startsWith("3D"));
    }

    /** Nobody answers at the address of a {@link Database}, or what was there is gone. */
    static boolean unanswered(Throwable failed) {
        return code(failed, CONNECTION_BROKEN);
    }

    /** A {@link Database} answers, and has nothing for who comes with this key. */
    static boolean anotherKey(Throwable failed) {
        return code(failed, WRONG_NAME);
    }

    private static boolean code(Throwable failed, int wanted) {
        return Stream.<@Nullable Throwable>iterate(failed, cause -> cause != null, Throwable::getCause)
                .anyMatch(cause -> cause.getClass().getName().startsWith("org.h2.")
                        && cause instanceof SQLException fault
                        && fault.getErrorCode() == wanted);
    }

    static boolean inUse(Throwable failed) {
        return say(failed, "Database may be already in use");
    }

    static boolean noData(Throwable failed) {
        return say(failed, "not found, and IFEXISTS=true");
    }

    static boolean full(Throwable failed) {
        return say(failed, "No space left on device", "not enough space on the disk");
    }

    /** What the database stumbles over in its own file, in whatever words; ask for the other causes first. */
    static boolean damaged(Throwable failed) {
        return Stream.<@Nullable Throwable>iterate(failed, cause -> cause != null, Throwable::getCause)
                .anyMatch(cause -> cause.getClass().getName().startsWith("org.h2."));
    }
}
