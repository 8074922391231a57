package app.navlo.server.pace;

import app.navlo.core.pace.Standing;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * One course over its term. Counts are of required work; what is out of reach is counted apart.
 *
 * @param words where it stands, in a sentence
 * @param close after which nothing counts; null where no term says
 * @param closes of all grading periods of the term
 * @param neededADay pieces for each school day left; null where something is left and no day is
 * @param neededMinutes of effort for each school day left; null likewise
 * @param guessedEfforts pieces that are left and for which an effort is guessed, as nobody has said it
 * @param rateADay over the last ten school days; null while the term has none
 * @param finish at that rate; null where nothing is left, or nothing was done lately
 * @param line due and done by the end of each day on which either changes
 * @param chains what stands in a row behind gates, the most urgent first
 */
public record CoursePaceView(
        long course,
        Standing standing,
        String words,
        int done,
        int left,
        int outOfReach,
        int expected,
        int lead,
        long leadMinutes,
        long schoolDaysLeft,
        @Nullable String neededADay,
        @Nullable Long neededMinutes,
        int guessedEfforts,
        @Nullable String rateADay,
        @Nullable LocalDate finish,
        boolean inTime,
        @Nullable LocalDate firstDone,
        @Nullable LocalDate lastDone,
        @Nullable Instant close,
        List<Instant> closes,
        List<DayOffView> daysOff,
        List<PacePoint> line,
        List<UnitPaceView> units,
        List<ChainView> chains) {}
