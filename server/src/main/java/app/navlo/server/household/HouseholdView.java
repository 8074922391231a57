package app.navlo.server.household;

import java.time.Instant;
import java.util.List;

/**
 * The students whose work somebody sees.
 *
 * @param span of which the figures count work
 * @param students who needs it most first
 * @param unread those whose work couldn't be worked out, by name: the others' rows hold all the same
 */
public record HouseholdView(Instant now, Spanning span, List<HouseholdRow> students, List<UnreadStudent> unread) {
    public record UnreadStudent(long id, String name) {}
}
