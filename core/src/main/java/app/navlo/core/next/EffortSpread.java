package app.navlo.core.next;

import app.navlo.core.pace.EffortCorrection;
import app.navlo.core.plan.Guess;
import java.util.Arrays;
import java.util.Collection;

/** How far off a student's efforts are from what is said of them, whatever the kind of work. */
public final class EffortSpread {
    /** What is usual weighs as much as so many pieces of one's own. */
    private static final int USUAL_WEIGHS = 5;

    private static final double LEAST = 0.1;
    private static final double MOST = 1;

    private EffortSpread() {}

    /**
     * Of the logarithm of what was spent over what was said, about the student's own mean.
     *
     * @return the usual one where nothing is recorded; from a tenth to 1
     */
    public static double of(Collection<EffortCorrection.Done> done) {
        double[] logs = done.stream()
                .mapToDouble(one -> Math.log((double) one.spentMinutes() / one.saidMinutes()))
                .toArray();
        double mean = Arrays.stream(logs).average().orElse(0);
        double squares = USUAL_WEIGHS * Guess.USUAL_SPREAD * Guess.USUAL_SPREAD;
        for (double log : logs) {
            squares += (log - mean) * (log - mean);
        }
        return Math.max(LEAST, Math.min(MOST, Math.sqrt(squares / (USUAL_WEIGHS + logs.length))));
    }
}
