package app.navlo.core.plan;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import app.navlo.core.plan.Plan.Chosen;
import app.navlo.core.plan.PlanProblem.Job;
import app.navlo.core.plan.PlanProblem.Mode;
import app.navlo.core.plan.PlanProblem.Slot;
import app.navlo.core.plan.PlanProblem.Step;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.testng.annotations.Test;

/** What an order of jobs is worth when they take as long as they may. */
public class ForesightTest {
    private static final int CASES = 32;

    private static Job job(String id, long effort, Step... steps) {
        return new Job(id, effort, 0, List.of(), 0, List.of(new Mode(0, 0, List.of(steps))));
    }

    private static List<Guess> guesses(PlanProblem problem, double spread) {
        return problem.jobs().stream()
                .map(job -> new Guess(job.effort(), spread, 0))
                .toList();
    }

    private static List<Chosen> inOrder(int... jobs) {
        List<Chosen> order = new ArrayList<>();
        for (int job : jobs) {
            order.add(new Chosen(job, 0));
        }
        return order;
    }

    /** In one evening nothing is lost, so with efforts that are known it is what the layout says. */
    @Test
    public void withoutSpreadItIsTheLayout() {
        Random random = new Random(5);
        for (int i = 0; i < 200; i++) {
            PlanProblem some = SomeProblems.random(random, 1 + random.nextInt(7));
            PlanProblem problem = new PlanProblem(List.of(new Slot(0, 160)), some.banks(), some.jobs(), some.bonuses());
            Plan plan = Solver.solve(problem).plan();
            Foresight foresight = new Foresight(problem, guesses(problem, 0), 2);
            List<Chosen> thought = foresight.asThought(plan.order());
            Plan laid = new Layout(problem).of(thought).orElseThrow();
            assertTrue(laid.value() >= plan.value(), "what the plan left out may fit behind it: problem " + i);
            assertEquals(foresight.mean(plan.order()), laid.value(), 1e-9, "problem " + i);
        }
    }

    @Test
    public void theSearchNeverEndsBelowWhereItBegan() {
        Random random = new Random(6);
        int better = 0;
        for (int i = 0; i < 60; i++) {
            PlanProblem problem = SomeProblems.random(random, 3 + random.nextInt(5));
            List<Chosen> order = Solver.solve(problem).plan().order();
            Foresight foresight = new Foresight(problem, guesses(problem, 0.45), CASES);
            double before = foresight.mean(order);
            List<Chosen> after = foresight.asThought(foresight.better(order, 300));
            assertTrue(new Layout(problem).of(after).isPresent(), "an order that breaks no rule");
            double mean = foresight.mean(after);
            better += mean > before + 1e-9 ? 1 : 0;
        }
        assertTrue(better > 3, "it helps in " + better + " of 60");
    }

    @Test
    public void theSameProblemHasTheSameAnswer() {
        PlanProblem problem = SomeProblems.random(new Random(9), 7);
        List<Chosen> order = Solver.solve(problem).plan().order();
        List<Guess> guesses = guesses(problem, 0.45);
        assertEquals(
                new Foresight(problem, guesses, CASES).better(order, 200),
                new Foresight(problem, guesses, CASES).better(order, 200));
    }

    /** A large one fits to the minute, and then not: half of such work takes longer, so what surely comes in goes first. */
    @Test
    public void whatFitsToTheMinuteIsNoReasonToGiveUpWhatIsSure() {
        for (long free = 150; free <= 250; free++) {
            PlanProblem problem = new PlanProblem(
                    List.of(new Slot(0, free)),
                    List.of(),
                    List.of(
                            job("essay", 140, new Step(free, 1_000)),
                            job("hand-in", 10, new Step(60, 800), new Step(free, 640))),
                    List.of());
            Foresight foresight = new Foresight(problem, guesses(problem, 0.45), CASES);
            List<Chosen> order = foresight.soonFirst(
                    foresight.better(Solver.solve(problem).plan().order(), 300), 12);
            assertEquals(order.get(0).job(), 1, "with " + free + " minutes");
        }
    }

    @Test
    public void chancesFallWithTheRoom() {
        double last = 1;
        for (long until = 300; until >= 60; until -= 20) {
            PlanProblem problem = new PlanProblem(
                    List.of(new Slot(0, 300)), List.of(), List.of(job("a", 60, new Step(until, 100))), List.of());
            double chance = new Foresight(problem, guesses(problem, 0.45), CASES)
                    .chances(inOrder(0), new double[] {5})
                    .inTime()
                    .get(0);
            assertTrue(chance <= last, "at " + until);
            last = chance;
        }
        assertEquals(last, 0.5, 0.02, "half of such work takes no longer than is said");
    }

    @Test
    public void aShareIsOfAllThatCouldBeHad() {
        PlanProblem problem = new PlanProblem(
                List.of(new Slot(0, 1_000)),
                List.of(),
                List.of(job("a", 30, new Step(900, 100)), job("b", 30, new Step(20, 50))),
                List.of());
        Chances chances = new Foresight(problem, guesses(problem, 0.1), CASES).chances(inOrder(0), new double[] {3, 1});
        assertEquals(chances.mean(), 0.75, 1e-9, "all of the one, and nothing of the other");
        assertEquals(chances.low(), 0.75, 1e-9);
        assertEquals(chances.inTime(), List.of(1.0, 0.0));
    }

    /** Of two that are worth the same in either order, the one that loses first comes first. */
    @Test
    public void whatLosesSoonComesFirst() {
        PlanProblem problem = new PlanProblem(
                List.of(new Slot(0, 2_000)),
                List.of(),
                List.of(job("far", 30, new Step(1_900, 100)), job("near", 30, new Step(1_500, 100))),
                List.of());
        Foresight foresight = new Foresight(problem, guesses(problem, 0.2), CASES);
        assertEquals(foresight.soonFirst(inOrder(0, 1), 12).get(0).job(), 1);
        assertEquals(foresight.soonFirst(inOrder(1, 0), 12).get(0).job(), 1);
    }

    private static PlanProblem twoDays(long worthOfSmall) {
        return new PlanProblem(
                List.of(new Slot(0, 120), new Slot(1_440, 1_560)),
                List.of(),
                List.of(
                        job("large", 100, new Step(1_560, 1_000)),
                        job("small", 30, new Step(100, worthOfSmall), new Step(1_560, worthOfSmall / 2))),
                List.of());
    }

    /** As thought both fit; a minute of the large one is worth more only where what the small one saves is next to nothing. */
    @Test
    public void whatWouldBeLateIsDoneSoonerUnlessThatLosesMore() {
        for (long worth : new long[] {200, 400}) {
            PlanProblem problem = twoDays(worth);
            Foresight foresight = new Foresight(problem, guesses(problem, 0.45), CASES);
            assertEquals(foresight.inTime(inOrder(0, 1), 100).get(0).job(), 1, "worth " + worth);
        }
        PlanProblem problem = new PlanProblem(
                List.of(new Slot(0, 120)),
                List.of(),
                List.of(job("large", 100, new Step(120, 1_000)), job("small", 20, new Step(100, 2), new Step(120, 1))),
                List.of());
        Foresight foresight = new Foresight(problem, guesses(problem, 0.45), CASES);
        assertEquals(
                foresight.inTime(inOrder(0, 1), 100).get(0).job(),
                0,
                "it would lose a fifth of the large one's chance");
    }

    @Test
    public void nothingIsDoneSoonerForMoreThanItSaves() {
        Random random = new Random(8);
        int moved = 0;
        for (int i = 0; i < 200; i++) {
            PlanProblem problem = SomeProblems.random(random, 3 + random.nextInt(6));
            List<Chosen> order =
                    new ArrayList<>(SimpleOrder.VALUE_PER_MINUTE.of(problem).order());
            Foresight foresight = new Foresight(problem, guesses(problem, 0.45), CASES);
            // All jobs, as the search leaves them.
            order = foresight.better(order, 0);
            List<Chosen> after = foresight.inTime(order, 500);
            double lost = foresight.mean(order) - foresight.mean(after);
            double saved = asThought(problem, after) - asThought(problem, order);
            assertTrue(saved >= 0 && lost <= saved + 1e-9, "saves " + saved + ", loses " + lost + ": problem " + i);
            assertTrue(lost <= foresight.mean(order) / 1_000 + 1e-9, "a thousandth: problem " + i);
            moved += after.equals(order) ? 0 : 1;
        }
        assertTrue(moved > 10, moved + " of 200 are changed");
    }

    private static double asThought(PlanProblem problem, List<Chosen> order) {
        return new Layout(problem)
                .of(new Foresight(problem, guesses(problem, 0), 1).asThought(order))
                .orElseThrow()
                .value();
    }

    /** Nobody knows which day goes wrong: what would be done on the last day there is may not come to be. */
    @Test
    public void aDayMayBeLost() {
        PlanProblem problem = new PlanProblem(
                List.of(new Slot(0, 60), new Slot(1_440, 1_500)),
                List.of(),
                List.of(
                        job("today", 60, new Step(1_500, 100)),
                        new Job(
                                "tomorrow",
                                20,
                                1_440,
                                List.of(),
                                0,
                                List.of(new Mode(0, 0, List.of(new Step(1_500, 100)))))),
                List.of());
        List<Double> inTime = new Foresight(problem, guesses(problem, 0), 200)
                .chances(inOrder(0, 1), new double[] {1, 1})
                .inTime();
        assertEquals(inTime.get(0), 1.0, 1e-9, "today has begun");
        assertEquals(inTime.get(1), 0.88, 0.08);
        assertFalse(inTime.get(1) == 1.0);
    }
}
