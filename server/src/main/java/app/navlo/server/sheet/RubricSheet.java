package app.navlo.server.sheet;

import app.navlo.core.exact.Rational;
import app.navlo.core.feedback.Rubric;
import java.util.List;

/**
 * What the points of a piece of work are given for, as it is sent and kept.
 *
 * @param mayExceed whether its rows may add up to more than the points possible
 */
public record RubricSheet(List<RowSheet> rows, boolean mayExceed) {
    public RubricSheet {
        rows = List.copyOf(rows);
    }

    /** @param levels from the most points down */
    public record RowSheet(String title, List<LevelSheet> levels) {
        public RowSheet {
            levels = List.copyOf(levels);
        }
    }

    /**
     * @param description the long form, in the teacher's words
     * @param points a decimal
     */
    public record LevelSheet(String title, String description, String points) {}

    static RubricSheet of(Rubric rubric) {
        return new RubricSheet(
                rubric.rows().stream()
                        .map(row -> new RowSheet(
                                row.title(),
                                row.levels().stream()
                                        .map(level -> new LevelSheet(
                                                level.title(), level.description(), Figures.text(level.points())))
                                        .toList()))
                        .toList(),
                rubric.mayExceed());
    }

    /** @throws app.navlo.core.check.IllegalInput naming every field that doesn't fit */
    public Rubric rubric(Rational possible) {
        return new Rubric(rows.stream().map(RubricSheet::row).toList(), possible, mayExceed);
    }

    /** @param place from 0 */
    public Rubric.Row row(int place) {
        return row(rows.get(place));
    }

    private static Rubric.Row row(RowSheet row) {
        return new Rubric.Row(
                row.title(),
                row.levels().stream()
                        .map(level ->
                                new Rubric.Level(level.title(), level.description(), Figures.orZero(level.points())))
                        .toList());
    }
}
