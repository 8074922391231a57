package app.navlo.server.course;

import app.navlo.server.sheet.RuleSheet;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;

/**
 * Rules that aren't saved, and a piece of work to try them on.
 *
 * @param possible points of the example
 * @param earned points of the example
 * @param hoursLate how long after its due it is handed in
 */
public record TrialForm(
        @NotNull @Valid RuleSheet rules,

        @Min(value = 0, message = "At least 0.") @Max(value = 10_000, message = "At most 10,000.")
        int possible,

        @Min(value = 0, message = "At least 0.") @Max(value = 10_000, message = "At most 10,000.")
        int earned,

        @Min(value = 0, message = "At least 0.") @Max(value = 5_000, message = "At most 5,000.")
        int hoursLate) {}
