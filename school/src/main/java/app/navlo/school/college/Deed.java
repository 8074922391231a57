package app.navlo.school.college;

import java.time.Instant;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.node.ObjectNode;

/**
 * Something that somebody did about one student's work, or about a piece of work of the whole class.
 *
 * @param id from 1, in the order in which the school learnt of it
 * @param item the key of the piece of work
 * @param by the name of who did it
 * @param body what the kind has beside: points, words, files, a due
 */
public record Deed(long id, Instant at, Kind kind, String item, String by, ObjectNode body) {
    public enum Kind {
        PUBLISHED,
        MOVED,
        DRAFT_STARTED,
        ATTEMPT_BEGUN,
        HANDED_IN,
        POSTED,
        WITHDRAWN,
        SENT_BACK,
        RETURNED,
        SCORED,
        EXCUSED,
        FLAGGED,
        EXTENSION_ASKED,
        EXTENSION_GRANTED,
        EXTENSION_DECLINED,
        TOKEN_USED,
        REOPENED,
        KEY_OPENED,
        COMMENTED,
        RUBRIC_MARKED,
        ANSWERS_RELEASED,
        WRITTEN_TO;

        /** Whether it is an answer of the teacher to what was handed in. */
        boolean answers() {
            return this == SCORED || this == RETURNED || this == SENT_BACK || this == EXCUSED;
        }
    }

    /** A text of the body; null for none. */
    @Nullable
    String text(String field) {
        return body.hasNonNull(field) ? body.get(field).asString() : null;
    }
}
