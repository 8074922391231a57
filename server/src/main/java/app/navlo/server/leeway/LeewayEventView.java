package app.navlo.server.leeway;

import app.navlo.server.store.FactKind;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/** @param due that was given; null where none was */
public record LeewayEventView(
        long work,
        FactKind kind,
        Instant at,
        String by,
        @Nullable Instant due) {}
