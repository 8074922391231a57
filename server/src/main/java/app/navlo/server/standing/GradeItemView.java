package app.navlo.server.standing;

import app.navlo.server.workdetail.MaterialView.ClassFiguresView;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * @param work its number, or the name of an added one
 * @param score kept, after penalties; null while there is none
 * @param expected points that it will likely bring
 * @param most points that it can still come to; null where that is left out of the ceiling
 * @param open whether a target varies it
 * @param counts whether it counts in what is expected; what doesn't has no forecast
 * @param missing whether it is missing; then it is taken until {@code takenUntil}
 * @param takenUntil when acceptance ends of what is still to be handed in; null for no end, and for anything else
 * @param taken whether it may be handed in now
 */
public record GradeItemView(
        String work,
        @Nullable String category,
        List<String> standards,
        String possible,
        boolean extra,
        boolean required,
        @Nullable String score,
        String expected,
        @Nullable String most,
        boolean open,
        boolean counts,
        boolean missing,
        boolean taken,
        @Nullable Instant takenUntil,
        @Nullable ClassFiguresView classFigures) {}
