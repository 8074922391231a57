package app.navlo.core.check;

import app.navlo.core.exact.Rational;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/** Collects what is wrong with one input, then throws once. Null values are passed over: they mean "none". */
public final class Check {
    private final List<Problem> problems = new ArrayList<>(0);

    public Check that(boolean holds, String field, String rule) {
        if (!holds) {
            problems.add(new Problem(field, rule));
        }
        return this;
    }

    /** As {@link #that(boolean, String, String)}, for words that take time to put together. */
    public Check that(boolean holds, String field, Supplier<String> rule) {
        return holds ? this : that(false, field, rule.get());
    }

    public Check notNegative(@Nullable Rational value, String field) {
        return value == null || value.signum() >= 0 ? this : that(false, field, belowZero(value));
    }

    public Check notNegative(long value, String field) {
        return value >= 0 ? this : that(false, field, belowZero(value));
    }

    public Check notNegative(@Nullable Duration value, String field) {
        return value == null || !value.isNegative() ? this : that(false, field, belowZero(value));
    }

    private static String belowZero(Object value) {
        return "is " + value + "; it can't be below 0";
    }

    public Check atLeast(long least, long value, String field) {
        return value >= least ? this : that(false, field, "is " + value + "; it must be at least " + least);
    }

    public Check percent(@Nullable Rational value, String field) {
        boolean holds = value == null || (value.signum() >= 0 && value.compareTo(Rational.HUNDRED) <= 0);
        return holds ? this : that(false, field, "is " + value + "; a percent here is from 0 to 100");
    }

    /** Takes over what a part of the input complains of, its fields put under {@code field}. */
    public Check part(String field, Supplier<?> part) {
        try {
            part.get();
        } catch (IllegalInput e) {
            e.problems().forEach(p -> problems.add(new Problem(field + "." + p.field(), p.rule())));
        }
        return this;
    }

    /** @throws IllegalInput if anything was wrong */
    public void orThrow() {
        if (!problems.isEmpty()) {
            throw new IllegalInput(problems);
        }
    }
}
