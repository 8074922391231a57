package app.navlo.server.store;

import app.navlo.server.sheet.Lines;
import app.navlo.server.sheet.RuleSheet;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * A course as its standing revision has it.
 *
 * @param version the last change that touched it
 * @param termId null for a course outside any term
 * @param closed by itself; that of a closed term is out of the counts as well
 * @param rules as they were last written down
 */
public record Course(
        long id, long version, int position, @Nullable Long termId, boolean closed, Details details, RuleSheet rules) {

    /**
     * @param teacherEmail where the teacher can be written to; null where that isn't known
     * @param colour one of the names in {@link #COLOURS}
     */
    public record Details(
            String name,
            String shortName,
            @Nullable String teacher,
            @Nullable String teacherEmail,
            ZoneId zone,
            String colour) {
        public Details {
            name = Lines.one(name);
            shortName = Lines.one(shortName);
            teacher = Lines.oneOrNull(teacher);
        }

        public Details coloured(String other) {
            return new Details(name, shortName, teacher, teacherEmail, zone, other);
        }
    }

    /** Whether it is out of every count, by itself or with its term. */
    public boolean isClosed(Map<Long, Term> terms) {
        Term term = termId == null ? null : terms.get(termId);
        return closed || (term != null && term.closed());
    }

    public static final List<String> COLOURS =
            List.of("umber", "fern", "plum", "slate", "olive", "teal", "brick", "indigo");
}
