package app.navlo.server.editing;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/**
 * A score as one writes it down.
 *
 * @param text 18, 18/20, 85 %, A-, EX; empty takes back what was written down by hand
 * @param day on which it came back; null for now
 */
public record ScoreEntry(
        long work,

        @NotNull @Size(max = 40, message = "At most 40 letters.")
        String text,

        @Nullable LocalDate day) {}
