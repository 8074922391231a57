package app.navlo.server.ops;

import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * A few threads for one kind of work that asks other machines. What is slow holds up only its own kind, and what breaks ends
 * nothing else.
 */
public final class Workers implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(Workers.class);
    private static final int LAST_SECONDS = 10;

    private final String kind;
    private final ExecutorService threads;
    private final Set<Object> inHand = ConcurrentHashMap.newKeySet();

    /** @param atOnce how many are worked on at a time */
    public Workers(String kind, int atOnce) {
        this.kind = kind;
        this.threads = Executors.newFixedThreadPool(atOnce, work -> {
            Thread thread = new Thread(work, kind);
            thread.setDaemon(true);
            return thread;
        });
    }

    /**
     * Does it when a thread is free.
     *
     * @param item what it is about, for the log; while it waits or is worked on, asking again changes nothing
     */
    public void take(Object item, Runnable work) {
        if (inHand.add(item)) {
            threads.execute(() -> {
                try {
                    work.run();
                } catch (RuntimeException broken) {
                    LOG.error("{} {} couldn't be dealt with; it is tried again", kind, item, broken);
                } finally {
                    inHand.remove(item);
                }
            });
        }
    }

    /** Waits a little for what is in hand. What is left is found again when the server starts. */
    @Override
    public void close() {
        threads.shutdown();
        try {
            threads.awaitTermination(LAST_SECONDS, TimeUnit.SECONDS);
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
        }
    }
}
