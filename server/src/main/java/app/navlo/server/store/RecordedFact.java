package app.navlo.server.store;

import app.navlo.core.work.Fact;
import org.jspecify.annotations.Nullable;

/**
 * A fact as it is kept, with what only a reader of the life's line wants to know.
 *
 * @param body the text of a comment or post, or the reason of a send-back; null for most facts
 * @param answersFact the fact that a comment answers; null for none
 * @param answersPost the post of another that a reply answers; null for none
 */
public record RecordedFact(
        long id,
        long changeId,
        long workId,
        @Nullable String body,
        @Nullable Long answersFact,
        @Nullable Long answersPost,
        Fact fact) {
    /** The same, for who isn't told what was said. */
    public RecordedFact withoutWords() {
        return new RecordedFact(id, changeId, workId, null, answersFact, answersPost, Fact.withoutWords(fact));
    }
}
