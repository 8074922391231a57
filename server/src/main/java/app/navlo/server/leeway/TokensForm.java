package app.navlo.server.leeway;

import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;

public record TokensForm(
        @Min(value = 1, message = "At least 1.") @Max(value = 20, message = "At most 20.")
        int tokens) {}
