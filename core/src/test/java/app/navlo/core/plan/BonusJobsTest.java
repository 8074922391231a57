package app.navlo.core.plan;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import app.navlo.core.plan.PlanProblem.Bonus;
import app.navlo.core.plan.PlanProblem.Job;
import app.navlo.core.plan.PlanProblem.Mode;
import app.navlo.core.plan.PlanProblem.Slot;
import app.navlo.core.plan.PlanProblem.Step;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.testng.annotations.Test;

/** What jobs choose together that a bonus counts. */
public class BonusJobsTest {
    private static final double NEAR = 1e-9;

    private static ProblemArrays problem(List<List<Step>> jobs, List<Bonus> bonuses) {
        List<Job> all = new ArrayList<>();
        for (List<Step> steps : jobs) {
            all.add(new Job("j" + all.size(), 10, 0, List.of(), 0, List.of(new Mode(0, 0, steps))));
        }
        return new ProblemArrays(new PlanProblem(List.of(new Slot(0, 500)), List.of(), all, bonuses));
    }

    private static List<Bonus> one(int need, int bonus, Integer... jobs) {
        return List.of(new Bonus(List.of(jobs), need, bonus));
    }

    private static List<BonusJobs> of(ProblemArrays c, boolean... whole) {
        return BonusJobs.of(c, new JobOptions(c, new JobModes(c)), whole);
    }

    @Test
    public void halfAJobReachesNothing() {
        ProblemArrays c = problem(List.of(List.of(new Step(400, 60)), List.of(new Step(400, 40))), one(80, 100, 0, 1));
        BonusJobs both = of(c, new boolean[1]).get(0);
        int[] chosen = {9, 9};
        assertEquals(both.choose(new double[][] {{-30}, {-60}}, chosen), 10, "both, for 100 less 90");
        assertEquals(chosen, new int[] {0, 0});
        assertEquals(both.choose(new double[][] {{-30}, {-75}}, chosen), 0, "for 105 it isn't worth it");
        assertEquals(chosen, new int[] {-1, -1});
        assertEquals(both.choose(new double[][] {{5}, {-200}}, chosen), 5);
        assertEquals(chosen, new int[] {0, -1});
    }

    @Test
    public void aStepThatIsWorthMoreIsChosenForWhatItOpens() {
        ProblemArrays c = problem(List.of(List.of(new Step(100, 60), new Step(400, 30))), one(50, 20, 0));
        int[] chosen = {-1};
        assertEquals(of(c, new boolean[1]).get(0).choose(new double[][] {{3, 8}}, chosen), 23);
        assertEquals(chosen, new int[] {0});
    }

    @Test
    public void bonusesOfTheSameJobsAreLookedAtAlikeAndOfOthersThoseWorthMost() {
        List<List<Step>> jobs =
                List.of(List.of(new Step(400, 10)), List.of(new Step(400, 10)), List.of(new Step(400, 10)));
        ProblemArrays c = problem(
                jobs,
                List.of(
                        new Bonus(List.of(0, 1), 10, 50),
                        new Bonus(List.of(1, 2), 20, 80),
                        new Bonus(List.of(0, 1), 20, 20),
                        new Bonus(List.of(), 5, 500)));
        boolean[] whole = new boolean[4];
        List<BonusJobs> all = of(c, whole);
        assertEquals(whole, new boolean[] {false, true, false, false}, "80 is more than 50 and 20");
        assertEquals(all.get(0).jobs(), new int[] {1, 2});
        boolean[] other = new boolean[2];
        of(problem(jobs, List.of(new Bonus(List.of(2), 10, 5), new Bonus(List.of(2), 20, 5))), other);
        assertEquals(other, new boolean[] {true, true});
    }

    /** Small sums are told apart exactly; large ones never worse than they are, and hardly better. */
    @Test
    public void noChoiceOfAllIsBetter() {
        Random random = new Random(41);
        int reached = 0;
        for (int i = 0; i < 400; i++) {
            int most = i % 2 == 0 ? 20 : 2_000;
            List<List<Step>> jobs = new ArrayList<>();
            for (int j = 0; j < 1 + random.nextInt(5); j++) {
                long value = 1 + random.nextInt(most);
                jobs.add(List.of(new Step(50, value + 1 + random.nextInt(most)), new Step(90, value)));
            }
            List<Integer> all = IntStream.range(0, jobs.size()).boxed().toList();
            ProblemArrays c = problem(
                    jobs,
                    List.of(
                            new Bonus(all, 1 + random.nextInt(2 * most), 1 + random.nextInt(50)),
                            new Bonus(all, 1 + random.nextInt(4 * most), 1 + random.nextInt(50))));
            JobOptions options = new JobOptions(c, new JobModes(c));
            double[][] gain = new double[jobs.size()][2];
            for (double[] job : gain) {
                Arrays.setAll(job, option -> random.nextInt(40) - 25);
            }
            int[] chosen = new int[jobs.size()];
            double together = BonusJobs.of(c, options, new boolean[2]).get(0).choose(gain, chosen);
            double best = best(c, options, gain, new int[jobs.size()], 0);
            double itself = worth(c, options, gain, chosen);
            reached += best
                            > IntStream.range(0, jobs.size())
                                    .mapToDouble(j -> Math.max(0, Math.max(gain[j][0], gain[j][1])))
                                    .sum()
                    ? 1
                    : 0;
            assertTrue(together >= best - NEAR, together + " is below " + best + " in " + i);
            if (most == 20) {
                assertEquals(together, best, NEAR);
                assertEquals(itself, best, NEAR);
            }
        }
        assertTrue(reached > 100, "too few go for a bonus: " + reached);
    }

    private static double best(ProblemArrays c, JobOptions options, double[][] gain, int[] chosen, int job) {
        if (job == chosen.length) {
            return worth(c, options, gain, chosen);
        }
        double best = Double.NEGATIVE_INFINITY;
        for (int option = -1; option < 2; option++) {
            chosen[job] = option;
            best = Math.max(best, best(c, options, gain, chosen, job + 1));
        }
        return best;
    }

    private static double worth(ProblemArrays c, JobOptions options, double[][] gain, int[] chosen) {
        double worth = 0;
        long sum = 0;
        for (int job = 0; job < chosen.length; job++) {
            worth += chosen[job] < 0 ? 0 : gain[job][chosen[job]];
            sum += chosen[job] < 0 ? 0 : options.worth[job][chosen[job]];
        }
        for (int b = 0; b < c.need.length; b++) {
            worth += sum >= c.need[b] ? c.bonus[b] : 0;
        }
        return worth;
    }
}
