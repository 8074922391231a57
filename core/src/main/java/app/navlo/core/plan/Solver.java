package app.navlo.core.plan;

import java.util.List;

/**
 * Finds a plan and says how much better one could be. From the simple orders a search by annealing; its bound from prices
 * for free minutes; for small problems a proof by dynamic programming over sets. One thread, the same answer for the same
 * problem and budget.
 */
public final class Solver {
    /** The search begins so hot, in what a job earns in the mean; then once more from its best. */
    private static final double HOT = 0.5;

    private static final double HOT_IF_MANY = 0.3;
    private static final int MANY = 50;

    private static final long SEED = 1;

    private Solver() {}

    public static Solution solve(PlanProblem problem) {
        return solve(problem, SearchBudget.usual(problem.jobs().size()));
    }

    public static Solution solve(PlanProblem problem, SearchBudget budget) {
        ProblemArrays c = new ProblemArrays(problem);
        JobModes ways = new JobModes(c);
        Search search = new Search(c, ways, SEED);
        search.offer(List.of());
        for (SimpleOrder order : SimpleOrder.values()) {
            search.offer(order.withoutTokens(problem).order());
        }
        double hot = c.n < MANY ? HOT : HOT_IF_MANY;
        LagrangianBound prices = new LagrangianBound(c, ways);
        prices.run(search.best(), budget.rounds() / 2);
        if (prices.bound() > search.best()) {
            search.anneal(hot, budget.steps() / 2);
        }
        if (prices.bound() > search.best()) {
            search.anneal(hot, budget.steps() / 2);
            prices.run(search.best(), budget.rounds() - budget.rounds() / 2);
        }
        search.tidy();
        Layout layout = new Layout(problem);
        Plan plan = layout.of(search.order(layout)).orElseThrow();
        boolean proven = prices.bound() <= plan.value();
        if (!proven && budget.labels() > 0 && LabelSetting.fits(c)) {
            LabelSetting exact = new LabelSetting(c, ways, prices, plan.value());
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
