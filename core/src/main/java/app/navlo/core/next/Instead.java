package app.navlo.core.next;

import app.navlo.core.exact.Rational;
import app.navlo.core.id.WorkId;
import app.navlo.core.next.NextPlan.Planned;
import app.navlo.core.next.NextPlan.Price;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * What another plan would cost beside the one that holds.
 *
 * @param fall of the mean of all courses, in percent; below 0 where it would bring more
 * @param prices the same course by course, those that change
 * @param losers in the order of the plan that holds
 */
public record Instead(Rational fall, List<Price> prices, List<Loser> losers) {
    public Instead {
        prices = List.copyOf(prices);
        losers = List.copyOf(losers);
    }

    /**
     * Work that wouldn't be in time any more.
     *
     * @param missed that it is in time for now; null where it would be left out
     */
    public record Loser(WorkId work, @Nullable Instant missed) {}

    /** @param other of the same courses at the same instant */
    public static Instead of(NextPlan plan, NextPlan other) {
        List<Price> prices = new ArrayList<>();
        for (int i = 0; i < plan.stakes().size(); i++) {
            Stake with = plan.stakes().get(i);
            Rational fall = with.planned().minus(other.stakes().get(i).planned());
            if (fall.signum() != 0) {
                prices.add(new Price(Objects.requireNonNull(with.course()), fall));
            }
        }
        List<Loser> losers = new ArrayList<>();
        for (Planned planned : plan.planned()) {
            Planned then = other.planned().stream()
                    .filter(one -> one.work().equals(planned.work()))
                    .findFirst()
                    .orElse(null);
            Instant in = planned.because().at();
            if (then == null && planned.gain().signum() > 0) {
                losers.add(new Loser(planned.work(), null));
            } else if (then != null && in != null && then.finish().isAfter(in)) {
                losers.add(new Loser(planned.work(), in));
            }
        }
        Rational fall = Stake.mean(plan.stakes())
                .planned()
                .minus(Stake.mean(other.stakes()).planned());
        return new Instead(fall, prices, losers);
    }
}
