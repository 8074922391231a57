package app.navlo.server.work;

import jakarta.validation.constraints.NotBlank;

public record PlacedCourse(
        long id, @NotBlank(message = "Choose a colour.") String colour) {}
