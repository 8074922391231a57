package app.navlo.server.sheet;

import app.navlo.core.exact.Rational;
import app.navlo.core.policy.Base;
import app.navlo.core.policy.LatePolicy;
import app.navlo.core.policy.Measure;
import app.navlo.core.policy.Penalty;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import java.time.Duration;
import org.jspecify.annotations.Nullable;

/**
 * What lateness costs, as it is written down. Percents are decimals from 0 to 100.
 *
 * @param percent once, or for each day; not used where the kind is none or unknown
 * @param cap per day only; null for no cap
 * @param measure per day only
 * @param base what the percent is of; not used where the kind is none
 * @param floorPercent of the points possible; null for none
 * @param cutoffHours after the due; null where late work is taken for as long as the work is open
 */
public record LateSheet(
        @Max(value = 100_000, message = "At most 100,000 minutes.")
        int graceMinutes,

        @NotNull(message = "Choose what lateness costs.") Kind kind,

        @Nullable @Pattern(regexp = Figures.PATTERN, message = Figures.WRITE_IT_SO)
        String percent,

        @Nullable @Pattern(regexp = Figures.PATTERN, message = Figures.WRITE_IT_SO)
        String cap,

        @Nullable Measure measure,
        @Nullable Base base,

        @Nullable @Pattern(regexp = Figures.PATTERN, message = Figures.WRITE_IT_SO)
        String floorPercent,

        @Nullable @Max(value = 20_000, message = "At most 20,000 hours.")
        Integer cutoffHours) {
    public enum Kind {
        /** Nobody has said. */
        UNKNOWN,
        NONE,
        FLAT,
        PER_DAY
    }

    public static final LateSheet UNKNOWN = new LateSheet(0, Kind.UNKNOWN, null, null, null, null, null, null);

    /** @throws app.navlo.core.check.IllegalInput naming every field that doesn't fit */
    public LatePolicy policy() {
        return new LatePolicy(
                Duration.ofMinutes(graceMinutes),
                penalty(),
                Figures.orNull(floorPercent),
                cutoffHours == null ? null : Duration.ofHours(cutoffHours));
    }

    private Penalty penalty() {
        Rational each = Figures.orZero(percent);
        Base of = base == null ? Base.POSSIBLE : base;
        return switch (kind) {
            case UNKNOWN -> new Penalty.Assumed();
            case NONE -> new Penalty.None();
            case FLAT -> new Penalty.Flat(each, of);
            case PER_DAY ->
                new Penalty.PerDay(each, Figures.orNull(cap), measure == null ? Measure.SPANS_24H : measure, of);
        };
    }
}
