package app.navlo.server.ops;

import java.lang.management.ManagementFactory;
import java.lang.management.ThreadMXBean;
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
    private static final ThreadMXBean THREADS = ManagementFactory.getThreadMXBean();
    /** While more than these wait, nobody is in a hurry. */
    private static final int MANY = 50;
    /** Four threads that rest three times as long as they computed take one core. */
    private static final int REST = 3;

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

    /** The same, leaving room for people who ask meanwhile: while many wait, a thread rests after each. */
    public void takeGently(Object item, Runnable work) {
        take(item, () -> {
            long began = THREADS.getCurrentThreadCpuTime();
            try {
                work.run();
            } finally {
                rest(restNanos(inHand.size(), THREADS.getCurrentThreadCpuTime() - began));
            }
        });
    }

    /** @param computedNanos of the processor, waiting left out */
    static long restNanos(int waiting, long computedNanos) {
        return waiting > MANY ? REST * computedNanos : 0;
    }

    private static void rest(long nanos) {
        try {
            TimeUnit.NANOSECONDS.sleep(nanos);
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
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
