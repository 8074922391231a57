package app.navlo.core.policy;

import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * A redo that a student may begin unasked, below the pass mark.
 *
 * @param until the last instant to hand it in; null for as long as the work is accepted
 * @param needsReopening only after the teacher reopens the work
 */
public record RedoRule(@Nullable Instant until, boolean needsReopening) {}
