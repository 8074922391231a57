package app.navlo.core.feedback;

import app.navlo.core.check.Check;
import app.navlo.core.exact.Rational;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * What the points of a piece of work are given for.
 *
 * @param possible points possible of the work
 * @param mayExceed whether its rows may add up to more than that
 */
public record Rubric(List<Row> rows, Rational possible, boolean mayExceed) {
    /** @param levels at least one; the most points of any is what the row can give */
    public record Row(String title, List<Level> levels) {
        public Row {
            levels = List.copyOf(levels);
        }

        public Rational most() {
            return levels.stream()
                    .map(Level::points)
                    .max(Comparator.naturalOrder())
                    .orElse(Rational.ZERO);
        }

        /** The level that gives exactly these points; empty where they lie between two. */
        public Optional<Level> level(Rational points) {
            return levels.stream()
                    .filter(level -> level.points().equals(points))
                    .findFirst();
        }

        /** What is lost on it with so many points. */
        public Rational lost(Rational points) {
            return most().minus(points).max(Rational.ZERO);
        }
    }

    /** @param description the long form, in the teacher's words */
    public record Level(String title, String description, Rational points) {}

    public Rubric {
        rows = List.copyOf(rows);
        Check check = new Check().that(!rows.isEmpty(), "rows", "is empty; name at least one");
        Rational sum = Rational.ZERO;
        for (int i = 0; i < rows.size(); i++) {
            Row row = rows.get(i);
            String field = "rows[" + i + "].levels";
            check.that(!row.levels().isEmpty(), field, "is empty; a row needs at least one level");
            row.levels().forEach(level -> check.notNegative(level.points(), field + ".points"));
            sum = sum.plus(row.most());
        }
        check.that(
                        mayExceed || sum.compareTo(possible) <= 0,
                        "rows",
                        "add up to " + sum + ", more than the " + possible
                                + " points possible; lower a row, or allow it")
                .orThrow();
    }
}
