package app.navlo.core.plan;

import app.navlo.core.check.Check;

/**
 * How long a job will take, as a guess: log-normal, so that half of all such jobs take no longer than is said, and what is
 * spent on it already tells that it isn't one of the short ones.
 *
 * @param said minutes in all, at least 1
 * @param spread of the logarithm of what such jobs take over what is said, at least 0
 * @param spent minutes, at least 0
 */
public record Guess(double said, double spread, double spent) {
    /** Where nobody has recorded enough of what was really spent. */
    public static final double USUAL_SPREAD = 0.45;

    /** What is beyond is as if it never came: one in ten thousand. */
    private static final double SURE = 0.9999;

    private static final int PARTS = 12;

    public Guess {
        new Check()
                .that(said >= 1, "said", "is " + said + "; at least 1")
                .that(spread >= 0 && spread <= 3, "spread", "is " + spread + "; from 0 to 3")
                .that(spent >= 0, "spent", "is " + spent + "; at least 0")
                .orThrow();
    }

    /** Of which nothing is done yet. */
    public static Guess of(double said) {
        return new Guess(said, USUAL_SPREAD, 0);
    }

    /**
     * So many minutes or fewer are left with this chance.
     *
     * @param chance above 0, below 1
     * @return at least 1
     */
    public double left(double chance) {
        if (spread == 0) {
            return Math.max(1, said - spent);
        }
        double past = spent <= 0 ? 0 : Normal.below(StrictMath.log(spent / said) / spread);
        double all = Math.min(SURE, past + chance * (1 - past));
        return Math.max(1, said * StrictMath.exp(spread * Normal.quantile(all)) - spent);
    }

    /** Minutes that are left on average, at least 1. */
    public double mean() {
        double sum = 0;
        for (int i = 0; i < PARTS; i++) {
            sum += left((i + 0.5) / PARTS);
        }
        return sum / PARTS;
    }
}
