package app.navlo.server.household;

import app.navlo.server.store.Onlookers;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What who looks after a student keeps of them for themselves; the student doesn't see it.
 *
 * @param note empty for none
 * @param writtenAt null for no note
 * @param groups by their names
 */
public record OwnWords(String note, @Nullable Instant writtenAt, List<String> groups) {
    static OwnWords of(Onlookers.Kept kept) {
        Onlookers.Note note = kept.note();
        return new OwnWords(
                note == null ? "" : note.text(), note == null ? null : note.writtenAt(), List.copyOf(kept.groups()));
    }
}
