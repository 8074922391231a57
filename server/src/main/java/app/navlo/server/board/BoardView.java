package app.navlo.server.board;

import app.navlo.core.course.Lack;
import app.navlo.core.grade.Reading;
import app.navlo.core.policy.Acceptance;
import app.navlo.core.signal.SignalKind;
import app.navlo.core.work.Flag;
import app.navlo.core.work.Redo;
import app.navlo.core.work.ScoreShown;
import app.navlo.core.work.Stage;
import app.navlo.core.work.Timing;
import app.navlo.core.work.Turn;
import app.navlo.core.work.WorkKind;
import app.navlo.server.sheet.GradeSheet;
import app.navlo.server.store.Work;
import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A student's board as it is sent. Instants are in UTC, with the zone in which days are counted beside them; exact numbers
 * are decimal strings.
 *
 * @param mayWrite whether the reader may change anything: a guardian may not
 * @param signals what asks for the student's attention, the most pressing first
 * @param slow work that is with the teacher for longer than nine in ten are; it asks for nothing
 * @param unknown what isn't known, and wasn't put aside
 * @param nextChange the next instant at, or just after, which the clock alone changes something; null for none
 */
public record BoardView(
        Instant now,
        String zone,
        StudentView student,
        boolean mayWrite,
        long version,
        @Nullable TermView term,
        List<CourseView> courses,
        List<WorkView> works,
        MoveCounts counts,
        List<TideDayView> tide,
        boolean freeHoursAssumed,
        List<SignalView> signals,
        List<Long> slow,
        List<UnknownView> unknown,
        @Nullable Instant nextChange) {

    /** What isn't known, so that something can't be said. */
    public enum Unknown {
        /** No term: its days, its closes. */
        TERM,
        /** No grading close. */
        CLOSE,
        /** What late work costs. */
        LATE_RULE,
        /** What work is worth. */
        POINTS,
        /** When there is time to work. */
        HOURS
    }

    /**
     * @param courses of which it isn't known; empty where it is about none in particular
     * @param of how many courses there are
     */
    public record UnknownView(Unknown what, List<Long> courses, int of) {}

    /**
     * @param words one sentence
     * @param until when it can be dealt with; null for no such end
     * @param stake in course percent; null where nothing can be said
     * @param about other work that it names
     */
    public record SignalView(
            long work,
            SignalKind kind,
            SignalKind.Group group,
            SignalKind.Step step,
            String words,
            Instant since,
            @Nullable Instant until,
            @Nullable String stake,
            List<Long> about) {}

    public record StudentView(long id, String name) {}

    public record TermView(String name, String school, LocalDate firstDay, LocalDate lastDay) {}

    /**
     * @param parts names of the categories or standards that its work is counted by, in their order; empty where it has neither
     * @param lateAssumed whether points of it rest on an assumed late rule: work of it is late, and nobody has said what that costs
     */
    public record CourseView(
            long id,
            long version,
            String name,
            String shortName,
            @Nullable String teacher,
            String colour,
            String zone,
            AimView aim,
            List<String> parts,
            boolean lateAssumed,
            StandingView standing) {}

    /**
     * What the student wants of a course.
     *
     * @param importance of its points beside those of other courses; 1 is as usual
     * @param target in the units of the course's figure; null for none
     */
    public record AimView(String importance, @Nullable String target) {}

    /**
     * Where a course stands, counted in every way.
     *
     * @param letters from the highest boundary down; empty where the course has none
     * @param printed the reading that the school prints
     * @param completion null where the course is graded otherwise
     * @param gradingDay on which its returns fall; null for none
     */
    public record StandingView(
            GradeSheet.Kind kind,
            List<ReadingView> readings,
            Reading printed,
            List<LetterView> letters,
            @Nullable CompletionView completion,
            @Nullable DayOfWeek gradingDay) {}

    /**
     * @param figure percent, or the mean rating 0–4 of a course by standards; null where nothing counts
     * @param letter null below the last row of the table, or where there is no figure
     * @param counted pieces of work that have a value in it, dropped ones too
     * @param belowLine standards under the line that none may be below
     */
    public record ReadingView(
            Reading reading,
            @Nullable String figure,
            @Nullable String letter,
            int counted,
            List<String> belowLine) {}

    public record LetterView(String label, String from) {}

    /** @param below titles of work that isn't at its threshold, with how far off it is */
    public record CompletionView(boolean complete, int required, int done, List<BelowView> below) {}

    /** @param percent null while there is no score */
    public record BelowView(
            long work, String title, @Nullable String percent, String from) {}

    /** How many pieces of work are whose move; the five add up to {@code total}. */
    public record MoveCounts(int total, int yours, int teachers, int settled, int notYet, int outOfReach) {}

    /**
     * A row of the work, its parts side by side in one object.
     *
     * @param byAttempts whether it is sat in attempts, as quizzes and tests are
     * @param notes of the student's own
     */
    public record WorkView(
            long id,
            long version,
            long courseId,
            Work.Origin origin,
            String title,
            WorkKind kind,
            boolean byAttempts,
            @Nullable String unit,
            @Nullable String category,
            boolean required,
            int notes,
            @JsonUnwrapped WorkStandView stand,
            @JsonUnwrapped WorkDatesView dates,
            @JsonUnwrapped WorkWorthView worth,
            @JsonUnwrapped WorkEffortView effort,
            @JsonUnwrapped WorkHandlingView handling) {}

    /**
     * How it stands.
     *
     * @param toComplete whether it was flagged incomplete, and what is lacking may still be handed in
     * @param mayHandIn whether it may be handed in now
     * @param flag of the teacher, shown before the timing; null for none
     * @param flagDiffers whether flag and clock say different things
     * @param lock the gate that shuts it, in one sentence; null for none
     * @param lacks what is the matter with it, for who looks after the student
     * @param shutForGood whether it waits for what can't come any more by the student's own doing
     */
    public record WorkStandView(
            Stage stage,
            Timing timing,
            boolean missing,
            Turn move,
            @Nullable Flag flag,
            boolean flagDiffers,
            boolean toComplete,
            boolean mayHandIn,
            @Nullable Instant handedInAt,
            @Nullable String lock,
            List<Lack> lacks,
            boolean shutForGood) {}

    /**
     * @param due that judges the hand-in, or is awaited; null for none
     * @param dueToCome that judges the next hand-in: of a redo its own; null for none
     * @param dueDay the day that the due closes, where only a day was given; null otherwise
     * @param endsAt of work that happens at a time, its start being the due; null for work that is done when one likes
     * @param next the next instant at which waiting costs something; null for none
     * @param askUntil until when an extension may be asked for or a token used; null if neither may
     */
    public record WorkDatesView(
            @Nullable Instant opensAt,
            @Nullable Instant due,
            @Nullable Instant dueToCome,
            @Nullable LocalDate dueDay,
            @Nullable Instant endsAt,
            @Nullable CostView next,
            @Nullable Instant askUntil) {}

    /**
     * @param impact what a zero there would cost, in the units of the course's figure; null where it has none
     * @param lift what lifting it to what is expected would bring; null where it can't be lifted
     * @param dropped whether it is dropped in the reading so far
     * @param belowPass its kept raw score is under the pass mark
     */
    public record WorkWorthView(
            ScoreView score,
            @Nullable String impact,
            @Nullable String lift,
            boolean dropped,
            boolean belowPass) {}

    /**
     * @param effortMinutes in all; null where nobody has said
     * @param ownEffort whether the effort is the student's own estimate
     * @param effortSaid what was said before the time really spent corrected it; null where nothing did
     * @param minutesSpent really, by the student's own word
     */
    public record WorkEffortView(
            @Nullable Integer effortMinutes,
            boolean ownEffort,
            @Nullable Integer effortSaid,
            int minutesSpent) {}

    /**
     * @param takesDone whether it may be reported as done, with nothing to hand over
     * @param hasPlace whether it is known where it is done
     * @param files of the student: handed in, or lying ready in the draft
     * @param filesGiven that came with it from the teacher
     */
    public record WorkHandlingView(
            FeedbackView feedback,
            @Nullable PartsView parts,
            @Nullable RedoView redo,
            int attemptsUsed,
            @Nullable Integer attemptsAllowed,
            boolean takesDone,
            boolean hasPlace,
            int files,
            int filesGiven) {}

    /**
     * @param limit what ends acceptance then; null where only points are lost
     * @param lost of full marks, by waiting beyond that instant; 0 where nothing but the word "late" is
     */
    public record CostView(Instant at, Acceptance.@Nullable Limit limit, String lost, boolean unknown) {}

    /**
     * @param points kept, after any late penalty; null where none may be shown
     * @param raw before the penalty; null where nothing was taken off
     */
    public record ScoreView(
            ScoreShown.Mark mark,
            @Nullable String points,
            @Nullable String raw,
            String possible) {}

    /**
     * @param latestBy null exactly when {@code count} is 0
     * @param waits whether a word of the student's own waits for an answer
     */
    public record FeedbackView(
            int count, int unread, @Nullable String latestBy, boolean waits) {}

    public record PartsView(int done, int of, int postsLeft, int repliesLeft) {}

    public record RedoView(Redo.Kind kind, @Nullable Instant due, Timing timing) {}

    /**
     * @param openMinutes of work due this day that isn't handed in, and still can be
     * @param lostMinutes of work due this day that is out of reach or was let go
     * @param overMinutes of open work that doesn't fit into what is free
     * @param dayOff what the day is off for; null for any other day
     */
    public record TideDayView(
            LocalDate day,
            long openMinutes,
            long doneMinutes,
            long lostMinutes,
            long freeMinutes,
            long overMinutes,
            List<Long> due,
            List<Long> opens,
            List<CloseView> closes,
            @Nullable String dayOff) {}

    public record CloseView(String name, Instant at) {}
}
