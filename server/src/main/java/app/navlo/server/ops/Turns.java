package app.navlo.server.ops;

import java.util.concurrent.Semaphore;
import java.util.function.Supplier;

/**
 * Lets so many at once compute what takes long, the others in the order in which they came: a hundred that begin together all end
 * when the last does. Take a turn before anything else is taken that others need, such as a connection to the data.
 */
public final class Turns {
    private final Semaphore free;

    /** @param atOnce at least 1 */
    public Turns(int atOnce) {
        if (atOnce < 1) {
            throw new IllegalArgumentException("turns are " + atOnce + "; there must be one at least");
        }
        free = new Semaphore(atOnce, true);
    }

    /** As many at once as there are processors. */
    public static Turns ofProcessors() {
        return new Turns(Runtime.getRuntime().availableProcessors());
    }

    /** Computes something when it is its turn. Within it no other of the same turns may be taken. A turn of reading is given up for it. */
    public <T> T take(Supplier<T> what) {
        ReadingTurns.leave();
        free.acquireUninterruptibly();
        try {
            return what.get();
        } finally {
            free.release();
        }
    }
}
