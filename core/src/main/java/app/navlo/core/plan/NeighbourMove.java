package app.navlo.core.plan;

import java.util.SplittableRandom;
import java.util.function.BooleanSupplier;
import java.util.stream.IntStream;

/**
 * A small change to a sequence, drawn at random: jobs moved or changed about, taken in, left out, one in another's place,
 * done in another way. No job ever comes before one that it waits for: those go with it.
 */
final class NeighbourMove {
    /** Of a hundred draws, how many are of each kind; what is left over takes another way. */
    private static final int MOVED = 40;

    private static final int SWAPPED = 18;
    private static final int TAKEN_IN = 15;
    private static final int REPLACED = 14;
    private static final int LEFT_OUT = 4;
    private static final int HUNDRED = 100;
    /** Of a hundred moves, how many go no further than this many places. */
    private static final int NEAR = 80;

    private static final int NEAR_PLACES = 12;
    private static final int TRIES = 6;

    private final ProblemArrays c;
    private final JobModes ways;
    private final Sequence sequence;
    private final SplittableRandom random;
    private final int n;
    /** By job and job: whether the first must be finished before the second, directly or not. */
    private final boolean[][] before;

    /** The jobs that can earn anything at all, or open one that can. */
    private final int[] hopeful;

    final TokenBudget purse;
    private final int[] changedJob;
    private final int[] changedFrom;
    private int changed;
    private final int[] part;

    /** The stretch that changes, both included; and from where on only jobs follow that were there before. */
    int from;

    int to;
    int look;

    NeighbourMove(ProblemArrays c, JobModes ways, Sequence sequence, SplittableRandom random) {
        this.c = c;
        this.ways = ways;
        this.sequence = sequence;
        this.random = random;
        n = c.n;
        before = new boolean[n][n];
        for (int job = 0; job < n; job++) {
            mark(job, job);
        }
        hopeful = hopeful();
        purse = new TokenBudget(c, ways);
        changedJob = new int[2 * n + 2];
        changedFrom = new int[2 * n + 2];
        part = new int[n];
    }

    private int[] hopeful() {
        long[] head = new EarliestStarts(c).head();
        boolean[] hope = new boolean[n];
        for (int job = 0; job < n; job++) {
            for (int w = 0; w < ways.tokens[job].length; w++) {
                hope[job] |=
                        head[job] + c.effort[job] <= c.minutes && ways.value(job, w, head[job] + c.effort[job]) > 0;
            }
        }
        return IntStream.range(0, n)
                .filter(job -> ways.tokens[job].length > 0
                        && (hope[job] || IntStream.range(0, n).anyMatch(later -> before[job][later] && hope[later])))
                .toArray();
    }

    private void mark(int job, int later) {
        for (int first : c.after[job]) {
            if (!before[first][later]) {
                before[first][later] = true;
                mark(first, later);
            }
        }
    }

    /** Counts the tokens of a sequence that was set anew. */
    void recount() {
        purse.recount(sequence.way);
    }

    /** @return false if the draw can't be done here; nothing is changed then */
    boolean draw(int busyPlaces) {
        begin();
        return settled(kind(busyPlaces));
    }

    /** The same with a change that is given: for one that looks for small improvements. */
    boolean given(BooleanSupplier change) {
        begin();
        return settled(change.getAsBoolean());
    }

    private boolean settled(boolean can) {
        if (can) {
            widen();
        } else {
            undo();
        }
        return can;
    }

    private boolean kind(int busyPlaces) {
        int draw = random.nextInt(HUNDRED) - MOVED;
        if (draw < 0) {
            int job = sequence.order[random.nextInt(busyPlaces)];
            return sequence.done(job) ? move(job, place(sequence.place[job], busyPlaces)) : takeIn(busyPlaces);
        }
        if ((draw -= SWAPPED) < 0) {
            return swap(busyPlaces);
        }
        if ((draw -= TAKEN_IN) < 0) {
            return takeIn(busyPlaces);
        }
        if ((draw -= REPLACED) < 0) {
            return replace();
        }
        if ((draw -= LEFT_OUT) < 0) {
            return leaveOut(someJob(true));
        }
        int job = random.nextInt(n);
        return ways.tokens[job].length > 1 && otherWay(job, random.nextInt(ways.tokens[job].length));
    }

    private int place(int near, int places) {
        return random.nextInt(HUNDRED) < NEAR
                ? Math.min(places - 1, Math.max(0, near + random.nextInt(2 * NEAR_PLACES + 1) - NEAR_PLACES))
                : random.nextInt(places);
    }

    private int someJob(boolean done) {
        for (int i = 0; i < TRIES && hopeful.length > 0; i++) {
            int job = hopeful[random.nextInt(hopeful.length)];
            if (sequence.done(job) == done) {
                return job;
            }
        }
        return -1;
    }

    private void begin() {
        changed = 0;
        from = n;
        to = -1;
        look = -1;
    }

    boolean move(int job, int target) {
        int old = sequence.place[job];
        if (old == target) {
            return false;
        }
        stretch(Math.min(old, target), Math.max(old, target));
        return target < old ? forward(job, target, old) : back(job, target, old);
    }

    private void stretch(int first, int last) {
        from = first;
        to = last;
    }

    /** To an earlier place, with what it waits for. */
    private boolean forward(int job, int target, int old) {
        if (c.after[job].length == 0) {
            sequence.next[target] = job;
            System.arraycopy(sequence.order, target, sequence.next, target + 1, old - target);
            look = target + 1;
            return true;
        }
        int next = target;
        int rest = 0;
        for (int k = target; k < old; k++) {
            int other = sequence.order[k];
            if (before[other][job]) {
                sequence.next[next++] = other;
            } else {
                part[rest++] = other;
            }
        }
        sequence.next[next++] = job;
        look = next;
        System.arraycopy(part, 0, sequence.next, next, rest);
        return true;
    }

    /** To a later place, with what waits for it. */
    private boolean back(int job, int target, int old) {
        if (c.successors[job].length == 0) {
            System.arraycopy(sequence.order, old + 1, sequence.next, old, target - old);
            sequence.next[target] = job;
            return true;
        }
        int next = old;
        int rest = 0;
        for (int k = old + 1; k <= target; k++) {
            int other = sequence.order[k];
            if (before[job][other]) {
                part[rest++] = other;
            } else {
                sequence.next[next++] = other;
            }
        }
        sequence.next[next++] = job;
        System.arraycopy(part, 0, sequence.next, next, rest);
        return true;
    }

    private boolean swap(int busyPlaces) {
        int one = random.nextInt(busyPlaces);
        int other = place(one, busyPlaces);
        int first = Math.min(one, other);
        int last = Math.max(one, other);
        int early = sequence.order[first];
        int late = sequence.order[last];
        if (first == last || before[early][late]) {
            return false;
        }
        for (int k = first + 1; k < last; k++) {
            if (before[early][sequence.order[k]] || before[sequence.order[k]][late]) {
                return false;
            }
        }
        stay(first, last);
        sequence.next[first] = late;
        sequence.next[last] = early;
        return true;
    }

    private void stay(int one, int other) {
        stretch(Math.min(one, other), Math.max(one, other));
        System.arraycopy(sequence.order, from, sequence.next, from, to - from + 1);
    }

    private boolean takeIn(int busyPlaces) {
        int job = someJob(false);
        if (job < 0 || !turnOn(job)) {
            return false;
        }
        int target = random.nextInt(busyPlaces);
        if (target != sequence.place[job]) {
            return move(job, target);
        }
        stay(target, target);
        return true;
    }

    /** Wants a job done, and what it waits for, in some way that can be paid for. */
    private boolean turnOn(int job) {
        for (int first : c.after[job]) {
            if (!sequence.done(first) && !turnOn(first)) {
                return false;
            }
        }
        if (sequence.way[job] >= 0) {
            return true;
        }
        int count = ways.tokens[job].length;
        int way = count > 1 ? random.nextInt(count) : 0;
        way = count > 0 && purse.pays(job, sequence.way[job], way) ? way : 0;
        if (count == 0 || !purse.pays(job, sequence.way[job], way)) {
            return false;
        }
        choose(job, way);
        return true;
    }

    private boolean replace() {
        int in = someJob(false);
        int out = someJob(true);
        if (in < 0 || out < 0 || !turnOn(in)) {
            return false;
        }
        choose(out, -1);
        return move(in, sequence.place[out]);
    }

    boolean leaveOut(int job) {
        if (job < 0) {
            return false;
        }
        choose(job, -1);
        stay(sequence.place[job], sequence.place[job]);
        return true;
    }

    /** If the tokens are spent another job gives up its own. */
    boolean otherWay(int job, int way) {
        if (sequence.way[job] < 0 || way == sequence.way[job]) {
            return false;
        }
        int place = sequence.place[job];
        int otherPlace = place;
        if (!purse.pays(job, sequence.way[job], way)) {
            int other = purse.spender(ways.bank[job][way], job, sequence.way, random.nextInt(n));
            if (other < 0) {
                return false;
            }
            choose(other, ways.tokens[other][0] == 0 ? 0 : -1);
            otherPlace = sequence.place[other];
            if (!purse.pays(job, sequence.way[job], way)) {
                return false;
            }
        }
        choose(job, way);
        stay(place, otherPlace);
        return true;
    }

    void giveBackTokens(int job) {
        if (sequence.way[job] >= 0 && ways.tokens[job][sequence.way[job]] > 0) {
            turn(job, ways.tokens[job][0] == 0 ? 0 : -1);
        }
    }

    private void choose(int job, int way) {
        changedJob[changed] = job;
        changedFrom[changed++] = sequence.way[job];
        turn(job, way);
    }

    private void turn(int job, int way) {
        purse.change(job, sequence.way[job], way);
        sequence.choose(job, way);
    }

    /** What is wanted or not any more decides whether it is worth doing what it waits for. */
    private void widen() {
        if (look < 0) {
            look = to + 1;
        }
        int lowest = from;
        for (int i = 0; i < changed; i++) {
            int job = changedJob[i];
            if (changedFrom[i] < 0 != sequence.way[job] < 0) {
                lowest = Math.min(lowest, sequence.place[job]);
                for (int first : c.after[job]) {
                    lowest = Math.min(lowest, sequence.place[first]);
                }
            }
        }
        if (lowest < from) {
            System.arraycopy(sequence.order, lowest, sequence.next, lowest, from - lowest);
            from = lowest;
        }
    }

    /** Gives the ways back; the order was only tried. */
    void undo() {
        while (changed > 0) {
            changed--;
            turn(changedJob[changed], changedFrom[changed]);
        }
    }
}
