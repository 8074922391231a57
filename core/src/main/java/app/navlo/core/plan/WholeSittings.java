package app.navlo.core.plan;

import app.navlo.core.plan.Plan.Placed;
import app.navlo.core.plan.PlanProblem.Job;
import app.navlo.core.plan.PlanProblem.Slot;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Of plans that are worth the same, the one that doesn't begin a job in the last minutes of a slot only to be cut off: it
 * begins in the next slot, as long as nothing is lost by it.
 */
public final class WholeSittings {
    private WholeSittings() {}

    /** @param least minutes that are worth beginning for. Cost: a layout for each job that is cut off early. */
    public static Plan of(Plan plan, PlanProblem problem, long least) {
        PlanProblem now = problem;
        Plan best = plan;
        for (int i = 0; i < best.jobs().size(); i++) {
            Placed placed = best.jobs().get(i);
            long next = nextSlot(problem.slots(), placed, least);
            if (next >= 0) {
                PlanProblem waiting = notBefore(now, placed.job(), next);
                Optional<Plan> tried = new Layout(waiting).of(best.order());
                if (tried.isPresent() && tried.get().value() >= best.value()) {
                    best = tried.get();
                    now = waiting;
                }
            }
        }
        return best;
    }

    /** Where the next slot begins if the job is cut off by the end of its first before {@code least} minutes; else -1. */
    private static long nextSlot(List<Slot> slots, Placed placed, long least) {
        for (int s = 0; s + 1 < slots.size(); s++) {
            Slot slot = slots.get(s);
            boolean beginsHere = placed.start() >= slot.start() && placed.start() < slot.endExclusive();
            if (beginsHere) {
                boolean cut = placed.finish() > slot.endExclusive() && slot.endExclusive() - placed.start() < least;
                long next = slots.get(s + 1).start();
                return cut && next > slot.endExclusive() ? next : -1;
            }
        }
        return -1;
    }

    private static PlanProblem notBefore(PlanProblem problem, int place, long release) {
        List<Job> jobs = new ArrayList<>(problem.jobs());
        Job job = jobs.get(place);
        jobs.set(place, new Job(job.id(), job.effort(), release, job.after(), job.lag(), job.modes()));
        return new PlanProblem(problem.slots(), problem.banks(), jobs, problem.bonuses());
    }
}
