package app.navlo.core.plan;

import app.navlo.core.plan.Plan.Chosen;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * Dynamic programming over the sets of jobs done: of two ways to do the same jobs only one is followed if it is nowhere
 * behind the other. What can't beat the best plan known, even at the prices of the relaxation, isn't followed at all.
 *
 * <p>It begins with what is known to be possible and proves that nothing is worth more, or finds what is.
 */
final class LabelSetting {
    /** Jobs, for which a set fits into an int. */
    static final int MOST_JOBS = 30;

    /** Entries of the table of gains, over which it isn't worth the memory. */
    private static final long MOST_ENTRIES = 4_000_000;

    private static final double SAFETY = 1e-6;

    private final ProblemArrays c;
    private final JobModes ways;
    private final PriceTable table;
    private final boolean[] awaited;
    private long least;
    private List<Chosen> best = List.of();

    /** The jobs done, in order, with what is known of them. */
    private static final class Label {
        int done;
        long at;
        long earned;
        double atPrices;
        long[] counted = new long[0];
        int[] spent = new int[0];
        long[] finish = new long[0];

        @Nullable
        Label before;

        Chosen last = new Chosen(0, 0);
    }

    LabelSetting(ProblemArrays c, JobModes ways, LagrangianBound prices, long least) {
        this.c = c;
        this.ways = ways;
        this.least = least;
        table = new PriceTable(c, prices);
        awaited = new boolean[c.n];
        for (int job = 0; job < c.n; job++) {
            for (int first : c.lag[job] > 0 ? c.after[job] : new int[0]) {
                awaited[first] = true;
            }
        }
    }

    static boolean fits(ProblemArrays c) {
        return c.n <= MOST_JOBS && (c.minutes + 1) * c.n <= MOST_ENTRIES;
    }

    /** Whether a plan was found that is worth more than {@code least}. */
    boolean beaten() {
        return !best.isEmpty();
    }

    /** The best that was found, if any beat {@code least}. */
    List<Chosen> order() {
        return best;
    }

    /** @return whether no plan is worth more than {@code least} or, if that is beaten, than {@link #order}; not known after too many labels */
    boolean finish(int mostLabels) {
        Map<Integer, List<Label>> layer = new HashMap<>();
        layer.put(0, List.of(first()));
        int labels = 0;
        while (!layer.isEmpty()) {
            Map<Integer, List<Label>> next = new HashMap<>();
            for (List<Label> same : layer.values()) {
                for (Label label : same) {
                    if (++labels > mostLabels) {
                        return false;
                    }
                    extend(label, next);
                }
            }
            layer = next;
        }
        return true;
    }

    private Label first() {
        Label label = new Label();
        label.counted = new long[c.need.length];
        label.spent = new int[c.budget.length];
        label.finish = new long[c.n];
        return label;
    }

    private void extend(Label label, Map<Integer, List<Label>> next) {
        for (int job = 0; job < c.n; job++) {
            if ((label.done >> job & 1) != 0 || !ready(job, label.done)) {
                continue;
            }
            long end = c.start(job, label.at, label.finish) + c.effort[job];
            if (end > c.minutes) {
                continue;
            }
            long before = -1;
            for (int w = 0; w < ways.tokens[job].length; w++) {
                long value = ways.value(job, w, end);
                if (value <= before || (value == 0 && !opens(job, label.done)) || !pays(label, job, w)) {
                    continue;
                }
                before = ways.tokens[job][w] == 0 ? value : before;
                add(follow(label, job, w, end, value), next);
            }
        }
    }

    private boolean ready(int job, int done) {
        for (int first : c.after[job]) {
            if ((done >> first & 1) == 0) {
                return false;
            }
        }
        return true;
    }

    private boolean opens(int job, int done) {
        for (int after : c.successors[job]) {
            if ((done >> after & 1) == 0) {
                return true;
            }
        }
        return false;
    }

    private boolean pays(Label label, int job, int way) {
        int tokens = ways.tokens[job][way];
        return tokens == 0 || label.spent[ways.bank[job][way]] + tokens <= c.budget[ways.bank[job][way]];
    }

    private Label follow(Label label, int job, int way, long end, long value) {
        Label next = new Label();
        next.done = label.done | 1 << job;
        next.before = label;
        next.last = new Chosen(job, ways.mode(job, way, end));
        next.at = end;
        next.earned = label.earned + value;
        next.atPrices = label.atPrices + table.gain(job, value, ways.tokens[job][way], ways.bank[job][way]);
        next.counted = label.counted.clone();
        for (int bonus : c.counts[job]) {
            next.counted[bonus] += value;
        }
        next.spent = label.spent.clone();
        if (ways.tokens[job][way] > 0) {
            next.spent[ways.bank[job][way]] += ways.tokens[job][way];
        }
        next.finish = label.finish.clone();
        next.finish[job] = awaited[job] ? end : 0;
        return next;
    }

    private void add(Label label, Map<Integer, List<Label>> next) {
        long total = label.earned;
        for (int b = 0; b < c.need.length; b++) {
            total += label.counted[b] >= c.need[b] ? c.bonus[b] : 0;
        }
        if (total > least) {
            least = total;
            best = path(label);
        }
        if (table.bound(label.done, label.at, label.earned, label.atPrices, label.counted) <= least) {
            return;
        }
        List<Label> same = next.computeIfAbsent(label.done, done -> new ArrayList<>());
        for (Label other : same) {
            if (nowhereBehind(other, label)) {
                return;
            }
        }
        same.removeIf(other -> nowhereBehind(label, other));
        same.add(label);
    }

    private static List<Chosen> path(Label label) {
        List<Chosen> path = new ArrayList<>();
        for (Label one = label; one.before != null; one = one.before) {
            path.add(one.last);
        }
        Collections.reverse(path);
        return path;
    }

    private boolean nowhereBehind(Label one, Label other) {
        if (one.at > other.at) {
            return false;
        }
        long ahead = one.earned - other.earned;
        for (int b = 0; b < c.need.length; b++) {
            ahead -= one.counted[b] < other.counted[b] && one.counted[b] < c.need[b] ? c.bonus[b] : 0;
        }
        if (ahead < 0) {
            return false;
        }
        for (int b = 0; b < one.spent.length; b++) {
            if (one.spent[b] > other.spent[b]) {
                return false;
            }
        }
        for (int job = 0; job < c.n; job++) {
            if (awaited[job] && one.finish[job] > other.finish[job]) {
                return false;
            }
        }
        return true;
    }

    /** What the jobs left can still bring, at the prices and at best. */
    private static final class PriceTable {
        private final ProblemArrays c;
        private final double[] minutesFrom;
        /** By job and free minute: the most it can gain at the prices if it begins then or later. */
        private final double[][] later;

        private final double[] factor;
        private final double[] extra;
        private final double[] tokenPrice;
        private final double fixed;
        private final LagrangianBound prices;

        PriceTable(ProblemArrays c, LagrangianBound prices) {
            this.c = c;
            this.prices = prices;
            factor = prices.factors();
            extra = prices.extras();
            tokenPrice = prices.tokenPrices();
            double sum = 0;
            for (int b = 0; b < c.budget.length; b++) {
                sum += tokenPrice[b] * c.budget[b];
            }
            fixed = sum + prices.bonusesAtPrices();
            minutesFrom = prices.minutesFrom();
            later = new double[c.n][];
            for (int job = 0; job < c.n; job++) {
                later[job] = later(job);
            }
        }

        private double[] later(int job) {
            int minutes = (int) c.minutes;
            int effort = (int) Math.min(c.effort[job], minutes + 1L);
            double[] most = new double[minutes + 1];
            double worth = Double.NEGATIVE_INFINITY;
            int option = prices.options(job) - 1;
            double best = 0;
            for (int start = minutes; start >= 0; start--) {
                int end = start + effort;
                if (end <= minutes && start >= prices.head[job]) {
                    for (; option >= 0 && prices.until(job, option) >= end; option--) {
                        worth = Math.max(worth, prices.worthAtBest(job, option, factor[job], extra[job], tokenPrice));
                    }
                    best = Math.max(best, worth - (minutesFrom[start] - minutesFrom[end]));
                }
                most[start] = best;
            }
            return most;
        }

        double gain(int job, long value, int tokens, int bank) {
            return factor[job] * value + extra[job] - (tokens > 0 ? tokens * tokenPrice[bank] : 0);
        }

        long bound(int done, long at, long earned, double atPrices, long[] counted) {
            double priced = atPrices + fixed + minutesFrom[(int) at];
            long most = earned;
            long[] could = counted.clone();
            for (int job = 0; job < c.n; job++) {
                if ((done >> job & 1) != 0) {
                    continue;
                }
                priced += later[job][(int) at];
                long value = prices.mostValue(job, Math.max(at, prices.head[job]) + c.effort[job]);
                most += value;
                for (int bonus : c.counts[job]) {
                    could[bonus] += value;
                }
            }
            for (int b = 0; b < could.length; b++) {
                most += could[b] >= c.need[b] ? c.bonus[b] : 0;
            }
            return Math.min(most, (long) Math.floor(priced + SAFETY));
        }
    }
}
