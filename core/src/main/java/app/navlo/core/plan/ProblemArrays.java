package app.navlo.core.plan;

import app.navlo.core.plan.PlanProblem.Job;
import app.navlo.core.plan.PlanProblem.Mode;
import java.util.ArrayList;
import java.util.List;

/**
 * The problem in arrays and in free minutes, where slots are gone: work is a plain stretch, and a finish is on time if it
 * uses up no more free minutes than lie before the step.
 */
final class ProblemArrays {
    final int n;
    final FreeTime free;
    final long minutes;
    final long[] effort;
    final long[] release;
    final long[] lag;
    /** By job with a lag, and free minute: when it may begin if what it waits for is finished with that one. */
    private final int[][] readyAfter;

    final int[][] after;
    final int[][] successors;
    /** By job and mode: until which free minute each step holds, and what it is worth. */
    final long[][][] until;

    final long[][][] worth;
    /** By job and mode: the instants of the steps, as they were given. */
    final long[][][] by;

    /** As it was given, which can be past. */
    final long[] releasedAt;

    final int[][] tokens;
    final int[][] bank;
    final int[] budget;
    /** By bonus: its need and what it adds. By job: the bonuses that it counts for. */
    final long[] need;

    final long[] bonus;
    final int[][] counts;

    ProblemArrays(PlanProblem problem) {
        n = problem.jobs().size();
        free = new FreeTime(problem.slots());
        minutes = free.minutes();
        effort = new long[n];
        release = new long[n];
        lag = new long[n];
        after = new int[n][];
        until = new long[n][][];
        worth = new long[n][][];
        by = new long[n][][];
        releasedAt = new long[n];
        tokens = new int[n][];
        bank = new int[n][];
        budget = problem.banks().stream().mapToInt(Integer::intValue).toArray();
        for (int i = 0; i < n; i++) {
            job(i, problem.jobs().get(i));
        }
        readyAfter = new int[n][];
        for (int i = 0; i < n; i++) {
            readyAfter[i] = lag[i] > 0 ? readyAfter(lag[i]) : new int[0];
        }
        successors = inverse(after, n);
        need = problem.bonuses().stream().mapToLong(PlanProblem.Bonus::need).toArray();
        bonus = problem.bonuses().stream().mapToLong(PlanProblem.Bonus::bonus).toArray();
        counts = inverse(
                problem.bonuses().stream()
                        .map(one ->
                                one.jobs().stream().mapToInt(Integer::intValue).toArray())
                        .toArray(int[][]::new),
                n);
    }

    private void job(int i, Job job) {
        effort[i] = job.effort();
        releasedAt[i] = job.release();
        release[i] = free.until(Math.max(0, job.release()));
        lag[i] = job.after().isEmpty() ? 0 : job.lag();
        after[i] = job.after().stream().mapToInt(Integer::intValue).toArray();
        int modes = job.modes().size();
        until[i] = new long[modes][];
        worth[i] = new long[modes][];
        by[i] = new long[modes][];
        tokens[i] = new int[modes];
        bank[i] = new int[modes];
        for (int m = 0; m < modes; m++) {
            Mode mode = job.modes().get(m);
            until[i][m] = mode.steps().stream()
                    .mapToLong(step -> free.until(step.by()))
                    .toArray();
            by[i][m] = mode.steps().stream().mapToLong(PlanProblem.Step::by).toArray();
            worth[i][m] =
                    mode.steps().stream().mapToLong(PlanProblem.Step::value).toArray();
            tokens[i][m] = mode.tokens();
            bank[i][m] = mode.bank();
        }
    }

    private int[] readyAfter(long wait) {
        int[] ready = new int[Math.toIntExact(minutes) + 1];
        for (int p = 1; p < ready.length; p++) {
            ready[p] = (int) free.until(free.finishAt(p) + wait);
        }
        return ready;
    }

    private static int[][] inverse(int[][] lists, int n) {
        List<List<Integer>> inverse = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            inverse.add(new ArrayList<>());
        }
        for (int i = 0; i < lists.length; i++) {
            for (int one : lists[i]) {
                inverse.get(one).add(i);
            }
        }
        return inverse.stream()
                .map(list -> list.stream().mapToInt(Integer::intValue).toArray())
                .toArray(int[][]::new);
    }

    /** What a job earns in a mode when it has used up so many free minutes. */
    long value(int job, int mode, long finish) {
        long[] ends = until[job][mode];
        for (int s = 0; s < ends.length; s++) {
            if (finish <= ends[s]) {
                return worth[job][mode][s];
            }
        }
        return 0;
    }

    /** Takes out of an order what earns nothing and opens nothing. */
    void keepUseful(List<Plan.Chosen> order, Layout layout) {
        boolean all = false;
        while (!all) {
            boolean[] useful = useful(layout.of(order).orElseThrow());
            all = !order.removeIf(one -> !useful[one.job()]);
        }
    }

    /** By job: whether a plan has it and it earns something, or opens what does. */
    boolean[] useful(Plan plan) {
        boolean[] useful = new boolean[n];
        for (int i = plan.jobs().size() - 1; i >= 0; i--) {
            Plan.Placed placed = plan.jobs().get(i);
            useful[placed.job()] |= placed.value() > 0;
            for (int before : useful[placed.job()] ? after[placed.job()] : new int[0]) {
                useful[before] = true;
            }
        }
        return useful;
    }

    boolean ready(int job, boolean[] done) {
        for (int before : after[job]) {
            if (!done[before]) {
                return false;
            }
        }
        return true;
    }

    /** Until which free minute what a job waits for has to be finished, if it is to begin with that one; 0 if it can't. */
    long latest(int job, long start) {
        if (lag[job] == 0 || start < 0) {
            return Math.max(0, start);
        }
        int low = 0;
        int high = (int) Math.min(start, minutes);
        while (low < high) {
            int middle = (low + high + 1) >>> 1;
            if (readyAfter[job][middle] <= start) {
                low = middle;
            } else {
                high = middle - 1;
            }
        }
        return low;
    }

    /**
     * The free minute that a job can begin with, once the work before it ends at {@code at}.
     *
     * @param finish of the jobs that it waits for, in free minutes
     */
    long start(int job, long at, long[] finish) {
        long start = Math.max(at, release[job]);
        if (lag[job] > 0) {
            for (int before : after[job]) {
                start = Math.max(start, readyAfter[job][(int) finish[before]]);
            }
        }
        return start;
    }
}
