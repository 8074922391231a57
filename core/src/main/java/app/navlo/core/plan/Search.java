package app.navlo.core.plan;

import app.navlo.core.plan.Plan.Chosen;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.function.BooleanSupplier;
import java.util.stream.IntStream;

/**
 * Annealing: small changes at random, of which those that lose are kept ever less often. A plan on its way to a bonus is
 * credited with a part of it, less and less of it too, so that the way is found.
 */
final class Search {
    private static final double COLD = 0.005;
    private static final double CREDIT = 0.9;
    /** So often the heat is lowered, and what isn't done goes to the end of the order, where it is cheap. */
    private static final int EVERY = 128;

    private final ProblemArrays c;
    private final JobModes ways;
    private final Sequence sequence;
    private final SplittableRandom random;
    private final NeighbourMove change;
    /** The mean of what the jobs can earn at most. */
    private final double scale;

    private final int[] bestOrder;
    private final int[] bestWay;
    private long best = -1;

    Search(ProblemArrays c, JobModes ways, long seed) {
        this.c = c;
        this.ways = ways;
        sequence = new Sequence(c, ways);
        random = new SplittableRandom(seed);
        change = new NeighbourMove(c, ways, sequence, random);
        bestOrder = new int[c.n];
        bestWay = new int[c.n];
        scale = Arrays.stream(ways.worth)
                .mapToLong(job ->
                        Arrays.stream(job).flatMapToLong(Arrays::stream).max().orElse(0))
                .average()
                .orElse(1);
    }

    /** A plan to begin with. What it leaves out stands at the end, and is done there if it earns anything and costs nothing. */
    void offer(List<Chosen> plan) {
        int[] way = IntStream.range(0, c.n).map(ways::free).toArray();
        for (Chosen one : plan) {
            way[one.job()] = ways.wayOf(one);
        }
        set(plan.stream().map(Chosen::job).toList(), way);
    }

    /** An order without tokens to begin with. @return what it is worth */
    long offerOrder(List<Integer> first) {
        set(first, IntStream.range(0, c.n).map(ways::free).toArray());
        return sequence.worth();
    }

    private void set(List<Integer> first, int[] way) {
        Set<Integer> jobs = new LinkedHashSet<>();
        first.forEach(job -> add(job, jobs));
        for (int job = 0; job < c.n; job++) {
            add(job, jobs);
        }
        sequence.set(jobs.stream().mapToInt(Integer::intValue).toArray(), way);
        remember();
    }

    /** After all that it waits for. */
    private void add(int job, Set<Integer> jobs) {
        if (!jobs.contains(job)) {
            for (int first : c.after[job]) {
                add(first, jobs);
            }
            jobs.add(job);
        }
    }

    /** From the best plan so far, which stays the one that is worth most as bonuses are. */
    void anneal(Aim[] aims, double hot, long steps) {
        sequence.set(bestOrder.clone(), bestWay.clone());
        go(aims, hot, steps);
    }

    /** The same from an order without tokens. */
    void annealFrom(List<Integer> first, Aim[] aims, double hot, long steps) {
        offerOrder(first);
        go(aims, hot, steps);
    }

    private void go(Aim[] aims, double hot, long steps) {
        if (c.n == 0) {
            return;
        }
        change.recount();
        sequence.aim(aims);
        double heat = 0;
        int busy = 1;
        double current = 0;
        for (long step = 0; step < steps; step++) {
            if (step % EVERY == 0) {
                double passed = step / (double) steps;
                heat = Math.max(1, scale * hot * Math.pow(COLD / hot, passed));
                sequence.credit(CREDIT * (1 - passed));
                busy = gather();
                current = sequence.worthTried();
            }
            if (!change.draw(busy)) {
                continue;
            }
            double least = current + heat * Math.log(1 - random.nextDouble());
            if (sequence.lay(change.from, change.to, change.look, least)) {
                current = sequence.worthTried();
                sequence.keep();
                remember();
            } else {
                sequence.takeBack();
                change.undo();
            }
        }
    }

    /** What is done first, in its order; then the rest, which holds no tokens. @return the places to draw from */
    private int gather() {
        int next = 0;
        for (int job : sequence.order) {
            if (sequence.done(job)) {
                sequence.next[next++] = job;
            }
        }
        int busy = Math.min(c.n, next + 1);
        for (int job : sequence.order) {
            if (!sequence.done(job)) {
                sequence.next[next++] = job;
                change.giveBackTokens(job);
            }
        }
        sequence.lay(0, c.n - 1, c.n, Double.NEGATIVE_INFINITY);
        sequence.keep();
        remember();
        return busy;
    }

    private void remember() {
        long worth = sequence.worth();
        if (worth > best) {
            take(worth);
        }
    }

    private void take(long worth) {
        best = worth;
        System.arraycopy(sequence.order, 0, bestOrder, 0, c.n);
        System.arraycopy(sequence.way, 0, bestWay, 0, c.n);
    }

    /** What the best plan found is worth. */
    long best() {
        return best;
    }

    /** Of plans as good as the best the one with fewer tokens, then less work, then earlier finishes, as far as small changes lead. */
    void tidy() {
        if (c.n == 0) {
            return;
        }
        sequence.set(bestOrder.clone(), bestWay.clone());
        sequence.aim(Aim.asTheyAre(c.need.length));
        sequence.credit(0);
        change.recount();
        boolean better = true;
        while (better) {
            better = false;
            int busy = gather();
            for (int k = 0; k < busy; k++) {
                int job = sequence.order[k];
                better |= tidier(() -> sequence.done(job) && change.leaveOut(job));
                better |= tidier(() -> sequence.way[job] > 0 && change.otherWay(job, 0));
                for (int target = 0; target < k; target++) {
                    int place = target;
                    better |= tidier(() -> sequence.done(job) && change.move(job, place));
                }
            }
        }
        take(sequence.worth());
    }

    private boolean tidier(BooleanSupplier what) {
        long worth = sequence.worth();
        long[] now = {-worth, change.purse.spent(), sequence.work(), sequence.finishes()};
        if (!change.given(what)) {
            return false;
        }
        if (sequence.lay(change.from, change.to, change.look, worth)) {
            long[] tried = {-(long) sequence.worthTried(), change.purse.spent(), sequence.work(), sequence.finishes()};
            if (Arrays.compare(tried, now) < 0) {
                sequence.keep();
                return true;
            }
        }
        sequence.takeBack();
        change.undo();
        return false;
    }

    /** The best order found, without what earns nothing and opens nothing, each job in the cheapest mode that does. */
    List<Chosen> order(Layout layout) {
        sequence.set(bestOrder.clone(), bestWay.clone());
        List<Chosen> order = new ArrayList<>();
        for (int job : bestOrder) {
            if (sequence.done(job)) {
                order.add(new Chosen(job, ways.mode(job, bestWay[job], sequence.finish(job))));
            }
        }
        c.keepUseful(order, layout);
        return order;
    }
}
