package app.navlo.server.work;

import app.navlo.server.rules.Figures;
import jakarta.validation.constraints.Pattern;
import org.jspecify.annotations.Nullable;

/** @param percent of its points that preparing for it will bring; null takes the student's own figure away */
public record PreparingForm(
        @Nullable @Pattern(regexp = Figures.PATTERN, message = Figures.WRITE_IT_SO)
        String percent) {}
