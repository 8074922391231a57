package app.navlo.core.news;

import app.navlo.core.work.Fact;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * One thing about a piece of work that may be new to somebody.
 *
 * @param key names it for as long as it is told; unique within a student
 * @param at when it happened
 * @param shownAt since when it can be seen here: when it happened or when Navlo learnt it, whichever is later
 * @param fact that says so; null for what came by time alone
 * @param words of the same person that came with it, within minutes; null for none
 */
public record NewThing(
        String key,
        Kind kind,
        Instant at,
        Instant shownAt,
        @Nullable Fact fact,
        Fact.@Nullable Commented words) {
    /** What sort of thing it is. */
    public enum Kind {
        SCORE,
        WORDS,
        FLAG,
        ANSWER,
        DUE,
        SENT_BACK,
        RETURNED,
        EXCUSED,
        REOPENED,
        CLOSED
    }
}
