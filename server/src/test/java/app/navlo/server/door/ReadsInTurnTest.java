package app.navlo.server.door;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import app.navlo.server.ops.MadeOnce;
import app.navlo.server.ops.ReadingTurns;
import app.navlo.server.ops.Turns;
import jakarta.servlet.FilterChain;
import java.io.IOException;
import java.time.Duration;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicReference;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** With one turn: whoever has it holds up who reads, until the answer is on its way. */
public class ReadsInTurnTest {
    private static final Duration FOR_EVER = Duration.ofDays(1);
    private static final String BOARD = "/api/students/1/board";
    private static final FilterChain NOTHING = (request, response) -> {};

    private ExecutorService threads = Executors.newCachedThreadPool();
    private ReadsInTurn filter = inTurn(FOR_EVER);
    private CountDownLatch begun = new CountDownLatch(1);
    private CountDownLatch goOn = new CountDownLatch(1);

    private static ReadsInTurn inTurn(Duration longest) {
        return new ReadsInTurn(new ReadingTurns(1, longest));
    }

    @BeforeMethod
    public void oneTurn() {
        threads = Executors.newCachedThreadPool();
        filter = inTurn(FOR_EVER);
        begun = new CountDownLatch(1);
        goOn = new CountDownLatch(1);
    }

    @AfterMethod
    public void ended() throws InterruptedException {
        goOn.countDown();
        threads.shutdownNow();
        assertTrue(threads.awaitTermination(10, TimeUnit.SECONDS));
    }

    private Future<?> asks(String method, String path, FilterChain chain) {
        return threads.submit(() -> {
            filter.doFilter(new MockHttpServletRequest(method, path), new MockHttpServletResponse(), chain);
            return null;
        });
    }

    /** @return whoever has the turn, and goes on when they are told to */
    private Future<?> first(FilterChain before) throws InterruptedException {
        Future<?> first = asks("GET", BOARD, (request, response) -> {
            before.doFilter(request, response);
            made();
        });
        assertTrue(begun.await(20, TimeUnit.SECONDS));
        return first;
    }

    @Test
    public void whoReadsWaitsForTheOneBefore() throws Exception {
        Future<?> first = first(NOTHING);
        AtomicReference<Thread> who = new AtomicReference<>();
        Future<?> second = threads.submit(() -> {
            who.set(Thread.currentThread());
            filter.doFilter(new MockHttpServletRequest("GET", BOARD), new MockHttpServletResponse(), NOTHING);
            return null;
        });
        while (!second.isDone() && (who.get() == null || who.get().getState() != Thread.State.TIMED_WAITING)) {
            Thread.onSpinWait();
        }
        assertFalse(second.isDone());
        goOn.countDown();
        first.get();
        second.get();
    }

    @DataProvider
    public Object[][] noTurnIsNeeded() {
        return new Object[][] {{"POST", BOARD}, {"DELETE", BOARD}, {"GET", "/assets/index.js"}};
    }

    @Test(dataProvider = "noTurnIsNeeded")
    public void whoWritesOrTakesAFileOfThePageWaitsForNobody(String method, String path) throws Exception {
        first(NOTHING);
        asks(method, path, NOTHING).get(20, TimeUnit.SECONDS);
    }

    /** What is left then is the network's, which may be as slow as it likes. */
    @Test
    public void anAnswerThatIsOnItsWayHoldsUpNobody() throws Exception {
        Future<?> slow = first((request, response) -> {
            response.getOutputStream().write(new byte[100]);
            response.flushBuffer();
        });
        asks("GET", BOARD, NOTHING).get(20, TimeUnit.SECONDS);
        assertFalse(slow.isDone());
    }

    @Test
    public void whatFailsGivesItsTurnBack() throws Exception {
        for (int i = 0; i < 3; i++) {
            Future<?> fails = asks("GET", BOARD, (request, response) -> {
                throw new IOException("gone away");
            });
            assertEquals(
                    expectThrows(ExecutionException.class, fails::get)
                            .getCause()
                            .getMessage(),
                    "gone away");
        }
        asks("GET", BOARD, NOTHING).get(20, TimeUnit.SECONDS);
    }

    @Test
    public void nobodyWaitsForLongerThanSoLong() throws Exception {
        filter = inTurn(Duration.ofMillis(1));
        Future<?> first = first(NOTHING);
        asks("GET", BOARD, NOTHING).get(20, TimeUnit.SECONDS);
        assertFalse(first.isDone());
    }

    /** Else those who wait for a plan would hold up those whose board is ready. */
    @Test
    public void whoWaitsForATurnOfSomethingLongGivesUpTheirs() throws Exception {
        Turns plans = new Turns(1);
        threads.submit(() -> plans.take(this::made));
        assertTrue(begun.await(20, TimeUnit.SECONDS));
        CountDownLatch asked = new CountDownLatch(1);
        Future<?> second = asks("GET", BOARD, (request, response) -> {
            asked.countDown();
            plans.take(() -> "planned, too");
        });
        assertTrue(asked.await(20, TimeUnit.SECONDS));
        asks("GET", BOARD, NOTHING).get(20, TimeUnit.SECONDS);
        assertFalse(second.isDone());
    }

    @Test
    public void whoWaitsForWhatAnotherMakesGivesUpTheirs() throws Exception {
        MadeOnce<String, String> kept = new MadeOnce<>(10, FOR_EVER);
        threads.submit(() -> kept.of("plan", this::made));
        assertTrue(begun.await(20, TimeUnit.SECONDS));
        CountDownLatch asked = new CountDownLatch(1);
        Future<?> second = asks("GET", BOARD, (request, response) -> {
            asked.countDown();
            assertEquals(kept.of("plan", () -> "made twice"), "made");
        });
        assertTrue(asked.await(20, TimeUnit.SECONDS));
        asks("GET", BOARD, NOTHING).get(20, TimeUnit.SECONDS);
        assertFalse(second.isDone());
        goOn.countDown();
        second.get();
    }

    /** Goes on when it is told to. */
    private String made() {
        begun.countDown();
        try {
            assertTrue(goOn.await(20, TimeUnit.SECONDS));
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
        }
        return "made";
    }
}
