package app.navlo.server.standing;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;

public record WhatIfForm(
        @NotNull @Size(max = 500, message = "At most 500 at once.")
        List<@Valid ChangeForm> changes,

        @NotNull @Size(max = 50, message = "At most 50.") List<@Valid AddedForm> added) {}
