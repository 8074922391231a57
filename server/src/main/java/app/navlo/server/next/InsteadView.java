package app.navlo.server.next;

import app.navlo.core.next.Instead;
import app.navlo.server.next.NextView.PriceView;
import app.navlo.server.sheet.Figures;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What something else than the plan would cost. Points are of a course's hundred, as decimal strings.
 *
 * @param fall of the mean of all courses; below 0 where it would bring more
 * @param prices course by course, those that change
 * @param losers what wouldn't be in time any more, in the order of the plan
 */
public record InsteadView(String fall, List<PriceView> prices, List<LoserView> losers) {
    /** @param missed that it is in time for by the plan; null where it would be left out */
    public record LoserView(long work, @Nullable Instant missed) {}

    static InsteadView of(Instead instead) {
        return new InsteadView(
                Figures.hundredths(instead.fall()),
                instead.prices().stream()
                        .map(price -> new PriceView(price.course().number(), Figures.hundredths(price.fall())))
                        .toList(),
                instead.losers().stream()
                        .map(loser -> new LoserView(loser.work().number(), loser.missed()))
                        .toList());
    }
}
