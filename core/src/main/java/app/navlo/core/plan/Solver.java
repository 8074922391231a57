package app.navlo.core.plan;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Finds a plan and says how much better one could be. From the simple orders a search by annealing; its bound from prices
 * for free minutes; a search from what jobs choose at those prices; for small problems a proof by dynamic programming over
 * sets. One thread, the same answer for the same problem and budget.
 */
public final class Solver {
    /** The share of the search that looks at bonuses one way after another; the rest goes on from the best. */
    private static final double LOOKING = 2 / 3.0;
    /** The same where a share begins with what jobs choose together at prices. */
    private static final double LOOKING_TOO = 0.4;

    private static final double FROM_CHOICES = 0.4;
    /** It begins with so many of them at most, with fewer where each would get fewer steps a job than are enough. */
    private static final int MOST_CHOICES = 10;

    private static final int FEWEST_CHOICES = 4;
    private static final int ENOUGH_STEPS_A_JOB = 80;
    /** And with none if a few of them would get fewer than these. */
    private static final int FEWEST_STEPS_A_JOB = 40;
    /** While the bound says that so much more may be had, each way is looked at again, among few jobs up to so often in all. */
    private static final double NEAR = 1.03;

    private static final int MOST_LOOKS = 3;
    /** The search begins so hot, in what a job earns in the mean; then once more from its best, cooler. */
    private static final double HOT = 0.5;

    private static final double HOT_IF_MANY = 0.3;
    private static final int MANY = 50;
    private static final double COOLER = 0.4;
    /** From what was chosen at prices: it is nearly a plan. */
    private static final double WARM = 0.03;

    private static final long SEED = 1;

    private final ProblemArrays c;
    private final JobModes modes;
    private final SearchBudget budget;
    private final Search search;
    private final LagrangianBound prices;
    private final List<Aim[]> ways;
    /** Whether the search begins anew from what jobs choose together. */
    private final boolean anew;

    private final long looking;

    private Solver(PlanProblem problem, SearchBudget budget) {
        c = new ProblemArrays(problem);
        modes = new JobModes(c);
        this.budget = budget;
        search = new Search(c, modes, SEED);
        search.offer(List.of());
        for (SimpleOrder order : SimpleOrder.values()) {
            search.offer(order.withoutTokens(problem).order());
        }
        prices = new LagrangianBound(c, modes);
        ways = Aim.ways(c.need.length);
        anew = !toProve() && steps(FROM_CHOICES) >= (long) FEWEST_CHOICES * FEWEST_STEPS_A_JOB * c.n;
        looking = steps(anew ? LOOKING_TOO : LOOKING);
    }

    public static Solution solve(PlanProblem problem) {
        return solve(problem, SearchBudget.usual(problem.jobs().size()));
    }

    public static Solution solve(PlanProblem problem, SearchBudget budget) {
        return new Solver(problem, budget).solution(new Layout(problem));
    }

    private Solution solution(Layout layout) {
        prices.run(search.best(), budget.rounds() / 2);
        look();
        if (mayBeBetter()) {
            goOn();
        }
        Plan plan = tidied(layout);
        boolean proven = prices.bound() <= plan.value();
        if (!proven && toProve() && LabelSetting.fits(c)) {
            LabelSetting exact = new LabelSetting(c, modes, prices, plan.value());
            proven = exact.finish(budget.labels());
            if (exact.beaten()) {
                search.offer(exact.order());
                plan = tidied(layout);
            }
        }
        return new Solution(plan, proven ? plan.value() : prices.bound(), proven);
    }

    private Plan tidied(Layout layout) {
        search.tidy();
        return layout.of(search.order(layout)).orElseThrow();
    }

    private boolean mayBeBetter() {
        return prices.bound() > search.best();
    }

    private boolean toProve() {
        return budget.labels() > 0;
    }

    private double hot() {
        return c.n < MANY ? HOT : HOT_IF_MANY;
    }

    private long steps(double share) {
        return (long) (budget.steps() * share);
    }

    private void look() {
        int looks = ways.size() * (c.n < MANY ? MOST_LOOKS : 1);
        for (int look = 0; look < looks; look++) {
            boolean enough = look >= ways.size() && prices.bound() <= search.best() * NEAR;
            if (mayBeBetter() && !enough) {
                search.anneal(ways.get(look % ways.size()), hot(), looking / ways.size());
            }
        }
    }

    /** A proof needs prices for bonuses; else the bound is closer without them. */
    private void goOn() {
        int rounds = budget.rounds() - budget.rounds() / 2;
        if (anew) {
            Map<List<Integer>, Long> chosen = new LinkedHashMap<>();
            prices.chooseTogether();
            prices.run(search.best(), rounds, () -> chosen.computeIfAbsent(prices.order(), search::offerOrder));
            beginAnew(chosen);
            coolDown(budget.steps() - looking - steps(FROM_CHOICES));
        } else {
            coolDown(budget.steps() - looking);
            if (!toProve()) {
                prices.chooseTogether();
            }
            prices.run(search.best(), rounds);
        }
    }

    private void coolDown(long steps) {
        search.anneal(ways.get(0), hot() * COOLER, steps);
    }

    /** @param worth of each order that was chosen */
    private void beginAnew(Map<List<Integer>, Long> worth) {
        long steps = steps(FROM_CHOICES);
        long each = Math.max(steps / MOST_CHOICES, Math.min((long) ENOUGH_STEPS_A_JOB * c.n, steps / FEWEST_CHOICES));
        worth.entrySet().stream()
                .sorted(Map.Entry.<List<Integer>, Long>comparingByValue().reversed())
                .limit(each == 0 ? 0 : steps / each)
                .forEach(one -> search.annealFrom(one.getKey(), ways.get(0), WARM, each));
    }
}
