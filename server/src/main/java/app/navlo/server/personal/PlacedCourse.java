package app.navlo.server.personal;

import jakarta.validation.constraints.NotBlank;

public record PlacedCourse(
        long id, @NotBlank(message = "Choose a colour.") String colour) {}
