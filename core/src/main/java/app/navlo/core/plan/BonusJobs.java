package app.navlo.core.plan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;

/**
 * The jobs that one bonus counts, or several count alike, chosen together: a bonus is paid only for what whole jobs come to.
 * Sums are told apart in so many units that a choice takes no longer than a round of prices; what a job is worth is rounded
 * up, so that nothing that reaches a need is missed.
 */
final class BonusJobs {
    private static final int MOST_UNITS = 100;
    private static final int NONE = -1;

    private final int[] jobs;
    /** In units. */
    private final int[] need;

    private final long[] bonus;
    private final int most;
    /** By place among the jobs and option, in units. */
    private final int[][] worth;
    /** By sum: the most that jobs can gain which come to it; those that come to more than all needs count as that. */
    private final double[] gained;

    private final double[] before;
    /** By place and sum: the option that led there, and from which sum. */
    private final int[][] option;

    private final int[][] from;

    private BonusJobs(ProblemArrays c, JobOptions options, int[] jobs, List<Integer> bonuses) {
        this.jobs = jobs;
        long highest = bonuses.stream().mapToLong(b -> options.need[b]).max().orElseThrow();
        long unit = Math.max(1, units(highest, MOST_UNITS));
        need = bonuses.stream()
                .mapToInt(b -> (int) units(options.need[b], unit))
                .toArray();
        bonus = bonuses.stream().mapToLong(b -> c.bonus[b]).toArray();
        most = (int) units(highest, unit);
        worth = new int[jobs.length][];
        for (int i = 0; i < jobs.length; i++) {
            worth[i] = Arrays.stream(options.worth[jobs[i]])
                    .mapToInt(value -> (int) Math.min(most, units(value, unit)))
                    .toArray();
        }
        gained = new double[most + 1];
        before = new double[most + 1];
        option = new int[jobs.length][most + 1];
        from = new int[jobs.length][most + 1];
    }

    private static long units(long value, long unit) {
        return Math.floorDiv(value + unit - 1, unit);
    }

    /** Of bonuses with other jobs in common those that are worth most; {@code taken} says by bonus whether it is among them. */
    static List<BonusJobs> of(ProblemArrays c, JobOptions options, boolean[] taken) {
        Map<Set<Integer>, List<Integer>> alike = new LinkedHashMap<>();
        for (int b = 0; b < c.need.length; b++) {
            int bonus = b;
            Set<Integer> jobs = new HashSet<>();
            IntStream.range(0, c.n)
                    .filter(job -> Arrays.stream(c.counts[job]).anyMatch(one -> one == bonus))
                    .forEach(jobs::add);
            if (!jobs.isEmpty()) {
                alike.computeIfAbsent(jobs, some -> new ArrayList<>()).add(bonus);
            }
        }
        List<Set<Integer>> greatestFirst = new ArrayList<>(alike.keySet());
        greatestFirst.sort(Comparator.comparingLong(jobs -> -alike.getOrDefault(jobs, List.of()).stream()
                .mapToLong(b -> c.bonus[b])
                .sum()));
        List<BonusJobs> all = new ArrayList<>();
        Set<Integer> used = new HashSet<>();
        for (Set<Integer> jobs : greatestFirst) {
            if (jobs.stream().noneMatch(used::contains)) {
                used.addAll(jobs);
                List<Integer> bonuses = alike.getOrDefault(jobs, List.of());
                bonuses.forEach(b -> taken[b] = true);
                int[] sorted =
                        jobs.stream().mapToInt(Integer::intValue).sorted().toArray();
                all.add(new BonusJobs(c, options, sorted, bonuses));
            }
        }
        return all;
    }

    int[] jobs() {
        return jobs;
    }

    /**
     * @param gain by job and option: what it gains, beside the bonuses here
     * @param chosen by job: filled with its option for each that belongs here, below 0 for none
     * @return the most that all of them gain, with the bonuses they reach
     */
    double choose(double[][] gain, int[] chosen) {
        Arrays.fill(gained, Double.NEGATIVE_INFINITY);
        gained[0] = 0;
        int reach = 0;
        for (int i = 0; i < jobs.length; i++) {
            reach = add(i, gain[jobs[i]], reach);
        }
        double best = Double.NEGATIVE_INFINITY;
        int sum = 0;
        for (int s = 0; s <= reach; s++) {
            double all = gained[s] + paid(s);
            if (all > best) {
                best = all;
                sum = s;
            }
        }
        for (int i = jobs.length - 1; i >= 0; i--) {
            chosen[jobs[i]] = option[i][sum];
            sum = from[i][sum];
        }
        return best;
    }

    private double paid(int sum) {
        double paid = 0;
        for (int b = 0; b < need.length; b++) {
            paid += sum >= need[b] ? bonus[b] : 0;
        }
        return paid;
    }

    /** One job more. @return the highest sum that can be reached with it */
    private int add(int i, double[] gain, int reach) {
        System.arraycopy(gained, 0, before, 0, most + 1);
        Arrays.fill(option[i], NONE);
        for (int s = 0; s <= most; s++) {
            from[i][s] = s;
        }
        int further = reach;
        for (int o = 0; o < gain.length; o++) {
            int value = worth[i][o];
            if (gain[o] <= 0 && value == 0) {
                continue;
            }
            for (int s = 0; s <= reach; s++) {
                int to = Math.min(most, s + value);
                if (before[s] + gain[o] > gained[to]) {
                    gained[to] = before[s] + gain[o];
                    option[i][to] = o;
                    from[i][to] = s;
                }
            }
            further = Math.max(further, Math.min(most, reach + value));
        }
        return further;
    }
}
