package app.navlo.core.policy;

import app.navlo.core.check.Check;
import app.navlo.core.policy.Acceptance.Limit;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The ends of acceptance that the clock sets, attempts aside. Each is inclusive; null is none.
 *
 * @param due in force
 * @param closesAt as it stands: a granted due has already lifted it
 * @param cutoff elapsed time after {@code due}
 */
public record Window(
        @Nullable Instant due,
        @Nullable Instant closesAt,
        @Nullable Duration cutoff,
        @Nullable Instant gradingClose) {
    public Window {
        new Check().notNegative(cutoff, "cutoff").orThrow();
    }

    public Acceptance acceptance() {
        return Acceptance.UNLIMITED
                .until(closesAt, Limit.CLOSES_AT)
                .until(cutoffAt(), Limit.CUTOFF)
                .until(gradingClose, Limit.GRADING_CLOSE);
    }

    /** Every limit that is past at {@code handIn}, in the order of {@link Limit}. */
    public List<Limit> refusing(Instant handIn) {
        List<Limit> refusing = new ArrayList<>();
        addIfPast(refusing, closesAt, Limit.CLOSES_AT, handIn);
        addIfPast(refusing, cutoffAt(), Limit.CUTOFF, handIn);
        addIfPast(refusing, gradingClose, Limit.GRADING_CLOSE, handIn);
        return refusing;
    }

    private static void addIfPast(List<Limit> refusing, @Nullable Instant end, Limit limit, Instant handIn) {
        if (end != null && handIn.isAfter(end)) {
            refusing.add(limit);
        }
    }

    private @Nullable Instant cutoffAt() {
        return due == null || cutoff == null ? null : due.plus(cutoff);
    }
}
