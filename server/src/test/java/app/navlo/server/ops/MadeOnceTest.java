package app.navlo.server.ops;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertSame;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.expectThrows;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

public class MadeOnceTest {
    private static final int MANY = 200;

    private MadeOnce<Integer, String> things = new MadeOnce<>(MANY, Duration.ofMinutes(1));
    private ExecutorService threads = Executors.newCachedThreadPool();
    private CountDownLatch begun = new CountDownLatch(1);
    private CountDownLatch go = new CountDownLatch(1);

    @BeforeMethod
    public void none() {
        things = new MadeOnce<>(MANY, Duration.ofMinutes(1));
        threads = Executors.newCachedThreadPool();
        begun = new CountDownLatch(1);
        go = new CountDownLatch(1);
    }

    @AfterMethod
    public void ended() {
        go.countDown();
        threads.shutdownNow();
    }

    private String slowly(String what) {
        begun.countDown();
        try {
            go.await();
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
        }
        return what;
    }

    @Test
    public void whoAsksForTheSameWaitsForTheOne() throws Exception {
        AtomicInteger made = new AtomicInteger();
        List<Future<String>> all = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            all.add(threads.submit(() -> things.of(1, () -> slowly("made " + made.incrementAndGet()))));
        }
        begun.await();
        assertNull(things.ifThere(1), "it isn't made yet");
        go.countDown();
        for (Future<String> one : all) {
            assertEquals(one.get(), "made 1");
        }
        assertEquals(things.ifThere(1), "made 1");
        assertSame(things.of(1, () -> "another"), things.ifThere(1));
    }

    /** However many there are: a cache that makes things within its locks would hold up some of these. */
    @Test
    public void whoAsksForAnythingElseDoesNot() throws Exception {
        Future<String> slow = threads.submit(() -> things.of(0, () -> slowly("slow")));
        begun.await();
        Future<Boolean> others = threads.submit(() -> {
            for (int i = 1; i < MANY; i++) {
                String quick = "quick " + i;
                assertEquals(things.of(i, () -> quick), quick);
                things.put(MANY + i, quick);
            }
            return true;
        });
        others.get(30, TimeUnit.SECONDS);
        assertFalse(slow.isDone());
        go.countDown();
        assertEquals(slow.get(), "slow");
    }

    @Test
    public void whatCannotBeMadeIsTriedAgainByWhoAsksNext() throws Exception {
        Future<String> first = threads.submit(() -> things.of(1, () -> {
            throw new IllegalStateException(slowly("no data"));
        }));
        begun.await();
        CountDownLatch asks = new CountDownLatch(1);
        Thread[] who = new Thread[1];
        Future<String> waiting = threads.submit(() -> {
            who[0] = Thread.currentThread();
            asks.countDown();
            return things.of(1, () -> "never asked for");
        });
        asks.await();
        while (who[0].getState() != Thread.State.WAITING) {
            Thread.onSpinWait();
        }
        go.countDown();
        for (Future<String> one : List.of(first, waiting)) {
            assertEquals(
                    expectThrows(ExecutionException.class, one::get).getCause().getMessage(), "no data");
        }
        assertEquals(things.of(1, () -> "made anew"), "made anew");
        assertThrows(
                IllegalArgumentException.class,
                () -> things.of(2, () -> {
                    throw new IllegalArgumentException("not this");
                }));
        assertEquals(things.of(2, () -> "but this"), "but this");
    }
}
