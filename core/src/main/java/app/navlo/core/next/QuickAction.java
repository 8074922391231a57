package app.navlo.core.next;

import app.navlo.core.id.CourseId;
import app.navlo.core.id.WorkId;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * A move that takes a minute and no room in the plan.
 *
 * @param until when it can be done; null for always
 * @param leeway what is asked for or used; null where nothing is
 */
public record QuickAction(
        Kind kind,
        WorkId work,
        CourseId course,
        @Nullable Instant until,
        @Nullable Leeway leeway) {
    public enum Kind {
        ASK_EXTENSION,
        USE_TOKENS,
        READ_FEEDBACK,
        /** With the teacher for longer than nine in ten are. */
        CHECK_GRADING
    }
}
