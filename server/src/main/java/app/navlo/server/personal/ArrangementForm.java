package app.navlo.server.personal;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import java.util.List;

/** Courses in their new order; every one of them once. */
public record ArrangementForm(@NotEmpty List<@Valid PlacedCourse> courses) {}
