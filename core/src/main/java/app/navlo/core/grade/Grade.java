package app.navlo.core.grade;

import app.navlo.core.exact.Rational;
import app.navlo.core.id.PartId;
import app.navlo.core.id.StandardId;
import app.navlo.core.id.WorkId;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * A course's grade in one reading.
 *
 * @param figure a percent, or the mean rating 0–4 of a course by standards; unrounded; null where nothing counts
 * @param counted how many pieces of work have a value in it, dropped ones too
 * @param parts the categories or standards, in the order of the scheme; empty where it has none
 * @param belowLine standards that are under the line which none may be below; they withhold the pass
 */
public record Grade(@Nullable Rational figure, int counted, List<Part> parts, List<StandardId> belowLine) {
    public Grade {
        parts = List.copyOf(parts);
        belowLine = List.copyOf(belowLine);
    }

    /**
     * @param figure percent of a category or rating of a standard; null where nothing counts
     * @param weight of a category that has a figure, as a share of 100 of the weights that count; null where it has none
     * @param only whether no other drop would leave as much
     */
    public record Part(
            PartId id,
            String name,
            @Nullable Rational figure,
            @Nullable Rational weight,
            Set<WorkId> dropped,
            boolean only,
            int counted) {}

    public boolean dropped(WorkId work) {
        return parts.stream().anyMatch(part -> part.dropped().contains(work));
    }
}
