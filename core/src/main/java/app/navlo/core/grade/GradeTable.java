package app.navlo.core.grade;

import app.navlo.core.check.Check;
import app.navlo.core.exact.Rational;
import java.math.RoundingMode;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The letters (or pass and fail) of a course.
 *
 * @param rows kept from the highest boundary down; may be empty: then there are no letters
 * @param decimals places to which the figure is rounded half up before it is looked up; null for unrounded
 */
public record GradeTable(List<Row> rows, @Nullable Integer decimals) {
    public static final GradeTable NONE = new GradeTable(List.of(), null);

    /** @param from inclusive, on the scale of the course's figure */
    public record Row(String label, Rational from) {}

    public GradeTable {
        rows = rows.stream().sorted(Comparator.comparing(Row::from).reversed()).toList();
        Check check = new Check();
        for (int i = 0; i < rows.size(); i++) {
            Row row = rows.get(i);
            check.that(!row.label().isBlank(), "rows[" + i + "].label", "is empty")
                    .notNegative(row.from(), "rows[" + i + "].from")
                    .that(
                            i == 0 || !rows.get(i - 1).from().equals(row.from()),
                            "rows[" + i + "].from",
                            "is " + row.from() + " a second time; each row needs its own boundary");
        }
        check.that(
                        decimals == null || (decimals >= 0 && decimals <= 6),
                        "decimals",
                        "is " + decimals + "; it must be from 0 to 6")
                .orThrow();
    }

    /** Null below the last row, or without a figure. */
    public @Nullable String letter(@Nullable Rational figure) {
        if (figure == null) {
            return null;
        }
        Rational judged = decimals == null ? figure : Rational.of(figure.toDecimal(decimals, RoundingMode.HALF_UP));
        return rows.stream()
                .filter(row -> judged.compareTo(row.from()) >= 0)
                .map(Row::label)
                .findFirst()
                .orElse(null);
    }
}
