package app.navlo.server.board;

import app.navlo.server.ops.MadeOnce;
import java.time.Duration;
import java.time.Instant;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/**
 * Answers that hold for the minute in which they were made. Whoever asks the same again before the next one, another page, another
 * device, is answered with what there is, as long as the clock alone changes nothing in it.
 *
 * @param <Q> all that an answer hangs on besides the second, the minute too
 * @param <T> what is answered
 */
public final class AnswersOfTheMinute<Q, T> {
    private static final Duration KEPT_FOR = Duration.ofMinutes(1);

    private final MadeOnce<Q, Answer<T>> kept;

    /** @param most how many are kept */
    public AnswersOfTheMinute(int most) {
        kept = new MadeOnce<>(most, KEPT_FOR);
    }

    /** @param until the clock alone changes something in it then, or just after; null for never */
    public record Answer<T>(Instant made, @Nullable Instant until, T what) {
        private boolean holds(Instant now) {
            return !now.isBefore(made) && (until == null || now.isBefore(until));
        }
    }

    /** Who asks the same at the same time waits for the one answer. */
    public Answer<T> of(Q question, Instant now, Supplier<Answer<T>> anew) {
        Answer<T> there = kept.of(question, anew);
        if (!there.holds(now)) {
            there = anew.get();
            kept.put(question, there);
        }
        return there;
    }

    /** What answers this question as well. */
    public void also(Q question, Answer<T> there) {
        kept.put(question, there);
    }
}
