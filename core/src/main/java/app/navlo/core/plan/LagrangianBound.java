package app.navlo.core.plan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.LongStream;

/**
 * A relaxation: free minutes, tokens, needs of bonuses and jobs that wait for others have a price instead of a limit. Each
 * job then chooses by itself where and in which way it gains most, and what all choose is worth at least as much as any
 * plan. The prices are moved towards those at which that is least (the volume method: a step against the mean of what was
 * chosen so far, taken from the best prices known).
 *
 * <p>A price holds for a stretch between two instants at which something changes for some job. An iteration costs two steps
 * for each job and stretch.
 */
final class LagrangianBound {
    /** How much of the last choice goes into the mean. */
    private static final double FRESH = 0.1;
    /** After so many iterations without a better bound the steps become shorter. */
    private static final int PATIENCE = 12;

    private static final double SHORTER = 0.66;
    private static final double LONGER = 1.1;
    private static final double LONGEST = 2;
    private static final double TINY = 1e-12;
    private static final double SAFETY = 1e-6;

    private final ProblemArrays c;
    private final int n;
    /** The ends of the stretches, from 0 to all free minutes. */
    private final long[] edges;

    private final int stretches;
    /** By job: the earliest free minute that it can begin with; beyond all minutes if it never can. */
    final long[] head;

    /** By job: until when, worth what, for which tokens; ascending in the first. */
    private final long[][] until;

    private final long[][] worth;
    private final int[][] tokens;
    private final int[][] bank;

    private final int[][] arcs;

    // Rows: stretches, banks, bonuses, arcs; each scaled so that its limit is near 1.
    private final int rows;
    private final int bankRow;
    private final int bonusRow;
    private final int arcRow;
    private final double[] price;
    private final double[] bestPrice;
    private double best = Double.MAX_VALUE;

    private final double[] slack;
    private final double[] meanSlack;
    /** Price of all minutes before each edge. */
    private final double[] before;

    private boolean begun;
    private final boolean[] taken;
    private long chosenEnd;
    private int chosenOption;

    LagrangianBound(ProblemArrays c, JobModes ways) {
        this.c = c;
        n = c.n;
        head = new EarliestStarts(c).head();
        until = new long[n][];
        worth = new long[n][];
        tokens = new int[n][];
        bank = new int[n][];
        for (int job = 0; job < n; job++) {
            options(job, ways);
        }
        edges = edges();
        stretches = edges.length - 1;
        arcs = arcs();
        bankRow = stretches;
        bonusRow = bankRow + c.budget.length;
        arcRow = bonusRow + c.need.length;
        rows = arcRow + arcs.length;
        price = new double[rows];
        bestPrice = new double[rows];
        slack = new double[rows];
        meanSlack = new double[rows];
        before = new double[edges.length];
        taken = new boolean[n];
    }

    private record Option(long until, long worth, int tokens, int bank) {}

    private void options(int job, JobModes ways) {
        List<Option> all = new ArrayList<>();
        for (int w = 0; w < ways.tokens[job].length; w++) {
            for (int s = 0; s < ways.until[job][w].length; s++) {
                all.add(new Option(
                        ways.until[job][w][s], ways.worth[job][w][s], ways.tokens[job][w], ways.bank[job][w]));
            }
            if (c.successors[job].length > 0) {
                all.add(new Option(c.minutes, 0, ways.tokens[job][w], ways.bank[job][w]));
            }
        }
        all.removeIf(one -> head[job] + c.effort[job] > Math.min(one.until(), c.minutes));
        all.sort(Comparator.comparingLong(Option::until));
        until[job] =
                all.stream().mapToLong(one -> Math.min(one.until(), c.minutes)).toArray();
        worth[job] = all.stream().mapToLong(Option::worth).toArray();
        tokens[job] = all.stream().mapToInt(Option::tokens).toArray();
        bank[job] = all.stream().mapToInt(Option::bank).toArray();
    }

    private long[] edges() {
        LongStream heads = Arrays.stream(head);
        LongStream ends = Arrays.stream(until).flatMapToLong(Arrays::stream);
        LongStream all = LongStream.concat(LongStream.of(0, c.minutes), LongStream.concat(heads, ends));
        return all.filter(edge -> edge >= 0 && edge <= c.minutes)
                .sorted()
                .distinct()
                .toArray();
    }

    private int[][] arcs() {
        List<int[]> all = new ArrayList<>();
        for (int job = 0; job < n; job++) {
            for (int first : c.after[job]) {
                all.add(new int[] {first, job});
            }
        }
        return all.toArray(int[][]::new);
    }

    /** No plan is worth more. */
    long bound() {
        return (long) Math.floor(best + SAFETY);
    }

    /** Moves the prices until nothing better than {@code target} is possible at them, or the rounds are used up. */
    void run(long target, int rounds) {
        double length = 1;
        int waited = 0;
        for (int i = 0; i < rounds && bound() > target; i++) {
            step(length, target);
            double value = choose(begun ? FRESH : 1);
            begun = true;
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

    /** By job: what each point it earns counts at the best prices, with what it does for bonuses. */
    double[] factors() {
        return factors(bestPrice);
    }

    private double[] factors(double[] at) {
        double[] factor = new double[n];
        Arrays.fill(factor, 1);
        for (int job = 0; job < n; job++) {
            for (int b : c.counts[job]) {
                factor[job] += at[bonusRow + b] / c.need[b];
            }
        }
        return factor;
    }

    /** By job: what it gains for being waited for, less what it pays for waiting. */
    double[] extras() {
        return extras(bestPrice);
    }

    private double[] extras(double[] at) {
        double[] extra = new double[n];
        for (int a = 0; a < arcs.length; a++) {
            extra[arcs[a][0]] += at[arcRow + a];
            extra[arcs[a][1]] -= at[arcRow + a];
        }
        return extra;
    }

    double[] tokenPrices() {
        return Arrays.copyOfRange(bestPrice, bankRow, bonusRow);
    }

    double bonusesAtPrices() {
        double sum = 0;
        for (int b = 0; b < c.need.length; b++) {
            sum += Math.max(0, c.bonus[b] - bestPrice[bonusRow + b]);
        }
        return sum;
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

    int options(int job) {
        return until[job].length;
    }

    long until(int job, int option) {
        return until[job][option];
    }

    double worthAtBest(int job, int option, double factor, double extra, double[] tokenPrice) {
        int cost = tokens[job][option];
        return factor * worth[job][option] + extra - (cost > 0 ? cost * tokenPrice[bank[job][option]] : 0);
    }

    /** The most that a job can earn if it is finished no sooner than that. */
    long mostValue(int job, long end) {
        long most = 0;
        for (int o = until[job].length - 1; o >= 0 && until[job][o] >= end; o--) {
            most = Math.max(most, worth[job][o]);
        }
        return most;
    }

    /** Lets every job choose at the prices. @return what that is worth */
    private double choose(double fresh) {
        double value = open();
        double[] factor = factors(price);
        double[] extra = extras(price);
        for (int job = 0; job < n; job++) {
            double gain = place(job, factor[job], extra[job]);
            taken[job] = gain > 0;
            if (gain > 0) {
                value += gain;
                take(job);
            }
        }
        for (int a = 0; a < arcs.length; a++) {
            slack[arcRow + a] = (taken[arcs[a][0]] ? 1 : 0) - (taken[arcs[a][1]] ? 1 : 0);
        }
        for (int r = 0; r < rows; r++) {
            meanSlack[r] += fresh * (slack[r] - meanSlack[r]);
        }
        return value;
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
            double gain = c.bonus[b] - price[bonusRow + b];
            slack[bonusRow + b] = gain > 0 ? -1 : 0;
            value += Math.max(0, gain);
        }
        return value;
    }

    private void take(int job) {
        int option = chosenOption;
        long start = chosenEnd - c.effort[job];
        for (int k = stretchOf(start); k < stretches && edges[k] < chosenEnd; k++) {
            long overlap = Math.min(chosenEnd, edges[k + 1]) - Math.max(start, edges[k]);
            slack[k] -= overlap / (double) (edges[k + 1] - edges[k]);
        }
        if (tokens[job][option] > 0) {
            slack[bankRow + bank[job][option]] -= tokens[job][option];
        }
        for (int b : c.counts[job]) {
            slack[bonusRow + b] += worth[job][option] / (double) c.need[b];
        }
    }

    /** What the minutes before an instant cost, which lies in stretch k. */
    private double cost(long minute, int k) {
        return before[k] + price[k] * (minute - edges[k]) / (edges[k + 1] - edges[k]);
    }

    /** The best choice of one job, left in {@link #chosenEnd} and {@link #chosenOption}. @return what it gains; 0 for none */
    private double place(int job, double factor, double extra) {
        long[] ends = until[job];
        if (ends.length == 0) {
            return 0;
        }
        long effort = c.effort[job];
        long end = head[job] + effort;
        double least = Double.MAX_VALUE;
        long leastEnd = 0;
        double gain = 0;
        int finishStretch = 0;
        int startStretch = stretchOf(head[job]);
        int option = 0;
        while (end <= ends[ends.length - 1]) {
            while (finishStretch < stretches - 1 && edges[finishStretch + 1] < end) {
                finishStretch++;
            }
            while (startStretch < stretches - 1 && edges[startStretch + 1] <= end - effort) {
                startStretch++;
            }
            for (; ends[option] < end; option++) {
                gain = better(gain, worthAtPrices(job, option, factor, extra) - least, leastEnd, option);
            }
            double now = cost(end, finishStretch) - cost(end - effort, startStretch);
            if (now < least) {
                least = now;
                leastEnd = end;
            }
            end = nextEnd(end, effort, finishStretch, startStretch);
        }
        for (; option < ends.length; option++) {
            gain = better(gain, worthAtPrices(job, option, factor, extra) - least, leastEnd, option);
        }
        return gain;
    }

    private double better(double gain, double other, long end, int option) {
        if (other <= gain) {
            return gain;
        }
        chosenEnd = end;
        chosenOption = option;
        return other;
    }

    /** Where the finish or the start next meets an edge; between edges the cost changes evenly. */
    private long nextEnd(long end, long effort, int finishStretch, int startStretch) {
        int finishEdge = edges[finishStretch + 1] > end ? finishStretch + 1 : finishStretch + 2;
        long byFinish = finishEdge <= stretches ? edges[finishEdge] : Long.MAX_VALUE;
        return Math.min(byFinish, edges[startStretch + 1] + effort);
    }

    private int stretchOf(long minute) {
        int k = Arrays.binarySearch(edges, minute);
        return k < 0 ? -k - 2 : k;
    }

    private double worthAtPrices(int job, int option, double factor, double extra) {
        int cost = tokens[job][option];
        return factor * worth[job][option] + extra - (cost > 0 ? cost * price[bankRow + bank[job][option]] : 0);
    }
}
