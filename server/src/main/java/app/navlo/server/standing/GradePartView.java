package app.navlo.server.standing;

import app.navlo.core.grade.By;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * @param name empty for a course that has neither categories nor standards
 * @param weight share of 100 of the weights that count; null where it has none
 * @param by null for a standard
 * @param earned of the items kept: points, or by mean the sum of percents
 * @param possible of the items kept: points, or by mean their count
 * @param only whether dropping other items would leave less
 */
public record GradePartView(
        String id,
        String name,
        @Nullable String figure,
        @Nullable String weight,
        @Nullable By by,
        String earned,
        String possible,
        boolean only,
        List<GradeTermView> terms) {}
