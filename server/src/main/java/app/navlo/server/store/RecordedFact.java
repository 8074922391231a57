package app.navlo.server.store;

import app.navlo.core.work.Fact;
import org.jspecify.annotations.Nullable;

/**
 * A fact as it is kept, with what only a reader of the life's line wants to know.
 *
 * @param body the text of a comment or post, or the reason of a send-back; null for most facts
 */
public record RecordedFact(
        long id, long changeId, long workId, @Nullable String body, Fact fact) {}
