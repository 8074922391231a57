package app.navlo.server.personal;

import app.navlo.server.problem.OneLine;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;

public record LensForm(
        @NotBlank(message = "Give it a name.") @Size(max = 80, message = "At most 80 letters.") @OneLine
        String name,

        @NotNull @Size(max = 2_000, message = "This narrowing is too long to be kept.")
        String query) {}
