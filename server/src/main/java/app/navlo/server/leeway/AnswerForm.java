package app.navlo.server.leeway;

import java.time.Instant;
import org.jspecify.annotations.Nullable;

/** @param due that the teacher gave; null where the teacher declined */
public record AnswerForm(@Nullable Instant due) {}
