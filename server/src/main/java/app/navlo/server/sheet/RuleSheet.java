package app.navlo.server.sheet;

import app.navlo.core.check.Check;
import app.navlo.core.close.GradingPeriods;
import app.navlo.core.course.CourseRules;
import app.navlo.core.grade.Reading;
import app.navlo.core.id.CourseId;
import app.navlo.core.time.SchoolCalendar;
import app.navlo.formats.told.SourceSnapshot;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.NotNull;
import java.time.Duration;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Everything that a course sets, as it is written down, stored and sent.
 *
 * @param soonHours the span before a due in which work is "due soon"
 * @param ordered whether each piece of work waits for the one before
 * @param paceCap pieces ahead beyond which going further isn't wanted
 * @param printed the reading that the school prints; null where nobody has said, and then {@code SO_FAR}
 */
public record RuleSheet(
        @Max(value = 2_000, message = "At most 2,000 hours.")
        int soonHours,

        @NotNull @Valid LateSheet late,
        @NotNull @Valid LeewaySheet leeway,
        @NotNull @Valid GradeSheet grade,
        boolean ordered,
        @Max(value = 1_000, message = "At most 1,000.") int paceCap,
        @Nullable Reading printed) {
    private static final int SOON = 48;
    private static final int CAP = 6;

    /** What holds until somebody writes the rules down. */
    public static final RuleSheet UNKNOWN =
            new RuleSheet(SOON, LateSheet.UNKNOWN, LeewaySheet.NONE, GradeSheet.POINTS, false, CAP, null);

    public RuleSheet late(LateSheet other) {
        return new RuleSheet(soonHours, other, leeway, grade, ordered, paceCap, printed);
    }

    /** The same with a grade that is made so, and nothing more known of it. */
    public RuleSheet graded(GradeSheet.Kind kind) {
        return new RuleSheet(soonHours, late, leeway, grade.made(kind), ordered, paceCap, printed);
    }

    /** The same with a grade of these categories, each with its weight. */
    public RuleSheet weighted(List<SourceSnapshot.Category> categories) {
        return new RuleSheet(soonHours, late, leeway, grade.weighted(categories), ordered, paceCap, printed);
    }

    /** What another course can have of it: all but what names this one's work. */
    public RuleSheet copied() {
        return new RuleSheet(soonHours, late, leeway, grade.copied(), ordered, paceCap, printed);
    }

    /** @throws app.navlo.core.check.IllegalInput naming every field that doesn't fit, by its path in this sheet */
    public CourseRules rules(CourseId course, SchoolCalendar calendar, GradingPeriods periods) {
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
