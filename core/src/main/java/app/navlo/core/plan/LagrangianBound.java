package app.navlo.core.plan;

import app.navlo.core.plan.JobOptions.Wait;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.LongStream;

/**
 * A relaxation: free minutes, tokens, needs of bonuses and jobs that wait for others have a price instead of a limit. Each
 * job then chooses by itself where and in which way it gains most, and what all choose is worth at least as much as any
 * plan. The prices are moved towards those at which that is least (the volume method: a step against the mean of what was
 * chosen so far, taken from the best prices known). Later the jobs of a bonus choose together, and it has no price any more:
 * paid for with parts of large jobs, it made three of nine problems of 40 jobs seem 6 to 9 % better than any plan is.
 *
 * <p>A price holds for a stretch between two instants at which something changes for some job. An iteration costs two steps
 * for each job and stretch.
 */
final class LagrangianBound {
    /** How much of the last choice goes into the mean. */
    private static final double FRESH = 0.05;
    /** After so many iterations without a better bound the steps become shorter. */
    private static final int PATIENCE = 4;

    private static final double SHORTER = 0.6;
    private static final double LONGER = 1.1;
    private static final double LONGEST = 2;
    private static final int NONE = -1;
    private static final double TINY = 1e-12;
    private static final double SAFETY = 1e-6;

    private final ProblemArrays c;
    private final int n;
    /** The ends of the stretches, from 0 to all free minutes. */
    private final long[] edges;

    private final int stretches;
    final JobOptions options;

    private final long[][] until;
    private final long[][] worth;
    private final int[][] tokens;
    private final int[][] bank;
    private final long[] need;
    private final List<Wait> waits;

    // Rows: stretches, banks, bonuses, waits; each scaled so that its limit is near 1.
    private final int rows;
    private final int bankRow;
    private final int bonusRow;
    private final int waitRow;
    private final double[] price;
    private final double[] bestPrice;
    private double best = Double.MAX_VALUE;

    private final double[] slack;
    private final double[] meanSlack;
    /** Price of all minutes before each edge. */
    private final double[] before;

    private boolean begun;
    /** By job and option: what it gains for being waited for, less what it pays for waiting. */
    private final double[][] extra;
    /** By job: the option it chose last; below 0 where it chose none. */
    private final int[] chosen;

    /** By job and option: what it gains at the prices, and where it is done best then. */
    private final double[][] gain;

    private final long[][] end;

    /** Empty until jobs choose together. */
    private List<BonusJobs> together = List.of();

    /** By bonus: whether its jobs choose together. */
    private final boolean[] whole;

    /** By job: whether it chooses alone. */
    private final boolean[] alone;

    LagrangianBound(ProblemArrays c, JobModes ways) {
        this.c = c;
        n = c.n;
        options = new JobOptions(c, ways);
        until = options.until;
        worth = options.worth;
        tokens = options.tokens;
        bank = options.bank;
        need = options.need;
        waits = options.waits;
        edges = edges();
        stretches = edges.length - 1;
        bankRow = stretches;
        bonusRow = bankRow + c.budget.length;
        waitRow = bonusRow + need.length;
        rows = waitRow + waits.size();
        price = new double[rows];
        bestPrice = new double[rows];
        slack = new double[rows];
        meanSlack = new double[rows];
        before = new double[edges.length];
        extra = extras();
        chosen = new int[n];
        gain = extras();
        end = new long[n][];
        Arrays.setAll(end, job -> new long[until[job].length]);
        whole = new boolean[need.length];
        alone = new boolean[n];
        Arrays.fill(alone, true);
    }

    private long[] edges() {
        LongStream heads = Arrays.stream(options.head);
        LongStream ends = Arrays.stream(until).flatMapToLong(Arrays::stream);
        LongStream all = LongStream.concat(LongStream.of(0, c.minutes), LongStream.concat(heads, ends));
        return all.filter(edge -> edge >= 0 && edge <= c.minutes)
                .sorted()
                .distinct()
                .toArray();
    }

    /** No plan is worth more. */
    long bound() {
        return (long) Math.floor(best + SAFETY);
    }

    /** Moves the prices until nothing better than {@code target} is possible at them, or the rounds are used up. */
    void run(long target, int rounds) {
        run(target, rounds, () -> {});
    }

    /** The same, with something to be done when jobs have chosen anew. */
    void run(long target, int rounds, Runnable whenChosen) {
        double length = 1;
        int waited = 0;
        for (int i = 0; i < rounds && bound() > target; i++) {
            step(length, target);
            double value = choose(begun ? FRESH : 1);
            begun = true;
            whenChosen.run();
            if (value < best) {
                length = along() > 0 ? Math.min(LONGEST, length * LONGER) : length;
                best = value;
                System.arraycopy(price, 0, bestPrice, 0, rows);
                waited = 0;
            } else if (++waited >= PATIENCE) {
                length *= SHORTER;
                waited = 0;
            }
        }
    }

    /** From here on the jobs of a bonus choose together. What was found before holds; {@link #paid} says nothing any more. */
    void chooseTogether() {
        together = BonusJobs.of(c, options, whole);
        for (BonusJobs some : together) {
            for (int job : some.jobs()) {
                alone[job] = false;
            }
        }
        for (int b = 0; b < need.length; b++) {
            if (whole[b]) {
                bestPrice[bonusRow + b] = 0;
                meanSlack[bonusRow + b] = 0;
            }
        }
    }

    /** What was chosen last, in the order of its ends; a plan only if it fits. */
    List<Integer> order() {
        return IntStream.range(0, n)
                .filter(job -> chosen[job] >= 0)
                .boxed()
                .sorted(Comparator.comparingLong(job -> until[job][chosen[job]]))
                .toList();
    }

    private void step(double length, long target) {
        double size = 0;
        for (int r = 0; r < rows; r++) {
            boolean binding = meanSlack[r] < 0 || bestPrice[r] > 0;
            size += binding ? meanSlack[r] * meanSlack[r] : 0;
        }
        double step = size < TINY ? 0 : length * Math.max(best - target, 1) / size;
        for (int r = 0; r < rows; r++) {
            price[r] = Math.max(0, bestPrice[r] - step * meanSlack[r]);
        }
    }

    /** Whether the last choice points where the mean does. */
    private double along() {
        double along = 0;
        for (int r = 0; r < rows; r++) {
            along += slack[r] * meanSlack[r];
        }
        return along;
    }

    /** What each point of a bonus's jobs is paid for it at the best prices. */
    double paid(int bonus) {
        return bestPrice[bonusRow + bonus] / need[bonus];
    }

    /** What a bonus adds beside what is paid for the points of its jobs, at the best prices. */
    double unpaid(int bonus) {
        return Math.max(0, c.bonus[bonus] - bestPrice[bonusRow + bonus]);
    }

    private double[] factors() {
        double[] factor = new double[n];
        Arrays.fill(factor, 1);
        for (int job = 0; job < n; job++) {
            for (int b : c.counts[job]) {
                factor[job] += price[bonusRow + b] / need[b];
            }
        }
        return factor;
    }

    /** By job and option, at the best prices. @see #extra */
    double[][] extrasAtBest() {
        double[][] extras = extras();
        fill(extras, bestPrice);
        return extras;
    }

    private double[][] extras() {
        double[][] extras = new double[n][];
        Arrays.setAll(extras, job -> new double[until[job].length]);
        return extras;
    }

    private void fill(double[][] extras, double[] at) {
        if (waits.isEmpty()) {
            return;
        }
        for (double[] job : extras) {
            Arrays.fill(job, 0);
        }
        for (int r = 0; r < waits.size(); r++) {
            Wait wait = waits.get(r);
            double cost = at[waitRow + r];
            extras[wait.job()][wait.options() - 1] -= cost;
            if (wait.firstOptions() > 0) {
                extras[wait.first()][wait.firstOptions() - 1] += cost;
            }
        }
        for (double[] job : extras) {
            for (int o = job.length - 2; o >= 0; o--) {
                job[o] += job[o + 1];
            }
        }
    }

    double[] tokenPrices() {
        return Arrays.copyOfRange(bestPrice, bankRow, bonusRow);
    }

    /** By free minute: the price of all minutes from it on. */
    double[] minutesFrom() {
        double[] from = new double[Math.toIntExact(c.minutes) + 1];
        int k = stretches - 1;
        for (int minute = from.length - 2; minute >= 0; minute--) {
            while (edges[k] > minute) {
                k--;
            }
            from[minute] = from[minute + 1] + bestPrice[k] / (edges[k + 1] - edges[k]);
        }
        return from;
    }

    /** Lets every job choose at the prices. @return what that is worth */
    private double choose(double fresh) {
        double value = open();
        double[] factor = factors();
        fill(extra, price);
        for (int job = 0; job < n; job++) {
            place(job, factor[job]);
            chosen[job] = alone[job] ? best(gain[job]) : NONE;
            value += chosen[job] >= 0 ? gain[job][chosen[job]] : 0;
        }
        for (BonusJobs some : together) {
            value += some.choose(gain, chosen);
        }
        for (int job = 0; job < n; job++) {
            if (chosen[job] >= 0) {
                take(job, chosen[job]);
            }
        }
        for (int r = 0; r < waits.size(); r++) {
            Wait wait = waits.get(r);
            slack[waitRow + r] = within(wait.first(), wait.firstOptions()) - within(wait.job(), wait.options());
        }
        for (int r = 0; r < rows; r++) {
            meanSlack[r] += fresh * (slack[r] - meanSlack[r]);
        }
        return value;
    }

    /** The first of the options that gain most; below 0 if none gains anything. */
    private static int best(double[] gains) {
        double most = 0;
        int best = NONE;
        for (int option = 0; option < gains.length; option++) {
            if (gains[option] > most) {
                most = gains[option];
                best = option;
            }
        }
        return best;
    }

    private int within(int job, int first) {
        return chosen[job] >= 0 && chosen[job] < first ? 1 : 0;
    }

    /** Nothing is chosen yet but the bonuses that are worth their price. @return what limits and bonuses are worth */
    private double open() {
        for (int k = 0; k < stretches; k++) {
            before[k + 1] = before[k] + price[k];
            slack[k] = 1;
        }
        double value = before[stretches];
        for (int b = 0; b < c.budget.length; b++) {
            slack[bankRow + b] = c.budget[b];
            value += price[bankRow + b] * c.budget[b];
        }
        for (int b = 0; b < c.need.length; b++) {
            double beyond = whole[b] ? 0 : c.bonus[b] - price[bonusRow + b];
            slack[bonusRow + b] = beyond > 0 ? -1 : 0;
            value += Math.max(0, beyond);
        }
        return value;
    }

    private void take(int job, int option) {
        long finish = end[job][option];
        long start = finish - c.effort[job];
        for (int k = stretchOf(start); k < stretches && edges[k] < finish; k++) {
            long overlap = Math.min(finish, edges[k + 1]) - Math.max(start, edges[k]);
            slack[k] -= overlap / (double) (edges[k + 1] - edges[k]);
        }
        if (tokens[job][option] > 0) {
            slack[bankRow + bank[job][option]] -= tokens[job][option];
        }
        for (int b : c.counts[job]) {
            slack[bonusRow + b] += whole[b] ? 0 : worth[job][option] / (double) need[b];
        }
    }

    /** What the minutes before an instant cost, which lies in stretch k. */
    private double cost(long minute, int k) {
        return before[k] + price[k] * (minute - edges[k]) / (edges[k + 1] - edges[k]);
    }

    /** Where each option of a job is cheapest, left in {@link #end}, and what it gains there. */
    private void place(int job, double factor) {
        long[] ends = until[job];
        if (ends.length == 0) {
            return;
        }
        long effort = c.effort[job];
        long at = options.head[job] + effort;
        double least = Double.MAX_VALUE;
        long leastEnd = 0;
        int finishStretch = 0;
        int startStretch = stretchOf(options.head[job]);
        int option = 0;
        while (at <= ends[ends.length - 1]) {
            while (finishStretch < stretches - 1 && edges[finishStretch + 1] < at) {
                finishStretch++;
            }
            while (startStretch < stretches - 1 && edges[startStretch + 1] <= at - effort) {
                startStretch++;
            }
            for (; ends[option] < at; option++) {
                offer(job, option, worthAtPrices(job, option, factor) - least, leastEnd);
            }
            double now = cost(at, finishStretch) - cost(at - effort, startStretch);
            if (now < least) {
                least = now;
                leastEnd = at;
            }
            at = nextEnd(at, effort, finishStretch, startStretch);
        }
        for (; option < ends.length; option++) {
            offer(job, option, worthAtPrices(job, option, factor) - least, leastEnd);
        }
    }

    private void offer(int job, int option, double gains, long at) {
        gain[job][option] = gains;
        end[job][option] = at;
    }

    /** Where the finish or the start next meets an edge; between edges the cost changes evenly. */
    private long nextEnd(long at, long effort, int finishStretch, int startStretch) {
        int finishEdge = edges[finishStretch + 1] > at ? finishStretch + 1 : finishStretch + 2;
        long byFinish = finishEdge <= stretches ? edges[finishEdge] : Long.MAX_VALUE;
        return Math.min(byFinish, edges[startStretch + 1] + effort);
    }

    private int stretchOf(long minute) {
        int k = Arrays.binarySearch(edges, minute);
        return k < 0 ? -k - 2 : k;
    }

    private double worthAtPrices(int job, int option, double factor) {
        int cost = tokens[job][option];
        return factor * worth[job][option]
                + extra[job][option]
                - (cost > 0 ? cost * price[bankRow + bank[job][option]] : 0);
    }
}
