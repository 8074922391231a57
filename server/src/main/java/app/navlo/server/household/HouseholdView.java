package app.navlo.server.household;

import java.time.Instant;
import java.util.List;

/**
 * The students whose work somebody sees.
 *
 * @param span of which the figures count work
 * @param students who needs it most first
 */
public record HouseholdView(Instant now, Spanning span, List<HouseholdRow> students) {}
