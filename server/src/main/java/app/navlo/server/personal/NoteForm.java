package app.navlo.server.personal;

import app.navlo.server.store.Notes;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

public record NoteForm(
        @Nullable @Size(max = 40, message = "At most 40 letters.")
        String tag,

        @NotBlank(message = "Write the note first.") @Size(max = 20_000, message = "At most 20000 letters.")
        String body) {
    public Notes.Note note(@Nullable Long work, Instant at) {
        return new Notes.Note(0, 0, work, null, at, tag == null || tag.isBlank() ? null : tag.strip(), body.strip());
    }
}
