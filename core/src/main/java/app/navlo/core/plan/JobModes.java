package app.navlo.core.plan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/**
 * What a job can earn by what it may cost: of the modes that cost no more, the best at each instant. A job has one way for
 * each cost that earns more somewhere than all that cost less; the cheapest comes first.
 */
final class JobModes {
    /** By job: whose tokens each way costs, and how many. */
    final int[][] bank;

    final int[][] tokens;
    /** By job and way: until which free minute each step holds, ascending, and what it is worth, falling, above 0. */
    final long[][][] until;

    final long[][][] worth;

    private final ProblemArrays c;

    JobModes(ProblemArrays c) {
        this.c = c;
        bank = new int[c.n][];
        tokens = new int[c.n][];
        until = new long[c.n][][];
        worth = new long[c.n][][];
        for (int job = 0; job < c.n; job++) {
            job(job);
        }
    }

    private void job(int job) {
        List<Integer> byCost = new ArrayList<>();
        for (int m = 0; m < c.tokens[job].length; m++) {
            if (c.tokens[job][m] == 0 || c.tokens[job][m] <= c.budget[c.bank[job][m]]) {
                byCost.add(m);
            }
        }
        byCost.sort((one, other) -> Integer.compare(c.tokens[job][one], c.tokens[job][other]));
        List<Integer> kept = new ArrayList<>();
        List<long[][]> steps = new ArrayList<>();
        for (int m : byCost) {
            long[][] best = steps(job, m);
            boolean more = kept.isEmpty() || best[0].length > 0;
            for (int k = 0; k < kept.size(); k++) {
                if (cheaper(job, kept.get(k), m)) {
                    more &= !Arrays.deepEquals(best, steps.get(k));
                }
            }
            if (!more) {
                continue;
            }
            int last = kept.size() - 1;
            if (last >= 0 && sameCost(job, kept.get(last), m)) {
                steps.set(last, best);
            } else {
                kept.add(m);
                steps.add(best);
            }
        }
        bank[job] = kept.stream().mapToInt(m -> c.bank[job][m]).toArray();
        tokens[job] = kept.stream().mapToInt(m -> c.tokens[job][m]).toArray();
        until[job] = steps.stream().map(one -> one[0]).toArray(long[][]::new);
        worth[job] = steps.stream().map(one -> one[1]).toArray(long[][]::new);
    }

    private boolean sameCost(int job, int one, int other) {
        return c.tokens[job][one] == c.tokens[job][other]
                && (c.tokens[job][one] == 0 || c.bank[job][one] == c.bank[job][other]);
    }

    /** Whether a mode may stand in for another: it costs no more, of the same tokens. */
    private boolean cheaper(int job, int mode, int than) {
        return c.tokens[job][mode] == 0
                || (c.bank[job][mode] == c.bank[job][than] && c.tokens[job][mode] <= c.tokens[job][than]);
    }

    /** The greatest of all modes that cost no more than this one, as steps. */
    private long[][] steps(int job, int mode) {
        long[] ends = IntStream.range(0, c.tokens[job].length)
                .filter(m -> cheaper(job, m, mode))
                .mapToObj(m -> c.until[job][m])
                .flatMapToLong(Arrays::stream)
                .sorted()
                .distinct()
                .toArray();
        List<Long> until = new ArrayList<>();
        List<Long> worth = new ArrayList<>();
        for (long end : ends) {
            long value = 0;
            for (int m = 0; m < c.tokens[job].length; m++) {
                value = cheaper(job, m, mode) ? Math.max(value, c.value(job, m, end)) : value;
            }
            int last = until.size() - 1;
            if (value > 0 && last >= 0 && worth.get(last) == value) {
                until.set(last, end);
            } else if (value > 0) {
                until.add(end);
                worth.add(value);
            }
        }
        return new long[][] {
            until.stream().mapToLong(Long::longValue).toArray(),
            worth.stream().mapToLong(Long::longValue).toArray()
        };
    }

    long value(int job, int way, long finish) {
        long[] ends = until[job][way];
        for (int s = 0; s < ends.length; s++) {
            if (finish <= ends[s]) {
                return worth[job][way][s];
            }
        }
        return 0;
    }

    /** The way that costs what the chosen mode costs; where that is none, the one without tokens, below 0 for none. */
    int wayOf(Plan.Chosen one) {
        int cost = c.tokens[one.job()][one.mode()];
        for (int w = 0; w < tokens[one.job()].length; w++) {
            if (tokens[one.job()][w] == cost && (cost == 0 || bank[one.job()][w] == c.bank[one.job()][one.mode()])) {
                return w;
            }
        }
        return free(one.job());
    }

    /** A mode that costs what the way costs. */
    int modeOf(int job, int way) {
        for (int m = 0; m < c.tokens[job].length; m++) {
            boolean same =
                    c.tokens[job][m] == tokens[job][way] && (tokens[job][way] == 0 || c.bank[job][m] == bank[job][way]);
            if (same) {
                return m;
            }
        }
        throw new IllegalStateException("no mode of job " + job + " has way " + way);
    }

    /** What it earns at most, whatever it may cost. */
    long most(int job) {
        long most = 0;
        for (long[] steps : worth[job]) {
            most = steps.length == 0 ? most : Math.max(most, steps[0]);
        }
        return most;
    }

    /** The way without tokens; below 0 for none. */
    int free(int job) {
        return tokens[job].length > 0 && tokens[job][0] == 0 ? 0 : -1;
    }

    /** The cheapest mode that earns what the way promises at that finish. */
    int mode(int job, int way, long finish) {
        long wanted = value(job, way, finish);
        int best = -1;
        for (int m = 0; m < c.tokens[job].length; m++) {
            boolean may =
                    c.tokens[job][m] == 0 || (c.bank[job][m] == bank[job][way] && c.tokens[job][m] <= tokens[job][way]);
            if (may && c.value(job, m, finish) == wanted && (best < 0 || c.tokens[job][m] < c.tokens[job][best])) {
                best = m;
            }
        }
        return best;
    }
}
