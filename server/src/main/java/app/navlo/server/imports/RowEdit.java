package app.navlo.server.imports;

import app.navlo.core.work.WorkKind;
import app.navlo.formats.told.StateWords;
import app.navlo.server.problem.OneLine;
import app.navlo.server.sheet.EditableField;
import app.navlo.server.sheet.Figures;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.EnumSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * What a person says of one row. What is null stays as it was read.
 *
 * @param key of the row
 * @param take whether it is wanted
 * @param course by its name, one of theirs or a new one
 * @param dueTime null for the end of the day; only with {@code dueDay}
 * @param possible a decimal; empty for none
 * @param score as one writes it: 18, 18/20, 85 %, A-, EX; empty for none
 * @param past how it stands if it was due before now and nothing is told of it
 */
public record RowEdit(
        @NotNull @Size(max = 1_000) String key,
        @Nullable Boolean take,

        @Nullable @Size(min = 1, max = 120, message = "At most 120 letters.")
        String course,

        @Nullable @Size(min = 1, max = 300, message = "1 to 300 letters.") @OneLine
        String title,

        @Nullable WorkKind kind,

        @Nullable @Size(max = 120, message = "At most 120 letters.")
        String category,

        @Nullable LocalDate dueDay,
        @Nullable LocalTime dueTime,

        @Nullable @Pattern(regexp = "|" + Figures.PATTERN, message = Figures.WRITE_IT_SO)
        String possible,

        @Nullable @Size(max = 40, message = "At most 40 letters.")
        String score,

        StateWords.@Nullable Meaning state,
        Wanted.@Nullable Past past) {
    /** What of the work it puts right. */
    Set<EditableField> byHand() {
        Set<EditableField> fields = EnumSet.noneOf(EditableField.class);
        Map<EditableField, Optional<?>> said = Map.of(
                EditableField.TITLE, Optional.ofNullable(title),
                EditableField.COURSE, Optional.ofNullable(course),
                EditableField.KIND, Optional.ofNullable(kind),
                EditableField.CATEGORY, Optional.ofNullable(category),
                EditableField.DUE, Optional.ofNullable(dueDay),
                EditableField.POINTS, Optional.ofNullable(possible));
        said.forEach((field, what) -> {
            if (what.isPresent()) {
                fields.add(field);
            }
        });
        return fields;
    }
}
