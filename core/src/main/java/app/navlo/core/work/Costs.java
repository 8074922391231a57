package app.navlo.core.work;

import app.navlo.core.policy.Acceptance.Limit;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** The instants ahead at which waiting costs something, for work that is still to be handed in. */
public final class Costs {
    private Costs() {}

    /**
     * @param limit what ends acceptance then; null where only full credit ends
     */
    public record CostDate(Instant at, @Nullable Limit limit) {
        public boolean endsAcceptance() {
            return limit != null;
        }
    }

    /** Soonest first; empty when nothing is yours or the teacher's to lose. A due ends full credit. */
    public static List<CostDate> ahead(WorkState state, Instant now) {
        boolean toHandIn = state.move() == Move.YOURS || state.move() == Move.NOT_YET;
        List<CostDate> dates = new ArrayList<>();
        if (!toHandIn) {
            return dates;
        }
        Instant due = state.redo() != null ? state.redo().due() : state.due();
        Instant ends = state.acceptance().ends();
        if (due != null && !due.isBefore(now) && (ends == null || due.isBefore(ends))) {
            dates.add(new CostDate(due, null));
        }
        if (ends != null && !ends.isBefore(now)) {
            dates.add(new CostDate(ends, state.acceptance().endedBy()));
        }
        dates.sort(Comparator.comparing(CostDate::at));
        return dates;
    }
}
