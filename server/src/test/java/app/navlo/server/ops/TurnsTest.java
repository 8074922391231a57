package app.navlo.server.ops;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.IntStream;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

public class TurnsTest {
    private static final int MANY = 12;

    private ExecutorService threads = Executors.newCachedThreadPool();

    @BeforeMethod
    public void threads() {
        threads = Executors.newCachedThreadPool();
    }

    @AfterMethod
    public void ended() {
        threads.shutdownNow();
    }

    @Test
    public void noMoreThanSoManyAtOnce() throws Exception {
        Turns turns = new Turns(3);
        AtomicInteger now = new AtomicInteger();
        AtomicInteger most = new AtomicInteger();
        CountDownLatch three = new CountDownLatch(3);
        List<Future<Integer>> all = new ArrayList<>();
        for (int i = 0; i < MANY; i++) {
            int each = i;
            all.add(threads.submit(() -> turns.take(() -> {
                most.accumulateAndGet(now.incrementAndGet(), Math::max);
                three.countDown();
                waitFor(three);
                now.decrementAndGet();
                return each;
            })));
        }
        for (int i = 0; i < MANY; i++) {
            assertEquals(all.get(i).get(), Integer.valueOf(i), "each is answered with its own");
        }
        assertEquals(most.get(), 3, "three did meet, and never more");
    }

    @Test
    public void whoCameFirstIsFirst() throws Exception {
        Turns turns = new Turns(1);
        CountDownLatch begun = new CountDownLatch(1);
        CountDownLatch go = new CountDownLatch(1);
        List<Integer> order = Collections.synchronizedList(new ArrayList<>());
        List<Future<Boolean>> all = new ArrayList<>();
        all.add(threads.submit(() -> turns.take(() -> {
            begun.countDown();
            waitFor(go);
            return true;
        })));
        begun.await();
        for (int i = 0; i < MANY; i++) {
            int each = i;
            CountDownLatch there = new CountDownLatch(1);
            Thread[] who = new Thread[1];
            all.add(threads.submit(() -> {
                who[0] = Thread.currentThread();
                there.countDown();
                return turns.take(() -> order.add(each));
            }));
            there.await();
            while (who[0].getState() != Thread.State.WAITING) {
                Thread.onSpinWait();
            }
        }
        assertTrue(order.isEmpty());
        go.countDown();
        for (Future<Boolean> one : all) {
            assertTrue(one.get());
        }
        assertEquals(order, IntStream.range(0, MANY).boxed().toList());
    }

    /** Else a few that fail would leave nobody a turn. */
    @Test
    public void whatFailsGivesItsTurnBack() {
        Turns turns = new Turns(1);
        for (int i = 0; i < MANY; i++) {
            assertThrows(
                    IllegalStateException.class,
                    () -> turns.take(() -> {
                        throw new IllegalStateException("it can't be worked out");
                    }));
        }
        assertEquals(turns.take(() -> "its turn"), "its turn");
        assertThrows(IllegalArgumentException.class, () -> new Turns(0));
    }

    private static void waitFor(CountDownLatch latch) {
        try {
            latch.await();
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
        }
    }
}
