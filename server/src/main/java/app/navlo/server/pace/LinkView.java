package app.navlo.server.pace;

import java.time.Instant;

/**
 * @param unlocks how many pieces wait for it, directly or not
 * @param startBy the latest instant to begin it, so that the end is in time
 * @param handInBy the latest instant to hand it in
 * @param graded whether the next opens only when a person has graded it
 */
public record LinkView(long work, int unlocks, Instant startBy, Instant handInBy, boolean graded) {}
