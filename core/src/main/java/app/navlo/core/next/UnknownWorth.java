package app.navlo.core.next;

import app.navlo.core.course.CourseBook;
import app.navlo.core.course.WorkAssessment;
import app.navlo.core.exact.Rational;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * What work weighs in the order of moves of which nobody knows what it is worth: it may count or may not, so half of what a
 * typical piece of its course counts, and a little for each of its minutes, so that of such work what is due first comes first.
 * It is shown nowhere.
 */
final class UnknownWorth {
    private static final Rational MAY_COUNT = Rational.of(1, 2);
    private static final Rational A_MINUTE = Rational.of(1, 100);
    private static final Rational OPTIONAL = Rational.of(1, 4);

    /** In course percent; no entry for a course of which nothing is known. */
    private final Map<CourseBook, Rational> typical = new HashMap<>();
    /** Of all courses, for those. */
    private final Rational anywhere;

    /** @param known all work, of each course */
    UnknownWorth(Map<CourseBook, List<WorkAssessment>> known) {
        known.forEach((book, findings) -> {
            List<Rational> worths = worths(book, findings);
            if (!worths.isEmpty()) {
                typical.put(book, median(worths));
            }
        });
        anywhere = median(typical.values());
    }

    /** What a zero would cost of each piece that is known to count. */
    private static List<Rational> worths(CourseBook book, List<WorkAssessment> findings) {
        return findings.stream()
                .filter(finding -> finding.item().marking().possible().signum() > 0 && finding.impact() != null)
                .map(finding -> book.percent(finding.impact()))
                .filter(worth -> worth.signum() > 0)
                .toList();
    }

    /** The lower of the two in the middle; 0 of none. */
    private static Rational median(Collection<Rational> worths) {
        return worths.stream()
                .sorted()
                .skip(Math.max(0, (worths.size() - 1) / 2))
                .findFirst()
                .orElse(Rational.ZERO);
    }

    /** @return in course percent, above 0 */
    Rational of(CourseBook book, WorkAssessment finding, long minutes) {
        Rational worth = typical.getOrDefault(book, anywhere)
                .times(MAY_COUNT)
                .plus(Rational.of(minutes).times(A_MINUTE));
        return finding.item().required() ? worth : worth.times(OPTIONAL);
    }
}
