package app.navlo.server.standing;

import app.navlo.server.sheet.Figures;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import org.jspecify.annotations.Nullable;

/** @param on the one piece of work that is to carry it; null for all that is open */
public record TargetForm(
        @Valid @NotNull WhatIfForm whatIf,

        @NotNull(message = "Say what is to be reached.")
        @Pattern(regexp = Figures.PATTERN, message = Figures.WRITE_IT_SO)
        String target,

        @Nullable Long on) {}
