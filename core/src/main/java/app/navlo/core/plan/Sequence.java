package app.navlo.core.plan;

import java.util.Arrays;

/**
 * All jobs in one order, each with the way it is done or none, laid out in free minutes. A change is tried on a stretch of
 * the order and then kept or taken back; what follows is laid out anew only as far as anything moves there.
 *
 * <p>A job earns its place: what can't be done, or would earn nothing and opens nothing, is passed over where it stands and
 * takes no time, so that it comes back by itself when there is room.
 */
final class Sequence {
    private static final int NONE = -1;
    /** How many places are laid out between two looks at whether the try can still be good enough. */
    private static final int LOOK_EVERY = 4;

    private final ProblemArrays c;
    private final JobModes ways;
    private final int n;
    private final int bonuses;

    final int[] order;
    final int[] place;
    /** By job: the way it is done; below 0 it is left out. */
    final int[] way;
    /** By job: the free minutes used up when it is finished; below 0 it isn't done. */
    private final long[] finish;

    private final long[] value;
    /** By job: the steps of the way it is done. */
    private final long[][] until;

    private final long[][] worth;
    /** Free minutes used before each place, and after the last. */
    private final long[] at;
    /** One after the last place where a job is done. */
    private int busy;

    /** What all earn, without bonuses, and what of it counts for each bonus. */
    private long earned;

    private final long[] counted;

    /** What a try puts on its stretch; the rest of the order stays. */
    final int[] next;

    private final long[] triedAt;
    private final long[] finishBefore;
    private final long[] valueBefore;
    private long triedEarned;
    private final long[] triedCounted;
    private int triedBusy;
    private long wouldEarn;
    private int low;
    private int high;
    private int end;

    private Aim[] aims;
    /** By bonus, as it is looked at: what it counts reached, and on the way to it by the part and by its square. */
    private final double[] reached;

    private final double[] byPart;
    private final double[] bySquare;

    /** How much of a bonus a plan is credited with on the way to it, 0 to 1: a search sees then where it leads. */
    private double credit;

    Sequence(ProblemArrays c, JobModes ways) {
        this.c = c;
        this.ways = ways;
        n = c.n;
        bonuses = c.need.length;
        order = new int[n];
        place = new int[n];
        way = new int[n];
        finish = new long[n];
        value = new long[n];
        until = new long[n][];
        worth = new long[n][];
        at = new long[n + 1];
        counted = new long[bonuses];
        next = new int[n];
        triedAt = new long[n + 1];
        finishBefore = new long[n];
        valueBefore = new long[n];
        triedCounted = new long[bonuses];
        reached = new double[bonuses];
        byPart = new double[bonuses];
        bySquare = new double[bonuses];
        aims = Aim.asTheyAre(bonuses);
        count();
    }

    /** @param jobs all of them, each after those that it waits for */
    void set(int[] jobs, int[] chosen) {
        System.arraycopy(jobs, 0, order, 0, n);
        for (int k = 0; k < n; k++) {
            place[order[k]] = k;
            choose(k, chosen[k]);
        }
        Arrays.fill(finish, NONE);
        Arrays.fill(value, 0);
        Arrays.fill(counted, 0);
        earned = 0;
        busy = 0;
        if (n > 0) {
            System.arraycopy(order, 0, next, 0, n);
            lay(0, n - 1, n, Double.NEGATIVE_INFINITY);
            keep();
        }
    }

    void choose(int job, int chosen) {
        way[job] = chosen;
        if (chosen >= 0) {
            until[job] = ways.until[job][chosen];
            worth[job] = ways.worth[job][chosen];
        }
    }

    void credit(double part) {
        credit = part;
        count();
    }

    void aim(Aim[] bonuses) {
        aims = bonuses;
        count();
    }

    private void count() {
        for (int b = 0; b < bonuses; b++) {
            reached[b] = aims[b].weight * c.bonus[b];
            byPart[b] = aims[b].byPart * c.bonus[b];
            bySquare[b] = aims[b].credited ? credit * c.bonus[b] : 0;
        }
    }

    boolean done(int job) {
        return finish[job] >= 0;
    }

    /**
     * Tries what {@link #next} has between two places, both included, with the ways as they are now.
     *
     * @param least that the try must be worth
     * @return whether it is; if not it is laid out only in part, and must be taken back
     */
    boolean lay(int from, int to, int look, double least) {
        low = from;
        high = to;
        triedEarned = earned;
        System.arraycopy(counted, 0, triedCounted, 0, bonuses);
        long minute = at[from];
        int moved = -1;
        int last = from;
        int k = from;
        for (; k < n; k++) {
            int job = k <= to ? next[k] : order[k];
            if (k >= look) {
                int was = k <= to ? place[job] : k;
                if (minute >= at[was]) {
                    if (k > to && k > moved && minute == at[was]) {
                        last = Math.max(last, busy);
                        break;
                    }
                    if (was >= busy && was > moved) {
                        break;
                    }
                    if ((k - look) % LOOK_EVERY == 0 && worthTried() < least) {
                        end = k;
                        return false;
                    }
                }
            }
            triedAt[k] = minute;
            long was = finish[job];
            long ends = ends(job, minute);
            finishBefore[k] = was;
            valueBefore[k] = value[job];
            if (ends >= 0) {
                minute = ends;
                last = k + 1;
            }
            if (ends != was) {
                finish[job] = ends;
                earn(job, wouldEarn);
                moved = Math.max(moved, waiting(job, ends < 0 || was < 0));
            } else if (ends >= 0) {
                earn(job, wouldEarn);
            }
        }
        end = k;
        triedAt[k] = minute;
        triedBusy = last;
        return worthTried() >= least;
    }

    private void earn(int job, long now) {
        long more = now - value[job];
        if (more != 0) {
            value[job] = now;
            triedEarned += more;
            for (int bonus : c.counts[job]) {
                triedCounted[bonus] += more;
            }
        }
    }

    /** The last place of a job that lies elsewhere now, since this one does; -1 where there is none. */
    private int waiting(int job, boolean begunOrGone) {
        int last = -1;
        for (int after : c.successors[job]) {
            if (begunOrGone || c.lag[after] > 0) {
                last = Math.max(last, place[after]);
            }
        }
        return last;
    }

    private long value(int job, long ends) {
        long[] steps = until[job];
        for (int s = 0; s < steps.length; s++) {
            if (ends <= steps[s]) {
                return worth[job][s];
            }
        }
        return 0;
    }

    private long ends(int job, long minute) {
        wouldEarn = 0;
        if (way[job] < 0) {
            return NONE;
        }
        for (int before : c.after[job]) {
            if (finish[before] < 0) {
                return NONE;
            }
        }
        long ends = c.start(job, minute, finish) + c.effort[job];
        if (ends > c.minutes) {
            return NONE;
        }
        wouldEarn = value(job, ends);
        return wouldEarn > 0 || opens(job) ? ends : NONE;
    }

    private boolean opens(int job) {
        for (int after : c.successors[job]) {
            if (way[after] >= 0) {
                return true;
            }
        }
        return false;
    }

    /** What the try is worth as bonuses are looked at now, with credit. */
    double worthTried() {
        double worth = triedEarned;
        for (int b = 0; b < bonuses; b++) {
            if (triedCounted[b] >= c.need[b]) {
                worth += reached[b];
            } else {
                double part = triedCounted[b] / (double) c.need[b];
                worth += part * (byPart[b] + part * bySquare[b]);
            }
        }
        return worth;
    }

    /** What is kept is worth, without credit. */
    long worth() {
        long worth = earned;
        for (int b = 0; b < bonuses; b++) {
            worth += counted[b] >= c.need[b] ? c.bonus[b] : 0;
        }
        return worth;
    }

    long finish(int job) {
        return finish[job];
    }

    /** Minutes of what is done, in the try if there is one. */
    long work() {
        long work = 0;
        for (int job = 0; job < n; job++) {
            work += finish[job] >= 0 ? c.effort[job] : 0;
        }
        return work;
    }

    /** The sum of all finishes, in free minutes. */
    long finishes() {
        long sum = 0;
        for (long one : finish) {
            sum += Math.max(0, one);
        }
        return sum;
    }

    void keep() {
        for (int k = low; k <= high; k++) {
            order[k] = next[k];
            place[order[k]] = k;
        }
        System.arraycopy(triedAt, low, at, low, end - low + 1);
        if (end >= triedBusy) {
            Arrays.fill(at, end, n + 1, triedAt[end]);
        }
        System.arraycopy(triedCounted, 0, counted, 0, bonuses);
        earned = triedEarned;
        busy = triedBusy;
    }

    void takeBack() {
        for (int k = low; k < end; k++) {
            int job = k <= high ? next[k] : order[k];
            finish[job] = finishBefore[k];
            value[job] = valueBefore[k];
        }
    }
}
