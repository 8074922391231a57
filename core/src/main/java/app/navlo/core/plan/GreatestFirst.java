package app.navlo.core.plan;

import app.navlo.core.plan.Plan.Chosen;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleFunction;

/**
 * Of plans that are worth the same, the one that does first what brings most a minute: days go wrong, and what was planned
 * last is lost first. Neighbours change places as long as nothing is lost by it.
 */
public final class GreatestFirst {
    private GreatestFirst() {}

    /** @param aMinute what a job brings a minute, by its place. Cost: a layout for each pair of neighbours that stand the other way round, at most the square of the jobs in all. */
    public static Plan of(Plan plan, Layout layout, ToDoubleFunction<Integer> aMinute) {
        List<Chosen> order = new ArrayList<>(plan.order());
        Plan best = plan;
        for (int end = 1; end < order.size(); end++) {
            for (int i = end; i > 0; i--) {
                if (aMinute.applyAsDouble(order.get(i).job())
                        <= aMinute.applyAsDouble(order.get(i - 1).job())) {
                    break;
                }
                Collections.swap(order, i, i - 1);
                Optional<Plan> tried = layout.of(order);
                if (tried.isEmpty() || tried.get().value() < best.value()) {
                    Collections.swap(order, i, i - 1);
                    break;
                }
                best = tried.get();
            }
        }
        return best;
    }
}
