package app.navlo.core.close;

import app.navlo.core.reason.Reason;
import app.navlo.core.reason.Rule;
import app.navlo.core.time.SchoolCalendar;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.format.TextStyle;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/**
 * The last instant to hand in so that work is graded before the close.
 *
 * @param passed whether it was handed in later than that, or isn't handed in and {@code now} is later
 * @param safe whether it was handed in by then
 */
public record SafeBy(Instant at, By rule, boolean passed, boolean safe, Reason reason) {
    public enum By implements Rule {
        RHYTHM("Graded on {day}s: in by {at}, it is in the last pile before the close of {close}"),
        PERCENTILE("Nine in ten come back within {p90} of school time, and the grading close is {close}");

        private final String template;

        By(String template) {
            this.template = template;
        }

        @Override
        public String template() {
            return template;
        }
    }

    /** How far back a grading day is looked for. Beyond that there is no rhythm left to speak of. */
    private static final int WEEKS = 60;

    /**
     * By rhythm, the start of the last grading day that is over by the close and is no holiday; else by percentile.
     *
     * @param handedIn null for what isn't with the teacher
     */
    public static SafeBy of(
            Turnaround turnaround, Instant close, SchoolCalendar calendar, @Nullable Instant handedIn, Instant now) {
        Instant judged = handedIn == null ? now : handedIn;
        DayOfWeek day = turnaround.gradingDay();
        if (day != null) {
            LocalDate last = lastGradingDay(day, close, calendar);
            Instant at = calendar.startOf(last);
            Reason reason = Reason.of(By.RHYTHM)
                    .with("day", day.getDisplayName(TextStyle.FULL, Locale.ENGLISH))
                    .with("close", close)
                    .with("at", at);
            return new SafeBy(at, By.RHYTHM, judged.isAfter(at), handedIn != null && !handedIn.isAfter(at), reason);
        }
        Instant at = calendar.latestStart(turnaround.p90(), close);
        Reason reason = Reason.of(By.PERCENTILE).with("p90", turnaround.p90()).with("close", close);
        return new SafeBy(at, By.PERCENTILE, judged.isAfter(at), handedIn != null && !handedIn.isAfter(at), reason);
    }

    private static LocalDate lastGradingDay(DayOfWeek weekday, Instant close, SchoolCalendar calendar) {
        LocalDate day = calendar.dayOf(close).minusDays(1);
        for (int i = 0; i < 7 * WEEKS; i++, day = day.minusDays(1)) {
            if (day.getDayOfWeek() == weekday && !calendar.holidays().contains(day)) {
                return day;
            }
        }
        throw new IllegalArgumentException(
                "every " + weekday + " of the " + WEEKS + " weeks before " + close + " is a holiday");
    }
}
