package app.navlo.core.plan;

import java.math.BigInteger;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.TreeSet;
import java.util.stream.LongStream;

/**
 * What each job can choose from where limits have prices: to be finished until an end, which is worth so much and costs so
 * many tokens. Ends of what waits for a job are ends of its own: who is finished until then was let begin in time.
 */
final class JobOptions {
    /** Ends of one job that another has to answer for; of more, every so many. */
    private static final int MOST_ENDS = 4;
    /** A need above isn't looked at so closely. */
    private static final int MOST_SUMS = 20_000;

    /** By job: the earliest free minute that it can begin with; beyond all minutes if it never can. */
    final long[] head;

    /** By job and option, ascending in the first. */
    final long[][] until;

    final long[][] worth;
    final int[][] tokens;
    final int[][] bank;
    /** By bonus: the least that its jobs can come to, each done or not, if they come to what it asks for. */
    final long[] need;

    final List<Wait> waits = new ArrayList<>();

    private final ProblemArrays c;
    private final JobModes ways;

    private record Option(long until, long worth, int tokens, int bank) {}

    /**
     * Who waits and is finished in one of its first {@code options} waited for {@code first} to be finished in one of its
     * first {@code firstOptions}.
     */
    record Wait(int job, int options, int first, int firstOptions) {}

    JobOptions(ProblemArrays c, JobModes ways) {
        this.c = c;
        this.ways = ways;
        head = new EarliestStarts(c).head();
        until = new long[c.n][];
        worth = new long[c.n][];
        tokens = new int[c.n][];
        bank = new int[c.n][];
        for (int job = 0; job < c.n; job++) {
            options(job);
        }
        for (int job = 0; job < c.n; job++) {
            for (int first : c.after[job]) {
                wait(job, first);
            }
        }
        need = new long[c.need.length];
        BigInteger[] sums = sums();
        for (int b = 0; b < need.length; b++) {
            boolean few = c.need[b] <= MOST_SUMS;
            need[b] = c.need[b]
                    + (few ? Math.max(0, sums[b].shiftRight((int) c.need[b]).getLowestSetBit()) : 0);
        }
    }

    /** After those of all that wait for it. */
    private void options(int job) {
        if (until[job] != null) {
            return;
        }
        TreeSet<Long> opening = new TreeSet<>();
        for (int after : c.successors[job]) {
            options(after);
            ends(after).forEach(end -> opening.add(c.latest(after, end - c.effort[after])));
        }
        List<Option> all = new ArrayList<>();
        for (int w = 0; w < ways.tokens[job].length; w++) {
            LongStream own = Arrays.stream(ways.until[job][w]);
            int way = w;
            LongStream.concat(own, opening.stream().mapToLong(Long::longValue))
                    .mapToObj(end -> new Option(
                            Math.min(end, c.minutes),
                            ways.value(job, way, end),
                            ways.tokens[job][way],
                            ways.bank[job][way]))
                    .filter(one -> head[job] + c.effort[job] <= one.until())
                    .forEach(all::add);
        }
        List<Option> sorted = all.stream()
                .distinct()
                .sorted(Comparator.comparingLong(Option::until))
                .toList();
        until[job] = sorted.stream().mapToLong(Option::until).toArray();
        worth[job] = sorted.stream().mapToLong(Option::worth).toArray();
        tokens[job] = sorted.stream().mapToInt(Option::tokens).toArray();
        bank[job] = sorted.stream().mapToInt(Option::bank).toArray();
    }

    private List<Long> ends(int job) {
        long[] all = Arrays.stream(until[job]).distinct().toArray();
        int every = (all.length + MOST_ENDS - 1) / MOST_ENDS;
        List<Long> ends = new ArrayList<>();
        for (int e = all.length - 1; e >= 0; e -= every) {
            ends.add(all[e]);
        }
        return ends;
    }

    private void wait(int job, int first) {
        for (long end : ends(job)) {
            int options = upTo(job, end);
            int firstOptions = upTo(first, c.latest(job, end - c.effort[job]));
            waits.add(new Wait(job, options, first, firstOptions));
        }
    }

    /** How many options of a job end by then. */
    private int upTo(int job, long end) {
        int count = 0;
        while (count < until[job].length && until[job][count] <= end) {
            count++;
        }
        return count;
    }

    /** By bonus, as bits: what its jobs can come to in all. */
    private BigInteger[] sums() {
        BigInteger[] sums = new BigInteger[c.need.length];
        Arrays.fill(sums, BigInteger.ONE);
        for (int job = 0; job < c.n; job++) {
            for (int b : c.counts[job]) {
                BigInteger without = sums[b];
                if (c.need[b] <= MOST_SUMS) {
                    for (long value : Arrays.stream(worth[job]).distinct().toArray()) {
                        sums[b] = sums[b].or(without.shiftLeft((int) Math.min(value, MOST_SUMS)));
                    }
                }
            }
        }
        return sums;
    }

    /** The most that a job can earn if it is finished no sooner than that. */
    long mostValue(int job, long end) {
        long most = 0;
        for (int o = until[job].length - 1; o >= 0 && until[job][o] >= end; o--) {
            most = Math.max(most, worth[job][o]);
        }
        return most;
    }
}
