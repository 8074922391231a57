package app.navlo.server.pace;

import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * @param unit null for work that is in none
 * @param meanPercent of its scored required work; null while there is none
 * @param started null while nothing of it is begun
 */
public record UnitPaceView(
        @Nullable String unit,
        boolean complete,
        int done,
        int left,
        int outOfReach,
        @Nullable String meanPercent,
        @Nullable Instant started) {}
