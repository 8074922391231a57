package app.navlo.core.plan;

import java.util.Arrays;

/**
 * One case of an order: what is done when, and what it earns, where the jobs take so long. The student begins what is next by what is
 * thought of it; see {@link Foresight}.
 */
final class Played {
    private static final int NONE = -1;
    private static final long NOT_YET = Long.MAX_VALUE;
    private static final long NEVER = NOT_YET - 1;

    private final ProblemArrays c;
    private final JobModes ways;

    /** By job, in the case that was played last: when it was finished, in free minutes, below 0 for never; and what it earned. */
    final long[] finish;

    final long[] earned;
    private final long[] counted;
    private final long[] spent;
    /** What is left to do, in order, and how many that are. */
    private final int[] waiting;

    private int left;
    /** The free minute that the next is begun with. */
    private long begins;

    Played(ProblemArrays c, JobModes ways) {
        this.c = c;
        this.ways = ways;
        finish = new long[c.n];
        earned = new long[c.n];
        counted = new long[c.need.length];
        spent = new long[c.budget.length];
        waiting = new int[c.n];
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
        left = 0;
        for (int job : line.order()) {
            if (line.way()[job] >= 0) {
                waiting[left++] = job;
            }
        }
        long worth = 0;
        long at = 0;
        int place = next(line, at);
        while (place >= 0) {
            int job = waiting[place];
            int way = line.way()[job];
            drop(place);
            at = begins;
            long last = opens(job) ? c.minutes : Math.min(c.minutes, last(job, way));
            long ends = ends(at, takes[job], lost);
            if (ends > last) {
                at = Math.min(Math.max(at, last), ends(at, (takes[job] + 1) / 2, lost));
            } else {
                at = ends;
                worth += earn(job, way, at);
            }
            place = next(line, at);
        }
        for (int b = 0; b < counted.length; b++) {
            worth += counted[b] >= c.need[b] ? c.bonus[b] : 0;
        }
        return worth;
    }

    private void drop(int place) {
        left--;
        System.arraycopy(waiting, place + 1, waiting, place, left - place);
    }

    /**
     * The first of the order that can be begun, or that is begun first: what comes later fills the time until then if it fits.
     * What can't be begun any more is left out of all that is asked later.
     *
     * @return its place in what is left to do, to begin with {@link #begins}; below 0 for none
     */
    private int next(Line line, long at) {
        int first = NONE;
        long until = NOT_YET;
        int i = 0;
        while (i < left) {
            int job = waiting[i];
            long could = start(job, line.way()[job], at);
            if (could == NEVER) {
                drop(i);
                continue;
            }
            if (could < until && could + c.effort[job] <= until) {
                begins = could;
                if (could <= at) {
                    return i;
                }
                until = could;
                first = i;
            }
            i++;
        }
        return first;
    }

    private long earn(int job, int way, long at) {
        finish[job] = at;
        long value = ways.value(job, way, at);
        earned[job] = value;
        if (ways.tokens[job][way] > 0) {
            spent[ways.bank[job][way]] += ways.tokens[job][way];
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
    private long start(int job, int way, long at) {
        for (int before : c.after[job]) {
            if (finish[before] < 0) {
                return NOT_YET;
            }
        }
        long start = c.start(job, at, finish);
        long ends = start + c.effort[job];
        if (ends > c.minutes || !pays(job, way)) {
            return NEVER;
        }
        return ways.value(job, way, ends) > 0 || opens(job) ? start : NEVER;
    }

    private boolean pays(int job, int way) {
        int tokens = ways.tokens[job][way];
        return tokens == 0 || spent[ways.bank[job][way]] + tokens <= c.budget[ways.bank[job][way]];
    }

    private long last(int job, int way) {
        long[] until = ways.until[job][way];
        return until.length == 0 ? NONE : until[until.length - 1];
    }

    private boolean opens(int job) {
        for (int after : c.successors[job]) {
            if (finish[after] < 0) {
                return true;
            }
        }
        return false;
    }

    /** When so many minutes are done that are begun then, in free minutes. */
    private static long ends(long start, long minutes, long[] lost) {
        long at = start;
        long left = minutes;
        for (int i = 0; i < lost.length && at + left > lost[i]; i += 2) {
            if (at < lost[i + 1]) {
                left -= Math.max(0, lost[i] - at);
                at = lost[i + 1];
            }
        }
        return at + left;
    }
}
