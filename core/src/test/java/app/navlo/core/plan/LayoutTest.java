package app.navlo.core.plan;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import app.navlo.core.check.IllegalInput;
import app.navlo.core.plan.Plan.Chosen;
import app.navlo.core.plan.PlanProblem.Bonus;
import app.navlo.core.plan.PlanProblem.Job;
import app.navlo.core.plan.PlanProblem.Mode;
import app.navlo.core.plan.PlanProblem.Slot;
import app.navlo.core.plan.PlanProblem.Step;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import org.testng.annotations.Test;

/** What a plan is worth, by arithmetic on slots, judged by a clock that ticks minute by minute. */
public class LayoutTest {
    private static final int HORIZON = 120;

    private static PlanProblem random(Random random) {
        List<Slot> slots = new ArrayList<>();
        long at = random.nextInt(5);
        while (at < HORIZON - 20) {
            long end = at + 1 + random.nextInt(18);
            slots.add(new Slot(at, end));
            at = end + (random.nextInt(3) == 0 ? 0 : random.nextInt(15));
        }
        List<Job> jobs = new ArrayList<>();
        for (int i = 0; i < 6; i++) {
            List<Integer> after = i > 0 && random.nextInt(3) == 0 ? List.of(random.nextInt(i)) : List.of();
            List<Step> steps = new ArrayList<>();
            long by = random.nextInt(30) - 5;
            for (int s = 0; s < random.nextInt(4); s++, by += 1 + random.nextInt(40)) {
                steps.add(new Step(by, 30 - 10L * s));
            }
            jobs.add(new Job(
                    "j" + i,
                    1 + random.nextInt(15),
                    random.nextInt(60) - 20,
                    after,
                    random.nextInt(20),
                    List.of(
                            new Mode(0, 0, steps),
                            new Mode(0, 1 + random.nextInt(2), List.of(new Step(HORIZON, 25))))));
        }
        return new PlanProblem(slots, List.of(2), jobs, List.of(new Bonus(List.of(0, 1, 2), 40, 7)));
    }

    /** Ticks through every minute; knows nothing of free minutes counted together. @return -1 for a broken rule */
    private static long ticking(PlanProblem problem, List<Chosen> order) {
        long[] finish = new long[problem.jobs().size()];
        long[] earned = new long[problem.jobs().size()];
        long clock = 0;
        int tokens = 0;
        for (Chosen chosen : order) {
            Job job = problem.jobs().get(chosen.job());
            Mode mode = job.modes().get(chosen.mode());
            tokens += mode.tokens();
            long ready = Math.max(clock, job.release());
            for (int before : job.after()) {
                if (finish[before] == 0) {
                    return -1;
                }
                ready = Math.max(ready, finish[before] + job.lag());
            }
            long left = job.effort();
            long minute = ready;
            for (; left > 0 && minute < 2 * HORIZON; minute++) {
                long now = minute;
                left -= problem.slots().stream().anyMatch(slot -> slot.start() <= now && now < slot.endExclusive())
                        ? 1
                        : 0;
            }
            if (left > 0 || tokens > problem.banks().get(0) || finish[chosen.job()] > 0) {
                return -1;
            }
            clock = minute;
            finish[chosen.job()] = minute;
            for (Step step : mode.steps()) {
                if (minute <= step.by()) {
                    earned[chosen.job()] = step.value();
                    break;
                }
            }
        }
        long sum = 0;
        for (long one : earned) {
            sum += one;
        }
        return sum + (earned[0] + earned[1] + earned[2] >= 40 ? 7 : 0);
    }

    @Test
    public void arithmeticOnSlotsAgreesWithAClockThatTicks() {
        Random random = new Random(11);
        int laidOut = 0;
        for (int i = 0; i < 3_000; i++) {
            PlanProblem problem = random(random);
            List<Integer> jobs = new ArrayList<>(List.of(0, 1, 2, 3, 4, 5));
            Collections.shuffle(jobs, random);
            List<Chosen> order = jobs.subList(0, 1 + random.nextInt(6)).stream()
                    .map(job -> new Chosen(job, random.nextInt(5) == 0 ? 1 : 0))
                    .toList();
            long worth = new Layout(problem).of(order).map(Plan::value).orElse(-1L);
            assertEquals(worth, ticking(problem, order), problem + " " + order);
            laidOut += worth >= 0 ? 1 : 0;
        }
        assertTrue(laidOut > 500, "most of them can't be laid out: " + laidOut);
    }

    @Test
    public void aSimpleOrderIsALegalPlanAndNoneIsBetterThanTheirBest() {
        Random random = new Random(12);
        for (int i = 0; i < 300; i++) {
            PlanProblem problem = random(random);
            long best = SimpleOrder.best(problem).value();
            for (SimpleOrder order : SimpleOrder.values()) {
                Plan plan = order.of(problem);
                assertEquals(new Layout(problem).of(plan.order()).orElseThrow(), plan, order + " of " + problem);
                assertTrue(plan.value() <= best);
            }
        }
    }

    @Test
    public void workThatFillsASlotIsFinishedAtItsEndAndWhatFollowsBeginsInTheNext() {
        FreeTime free = new FreeTime(List.of(new Slot(0, 60), new Slot(100, 160), new Slot(160, 170)));
        assertEquals(free.minutes(), 130);
        assertEquals(free.finishAt(60), 60);
        assertEquals(free.startAt(60), 100);
        assertEquals(free.until(60), 60);
        assertEquals(free.until(99), 60);
        assertEquals(free.until(105), 65);
        assertEquals(free.finishAt(120), 160);
        assertEquals(free.startAt(120), 160);
        assertEquals(free.until(1_000), 130);
    }

    @Test
    public void nothingAtAllIsAPlanOfNothing() {
        PlanProblem empty = new PlanProblem(List.of(), List.of(), List.of(), List.of());
        assertEquals(SimpleOrder.best(empty), Plan.NOTHING);
        assertEquals(new Layout(empty).of(List.of()).orElseThrow(), Plan.NOTHING);
    }

    @Test
    public void aProblemThatCannotBeOneNamesEveryFault() {
        Job circular = new Job("a", 0, 0, List.of(1), 0, List.of(new Mode(3, 1, List.of())));
        Job other = new Job("b", 5, 0, List.of(7), -1, List.of());
        IllegalInput wrong = expectThrows(
                IllegalInput.class,
                () -> new PlanProblem(
                        List.of(new Slot(10, 5)),
                        List.of(-1),
                        List.of(circular, other),
                        List.of(new Bonus(List.of(0), 0, 1))));
        List<String> fields =
                wrong.problems().stream().map(problem -> problem.field()).toList();
        assertEquals(
                fields,
                List.of(
                        "slots[0].end",
                        "banks[0]",
                        "jobs[0].effort",
                        "jobs[0].modes[0].bank",
                        "jobs[1].lag",
                        "jobs[1].after",
                        "bonuses[0].need"));
        Job one = new Job("a", 1, 0, List.of(1), 0, List.of());
        Job two = new Job("b", 1, 0, List.of(0), 0, List.of());
        IllegalInput circle = expectThrows(
                IllegalInput.class, () -> new PlanProblem(List.of(), List.of(), List.of(one, two), List.of()));
        assertTrue(circle.problems().get(0).rule().contains("leads back"), circle.toString());
    }
}
