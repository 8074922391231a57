package app.navlo.server.standing;

import app.navlo.server.sheet.Figures;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * What isn't so. Null leaves that as it is.
 *
 * @param points raw, before any penalty
 */
public record ChangeForm(
        @NotNull(message = "Say which piece of work.") Long work,

        @Nullable @Pattern(regexp = Figures.PATTERN, message = Figures.WRITE_IT_SO)
        String points,

        @Nullable Boolean excused,
        @Nullable Instant handedIn) {}
