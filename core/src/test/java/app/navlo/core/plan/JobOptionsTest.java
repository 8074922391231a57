package app.navlo.core.plan;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import app.navlo.core.plan.PlanProblem.Bonus;
import app.navlo.core.plan.PlanProblem.Job;
import app.navlo.core.plan.PlanProblem.Mode;
import app.navlo.core.plan.PlanProblem.Slot;
import app.navlo.core.plan.PlanProblem.Step;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.testng.annotations.Test;

/** What jobs can choose from where limits have prices. */
public class JobOptionsTest {
    private static Job job(String id, long effort, List<Integer> after, long lag, Step... steps) {
        return new Job(id, effort, 0, after, lag, List.of(new Mode(0, 0, List.of(steps))));
    }

    private static JobOptions of(List<Slot> slots, List<Job> jobs, Bonus... bonuses) {
        ProblemArrays c = new ProblemArrays(new PlanProblem(slots, List.of(0), jobs, List.of(bonuses)));
        return new JobOptions(c, new JobModes(c));
    }

    @Test
    public void whatOpensOthersHasToEndInTimeForEachOfTheirSteps() {
        JobOptions options = of(
                List.of(new Slot(0, 200)),
                List.of(
                        job("outline", 20, List.of(), 0, new Step(50, 7)),
                        job("essay", 60, List.of(0), 0, new Step(100, 90), new Step(150, 70))));
        assertEquals(options.until[0], new long[] {40, 50, 90}, "40 for the essay's first step, 50 its own, 90");
        assertEquals(options.worth[0], new long[] {7, 7, 0});
        assertEquals(
                options.waits,
                List.of(new JobOptions.Wait(1, 2, 0, 3), new JobOptions.Wait(1, 1, 0, 1)),
                "finished by 150 if the outline was by 90, and by 100 if it was by 40");
    }

    @Test
    public void aLagOnTheWallClockIsCountedAcrossAGap() {
        JobOptions options = of(
                List.of(new Slot(0, 60), new Slot(100, 200)),
                List.of(job("first", 10, List.of(), 0), job("second", 20, List.of(0), 45, new Step(130, 5))));
        assertEquals(options.until[0], new long[] {60}, "finished at 60, the end of its slot, it may go on at 105");
    }

    @Test
    public void whatCannotEndInTimeIsNoOption() {
        JobOptions options = of(
                List.of(new Slot(0, 100)),
                List.of(
                        job("long", 80, List.of(), 0, new Step(60, 9), new Step(90, 4)),
                        job("never", 101, List.of(), 0)));
        assertEquals(options.until[0], new long[] {90});
        assertEquals(options.until[1].length, 0);
    }

    @Test
    public void aBonusNeedsWhatItsJobsCanComeToWhole() {
        List<Job> jobs = List.of(
                job("a", 10, List.of(), 0, new Step(90, 6), new Step(95, 4)),
                job("b", 10, List.of(), 0, new Step(90, 6)));
        List<Integer> both = List.of(0, 1);
        List<Slot> slots = List.of(new Slot(0, 100));
        assertEquals(of(slots, jobs, new Bonus(both, 5, 1)).need, new long[] {6});
        assertEquals(of(slots, jobs, new Bonus(both, 7, 1)).need, new long[] {10});
        assertEquals(of(slots, jobs, new Bonus(both, 11, 1)).need, new long[] {12});
        assertEquals(of(slots, jobs, new Bonus(both, 13, 1)).need, new long[] {13}, "out of reach: left as it is");
        assertEquals(of(slots, jobs, new Bonus(both, 50_000, 1)).need, new long[] {50_000});
    }

    /** What has to be finished in time is the other side of when one may begin. */
    @Test
    public void latestIsTheOtherSideOfStart() {
        Random random = new Random(31);
        int lagged = 0;
        for (int i = 0; i < 200; i++) {
            ProblemArrays c = new ProblemArrays(SomeProblems.random(random, 6));
            for (int job = 0; job < c.n; job++) {
                if (c.after[job].length == 0) {
                    continue;
                }
                lagged += c.lag[job] > 0 ? 1 : 0;
                long start = random.nextInt((int) c.minutes + 1);
                long latest = c.latest(job, start);
                long[] finish = new long[c.n];
                Arrays.fill(finish, latest);
                long unreleased = Math.max(c.release[job], start);
                assertTrue(latest == 0 || c.start(job, latest, finish) <= unreleased, "finished then it may begin");
                if (latest < c.minutes) {
                    Arrays.fill(finish, latest + 1);
                    assertTrue(c.start(job, latest + 1, finish) > start, "a minute later it may not");
                }
            }
        }
        assertTrue(lagged > 50, "too few have a lag: " + lagged);
    }
}
