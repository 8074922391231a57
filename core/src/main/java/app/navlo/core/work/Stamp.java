package app.navlo.core.work;

import java.time.Instant;
import java.util.Comparator;
import java.util.Objects;

/**
 * When, by whom and from where a fact came.
 *
 * @param at when it happened; states go by this
 * @param learnt when Navlo learnt it; "as it was shown that day" goes by this
 * @param order settles which of two facts of one instant came first; smaller is earlier
 * @param name of whoever it was, as it is shown
 * @param source where it was told: typed in, a feed, a file
 */
public record Stamp(Instant at, Instant learnt, long order, Actor by, String name, String source) {
    /** Of one instant, in the order in which they were made. */
    public static final Comparator<Stamp> CHRONOLOGICAL =
            Comparator.comparing(Stamp::at).thenComparingLong(Stamp::order);

    public Stamp {
        Objects.requireNonNull(at, "at");
        Objects.requireNonNull(learnt, "learnt");
        Objects.requireNonNull(by, "by");
        Objects.requireNonNull(name, "name");
        Objects.requireNonNull(source, "source");
    }
}
