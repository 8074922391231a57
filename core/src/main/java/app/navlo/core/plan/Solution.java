package app.navlo.core.plan;

/**
 * A plan, and how good it is.
 *
 * @param bound no plan is worth more
 * @param proven none is worth more than this one
 */
public record Solution(Plan plan, long bound, boolean proven) {
    private static final double PERCENT = 100;

    /** By how much of the best possible it can be bettered at most, in percent; 0 if nothing can be earned at all. */
    public double withinPercent() {
        return bound == 0 ? 0 : PERCENT * (bound - plan.value()) / bound;
    }
}
