package app.navlo.core.pace;

import app.navlo.core.exact.Rational;
import app.navlo.core.reason.Reason;
import app.navlo.core.time.SchoolCalendar;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * Work done against work needed, over required work unless said.
 *
 * @param outOfReach counted in none of the others
 * @param schoolDaysLeft from today to the local day of the last instant before the close, both counted
 * @param neededPerDay 0 if nothing is left; null if something is and no day is
 * @param neededMinutesPerDay of effort, rounded up; 0 and null likewise
 * @param expected work whose due is past
 * @param overdue what is left of it
 * @param lead done less expected, in pieces; {@code leadMinutes} in minutes of effort
 * @param recentDays the last ten school days up to and including today, fewer if the term is younger
 * @param finish at the recent rate; null if nothing is left or nothing was done lately
 * @param firstDone local day of the first hand-in of any work, optional included; null if there is none
 */
public record Pace(
        int done,
        int left,
        int outOfReach,
        long schoolDaysLeft,
        @Nullable Rational neededPerDay,
        @Nullable Long neededMinutesPerDay,
        int expected,
        int overdue,
        int lead,
        long leadMinutes,
        Standing standing,
        Reason reason,
        int recentDone,
        long recentDays,
        @Nullable Rational ratePerDay,
        @Nullable LocalDate finish,
        boolean inTime,
        @Nullable LocalDate firstDone,
        @Nullable LocalDate lastDone,
        List<UnitPace> units) {
    public static final int DEFAULT_CAP = 6;

    public int required() {
        return done + left;
    }

    /**
     * @param firstDay of the term
     * @param cap pieces ahead beyond which going further isn't wanted
     */
    public static Pace of(
            List<Paced> works, SchoolCalendar calendar, LocalDate firstDay, Instant close, int cap, Instant now) {
        return new PaceCount(works, calendar, firstDay, close, cap, now).pace();
    }

    static Stream<LocalDate> doneDays(List<Paced> works, SchoolCalendar calendar) {
        return works.stream().map(Paced::doneAt).filter(Objects::nonNull).map(calendar::dayOf);
    }
}
