package app.navlo.server.editing;

import app.navlo.server.sheet.Figures;
import jakarta.validation.constraints.Pattern;
import org.jspecify.annotations.Nullable;

/** @param percent null takes the student's own figure away */
public record ExpectedForm(
        @Nullable @Pattern(regexp = Figures.PATTERN, message = Figures.WRITE_IT_SO)
        String percent) {}
