package app.navlo.server.editing;

import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import org.jspecify.annotations.Nullable;

/** @param minutes null takes the student's own estimate away */
public record EffortForm(
        @Nullable @Min(value = 1, message = "At least 1 minute.") @Max(value = 6000, message = "At most 6000 minutes.")
        Integer minutes) {}
