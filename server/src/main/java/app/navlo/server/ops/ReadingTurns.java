package app.navlo.server.ops;

import java.time.Duration;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import org.jspecify.annotations.Nullable;

/**
 * Lets a few at once be answered who only read, the others in the order in which they came: of a hundred that are answered at once each
 * waits for about all of them, and some for far more. Who has waited for long enough goes ahead without a turn, so that what
 * holds turns up holds up nobody for good.
 */
public final class ReadingTurns {
    private static final ThreadLocal<Turn> MINE = new ThreadLocal<>();

    private final Semaphore free;
    private final Duration longest;

    /** @param longest that anybody waits */
    public ReadingTurns(int atOnce, Duration longest) {
        free = new Semaphore(atOnce, true);
        this.longest = longest;
    }

    /** Waits until it is the turn of this thread, which ends with {@link Turn#close} at the latest. */
    public Turn take() {
        Turn turn = new Turn(wait(free, longest) ? free : null);
        MINE.set(turn);
        return turn;
    }

    private static boolean wait(Semaphore free, Duration longest) {
        try {
            return free.tryAcquire(longest.toNanos(), TimeUnit.NANOSECONDS);
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
            return false;
        }
    }

    /** This thread is about to wait for others: its turn is over, if it has one. */
    static void leave() {
        Turn mine = MINE.get();
        if (mine != null) {
            mine.end();
        }
    }

    /** Closed by the thread that took it. */
    public static final class Turn implements AutoCloseable {
        private final @Nullable Semaphore from;
        private final AtomicBoolean over = new AtomicBoolean();

        private Turn(@Nullable Semaphore from) {
            this.from = from;
        }

        /** What is left to be done needs no turn. More than once is as good as once. */
        public void end() {
            if (from != null && over.compareAndSet(false, true)) {
                from.release();
            }
        }

        @Override
        public void close() {
            end();
            MINE.remove();
        }
    }
}
