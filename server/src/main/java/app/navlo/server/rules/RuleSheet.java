package app.navlo.server.rules;

import app.navlo.core.check.Check;
import app.navlo.core.close.GradingPeriods;
import app.navlo.core.course.CourseRules;
import app.navlo.core.time.SchoolCalendar;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.NotNull;
import java.time.Duration;

/**
 * Everything that a course sets, as it is written down, stored and sent.
 *
 * @param soonHours the span before a due in which work is "due soon"
 * @param ordered whether each piece of work waits for the one before
 * @param paceCap pieces ahead beyond which going further isn't wanted
 */
public record RuleSheet(
        @Max(value = 2_000, message = "At most 2,000 hours.")
        int soonHours,

        @NotNull @Valid LateSheet late,
        @NotNull @Valid LeewaySheet leeway,
        @NotNull @Valid GradeSheet grade,
        boolean ordered,
        @Max(value = 1_000, message = "At most 1,000.") int paceCap) {
    private static final int SOON = 48;
    private static final int CAP = 6;

    /** What holds until somebody writes the rules down. */
    public static final RuleSheet UNKNOWN =
            new RuleSheet(SOON, LateSheet.FREE, LeewaySheet.NONE, GradeSheet.POINTS, false, CAP);

    /** @throws app.navlo.core.check.IllegalInput naming every field that doesn't fit, by its path in this sheet */
    public CourseRules rules(String course, SchoolCalendar calendar, GradingPeriods periods) {
        new Check()
                .notNegative(soonHours, "soonHours")
                .notNegative(paceCap, "paceCap")
                .part("late", late::policy)
                .part(
                        "leeway.extension",
                        () -> leeway.extension() == null
                                ? ""
                                : leeway.extension().rule())
                .part(
                        "leeway.tokens",
                        () -> leeway.tokens() == null ? "" : leeway.tokens().rule())
                .part("grade", grade::scheme)
                .part("grade.letters", grade::table)
                .orThrow();
        return new CourseRules(
                course,
                calendar,
                Duration.ofHours(soonHours),
                late.policy(),
                leeway.extensionRule(),
                leeway.tokenRule(),
                grade.scheme(),
                grade.table(),
                periods,
                ordered,
                paceCap);
    }
}
