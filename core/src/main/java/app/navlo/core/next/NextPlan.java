package app.navlo.core.next;

import app.navlo.core.exact.Rational;
import app.navlo.core.id.CourseId;
import app.navlo.core.id.WorkId;
import app.navlo.core.time.Stretch;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * The moves in the order in which they save the most, and what isn't among them.
 *
 * @param left in the order of what leaving them costs, the dearest first
 * @param errands moves beside them that take a minute
 * @param stakes what hangs on the moves, of every course
 * @param withinPercent by how much of the best possible a plan could be better at most; 0 if none could
 * @param prices by how much the wishes lower what the plan keeps in each course, below 0 where they raise it; empty without
 *     wishes
 * @param share that is saved when things take as long as they may
 * @param held this plan as one that holds
 */
public record NextPlan(
        List<Planned> planned,
        List<Left> left,
        List<QuickAction> errands,
        List<Stake> stakes,
        Share share,
        double withinPercent,
        boolean proven,
        List<Price> prices,
        Held held) {
    /** What comes later in the order than this is no news. */
    private static final int TOLD = 8;

    public NextPlan {
        errands = List.copyOf(errands);
        planned = List.copyOf(planned);
        left = List.copyOf(left);
        stakes = List.copyOf(stakes);
        prices = List.copyOf(prices);
    }

    /**
     * What stands otherwise than in a plan that held before: the first that comes earlier beside what is planned still; where
     * there is none, the first that fell out. Empty for nothing near the head, where it would be news.
     */
    public Optional<Turn> turned(Held before) {
        List<WorkId> was = new ArrayList<>(before.planned());
        before.pieces().stream()
                .filter(piece -> !piece.isPlanned())
                .map(Held.Piece::work)
                .forEach(was::add);
        List<WorkId> is = planned.stream().map(Planned::work).toList();
        List<WorkId> stays = was.stream().filter(is::contains).toList();
        List<WorkId> stood = is.stream().filter(was::contains).toList();
        for (int i = 0; i < Math.min(TOLD, stood.size()); i++) {
            if (!stood.get(i).equals(stays.get(i))) {
                return Optional.of(new Turn(Turn.Kind.UP, stood.get(i)));
            }
        }
        return before.planned().stream()
                .filter(work -> left.stream().anyMatch(one -> one.work().equals(work)))
                .findFirst()
                .map(work -> new Turn(Turn.Kind.OUT, work));
    }

    /** @param work the first that stands otherwise */
    public record Turn(Kind kind, WorkId work) {
        public enum Kind {
            /** It comes before what it came after. */
            UP,
            /** It was planned and isn't any more. */
            OUT
        }
    }

    /**
     * Which part of all that is at stake is saved when things take as long as they may, 0 to 1.
     *
     * @param low nine times in ten at least so much
     * @param high one time in ten at least so much
     */
    public record Share(double mean, double low, double high) {}

    /** @param fall in course percent */
    public record Price(CourseId course, Rational fall) {}

    NextPlan with(List<Price> others) {
        return new NextPlan(planned, left, errands, stakes, share, withinPercent, proven, others, held);
    }

    /**
     * Why a move stands where it stands.
     *
     * @param at of the instant that it is in time for; null where nothing is lost later
     * @param loses of the gain by missing it, in course percent
     * @param opens planned work that can't be begun before
     * @param pushedBy work that comes before it though it brings less a minute, in the plan's order
     * @param missed the due, still to come, that it is finished after; null where there is none
     */
    public record Because(
            Kind kind,
            @Nullable Instant at,
            Rational loses,
            List<WorkId> opens,
            List<WorkId> pushedBy,
            @Nullable Instant missed) {
        public enum Kind {
            WISHED,
            /** There is too little free time before its due; it loses what being late costs. */
            NO_TIME_BEFORE_DUE,
            /** It is finished after its due, as other work saves more before; it loses what being late costs. */
            LATE_FOR_OTHERS,
            OPENS_OTHERS,
            BEFORE_A_LOSS,
            /** In time for its due, after which nothing is lost but that it is late. */
            ON_TIME,
            /** In time to be graded before the close. */
            SAFE_BY,
            /** In time for its due; what lateness costs nobody has said, and what it loses is assumed. */
            LATE_UNKNOWN,
            /** Overdue; what that costs nobody has said, and its gain is what an assumed rule leaves. */
            OVERDUE_UNKNOWN,
            /** In time for its due; what it is worth isn't known. */
            WORTH_UNKNOWN,
            FITS_HERE
        }
    }

    /**
     * @param yours false for work that isn't open yet and opens before it is begun
     * @param minutesGuessed whether nobody has said how long it takes
     * @param gain in course percent, as the course's expected reading moves when this is handed in after all before it
     * @param chance with which it brings what is planned of it, since efforts are guesses, 0 to 1
     * @param spare free minutes between its end and the instant that it is in time for; null where nothing is lost later
     * @param sittings when it is worked on
     * @param leeway null where none is needed
     */
    public record Planned(
            WorkId work,
            CourseId course,
            ActionKind deed,
            boolean yours,
            long minutes,
            boolean minutesGuessed,
            Rational gain,
            double chance,
            @Nullable Long spare,
            List<Stretch> sittings,
            @Nullable Leeway leeway,
            Because because) {
        public Planned {
            sittings = List.copyOf(sittings);
        }

        public Instant finish() {
            return sittings.get(sittings.size() - 1).endExclusive();
        }
    }

    public enum LeftBecause {
        /** Nothing that it can still earn. */
        EARNS_NOTHING,
        /** Nobody has said what it is worth, and the time goes into what is known. */
        WORTH_UNKNOWN,
        /** It can't be finished in the free time before its last instant, whatever else is left. */
        CANNOT_BE_DONE,
        /** Other work saves more in the time there is. */
        OTHERS_SAVE_MORE,
        /** What it waits for can't come any more, unless the teacher opens that again. */
        SHUT_FOR_GOOD
    }

    /**
     * @param cost in course percent: what a zero there costs, or what raising it would bring
     * @param shutBy the work that would have to be opened again; empty unless it is shut for good
     */
    public record Left(
            WorkId work,
            CourseId course,
            ActionKind deed,
            long minutes,
            boolean minutesGuessed,
            Rational cost,
            LeftBecause because,
            List<WorkId> shutBy) {
        public Left {
            shutBy = List.copyOf(shutBy);
        }
    }
}
