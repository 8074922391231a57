package app.navlo.server.sheet;

import app.navlo.core.check.Check;
import app.navlo.core.exact.Rational;
import app.navlo.core.grade.By;
import app.navlo.core.grade.Category;
import app.navlo.core.grade.CompletionScheme;
import app.navlo.core.grade.GradeTable;
import app.navlo.core.grade.PointsScheme;
import app.navlo.core.grade.Scheme;
import app.navlo.core.grade.Standard;
import app.navlo.core.grade.StandardMethod;
import app.navlo.core.grade.StandardsScheme;
import app.navlo.core.grade.Threshold;
import app.navlo.core.grade.WeightedScheme;
import app.navlo.core.id.CategoryId;
import app.navlo.core.id.StandardId;
import app.navlo.core.id.WorkId;
import app.navlo.formats.told.SourceSnapshot;
import app.navlo.server.problem.OneLine;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * How a course makes its grade, as it is written down. What the scheme doesn't use is kept and passed over.
 *
 * @param noneBelow a rating that no standard may be below for a pass; null for no such rule
 * @param decimals places to which the figure is rounded before its letter is looked up; null for unrounded
 */
public record GradeSheet(
        @NotNull(message = "Choose how the grade is made.") Kind kind,

        @Size(max = 200, message = "At most 200 categories.")
        List<@Valid CategorySheet> categories,

        @Size(max = 60, message = "At most 60 standards.") List<@Valid StandardSheet> standards,

        @Nullable @Pattern(regexp = Figures.PATTERN, message = Figures.WRITE_IT_SO)
        String noneBelow,

        @Size(max = 40, message = "At most 40 of them.") List<@Valid ThresholdSheet> thresholds,
        @Size(max = 20, message = "At most 20 letters.") List<@Valid RowSheet> letters,
        @Nullable Integer decimals) {
    public enum Kind {
        POINTS,
        WEIGHTED,
        STANDARDS,
        COMPLETION;

        /** The most that a course's figure can be aimed at; empty where it has none. */
        public Optional<Rational> most() {
            return switch (this) {
                case POINTS, WEIGHTED -> Optional.of(Rational.HUNDRED);
                case STANDARDS -> Optional.of(BEST_RATING);
                case COMPLETION -> Optional.empty();
            };
        }
    }

    /** Of what evidence is rated where nobody says of how many points it is. */
    public static final Rational BEST_RATING = Rational.of(4);

    public static final GradeSheet POINTS =
            new GradeSheet(Kind.POINTS, List.of(), List.of(), null, List.of(), List.of(), null);

    /** What work of the course names of it: its categories or its standards, in their order; empty where it has neither. */
    public List<String> parts() {
        return switch (kind) {
            case WEIGHTED -> categories.stream().map(CategorySheet::name).toList();
            case STANDARDS -> standards.stream().map(StandardSheet::name).toList();
            case POINTS, COMPLETION -> List.of();
        };
    }

    GradeSheet made(Kind other) {
        return new GradeSheet(other, categories, standards, noneBelow, thresholds, letters, decimals);
    }

    GradeSheet weighted(List<SourceSnapshot.Category> told) {
        List<CategorySheet> weighed = told.stream()
                .map(one -> new CategorySheet(
                        one.name(), one.weight() == null ? "0" : Figures.text(one.weight()), By.POINTS, 0, 0, false))
                .toList();
        return new GradeSheet(Kind.WEIGHTED, weighed, standards, noneBelow, thresholds, letters, decimals);
    }

    GradeSheet copied() {
        return new GradeSheet(kind, categories, standards, noneBelow, List.of(), letters, decimals);
    }

    /** Work names its category by {@code name}. */
    public record CategorySheet(
            @NotBlank(message = "Give it a name.") @Size(max = 120, message = "At most 120 letters.") @OneLine
            String name,

            @NotNull(message = "Give it a weight.") @Pattern(regexp = Figures.PATTERN, message = Figures.WRITE_IT_SO)
            String weight,

            @NotNull(message = "Choose one.") By by,
            @Max(value = 200, message = "At most 200.") int dropLowest,
            @Max(value = 200, message = "At most 200.") int dropHighest,
            boolean extra) {
        Category category() {
            return new Category(new CategoryId(name), name, Figures.orZero(weight), by, dropLowest, dropHighest, extra);
        }
    }

    /** Work names the standards that it is evidence of by {@code name}. */
    public record StandardSheet(
            @NotBlank(message = "Give it a name.")
            @Size(max = 120, message = "At most 120 letters.")
            @Pattern(regexp = "[^,]*", message = "Leave the comma out.")
            @OneLine
            String name,

            @NotNull(message = "Choose one.") StandardMethod method) {
        Standard standard() {
            return new Standard(new StandardId(name), name, method);
        }
    }

    public record ThresholdSheet(
            long work,

            @NotNull(message = "Give the percent.") @Pattern(regexp = Figures.PATTERN, message = Figures.WRITE_IT_SO)
            String percent) {
        Threshold threshold() {
            return new Threshold(WorkId.of(work), Figures.orZero(percent));
        }
    }

    public record RowSheet(
            @NotBlank(message = "Give it a name.") @Size(max = 40, message = "At most 40 letters.")
            String label,

            @NotNull(message = "Give its boundary.") @Pattern(regexp = Figures.PATTERN, message = Figures.WRITE_IT_SO)
            String from) {}

    public GradeSheet {
        categories = List.copyOf(Objects.requireNonNullElse(categories, List.of()));
        standards = List.copyOf(Objects.requireNonNullElse(standards, List.of()));
        thresholds = List.copyOf(Objects.requireNonNullElse(thresholds, List.of()));
        letters = List.copyOf(Objects.requireNonNullElse(letters, List.of()));
    }

    /** @throws app.navlo.core.check.IllegalInput naming every field that doesn't fit */
    public Scheme scheme() {
        Check parts = new Check();
        return switch (kind) {
            case POINTS -> new PointsScheme();
            case WEIGHTED -> {
                for (int i = 0; i < categories.size(); i++) {
                    parts.part("categories[" + i + "]", categories.get(i)::category);
                }
                parts.orThrow();
                yield new WeightedScheme(
                        categories.stream().map(CategorySheet::category).toList());
            }
            case STANDARDS ->
                new StandardsScheme(
                        standards.stream().map(StandardSheet::standard).toList(), Figures.orNull(noneBelow));
            case COMPLETION -> {
                for (int i = 0; i < thresholds.size(); i++) {
                    parts.part("thresholds[" + i + "]", thresholds.get(i)::threshold);
                }
                parts.orThrow();
                yield new CompletionScheme(
                        thresholds.stream().map(ThresholdSheet::threshold).toList());
            }
        };
    }

    /** @throws app.navlo.core.check.IllegalInput naming every field that doesn't fit */
    public GradeTable table() {
        return new GradeTable(
                letters.stream()
                        .map(row -> new GradeTable.Row(row.label(), Figures.orZero(row.from())))
                        .toList(),
                decimals);
    }
}
