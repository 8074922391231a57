package app.navlo.server.standing;

import app.navlo.server.problem.OneLine;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;

public record ScenarioForm(
        @NotBlank(message = "Give it a name.") @Size(max = 80, message = "At most 80 letters.") @OneLine
        String name,

        @NotNull @Valid WhatIfForm whatIf) {}
