package app.navlo.core.plan;

import static org.testng.Assert.assertEquals;

import app.navlo.core.plan.Plan.Chosen;
import app.navlo.core.plan.Plan.Placed;
import app.navlo.core.plan.PlanProblem.Job;
import app.navlo.core.plan.PlanProblem.Mode;
import app.navlo.core.plan.PlanProblem.Slot;
import app.navlo.core.plan.PlanProblem.Step;
import java.util.List;
import java.util.stream.IntStream;
import org.testng.annotations.Test;

/** Nobody begins a long piece of work five minutes before the bus, unless it costs something to wait. */
public class WholeSittingsTest {
    private static final long LEAST = 15;
    private static final List<Slot> TWO = List.of(new Slot(0, 35), new Slot(100, 160));

    private static Job job(String id, long effort, long by) {
        return new Job(id, effort, 0, List.of(), 0, List.of(new Mode(0, 0, List.of(new Step(by, 10)))));
    }

    /** The starts of the jobs, done in the order in which they stand. */
    private static List<Long> starts(List<Slot> slots, Job... jobs) {
        PlanProblem problem = new PlanProblem(slots, List.of(), List.of(jobs), List.of());
        List<Chosen> order =
                IntStream.range(0, jobs.length).mapToObj(i -> new Chosen(i, 0)).toList();
        Plan plan = new Layout(problem).of(order).orElseThrow();
        Plan whole = WholeSittings.of(plan, problem, LEAST);
        assertEquals(whole.value(), plan.value(), "what it is worth");
        return whole.jobs().stream().map(Placed::start).toList();
    }

    @Test
    public void whatWouldBeCutOffAtOnceWaitsForTheNextSlot() {
        assertEquals(starts(TWO, job("first", 30, 500), job("second", 40, 500)), List.of(0L, 100L));
    }

    @Test
    public void whatWouldBeLateForWaitingBegins() {
        assertEquals(starts(TWO, job("first", 30, 500), job("second", 40, 135)), List.of(0L, 30L));
    }

    @Test
    public void whatGetsAProperSittingFirstIsCutOff() {
        assertEquals(starts(TWO, job("first", 20, 500), job("second", 40, 500)), List.of(0L, 20L));
    }

    @Test
    public void whatIsFinishedInTheLastMinutesStays() {
        assertEquals(starts(TWO, job("first", 30, 500), job("second", 5, 500)), List.of(0L, 30L));
    }

    @Test
    public void betweenSlotsThatTouchThereIsNoWaiting() {
        List<Slot> touching = List.of(new Slot(0, 35), new Slot(35, 160));
        assertEquals(starts(touching, job("first", 30, 500), job("second", 40, 500)), List.of(0L, 30L));
    }

    @Test
    public void inTheLastSlotThereIsNothingToWaitFor() {
        assertEquals(starts(List.of(new Slot(0, 100)), job("only", 40, 500)), List.of(0L));
    }
}
