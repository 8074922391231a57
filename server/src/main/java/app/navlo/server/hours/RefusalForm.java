package app.navlo.server.hours;

import app.navlo.core.work.WorkKind;
import jakarta.validation.constraints.NotNull;

public record RefusalForm(
        @NotNull(message = "Say which course.") Long course,
        @NotNull(message = "Say which kind of work.") WorkKind kind,
        boolean refused) {}
