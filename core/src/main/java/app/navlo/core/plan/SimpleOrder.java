package app.navlo.core.plan;

import app.navlo.core.plan.Plan.Chosen;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** The orders that people make by hand. */
public enum SimpleOrder {
    /** The earliest last step: when it becomes worth nothing. */
    FINAL_DUE,
    /** The earliest step that it would still meet if it were done next. */
    NEXT_STEP,
    /** The greatest value if it were done next. */
    VALUE,
    /** That, divided by the effort. */
    VALUE_PER_MINUTE,
    /** The earliest release. */
    OLDEST_RELEASE;

    private static final double NEVER = Double.MAX_VALUE;

    /** Cost: for each token bought, one layout for every paid mode. */
    public Plan of(PlanProblem problem) {
        return new Run(problem).best();
    }

    /** The order as it is without any mode that costs. */
    Plan withoutTokens(PlanProblem problem) {
        return new Run(problem).laidOut();
    }

    private double rank(ProblemArrays c, int job, boolean[] usable, int mode, long finish) {
        long value = c.value(job, mode, finish);
        return switch (this) {
            case FINAL_DUE -> finalDue(c, job, usable);
            case NEXT_STEP -> nextStep(c, job, mode, finish);
            case VALUE -> -value;
            case VALUE_PER_MINUTE -> -(double) value / c.effort[job];
            case OLDEST_RELEASE -> c.releasedAt[job];
        };
    }

    private static double finalDue(ProblemArrays c, int job, boolean[] usable) {
        double last = Double.NEGATIVE_INFINITY;
        for (int m = 0; m < usable.length; m++) {
            for (int s = 0; usable[m] && s < c.until[job][m].length; s++) {
                last = c.worth[job][m][s] > 0 ? Math.max(last, c.by[job][m][s]) : last;
            }
        }
        return last == Double.NEGATIVE_INFINITY ? NEVER : last;
    }

    private static double nextStep(ProblemArrays c, int job, int mode, long finish) {
        for (int s = 0; s < c.until[job][mode].length; s++) {
            if (finish <= c.until[job][mode][s]) {
                return c.by[job][mode][s];
            }
        }
        return NEVER;
    }

    /** One list scheduler at work. */
    private final class Run {
        private final ProblemArrays c;
        private final Layout layout;
        private final boolean[][] usable;

        Run(PlanProblem problem) {
            c = new ProblemArrays(problem);
            layout = new Layout(problem);
            usable = new boolean[c.n][];
            for (int job = 0; job < c.n; job++) {
                usable[job] = new boolean[c.tokens[job].length];
                for (int m = 0; m < usable[job].length; m++) {
                    usable[job][m] = c.tokens[job][m] == 0;
                }
            }
        }

        /** Paid modes are allowed one after the other, each the one with the greatest gain per token, until none gains. */
        Plan best() {
            Plan plan = laidOut();
            while (true) {
                Plan better = plan;
                boolean[] bought = null;
                int boughtMode = 0;
                double gainPerToken = 0;
                for (int job = 0; job < c.n; job++) {
                    for (int m = 0; m < usable[job].length; m++) {
                        if (usable[job][m] || c.tokens[job][m] > c.budget[c.bank[job][m]]) {
                            continue;
                        }
                        usable[job][m] = true;
                        Plan tried = laidOut();
                        usable[job][m] = false;
                        double gain = (tried.value() - plan.value()) / (double) c.tokens[job][m];
                        if (gain > gainPerToken) {
                            bought = usable[job];
                            boughtMode = m;
                            better = tried;
                            gainPerToken = gain;
                        }
                    }
                }
                if (bought == null) {
                    return plan;
                }
                bought[boughtMode] = true;
                plan = better;
            }
        }

        /** What earned nothing and opened nothing worth anything is dropped, and all is laid out again. */
        private Plan laidOut() {
            boolean[] left = new boolean[c.n];
            while (true) {
                Plan plan = layout.of(order(left)).orElseThrow();
                if (!dropUseless(plan, left)) {
                    return plan;
                }
            }
        }

        /** @return whether there was any */
        private boolean dropUseless(Plan plan, boolean[] left) {
            boolean[] useful = c.useful(plan);
            boolean dropped = false;
            for (Plan.Placed placed : plan.jobs()) {
                left[placed.job()] |= !useful[placed.job()];
                dropped |= !useful[placed.job()];
            }
            return dropped;
        }

        private List<Chosen> order(boolean[] left) {
            boolean[] gone = left.clone();
            boolean[] done = new boolean[c.n];
            long[] finish = new long[c.n];
            int[] spent = new int[c.budget.length];
            List<Chosen> order = new ArrayList<>();
            long at = 0;
            for (int job = next(done, gone, finish, spent, at); job >= 0; job = next(done, gone, finish, spent, at)) {
                long end = c.start(job, at, finish) + c.effort[job];
                int mode = bestMode(job, end, spent);
                if (c.value(job, mode, end) == 0 && !awaited(job, done, gone)) {
                    gone[job] = true;
                    continue;
                }
                if (c.tokens[job][mode] > 0) {
                    spent[c.bank[job][mode]] += c.tokens[job][mode];
                }
                order.add(new Chosen(job, mode));
                done[job] = true;
                finish[job] = end;
                at = end;
            }
            return order;
        }

        private boolean awaited(int job, boolean[] done, boolean[] gone) {
            for (int after : c.successors[job]) {
                if (!done[after] && !gone[after]) {
                    return true;
                }
            }
            return false;
        }

        /** Of the jobs that could begin soonest the first by rank, then by place; -1 where none can be done any more. */
        private int next(boolean[] done, boolean[] gone, long[] finish, int[] spent, long at) {
            int best = -1;
            long bestStart = 0;
            double bestRank = 0;
            for (int job = 0; job < c.n; job++) {
                if (done[job] || gone[job] || !c.ready(job, done)) {
                    continue;
                }
                long start = c.start(job, at, finish);
                long end = start + c.effort[job];
                int mode = end > c.minutes ? -1 : bestMode(job, end, spent);
                if (mode < 0 || (best >= 0 && start > bestStart)) {
                    continue;
                }
                double rank = rank(c, job, usable[job], mode, end);
                if (best < 0 || start < bestStart || rank < bestRank) {
                    best = job;
                    bestStart = start;
                    bestRank = rank;
                }
            }
            return best;
        }

        /** @return -1 where none may be used */
        private int bestMode(int job, long end, int[] spent) {
            int best = -1;
            for (int m = 0; m < usable[job].length; m++) {
                boolean may = usable[job][m]
                        && (c.tokens[job][m] == 0
                                || spent[c.bank[job][m]] + c.tokens[job][m] <= c.budget[c.bank[job][m]]);
                if (may && (best < 0 || c.value(job, m, end) > c.value(job, best, end))) {
                    best = m;
                }
            }
            return best;
        }
    }

    /** The best of all of them. */
    public static Plan best(PlanProblem problem) {
        return Arrays.stream(values())
                .map(order -> order.of(problem))
                .reduce(Plan.NOTHING, (one, other) -> other.value() > one.value() ? other : one);
    }
}
