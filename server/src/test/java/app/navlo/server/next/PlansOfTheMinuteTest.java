package app.navlo.server.next;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotSame;
import static org.testng.Assert.assertSame;

import app.navlo.core.next.Circumstances;
import app.navlo.core.next.NextPlanner;
import app.navlo.server.TestSettings;
import app.navlo.server.board.Board;
import app.navlo.server.board.Boards;
import app.navlo.server.next.PlansOfTheMinute.Planned;
import app.navlo.server.next.PlansOfTheMinute.Question;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.test.context.testng.AbstractTestNGSpringContextTests;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** When a plan is made anew, and when the one that there is answers; over the board of the demo. */
@SpringBootTest(
        webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT,
        properties = {TestSettings.MEMORY, TestSettings.DEMO, TestSettings.STILL})
public class PlansOfTheMinuteTest extends AbstractTestNGSpringContextTests {
    private static final Instant NOW = Instant.parse("2026-11-24T15:20:05Z");
    private static final PlanHolding.Holding NONE = new PlanHolding.Holding("7 7", "nothing", null);

    @Autowired
    private Boards boards;

    private final AtomicInteger made = new AtomicInteger();
    private PlansOfTheMinute plans;

    @BeforeMethod
    public void none() {
        plans = new PlansOfTheMinute();
        made.set(0);
    }

    private Board board(Instant now) {
        return boards.read(1, ZoneOffset.UTC, now);
    }

    private Planned ask(Instant now, boolean words, PlanHolding.Holding holding, @Nullable Integer minutes) {
        Board board = board(now);
        return plans.of(Question.at(board, words, holding, minutes), board, () -> {
            made.incrementAndGet();
            Circumstances with = Circumstances.of(List.of());
            return new Planned(with, NextPlanner.plan(board.books().values(), with, now));
        });
    }

    private Planned ask(Instant now) {
        return ask(now, true, NONE, null);
    }

    @Test
    public void againWithinTheMinuteIsTheSamePlan() {
        Planned first = ask(NOW);
        assertSame(ask(NOW), first);
        assertSame(ask(NOW.plusSeconds(40)), first);
        assertEquals(made.get(), 1);
        assertNotSame(ask(NOW.plusSeconds(60)), first, "the next minute has other free time");
        assertEquals(made.get(), 2);
    }

    @Test
    public void whoeverAsksSomethingElseGetsAPlanOfTheirOwn() {
        ask(NOW);
        ask(NOW, false, NONE, null);
        ask(NOW, true, new PlanHolding.Holding("8 8", "nothing", null), null);
        ask(NOW, true, new PlanHolding.Holding("7 7", "soil first", null), null);
        ask(NOW, true, NONE, 60);
        assertEquals(made.get(), 5);
        ask(NOW, true, NONE, 60);
        assertEquals(made.get(), 5);
    }

    /** A due that passes within the minute changes how the work fares, and so the plan. */
    @Test
    public void whatPassesWithinTheMinuteIsPlannedAnew() {
        Instant due = board(NOW).entries().stream()
                .map(entry -> entry.finding().state().due())
                .filter(at -> at != null && at.isAfter(NOW))
                .min(Instant::compareTo)
                .orElseThrow();
        Instant before = due.minusSeconds(5);
        Instant after = due.plusSeconds(5);
        assertNotSame(ask(after), ask(before));
        Question atOnce = Question.at(board(after), true, NONE, null);
        Board early = board(before);
        Board late = board(after);
        Planned first = plans.of(
                atOnce,
                early,
                () -> new Planned(Circumstances.of(List.of()), ask(before).plan()));
        Planned second = plans.of(
                atOnce,
                late,
                () -> new Planned(Circumstances.of(List.of()), ask(after).plan()));
        assertNotSame(second, first, "the same question, and another board");
    }

    @Test
    public void manyAtOnceWaitForOnePlan() throws Exception {
        ExecutorService readers = Executors.newFixedThreadPool(8);
        List<Future<Planned>> all = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            all.add(readers.submit(() -> ask(NOW)));
        }
        Planned one = all.get(0).get();
        for (Future<Planned> other : all) {
            assertSame(other.get(), one);
        }
        readers.shutdown();
        assertEquals(made.get(), 1);
    }
}
