package app.navlo.server.standing;

import app.navlo.server.problem.OneLine;
import app.navlo.server.sheet.Figures;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** @param category by its name; null where the course has none */
public record AddedForm(
        @NotBlank(message = "Give it a name.") @Size(max = 80, message = "At most 80 letters.") @OneLine
        String name,

        @Nullable String category,
        @NotNull List<String> standards,

        @NotNull(message = "Say how many points it has.")
        @Pattern(regexp = Figures.PATTERN, message = Figures.WRITE_IT_SO)
        String possible,

        @NotNull(message = "Say how many points it would bring.")
        @Pattern(regexp = Figures.PATTERN, message = Figures.WRITE_IT_SO)
        String points) {}
