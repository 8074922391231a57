package app.navlo.core.work;

import app.navlo.core.exact.Rational;
import app.navlo.core.policy.Acceptance.Limit;
import app.navlo.core.policy.LatePolicy;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/** The instants ahead at which waiting costs something, for work that is still to be handed in. */
public final class Costs {
    private Costs() {}

    /**
     * @param limit what ends acceptance then; null where only points are lost
     * @param lost of full marks, the points that waiting beyond this instant costs; 0 where nothing but the word "late" is
     * @param unknown whether nobody has said what it costs, so that {@code lost} is assumed
     */
    public record CostDate(Instant at, @Nullable Limit limit, Rational lost, boolean unknown) {
        public boolean endsAcceptance() {
            return limit != null;
        }
    }

    /**
     * Soonest first; empty when nothing is to be handed in. A due is among them even where lateness is free.
     *
     * @param steps what the late policy keeps of full marks, as {@link app.navlo.core.policy.LatePolicy#steps} says
     * @param assumed whether the policy is assumed: then nothing but the due is certain to cost something
     */
    public static List<CostDate> ahead(WorkState state, List<LatePolicy.Step> steps, boolean assumed, Instant now) {
        List<CostDate> dates = new ArrayList<>();
        if (!state.toHandIn()) {
            return dates;
        }
        Instant due = state.toComplete() ? null : state.dueToCome();
        Instant ends = state.acceptance().ends();
        for (int i = 0; i + 1 < steps.size(); i++) {
            Rational lost = steps.get(i).score().minus(steps.get(i + 1).score());
            if (!assumed || Objects.requireNonNull(steps.get(i).handedIn()).equals(due)) {
                dates.add(new CostDate(Objects.requireNonNull(steps.get(i).handedIn()), null, lost, assumed));
            }
        }
        boolean dueAhead = due != null && !due.isBefore(now) && (ends == null || due.isBefore(ends));
        if (dueAhead && dates.stream().noneMatch(date -> date.at().equals(due))) {
            dates.add(new CostDate(Objects.requireNonNull(due), null, Rational.ZERO, assumed));
        }
        if (ends != null && !ends.isBefore(now)) {
            dates.add(new CostDate(ends, state.acceptance().endedBy(), left(steps, assumed), false));
        }
        dates.sort(Comparator.comparing(CostDate::at));
        return dates;
    }

    private static Rational left(List<LatePolicy.Step> steps, boolean assumed) {
        if (steps.isEmpty()) {
            return Rational.ZERO;
        }
        return steps.get(assumed ? 0 : steps.size() - 1).score();
    }
}
