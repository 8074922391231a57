package app.navlo.core.policy;

import app.navlo.core.check.Check;
import app.navlo.core.exact.Rational;
import org.jspecify.annotations.Nullable;

/** What lateness costs, once grace is over. */
public sealed interface Penalty {
    /** Nothing is lost, however late. */
    record None() implements Penalty {}

    /**
     * The same loss however late.
     *
     * @param percent 0–100
     */
    record Flat(Rational percent, Base base) implements Penalty {
        public Flat {
            new Check().percent(percent, "percent").orThrow();
        }
    }

    /**
     * So much for each day late.
     *
     * @param percent 0–100, of one day
     * @param cap the percent at which the days stop, 0–100; null for no cap
     */
    record PerDay(Rational percent, @Nullable Rational cap, Measure measure, Base base) implements Penalty {
        public PerDay {
            new Check().percent(percent, "percent").percent(cap, "cap").orThrow();
        }

        /** May exceed 100 where there is no cap. */
        Rational percentAfter(long days) {
            Rational sum = percent.times(Rational.of(days));
            return cap == null ? sum : sum.min(cap);
        }

        /** Whether one more day would take more. */
        boolean stillRising(long days) {
            return percentAfter(days + 1).compareTo(percentAfter(days)) > 0;
        }
    }

    /**
     * Nobody has said what lateness costs. Where a figure is needed all the same: 20 % of the points possible at the due, 10 %
     * more for each 24 hours after it, and nothing is left after seven days. It says nothing of scores that there are.
     */
    record Assumed() implements Penalty {
        private static final long DAYS_TAKEN = 7;

        /** @param days begun since the due */
        static Rational percentAfter(long days) {
            return days <= 0
                    ? Rational.ZERO
                    : days > DAYS_TAKEN ? Rational.HUNDRED : Rational.of(10).plus(Rational.of(10 * days));
        }
    }
}
