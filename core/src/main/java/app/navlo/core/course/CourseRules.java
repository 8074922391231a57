package app.navlo.core.course;

import app.navlo.core.check.Check;
import app.navlo.core.close.GradingPeriods;
import app.navlo.core.grade.GradeTable;
import app.navlo.core.grade.Scheme;
import app.navlo.core.id.CourseId;
import app.navlo.core.leeway.ExtensionRule;
import app.navlo.core.leeway.TokenRule;
import app.navlo.core.policy.LatePolicy;
import app.navlo.core.time.SchoolCalendar;
import java.time.Duration;
import org.jspecify.annotations.Nullable;

/**
 * Everything that a course sets.
 *
 * @param soon the span before its due in which work is due soon
 * @param extension null where the course gives none
 * @param tokens null where the course has none
 * @param ordered whether each piece of work waits for the one before
 * @param paceCap pieces ahead beyond which going further isn't wanted
 */
public record CourseRules(
        CourseId course,
        SchoolCalendar calendar,
        Duration soon,
        LatePolicy late,
        @Nullable ExtensionRule extension,
        @Nullable TokenRule tokens,
        Scheme scheme,
        GradeTable table,
        GradingPeriods periods,
        boolean ordered,
        int paceCap) {
    public CourseRules {
        new Check()
                .notNegative(soon, "soon")
                .notNegative(paceCap, "paceCap")
                .that(
                        extension == null || extension.tokens() == 0 || tokens != null,
                        "extension.tokens",
                        "cost tokens, but the course has no bank of them; give it one or let extensions be free")
                .orThrow();
    }
}
