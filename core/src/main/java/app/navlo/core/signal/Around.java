package app.navlo.core.signal;

import app.navlo.core.id.WorkId;
import app.navlo.core.reconcile.RecordEntry;
import java.time.Instant;
import java.util.List;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/**
 * What signals need to know of a piece of work beside what a course knows.
 *
 * @param wroteAt when the student last wrote to the teacher about it; null for never
 * @param records that other systems have of it
 * @param titles gives the words for a piece of work
 */
public record Around(@Nullable Instant wroteAt, List<OtherRecord> records, Function<WorkId, String> titles) {
    /** @param name of the system, as it is shown */
    public record OtherRecord(String name, Instant toldAt, RecordEntry entry) {}

    public static final Around NOTHING = new Around(null, List.of(), WorkId::text);

    public Around {
        records = List.copyOf(records);
    }
}
