package app.navlo.server.timeline;

import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * @param course of a class; null for none
 * @param title of a busy time; null for none
 */
public record TimelineSpan(
        SpanKind kind,
        Instant start,
        Instant end,
        @Nullable Long course,
        @Nullable String title) {}
