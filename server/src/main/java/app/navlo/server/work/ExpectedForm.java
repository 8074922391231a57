package app.navlo.server.work;

import app.navlo.server.rules.Figures;
import jakarta.validation.constraints.Pattern;
import org.jspecify.annotations.Nullable;

/** @param percent null takes the student's own figure away */
public record ExpectedForm(
        @Nullable @Pattern(regexp = Figures.PATTERN, message = Figures.WRITE_IT_SO)
        String percent) {}
