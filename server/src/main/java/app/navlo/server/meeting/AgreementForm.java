package app.navlo.server.meeting;

import app.navlo.server.store.Agreements;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/**
 * @param who does it, by name
 * @param due null for no day
 * @param kept whether it is done
 */
public record AgreementForm(
        @NotBlank(message = "Write what was agreed.") @Size(max = 300, message = "At most 300 letters.")
        String words,

        @NotBlank(message = "Say who does it.") @Size(max = 120, message = "At most 120 letters.")
        String who,

        @Nullable LocalDate due,
        boolean kept) {
    /** @param keptAt when it was said before that it is done; null where it wasn't */
    Agreements.Terms terms(@Nullable Instant keptAt, Instant now) {
        Instant since = keptAt == null ? now : keptAt;
        return new Agreements.Terms(words.strip(), who.strip(), due, kept ? since : null);
    }
}
