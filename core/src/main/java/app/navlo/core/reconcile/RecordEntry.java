package app.navlo.core.reconcile;

import app.navlo.core.exact.Rational;
import java.time.Instant;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * One piece of work as one record has it.
 *
 * @param id in its own record
 * @param identifier that both records might share; null for none
 * @param due null for none
 * @param handedInAt null if it knows of no hand-in
 * @param points null while there is no score
 * @param missing whether it is listed as missing
 */
public record RecordEntry(
        String id,
        @Nullable String identifier,
        String title,
        @Nullable Instant due,
        @Nullable Instant handedInAt,
        @Nullable Rational points,
        boolean missing) {
    public RecordEntry {
        Objects.requireNonNull(id, "id");
        Objects.requireNonNull(title, "title");
    }
}
