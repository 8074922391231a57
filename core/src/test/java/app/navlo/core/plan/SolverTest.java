package app.navlo.core.plan;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import app.navlo.core.plan.Plan.Placed;
import app.navlo.core.plan.PlanProblem.Job;
import app.navlo.core.plan.PlanProblem.Mode;
import app.navlo.core.plan.PlanProblem.Slot;
import app.navlo.core.plan.PlanProblem.Step;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.testng.annotations.Test;

/** The plan, its bound and its proof, judged by trying everything and by the plain layout. */
public class SolverTest {
    private static void isLegalAndWorthWhatItSays(PlanProblem problem, Solution solution) {
        Plan plan = solution.plan();
        assertEquals(new Layout(problem).of(plan.order()).orElseThrow(), plan, problem.toString());
        assertTrue(plan.value() <= solution.bound(), "the bound is below the plan: " + problem);
    }

    @Test
    public void onSmallProblemsItIsTheBestOfAllOrdersAndSaysSo() {
        Random random = new Random(21);
        for (int i = 0; i < 150; i++) {
            PlanProblem problem = SomeProblems.random(random, 1 + random.nextInt(5));
            Solution solution = Solver.solve(problem);
            isLegalAndWorthWhatItSays(problem, solution);
            assertEquals(solution.plan().value(), SomeProblems.best(problem), problem.toString());
            assertTrue(solution.proven(), problem.toString());
            assertEquals(solution.bound(), solution.plan().value());
        }
    }

    @Test
    public void noBoundIsBelowTheBestEvenWithoutAProof() {
        Random random = new Random(22);
        for (int i = 0; i < 150; i++) {
            PlanProblem problem = SomeProblems.random(random, 1 + random.nextInt(5));
            SearchBudget little = new SearchBudget(0, 0, i % 60);
            long bound = Solver.solve(problem, little).bound();
            assertTrue(bound >= SomeProblems.best(problem), bound + " for " + problem);
        }
    }

    /** Each job waits for the one before it, and a bonus asks for what the chain opens. */
    @Test
    public void noBoundIsBelowTheBestOfAChain() {
        Random random = new Random(26);
        int tight = 0;
        for (int i = 0; i < 120; i++) {
            PlanProblem problem = SomeProblems.chained(random, 2 + random.nextInt(4));
            long best = SomeProblems.best(problem);
            long bound = Solver.solve(problem, new SearchBudget(0, 0, 120)).bound();
            assertTrue(bound >= best, bound + " for " + problem);
            tight += bound <= best * 1.05 ? 1 : 0;
            Solution solution = Solver.solve(problem);
            assertEquals(solution.plan().value(), best, problem.toString());
            assertTrue(solution.proven(), problem.toString());
        }
        assertTrue(tight > 60, "a bound that knows what waits is near to the best more often: " + tight);
    }

    @Test
    public void whatProvesAPlanAlsoFindsABetterOneWhereThereIsOne() {
        Random random = new Random(23);
        int beaten = 0;
        for (int i = 0; i < 150; i++) {
            PlanProblem problem = SomeProblems.random(random, 1 + random.nextInt(5));
            ProblemArrays c = new ProblemArrays(problem);
            JobModes ways = new JobModes(c);
            LagrangianBound prices = new LagrangianBound(c, ways);
            prices.run(0, 50);
            long best = SomeProblems.best(problem);
            LabelSetting enough = new LabelSetting(c, ways, prices, best);
            assertTrue(enough.finish(100_000) && !enough.beaten(), problem.toString());
            if (best > 0) {
                beaten++;
                LabelSetting less = new LabelSetting(c, ways, prices, random.nextInt((int) best));
                assertTrue(less.finish(100_000) && less.beaten());
                assertEquals(new Layout(problem).of(less.order()).orElseThrow().value(), best, problem.toString());
            }
        }
        assertTrue(beaten > 80, "too few say anything: " + beaten);
    }

    /** However bonuses are looked at on the way, what is kept is what is worth most as they are. */
    @Test
    public void aSearchKeepsWhatIsWorthMostAsBonusesAre() {
        Random random = new Random(27);
        int found = 0;
        for (int i = 0; i < 60; i++) {
            PlanProblem problem = SomeProblems.random(random, 3 + random.nextInt(3));
            ProblemArrays c = new ProblemArrays(problem);
            Layout layout = new Layout(problem);
            long best = SomeProblems.best(problem);
            Search search = new Search(c, new JobModes(c), i);
            search.offer(List.of());
            long before = search.best();
            for (Aim[] way : Aim.ways(c.need.length)) {
                search.anneal(way, 0.5, 1_000);
                assertTrue(search.best() >= before, "nothing that was found is lost: " + problem);
                before = search.best();
            }
            search.tidy();
            assertEquals(layout.of(search.order(layout)).orElseThrow().value(), search.best(), problem.toString());
            assertTrue(search.best() <= best);
            found += search.best() == best ? 1 : 0;
        }
        assertTrue(found >= 57, "of 60 the best is found in " + found);
    }

    /** Many pass lines over the same jobs: those that are reached or lost pay nothing for what is still to do. */
    @Test
    public void aProofKnowsWhichBonusesAreReachedAndWhichAreLost() {
        Random random = new Random(28);
        int reached = 0;
        for (int i = 0; i < 80; i++) {
            PlanProblem problem = SomeProblems.ofManyLines(random, 3 + random.nextInt(3));
            ProblemArrays c = new ProblemArrays(problem);
            JobModes ways = new JobModes(c);
            LagrangianBound prices = new LagrangianBound(c, ways);
            prices.run(0, i % 90);
            long best = SomeProblems.best(problem);
            assertTrue(prices.bound() >= best, prices.bound() + " is below the best of " + problem);
            LabelSetting enough = new LabelSetting(c, ways, prices, best);
            assertTrue(enough.finish(100_000) && !enough.beaten(), problem.toString());
            if (best > 0) {
                LabelSetting less = new LabelSetting(c, ways, prices, best - 1);
                assertTrue(less.finish(100_000) && less.beaten(), problem.toString());
                assertEquals(new Layout(problem).of(less.order()).orElseThrow().value(), best, problem.toString());
            }
            reached += best >= 100 ? 1 : 0;
        }
        assertTrue(reached > 30, "too few reach a line: " + reached);
    }

    /** Together jobs pay for a bonus with nothing but whole jobs: never a looser bound, and often a closer one. */
    @Test
    public void aBoundOfJobsThatChooseTogetherIsCloserAndStillNoneIsBelowTheBest() {
        Random random = new Random(29);
        int closer = 0;
        for (int i = 0; i < 120; i++) {
            PlanProblem problem = SomeProblems.ofManyLines(random, 3 + random.nextInt(3));
            ProblemArrays c = new ProblemArrays(problem);
            LagrangianBound prices = new LagrangianBound(c, new JobModes(c));
            prices.run(0, 60);
            long before = prices.bound();
            prices.chooseTogether();
            prices.run(0, i % 60);
            assertTrue(prices.bound() <= before);
            assertTrue(prices.bound() >= SomeProblems.best(problem), prices.bound() + " for " + problem);
            closer += prices.bound() < before ? 1 : 0;
        }
        assertTrue(closer > 30, "hardly ever closer: " + closer);
    }

    /** What is chosen at prices knows no order among those that wait for each other; a plan made of it does. */
    @Test
    public void fromAnyOrderOfAnyJobsASearchComesToALegalPlan() {
        Random random = new Random(30);
        for (int i = 0; i < 60; i++) {
            PlanProblem problem = SomeProblems.chained(random, 2 + random.nextInt(4));
            ProblemArrays c = new ProblemArrays(problem);
            Layout layout = new Layout(problem);
            Search search = new Search(c, new JobModes(c), i);
            List<Integer> backwards = IntStream.range(0, c.n)
                    .map(job -> c.n - 1 - job)
                    .filter(job -> random.nextInt(3) > 0)
                    .boxed()
                    .toList();
            long worth = search.offerOrder(backwards);
            assertEquals(search.best(), worth);
            search.annealFrom(backwards, Aim.asTheyAre(c.need.length), 0.03, 500);
            search.tidy();
            assertEquals(layout.of(search.order(layout)).orElseThrow().value(), search.best(), problem.toString());
            assertTrue(search.best() >= worth && search.best() <= SomeProblems.best(problem));
        }
    }

    @Test
    public void itIsNeverBelowASimpleOrderAndTheSameEveryTime() {
        Random random = new Random(24);
        for (int i = 0; i < 25; i++) {
            PlanProblem problem = SomeProblems.random(random, 10 + random.nextInt(25));
            Solution solution = Solver.solve(problem);
            isLegalAndWorthWhatItSays(problem, solution);
            assertTrue(
                    solution.plan().value() >= SimpleOrder.best(problem).value(),
                    solution.plan().value() + " of " + SimpleOrder.best(problem).value() + " in " + problem);
            assertEquals(Solver.solve(problem), solution);
        }
    }

    /** The fast layout forgets nothing: laid out anew it is the same, after any number of changes kept and taken back. */
    @Test
    public void changesToASequenceLeaveItAsIfItHadBeenLaidOutAnew() {
        Random random = new Random(25);
        int kept = 0;
        for (int i = 0; i < 60; i++) {
            ProblemArrays c = new ProblemArrays(SomeProblems.random(random, 2 + random.nextInt(12)));
            JobModes ways = new JobModes(c);
            Sequence sequence = new Sequence(c, ways);
            int[] way = new int[c.n];
            Arrays.setAll(way, job -> ways.tokens[job].length > 0 && ways.tokens[job][0] == 0 ? 0 : -1);
            int[] order = new int[c.n];
            Arrays.setAll(order, job -> job);
            sequence.set(order, way);
            NeighbourMove change = new NeighbourMove(c, ways, sequence, new SplittableRandom(i));
            change.recount();
            for (int step = 0; step < 400; step++) {
                if (!change.draw(c.n)) {
                    continue;
                }
                double least = sequence.worth() - random.nextInt(40);
                if (sequence.lay(change.from, change.to, change.look, least)) {
                    sequence.keep();
                    kept++;
                } else {
                    sequence.takeBack();
                    change.undo();
                }
                Sequence anew = new Sequence(c, ways);
                anew.set(sequence.order, sequence.way);
                assertEquals(sequence.worth(), anew.worth());
                for (int job = 0; job < c.n; job++) {
                    assertEquals(sequence.finish(job), anew.finish(job), "job " + job + " in step " + step);
                }
            }
        }
        assertTrue(kept > 2_000, "too few were kept: " + kept);
    }

    private static Job job(String id, long effort, List<Integer> after, Mode... modes) {
        return new Job(id, effort, 0, after, 0, List.of(modes));
    }

    private static Mode worth(int tokens, long by, long value) {
        return new Mode(0, tokens, List.of(new Step(by, value)));
    }

    @Test
    public void ofEqualPlansItTakesFewerTokensThenLessWorkThenEarlierFinishes() {
        PlanProblem tokens = new PlanProblem(
                List.of(new Slot(0, 100)),
                List.of(2),
                List.of(job("a", 10, List.of(), worth(2, 50, 9), worth(1, 50, 9), worth(0, 50, 9))),
                List.of());
        assertEquals(Solver.solve(tokens).plan().jobs().get(0).mode(), 2);
        PlanProblem idle = new PlanProblem(
                List.of(new Slot(0, 100)),
                List.of(),
                List.of(job("nothing", 10, List.of(), worth(0, 50, 0)), job("b", 30, List.of(), worth(0, 90, 5))),
                List.of());
        assertEquals(Solver.solve(idle).plan().jobs().stream().map(Placed::job).toList(), List.of(1));
        PlanProblem early = new PlanProblem(
                List.of(new Slot(0, 100)),
                List.of(),
                List.of(job("long", 40, List.of(), worth(0, 100, 5)), job("short", 10, List.of(), worth(0, 100, 5))),
                List.of());
        assertEquals(Solver.solve(early).plan().jobs().stream().map(Placed::job).toList(), List.of(1, 0));
    }

    @Test
    public void nothingToDoOrNoTimeToDoItIsAPlanOfNothingProven() {
        PlanProblem empty = new PlanProblem(List.of(), List.of(), List.of(), List.of());
        assertEquals(Solver.solve(empty), new Solution(Plan.NOTHING, 0, true));
        assertEquals(Solver.solve(empty).withinPercent(), 0.0);
        PlanProblem full = new PlanProblem(
                List.of(),
                List.of(),
                List.of(job("a", 10, List.of(), worth(0, 50, 9)), job("b", 1, List.of(0))),
                List.of());
        assertEquals(Solver.solve(full), new Solution(Plan.NOTHING, 0, true));
    }

    /** Steps are counted, so that a slow machine and a fast one come to the same. */
    @Test
    public void theSameProblemHasTheSamePlanHoweverOftenItIsAsked() {
        for (int jobs : new int[] {5, 30, 120}) {
            PlanProblem problem = SomeProblems.random(new Random(26 + jobs), jobs);
            Solution first = Solver.solve(problem, SearchBudget.quick(jobs));
            assertEquals(Solver.solve(problem, SearchBudget.quick(jobs)), first);
            assertEquals(
                    new Layout(problem).of(first.plan().order()).orElseThrow().value(),
                    first.plan().value());
        }
    }
}
