package app.navlo.server.next;

import app.navlo.core.next.ActionKind;
import app.navlo.core.next.Leeway;
import app.navlo.core.next.NextPlan;
import app.navlo.core.next.NextPlan.Because;
import app.navlo.core.next.NextPlan.LeftBecause;
import app.navlo.core.next.QuickAction;
import app.navlo.server.board.BoardView.CostView;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The plan as it is sent. Points are of a course's hundred, as decimal strings.
 *
 * @param budgetMinutes for today; null for the free hours as they are
 * @param yours how many pieces of work are the student's to move: those planned, left out but not shut, and in class
 * @param inClass work of one's own that is no move here: it is done in class, and nothing is prepared for it
 * @param share which part of all that is at stake is saved when things take as long as they may
 * @param turn what stands otherwise than before, if that is news; null for nothing
 * @param withinPercent by how much of the best possible a plan could be better at most, to a tenth
 * @param stakes what hangs on the moves, course by course
 * @param mean the same for the mean of all courses that have a percent
 * @param prices by how much the wishes lower what the plan keeps, course by course; empty without any
 * @param errands moves beside those that take a minute and no hours
 * @param days on which anything is planned or isn't in time, in order
 * @param free the hours that were planned into, from now on
 */
public record NextView(
        Instant now,
        @Nullable Integer budgetMinutes,
        int yours,
        List<MoveView> moves,
        List<LeftView> left,
        List<Long> inClass,
        OutlookView share,
        String withinPercent,
        boolean proven,
        @Nullable TurnView turn,
        List<StakeView> stakes,
        StakeView mean,
        List<PriceView> prices,
        List<ErrandView> errands,
        List<PlannedDay> days,
        List<SpanView> free) {
    public record SpanView(Instant start, Instant end) {}

    /**
     * The reading <em>expected</em> in percent, ratings 0–4 spread over it; of a course by completion, how much of what it
     * takes is done.
     *
     * @param course null for the mean
     * @param none with none of the moves made
     * @param planned with those of the plan
     * @param all with every one of them at once, as if the hours allowed it
     * @param kept by the plan: {@code planned} less {@code none}
     * @param most that can be kept: {@code all} less {@code none}
     * @param inMean whether it has a part in the mean
     */
    public record StakeView(
            @Nullable Long course, String none, String planned, String all, String kept, String most, boolean inMean) {}

    /**
     * In whole percent.
     *
     * @param low nine times in ten at least so much
     * @param high one time in ten at least so much
     */
    public record OutlookView(int mean, int low, int high) {}

    /** @param work that moved up, or fell out */
    public record TurnView(NextPlan.Turn.Kind kind, long work, Instant at) {}

    /** How sure it is that a move brings what is planned of it, since efforts are guesses. */
    public enum Likely {
        /** At least nine times in ten. */
        VERY_LIKELY,
        /** At least six times in ten. */
        LIKELY,
        AT_RISK
    }

    /** @param fall in course percent; below 0 where the wishes raise it */
    public record PriceView(long course, String fall) {}

    /**
     * @param until when it can be done; null for always
     * @param leeway what is asked for or used; null where nothing is
     */
    public record ErrandView(
            QuickAction.Kind kind,
            long work,
            @Nullable Instant until,
            @Nullable LeewayView leeway) {}

    /**
     * @param plannedMinutes of work in the plan's sittings of this day
     * @param lateMinutes of one's own work due this day that the plan doesn't finish by its due
     */
    public record PlannedDay(LocalDate day, long plannedMinutes, long lateMinutes) {}

    /**
     * @param yours false for what opens before it is begun
     * @param gain of the course's expected reading when it is handed in after the moves before it
     * @param spareMinutes free minutes between its end and the instant that it is in time for; null where nothing is lost later
     * @param next the next instant at which waiting costs something; null for none
     * @param before the work that it was wished before; null for none
     * @param notBefore null where nothing was put off
     * @param nailed the hour at which it is to be done; null where it is free
     */
    public record MoveView(
            long work,
            ActionKind deed,
            boolean yours,
            long minutes,
            boolean minutesGuessed,
            String gain,
            Likely likely,
            @Nullable Long spareMinutes,
            List<SpanView> sittings,
            @Nullable LeewayView leeway,
            WhyHereView because,
            @Nullable CostView next,
            boolean first,
            @Nullable Long before,
            @Nullable Instant notBefore,
            @Nullable Instant nailed) {}

    /**
     * @param until when it can be had; null for no end
     * @param due that it gives; null where the course knows none
     */
    public record LeewayView(
            Leeway.Kind kind,
            int tokens,
            @Nullable Instant until,
            @Nullable Instant due) {}

    /**
     * @param opens work that can't be begun before
     * @param pushedBy work that comes before it though it brings less a minute
     */
    public record WhyHereView(
            Because.Kind kind,
            @Nullable Instant at,
            String loses,
            List<Long> opens,
            List<Long> pushedBy,
            @Nullable Instant missed) {}

    /**
     * @param cost what a zero there costs its course, or what raising it would bring
     * @param shutBy work that the teacher would have to open again; empty unless it is shut for good
     */
    public record LeftView(
            long work,
            ActionKind deed,
            long minutes,
            boolean minutesGuessed,
            String cost,
            LeftBecause because,
            List<Long> shutBy,
            @Nullable CostView next,
            @Nullable Instant notBefore) {}
}
