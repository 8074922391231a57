package app.navlo.core.grade;

import app.navlo.core.exact.Rational;
import app.navlo.core.id.CategoryId;
import app.navlo.core.id.StandardId;
import app.navlo.core.id.WorkId;
import java.time.Instant;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * A piece of work with the value that it has in one reading.
 *
 * @param category null where the scheme has none
 * @param standards that it is evidence of; empty where the scheme has none
 * @param possible points possible, at least 0
 * @param extra credit: adds to earned and not to possible; so is whatever has 0 points possible
 * @param earned points; may exceed {@code possible}
 * @param at when the evidence was given; null where that doesn't matter
 */
public record Valued(
        WorkId id,
        @Nullable CategoryId category,
        List<StandardId> standards,
        Rational possible,
        boolean extra,
        Rational earned,
        @Nullable Instant at) {
    public Valued {
        Objects.requireNonNull(id, "id");
        extra = extra || possible.isZero();
    }

    public static Valued of(
            WorkId id, @Nullable CategoryId category, Rational possible, boolean extra, Rational earned) {
        return new Valued(id, category, List.of(), possible, extra, earned, null);
    }

    /** 0 for what has no points possible. */
    public Rational percent() {
        return possible.isZero() ? Rational.ZERO : earned.percentOf(possible);
    }
}
