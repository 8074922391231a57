package app.navlo.core.plan;

import app.navlo.core.plan.Plan.Chosen;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
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

    /** Of bonuses, as bits. */
    private static final int ALL_OPEN = -1;

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
        /** What its jobs gain at the prices beside what they earn. */
        double beside;

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
        return c.n <= MOST_JOBS && c.need.length <= MOST_JOBS && (c.minutes + 1) * c.n <= MOST_ENTRIES;
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
        next.beside = label.beside + table.beside(job, end, ways.tokens[job][way], ways.bank[job][way]);
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
        if (table.bound(label) <= least) {
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

    /**
     * What the jobs left can still bring, at the prices and at best. A bonus that is earned, or can't be any more, pays nothing
     * for further points.
     */
    private static final class PriceTable {
        private final ProblemArrays c;
        private final LagrangianBound prices;
        private final JobOptions options;
        private final double[] minutesFrom;
        private final double[][] extras;
        private final double[] tokenPrice;
        private final double tokens;
        /** By job and free minute: the most it can earn if it begins then or later. */
        private final long[][] most;

        /** By the bonuses that are open, as bits, job and free minute: the most it can gain at the prices if it begins then or later. */
        private final Map<Integer, double[][]> later = new HashMap<>();

        private final long[] could;

        PriceTable(ProblemArrays c, LagrangianBound prices) {
            this.c = c;
            this.prices = prices;
            options = prices.options;
            extras = prices.extrasAtBest();
            tokenPrice = prices.tokenPrices();
            double sum = 0;
            for (int b = 0; b < c.budget.length; b++) {
                sum += tokenPrice[b] * c.budget[b];
            }
            tokens = sum;
            minutesFrom = prices.minutesFrom();
            most = new long[c.n][];
            for (int job = 0; job < c.n; job++) {
                most[job] = most(job);
            }
            could = new long[c.need.length];
            later.put(ALL_OPEN, later(ALL_OPEN));
        }

        private long[] most(int job) {
            long[] most = new long[(int) c.minutes + 1];
            for (int start = 0; start < most.length; start++) {
                most[start] = options.mostValue(job, Math.max(start, options.head[job]) + c.effort[job]);
            }
            return most;
        }

        /** Where there are too many, those of all bonuses: they are never lower. */
        private double[][] latest(int open) {
            double[][] known = later.get(open);
            if (known != null) {
                return known;
            }
            boolean room = (c.minutes + 1) * c.n * (later.size() + 1) <= MOST_ENTRIES;
            double[][] made = room ? later(open) : Objects.requireNonNull(later.get(ALL_OPEN));
            later.put(open, made);
            return made;
        }

        private double[][] later(int open) {
            double[][] all = new double[c.n][];
            for (int job = 0; job < c.n; job++) {
                double factor = 1;
                for (int b : c.counts[job]) {
                    factor += (open >> b & 1) != 0 ? prices.paid(b) : 0;
                }
                all[job] = later(job, factor);
            }
            return all;
        }

        private double[] later(int job, double factor) {
            int minutes = (int) c.minutes;
            int effort = (int) Math.min(c.effort[job], minutes + 1L);
            double[] most = new double[minutes + 1];
            double worth = Double.NEGATIVE_INFINITY;
            int option = options.until[job].length - 1;
            double best = 0;
            for (int start = minutes; start >= 0; start--) {
                int end = start + effort;
                if (end <= minutes && start >= options.head[job]) {
                    for (; option >= 0 && options.until[job][option] >= end; option--) {
                        worth = Math.max(worth, worth(job, option, factor));
                    }
                    best = Math.max(best, worth - (minutesFrom[start] - minutesFrom[end]));
                }
                most[start] = best;
            }
            return most;
        }

        private double worth(int job, int option, double factor) {
            int cost = options.tokens[job][option];
            return factor * options.worth[job][option]
                    + extras[job][option]
                    - (cost > 0 ? cost * tokenPrice[options.bank[job][option]] : 0);
        }

        /** What a job gains beside what it earns, if it ends then. */
        double beside(int job, long end, int tokens, int bank) {
            long[] until = options.until[job];
            int option = 0;
            while (option < until.length && until[option] < end) {
                option++;
            }
            double extra = option < until.length ? extras[job][option] : 0;
            return extra - (tokens > 0 ? tokens * tokenPrice[bank] : 0);
        }

        long bound(Label label) {
            int at = (int) label.at;
            long mostEarned = label.earned;
            System.arraycopy(label.counted, 0, could, 0, could.length);
            for (int job = 0; job < c.n; job++) {
                if ((label.done >> job & 1) == 0) {
                    long value = most[job][at];
                    mostEarned += value;
                    for (int bonus : c.counts[job]) {
                        could[bonus] += value;
                    }
                }
            }
            double priced = label.earned + label.beside + tokens + minutesFrom[at];
            int open = ALL_OPEN;
            for (int b = 0; b < could.length; b++) {
                boolean reached = label.counted[b] >= c.need[b];
                if (reached || could[b] < c.need[b]) {
                    open &= ~(1 << b);
                    priced += reached ? c.bonus[b] : 0;
                } else {
                    priced += prices.paid(b) * label.counted[b] + prices.unpaid(b);
                }
                mostEarned += could[b] >= c.need[b] ? c.bonus[b] : 0;
            }
            double[][] gains = latest(open);
            for (int job = 0; job < c.n; job++) {
                priced += (label.done >> job & 1) == 0 ? gains[job][at] : 0;
            }
            return Math.min(mostEarned, (long) Math.floor(priced + SAFETY));
        }
    }
}
