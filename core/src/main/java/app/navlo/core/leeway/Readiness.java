package app.navlo.core.leeway;

import app.navlo.core.check.Check;
import app.navlo.core.exact.Rational;
import app.navlo.core.work.WorkItem;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * What lies ready of a piece of work and isn't handed in.
 *
 * @param files that lie ready
 * @param filesWanted in all; null where nobody has said
 * @param text whether a text lies ready
 * @param minutesSpent on it so far; 0 where that isn't known
 * @param minutes of effort in all; null where nobody has said
 */
public record Readiness(
        int files,
        @Nullable Integer filesWanted,
        boolean text,
        int minutesSpent,
        @Nullable Integer minutes) {
    public static final Readiness NOTHING = new Readiness(0, null, false, 0, null);

    public Readiness {
        new Check()
                .notNegative(files, "files")
                .notNegative(minutesSpent, "minutesSpent")
                .orThrow();
    }

    /**
     * The share of the whole that is there, 0 to 1: files of files wanted, else minutes spent of the effort.
     *
     * @return empty where nothing can be handed in as it is: of a quiz, a test or a discussion, of an empty draft, and where
     *     nobody can say how far it has come
     */
    public Optional<Rational> share(WorkItem item) {
        boolean whole = item.kind().byAttempts() || item.parts() != null;
        if (whole || !item.expectsHandIn() || (files == 0 && !text)) {
            return Optional.empty();
        }
        if (filesWanted != null && filesWanted > 0) {
            return Optional.of(Rational.of(Math.min(files, filesWanted), filesWanted));
        }
        if (minutes == null || minutes == 0 || minutesSpent == 0) {
            return Optional.empty();
        }
        return Optional.of(Rational.of(Math.min(minutesSpent, minutes), minutes));
    }
}
