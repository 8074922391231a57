package app.navlo.core.close;

import app.navlo.core.check.Check;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** The grading periods of a term, in order. After a period's close nothing counts in it. */
public record GradingPeriods(List<Period> periods) {
    public static final GradingPeriods NONE = new GradingPeriods(List.of());

    /** @param close inclusive: a hand-in at the close still counts */
    public record Period(String name, Instant close) {}

    public GradingPeriods {
        periods = List.copyOf(periods);
        Check check = new Check();
        for (int i = 1; i < periods.size(); i++) {
            check.that(
                    periods.get(i).close().isAfter(periods.get(i - 1).close()),
                    "periods[" + i + "].close",
                    "is " + periods.get(i).close() + ", not after the close before it; put the periods in order");
        }
        check.orThrow();
    }

    /** The period that work belongs to: the first whose close is not before its due; without a due, the last. */
    public Optional<Period> of(@Nullable Instant due) {
        return periods.stream()
                .filter(period -> due != null && !period.close().isBefore(due))
                .findFirst()
                .or(() -> due == null && !periods.isEmpty()
                        ? Optional.of(periods.get(periods.size() - 1))
                        : Optional.empty());
    }

    /** @throws app.navlo.core.check.IllegalInput naming the field if {@code due} is after the last close */
    public void checkDue(@Nullable Instant due) {
        new Check()
                .that(
                        due == null || periods.isEmpty() || of(due).isPresent(),
                        "due",
                        () -> "is " + due + ", after the last grading close; nothing counts then, so set it earlier")
                .orThrow();
    }
}
