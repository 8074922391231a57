package app.navlo.core.plan;

import app.navlo.core.plan.Plan.Chosen;
import app.navlo.core.plan.Plan.Placed;
import app.navlo.core.plan.PlanProblem.Bonus;
import app.navlo.core.plan.PlanProblem.Job;
import app.navlo.core.plan.PlanProblem.Mode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Lays an order out as the rules say, plainly; what is fast elsewhere is checked against this. */
public final class Layout {
    private final PlanProblem problem;
    private final FreeTime free;

    public Layout(PlanProblem problem) {
        this.problem = problem;
        this.free = new FreeTime(problem.slots());
    }

    /**
     * Each job starts at the earliest free minute that is not before now, its release, the finish of the job before it, and
     * the finish of each job that it waits for, plus its lag.
     *
     * @return empty for an order that breaks a rule: a job twice, before one that it waits for, too many tokens, no room
     */
    public Optional<Plan> of(List<Chosen> order) {
        int n = problem.jobs().size();
        long[] finish = new long[n];
        boolean[] done = new boolean[n];
        long[] spent = new long[problem.banks().size()];
        List<Placed> placed = new ArrayList<>();
        long at = 0;
        for (Chosen chosen : order) {
            Job job = problem.jobs().get(chosen.job());
            boolean waits = job.after().stream().anyMatch(before -> !done[before]);
            if (done[chosen.job()] || waits || !pays(job.modes().get(chosen.mode()), spent)) {
                return Optional.empty();
            }
            at = Math.max(at, free.until(ready(job, finish)));
            if (at + job.effort() > free.minutes()) {
                return Optional.empty();
            }
            long start = free.startAt(at);
            at += job.effort();
            finish[chosen.job()] = free.finishAt(at);
            done[chosen.job()] = true;
            long value = job.modes().get(chosen.mode()).valueAt(finish[chosen.job()]);
            placed.add(new Placed(chosen.job(), chosen.mode(), start, finish[chosen.job()], value));
        }
        return Optional.of(new Plan(placed, worth(placed)));
    }

    private boolean pays(Mode mode, long[] spent) {
        if (mode.tokens() == 0) {
            return true;
        }
        spent[mode.bank()] += mode.tokens();
        return spent[mode.bank()] <= problem.banks().get(mode.bank());
    }

    private static long ready(Job job, long[] finish) {
        long ready = Math.max(0, job.release());
        for (int before : job.after()) {
            ready = Math.max(ready, finish[before] + job.lag());
        }
        return ready;
    }

    private long worth(List<Placed> placed) {
        long[] earned = new long[problem.jobs().size()];
        long worth = 0;
        for (Placed one : placed) {
            earned[one.job()] = one.value();
            worth += one.value();
        }
        for (Bonus bonus : problem.bonuses()) {
            long sum = bonus.jobs().stream().mapToLong(job -> earned[job]).sum();
            worth += sum >= bonus.need() ? bonus.bonus() : 0;
        }
        return worth;
    }
}
