package app.navlo.server.household;

import app.navlo.server.sheet.GradeSheet;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * One student at a glance.
 *
 * @param zone in which this student's days are
 * @param school null where no term says
 * @param term its name; null where no term is known
 * @param missing the four kinds, kept apart, and what else waits
 * @param aboutToBeLost percent of courses, all added, that waiting beyond the next three days costs
 * @param nextLoss the first instant at which waiting costs something; null where none does
 * @param nextDue the first due to come of the student's own work; null where there is none
 * @param close the next grading close; null where none is known to come
 * @param fresh what is new to who reads
 * @param courses in the student's order
 * @param sources schools' systems, in the order in which they came
 * @param own what the reader keeps of the student for themselves
 */
public record HouseholdRow(
        long id,
        String name,
        String zone,
        @Nullable String school,
        @Nullable String term,
        MissingView missing,
        String aboutToBeLost,
        @Nullable LossView nextLoss,
        @Nullable LossView nextDue,
        @Nullable CloseView close,
        int fresh,
        List<CourseGlance> courses,
        List<SourceGlance> sources,
        OwnWords own) {
    /** The same row with what changes apart from the student's data. */
    HouseholdRow with(List<SourceGlance> farings, OwnWords words) {
        return new HouseholdRow(
                id,
                name,
                zone,
                school,
                term,
                missing,
                aboutToBeLost,
                nextLoss,
                nextDue,
                close,
                fresh,
                courses,
                farings,
                words);
    }

    /**
     * @param savable not there, and still to be had
     * @param closed not there, and out of reach
     * @param listed there, and flagged missing all the same
     * @param ungradedLong there, and with the teacher longer than is usual
     * @param sentBack back with the student: another file, something lacking, to be done again
     */
    public record MissingView(int savable, int closed, int listed, int ungradedLong, int sentBack) {}

    /** @param title of the work */
    public record LossView(long work, String title, Instant at) {}

    public record CloseView(String name, Instant at) {}

    /**
     * A school's system that tells of the student's work.
     *
     * @param answeredAt when it last answered; null for never
     * @param toldAt when it last told anything new; null for never
     * @param faulty whether it didn't answer when it was last asked
     */
    public record SourceGlance(
            String name,
            @Nullable Instant answeredAt,
            @Nullable Instant toldAt,
            boolean faulty) {}

    /**
     * @param kind how it is graded, for the unit of its figures
     * @param expected the expected figure as the course prints it; null where there is none
     * @param target what the student aims at; null for none
     * @param belowAim whether what is expected falls short of it; false without either
     * @param scoredAt when a teacher last entered a score; null for never
     */
    public record CourseGlance(
            long id,
            String name,
            String colour,
            GradeSheet.Kind kind,
            @Nullable String expected,
            @Nullable String target,
            boolean belowAim,
            @Nullable Instant scoredAt) {}
}
