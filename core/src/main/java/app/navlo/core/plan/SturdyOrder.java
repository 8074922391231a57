package app.navlo.core.plan;

import app.navlo.core.plan.Plan.Chosen;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;

/** An order that is worth much on average, since efforts are guesses: sought from the best plan as thought, and from what brings most a minute. */
public final class SturdyOrder {
    private static final int CASES = 32;
    private static final int MOST_TRIES = 1_000;
    /** Tries times jobs: each try is dearer among many. */
    private static final int TRIES_TIMES_JOBS = 36_000;

    private static final int MANY = 300;
    private static final int CASES_AMONG_MANY = 8;

    private SturdyOrder() {}

    /** In how many cases orders of so many jobs are compared. */
    public static int cases(int jobs) {
        return jobs > MANY ? CASES_AMONG_MANY : CASES;
    }

    /** How many moves of single jobs are tried among so many. */
    public static int tries(int jobs) {
        return jobs > MANY ? 0 : Math.min(MOST_TRIES, TRIES_TIMES_JOBS / Math.max(1, jobs));
    }

    /**
     * @param found by the solver
     * @param aMinute what a job brings a minute, by its place
     * @param also other orders to begin with
     */
    public static List<Chosen> of(
            Plan found,
            PlanProblem problem,
            Foresight foresight,
            ToDoubleFunction<Integer> aMinute,
            List<List<Chosen>> also) {
        int jobs = problem.jobs().size();
        List<List<Chosen>> starts = new ArrayList<>(starts(found, problem, aMinute));
        starts.addAll(also);
        List<Chosen> best = Collections.max(starts, Comparator.comparingDouble(foresight::mean));
        return foresight.better(best, tries(jobs));
    }

    private static List<List<Chosen>> starts(Plan found, PlanProblem problem, ToDoubleFunction<Integer> aMinute) {
        int jobs = problem.jobs().size();
        List<Chosen> ordered = jobs > MANY
                ? found.order()
                : GreatestFirst.of(found, new Layout(problem), aMinute).order();
        List<Chosen> byMinute = IntStream.range(0, jobs)
                .boxed()
                .filter(job -> !problem.jobs().get(job).modes().isEmpty())
                .sorted(Comparator.comparingDouble(job -> -aMinute.applyAsDouble(job)))
                .map(job -> new Chosen(job, 0))
                .toList();
        return List.of(ordered, byMinute);
    }
}
