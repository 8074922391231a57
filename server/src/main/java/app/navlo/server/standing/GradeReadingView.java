package app.navlo.server.standing;

import app.navlo.core.grade.Reading;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** @param belowLine standards under the line that none may be below */
public record GradeReadingView(
        Reading reading,
        @Nullable String figure,
        @Nullable String letter,
        int counted,
        List<String> belowLine,
        List<GradePartView> parts) {}
