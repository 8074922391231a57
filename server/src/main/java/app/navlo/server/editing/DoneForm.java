package app.navlo.server.editing;

import jakarta.validation.constraints.NotNull;

public record DoneForm(
        @NotNull(message = "Say when it was handed in.") DoneWhen when) {}
