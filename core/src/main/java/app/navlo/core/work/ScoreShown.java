package app.navlo.core.work;

import app.navlo.core.exact.Rational;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * What a student may be shown of the scores.
 *
 * @param points the kept raw score, or the provisional one; null where none may be shown
 */
public record ScoreShown(Mark mark, @Nullable Rational points) {
    public enum Mark {
        NONE,
        /** Scored, and not posted yet. */
        HIDDEN,
        /** A part is still ungraded. */
        PROVISIONAL,
        FINAL
    }

    static ScoreShown of(WorkItem item, WorkHistory life) {
        Optional<Rational> kept = Redo.keptRaw(item, life);
        if (kept.isPresent()) {
            return new ScoreShown(Mark.FINAL, kept.get());
        }
        Optional<Rational> provisional = life.scores().entrySet().stream()
                .sorted(Map.Entry.<Integer, Fact.Scored>comparingByKey().reversed())
                .map(Map.Entry::getValue)
                .filter(Fact.Scored::posted)
                .map(Fact.Scored::points)
                .findFirst();
        if (provisional.isPresent()) {
            return new ScoreShown(Mark.PROVISIONAL, provisional.get());
        }
        return new ScoreShown(life.scores().isEmpty() ? Mark.NONE : Mark.HIDDEN, null);
    }
}
