package app.navlo.core.plan;

import java.util.Arrays;

/**
 * One case of an order: what is done when, and what it earns, where the jobs take so long. The student begins what is next by what is
 * thought of it; see {@link Foresight}.
 *
 * <p>Thousands of orders are played for one plan, so it looks at as little as it can.
 */
final class Played {
    private static final int NONE = -1;
    private static final long NOT_YET = Long.MAX_VALUE;
    private static final long NEVER = NOT_YET - 1;
    private static final long[] NOTHING = {};

    private final ProblemArrays c;
    private final JobModes ways;

    /** By job, in the case that was played last: when it was finished, in free minutes, below 0 for never; and what it earned. */
    final long[] finish;

    final long[] earned;
    private final long[] counted;
    private final long[] spent;

    /** By job, as it was lined up last: its way, below 0 for none; and until which free minute it earns anything then. */
    private final int[] way;

    private final long[] last;

    /** What is left to do, in order: by job, and from the head, what comes after it; below 0 for none. */
    private final int[] following;

    private final int head;
    /** The free minute that the next is begun with, and what comes before it of what is left. */
    private long begins;

    private int before;

    Played(ProblemArrays c, JobModes ways) {
        this.c = c;
        this.ways = ways;
        finish = new long[c.n];
        earned = new long[c.n];
        counted = new long[c.need.length];
        spent = new long[c.budget.length];
        way = new int[c.n];
        last = new long[c.n];
        Arrays.fill(way, NONE);
        Arrays.fill(last, NONE);
        head = c.n;
        following = new int[c.n + 1];
    }

    /** All jobs in an order, each with its way, below 0 for none. */
    record Line(int[] order, int[] way) {}

    /**
     * @param takes by job: the minutes that it takes
     * @param lost free minutes in which nothing is done, from and until, in turn
     * @return what the order is worth then
     */
    long play(long[] takes, long[] lost, Line line) {
        Arrays.fill(finish, NONE);
        Arrays.fill(earned, 0);
        Arrays.fill(counted, 0);
        Arrays.fill(spent, 0);
        lineUp(line);
        long worth = 0;
        long at = 0;
        int gone = 0;
        for (int job = next(at); job >= 0; job = next(at)) {
            following[before] = following[job];
            at = begins;
            while (gone < lost.length && lost[gone + 1] <= at) {
                gone += 2;
            }
            long latest = opens(job) ? c.minutes : Math.min(c.minutes, last[job]);
            long ends = ends(at, takes[job], lost, gone);
            if (ends > latest) {
                at = Math.min(Math.max(at, latest), ends(at, (takes[job] + 1) / 2, lost, gone));
            } else {
                at = ends;
                worth += earn(job, at);
            }
        }
        for (int b = 0; b < counted.length; b++) {
            worth += counted[b] >= c.need[b] ? c.bonus[b] : 0;
        }
        return worth;
    }

    private void lineUp(Line line) {
        int end = head;
        for (int job : line.order()) {
            if (line.way()[job] != way[job]) {
                way[job] = line.way()[job];
                last[job] = last(job);
            }
            if (way[job] >= 0) {
                following[end] = job;
                end = job;
            }
        }
        following[end] = NONE;
    }

    /**
     * The first of the order that can be begun, or that is begun first: what comes later fills the time until then if it fits.
     * What can't be begun any more is left out of all that is asked later.
     *
     * @return to begin with {@link #begins}; below 0 for none
     */
    private int next(long at) {
        int first = NONE;
        int beforeFirst = NONE;
        long until = NOT_YET;
        int previous = head;
        for (int job = following[head]; job >= 0; job = following[job]) {
            long could = start(job, at);
            if (could == NEVER) {
                following[previous] = following[job];
                continue;
            }
            if (could < until && could + c.effort[job] <= until) {
                begins = could;
                first = job;
                beforeFirst = previous;
                if (could <= at) {
                    break;
                }
                until = could;
            }
            previous = job;
        }
        before = beforeFirst;
        return first;
    }

    private long earn(int job, long at) {
        finish[job] = at;
        long value = ways.value(job, way[job], at);
        earned[job] = value;
        int tokens = ways.tokens[job][way[job]];
        if (tokens > 0) {
            spent[ways.bank[job][way[job]]] += tokens;
        }
        for (int b : c.counts[job]) {
            counted[b] += value;
        }
        return value;
    }

    /**
     * When it can be begun: {@link #NOT_YET} for what waits for what isn't done, {@link #NEVER} for what is thought to come to
     * nothing, or can't be paid for, and won't later.
     */
    private long start(int job, long at) {
        for (int first : c.after[job]) {
            if (finish[first] < 0) {
                return NOT_YET;
            }
        }
        long start = c.start(job, at, finish);
        long ends = start + c.effort[job];
        if (ends > c.minutes || (ends > last[job] && !opens(job)) || !pays(job)) {
            return NEVER;
        }
        return start;
    }

    private boolean pays(int job) {
        int tokens = ways.tokens[job][way[job]];
        return tokens == 0 || spent[ways.bank[job][way[job]]] + tokens <= c.budget[ways.bank[job][way[job]]];
    }

    private long last(int job) {
        long[] until = way[job] < 0 ? NOTHING : ways.until[job][way[job]];
        return until.length == 0 ? NONE : until[until.length - 1];
    }

    private boolean opens(int job) {
        for (int later : c.successors[job]) {
            if (finish[later] < 0) {
                return true;
            }
        }
        return false;
    }

    /** When so many minutes are done that are begun then, in free minutes. @param gone of what is lost so much is past */
    private static long ends(long start, long minutes, long[] lost, int gone) {
        long at = start;
        long left = minutes;
        for (int i = gone; i < lost.length && at + left > lost[i]; i += 2) {
            if (at < lost[i + 1]) {
                left -= Math.max(0, lost[i] - at);
                at = lost[i + 1];
            }
        }
        return at + left;
    }
}
