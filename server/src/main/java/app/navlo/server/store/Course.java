package app.navlo.server.store;

import java.time.Duration;
import java.time.ZoneId;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A course as its standing revision has it.
 *
 * @param version the last change that touched it
 * @param termId null for a course outside any term
 */
public record Course(
        long id, long version, int position, @Nullable Long termId, Details details) {

    /**
     * @param colour one of the names in {@link #COLOURS}
     * @param soonHours the span before a due in which work is "due soon"
     */
    public record Details(
            String name, String shortName, @Nullable String teacher, ZoneId zone, String colour, int soonHours) {
        public Duration soon() {
            return Duration.ofHours(soonHours);
        }
    }

    public static final int DEFAULT_SOON_HOURS = 48;

    public static final List<String> COLOURS =
            List.of("umber", "fern", "plum", "slate", "olive", "teal", "brick", "indigo");
}
