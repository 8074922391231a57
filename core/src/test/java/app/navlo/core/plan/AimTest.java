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
import org.testng.annotations.Test;

/** How a search looks at bonuses. */
public class AimTest {
    @Test
    public void thePlainLookComesFirstAndAllAreTheSameEachTime() {
        for (int bonuses = 0; bonuses < 9; bonuses++) {
            List<Aim[]> ways = Aim.ways(bonuses);
            assertEquals(ways.get(0), Aim.asTheyAre(bonuses));
            List<Aim[]> again = Aim.ways(bonuses);
            for (int way = 0; way < ways.size(); way++) {
                assertEquals(ways.get(way), again.get(way));
                assertEquals(ways.get(way).length, bonuses);
            }
        }
        assertEquals(Aim.ways(0).size(), 1, "without a bonus there is nothing to look at otherwise");
    }

    @Test
    public void oneIsGoneForAtAnyPriceOnOneWay() {
        assertTrue(Aim.ways(4).stream().anyMatch(way -> Arrays.stream(way).allMatch(one -> one == Aim.AT_ANY_PRICE)));
    }

    /** Two jobs of 10 each, and a bonus of 100 for both. */
    private static double worth(Aim aim, int jobs) {
        Job job = new Job("a", 10, 0, List.of(), 0, List.of(new Mode(0, 0, List.of(new Step(90, 10)))));
        PlanProblem problem = new PlanProblem(
                List.of(new Slot(0, 100)), List.of(), List.of(job, job), List.of(new Bonus(List.of(0, 1), 20, 100)));
        ProblemArrays c = new ProblemArrays(problem);
        Sequence sequence = new Sequence(c, new JobModes(c));
        sequence.aim(new Aim[] {aim});
        sequence.credit(0.8);
        sequence.set(new int[] {0, 1}, new int[] {jobs > 0 ? 0 : -1, jobs > 1 ? 0 : -1});
        assertEquals(sequence.worth(), jobs * 10 + (jobs > 1 ? 100 : 0), "what it is really worth");
        return sequence.worthTried();
    }

    @Test
    public void aBonusCountsAsItIsLookedAt() {
        assertEquals(worth(Aim.AS_IT_IS, 0), 0.0);
        assertEquals(worth(Aim.AS_IT_IS, 1), 10 + 0.8 * 100 * 0.25, "half of the way, credited by its square");
        assertEquals(worth(Aim.AS_IT_IS, 2), 120.0);
        assertEquals(worth(Aim.LEFT, 1), 10.0);
        assertEquals(worth(Aim.LEFT, 2), 20.0);
        assertEquals(worth(Aim.AT_ANY_PRICE, 1), 10 + 2.7 * 100 * 0.5);
        assertEquals(worth(Aim.AT_ANY_PRICE, 2), 320.0);
    }
}
