package app.navlo.core.plan;

import java.util.List;

/**
 * Finds a plan and says how much better one could be. From the simple orders a search by annealing; its bound from prices
 * for free minutes; for small problems a proof by dynamic programming over sets. One thread, the same answer for the same
 * problem and budget.
 */
public final class Solver {
    /** The share of the search that looks at bonuses one way after another; the rest goes on from the best. */
    private static final double LOOKING = 2 / 3.0;
    /** While the bound says that so much more may be had, each way is looked at again, among few jobs up to so often in all. */
    private static final double NEAR = 1.03;

    private static final int MOST_LOOKS = 3;
    /** The search begins so hot, in what a job earns in the mean; then once more from its best, cooler. */
    private static final double HOT = 0.5;

    private static final double HOT_IF_MANY = 0.3;
    private static final int MANY = 50;
    private static final double COOLER = 0.4;

    private static final long SEED = 1;

    private Solver() {}

    public static Solution solve(PlanProblem problem) {
        return solve(problem, SearchBudget.usual(problem.jobs().size()));
    }

    public static Solution solve(PlanProblem problem, SearchBudget budget) {
        ProblemArrays c = new ProblemArrays(problem);
        JobModes modes = new JobModes(c);
        Search search = new Search(c, modes, SEED);
        search.offer(List.of());
        for (SimpleOrder order : SimpleOrder.values()) {
            search.offer(order.withoutTokens(problem).order());
        }
        double hot = c.n < MANY ? HOT : HOT_IF_MANY;
        LagrangianBound prices = new LagrangianBound(c, modes);
        prices.run(search.best(), budget.rounds() / 2);
        List<Aim[]> ways = Aim.ways(c.need.length);
        long looking = (long) (budget.steps() * LOOKING);
        int looks = ways.size() * (c.n < MANY ? MOST_LOOKS : 1);
        for (int look = 0; look < looks; look++) {
            boolean enough = look >= ways.size() && prices.bound() <= search.best() * NEAR;
            if (prices.bound() > search.best() && !enough) {
                search.anneal(ways.get(look % ways.size()), hot, looking / ways.size());
            }
        }
        if (prices.bound() > search.best()) {
            search.anneal(ways.get(0), hot * COOLER, budget.steps() - looking);
            prices.run(search.best(), budget.rounds() - budget.rounds() / 2);
        }
        search.tidy();
        Layout layout = new Layout(problem);
        Plan plan = layout.of(search.order(layout)).orElseThrow();
        boolean proven = prices.bound() <= plan.value();
        if (!proven && budget.labels() > 0 && LabelSetting.fits(c)) {
            LabelSetting exact = new LabelSetting(c, modes, prices, plan.value());
            proven = exact.finish(budget.labels());
            if (exact.beaten()) {
                search.offer(exact.order());
                search.tidy();
                plan = layout.of(search.order(layout)).orElseThrow();
            }
        }
        return new Solution(plan, proven ? plan.value() : prices.bound(), proven);
    }
}
