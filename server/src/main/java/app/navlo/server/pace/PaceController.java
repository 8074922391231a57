package app.navlo.server.pace;

import app.navlo.core.pace.Standing;
import app.navlo.server.account.Person;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

@RestController
public class PaceController {
    private final PaceService pace;

    PaceController(PaceService pace) {
        this.pace = pace;
    }

    /**
     * One course over its term. Counts are of required work; what is out of reach is counted apart.
     *
     * @param words where it stands, in a sentence
     * @param close after which nothing counts; null where no term says
     * @param closes of all grading periods of the term
     * @param neededADay pieces for each school day left; null where something is left and no day is
     * @param neededMinutes of effort for each school day left; null likewise
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

    public record DayOffView(LocalDate first, LocalDate last, String name) {}

    /** @param done null for days to come */
    public record PacePoint(
            LocalDate day, int due, @Nullable Integer done) {}

    /**
     * @param unit null for work that is in none
     * @param meanPercent of its scored required work; null while there is none
     * @param started null while nothing of it is begun
     */
    public record UnitPaceView(
            @Nullable String unit,
            boolean complete,
            int done,
            int left,
            int outOfReach,
            @Nullable String meanPercent,
            @Nullable Instant started) {}

    /**
     * @param to the work at its end, with the due that matters
     * @param possible whether its first link can still be begun in time, and nothing shuts it for good
     * @param shutBy work that the teacher would have to open again; empty unless it is shut for good
     */
    public record ChainView(long to, boolean possible, List<Long> shutBy, List<LinkView> links) {}

    /**
     * @param unlocks how many pieces wait for it, directly or not
     * @param startBy the latest instant to begin it, so that the end is in time
     * @param handInBy the latest instant to hand it in
     * @param graded whether the next opens only when a person has graded it
     */
    public record LinkView(long work, int unlocks, Instant startBy, Instant handInBy, boolean graded) {}

    @GetMapping("/api/students/{student}/pace")
    public List<CoursePaceView> pace(@PathVariable long student, @AuthenticationPrincipal Person reader) {
        return pace.of(student, reader);
    }
}
