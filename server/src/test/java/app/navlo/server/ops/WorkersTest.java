package app.navlo.server.ops;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.time.Duration;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class WorkersTest {
    private static final int LONG = 20;

    @Test
    public void whatIsSlowHoldsUpNoOther() throws InterruptedException {
        CountDownLatch slow = new CountDownLatch(1);
        CountDownLatch quick = new CountDownLatch(5);
        try (Workers workers = new Workers("test", 2)) {
            workers.take("slow", () -> await(slow));
            for (int i = 0; i < 5; i++) {
                workers.take(i, quick::countDown);
            }
            assertTrue(quick.await(LONG, TimeUnit.SECONDS));
            assertEquals(slow.getCount(), 1, "it is still waiting");
            slow.countDown();
        }
    }

    @Test
    public void whatBreaksEndsNothingElse() throws InterruptedException {
        CountDownLatch others = new CountDownLatch(3);
        try (Workers workers = new Workers("test", 1)) {
            workers.take("broken", () -> {
                throw new IllegalStateException("broken on purpose");
            });
            for (int i = 0; i < 3; i++) {
                workers.take(i, others::countDown);
            }
            assertTrue(others.await(LONG, TimeUnit.SECONDS));
        }
    }

    @Test
    public void whatIsInHandIsTakenOnceAndAfterwardsAgain() throws InterruptedException {
        CountDownLatch begun = new CountDownLatch(1);
        CountDownLatch slow = new CountDownLatch(1);
        AtomicInteger times = new AtomicInteger();
        try (Workers workers = new Workers("test", 2)) {
            workers.take("one", () -> {
                times.incrementAndGet();
                begun.countDown();
                await(slow);
            });
            assertTrue(begun.await(LONG, TimeUnit.SECONDS));
            workers.take("one", times::incrementAndGet);
            assertEquals(times.get(), 1);
            slow.countDown();
            CountDownLatch again = new CountDownLatch(1);
            long giveUp = System.nanoTime() + TimeUnit.SECONDS.toNanos(LONG);
            while (again.getCount() > 0 && System.nanoTime() < giveUp) {
                workers.take("one", again::countDown);
                Thread.onSpinWait();
            }
            assertEquals(again.getCount(), 0, "what is dealt with can be taken again");
        }
    }

    /** Two hundred of which each second one breaks are all dealt with, and leave room meanwhile. */
    @Test
    public void whatIsTakenGentlyIsDoneToo() throws InterruptedException {
        AtomicInteger done = new AtomicInteger();
        CountDownLatch all = new CountDownLatch(200);
        try (Workers workers = new Workers("test", 4)) {
            for (int i = 0; i < 200; i++) {
                boolean breaks = i % 2 == 0;
                workers.takeGently(i, () -> {
                    all.countDown();
                    if (breaks) {
                        throw new IllegalStateException("broken on purpose");
                    }
                    done.incrementAndGet();
                });
            }
            assertTrue(all.await(LONG, TimeUnit.SECONDS));
        }
        assertEquals(done.get(), 100);
    }

    @DataProvider
    public static Object[][] rests() {
        return new Object[][] {{1, 40, 0}, {50, 40, 0}, {51, 40, 120}, {10_000, 7, 21}};
    }

    /** Four threads that compute a quarter of the time take one core. */
    @Test(dataProvider = "rests")
    public void whileManyWaitAThreadRestsThreeTimesAsLongAsItComputed(int waiting, long computed, long rest) {
        assertEquals(Workers.restNanos(waiting, computed), rest);
    }

    private static void await(CountDownLatch latch) {
        try {
            assertTrue(latch.await(LONG, TimeUnit.SECONDS));
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    @DataProvider
    public static Object[][] failures() {
        return new Object[][] {{0, 1}, {1, 1}, {2, 5}, {3, 30}, {4, 30}, {99, 30}};
    }

    @Test(dataProvider = "failures")
    public void pausesGrowAndTheLastStays(int failures, int minutes) {
        Pauses pauses = Pauses.of(Duration.ofMinutes(1), Duration.ofMinutes(5), Duration.ofMinutes(30));
        assertEquals(pauses.after(failures), Duration.ofMinutes(minutes));
        assertEquals(pauses.areOver(failures), failures > 3);
    }

    @Test
    public void noPausesAreRefused() {
        assertThrows(IllegalArgumentException.class, Pauses::of);
        assertThrows(IllegalArgumentException.class, () -> Pauses.of(Duration.ofMinutes(-1)));
        assertFalse(Pauses.of(Duration.ZERO).areOver(1));
    }
}
