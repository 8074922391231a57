package app.navlo.core.next;

import app.navlo.core.exact.Rational;
import app.navlo.core.time.Stretch;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The moves in the order in which they save the most, and what isn't among them.
 *
 * @param left in the order of what leaving them costs, the dearest first
 * @param errands moves beside them that take a minute
 * @param value of the plan in hundredths of a course percent, each times its course's importance, with what pass lines,
 *     letters and targets add
 * @param withinPercent by how much of the best possible a plan could be better at most; 0 if none could
 * @param wishesCost what the wishes cost, in the same measure; 0 without any
 */
public record NextPlan(
        List<Planned> planned,
        List<Left> left,
        List<Errand> errands,
        long value,
        double withinPercent,
        boolean proven,
        long wishesCost) {
    public NextPlan {
        errands = List.copyOf(errands);
        planned = List.copyOf(planned);
        left = List.copyOf(left);
    }

    /**
     * Why a move stands where it stands.
     *
     * @param at of the instant that it is in time for; null where nothing is lost later
     * @param loses hundredths of a course percent by missing it
     * @param opens planned work that can't be begun before
     * @param pushedBy work that comes before it though it brings less a minute, in the plan's order
     */
    public record Because(Kind kind, @Nullable Instant at, long loses, List<String> opens, List<String> pushedBy) {
        public enum Kind {
            WISHED,
            OPENS_OTHERS,
            BEFORE_A_LOSS,
            /** In time to be graded before the close. */
            SAFE_BY,
            FITS_HERE
        }
    }

    /**
     * @param yours false for work that isn't open yet and opens before it is begun
     * @param minutesGuessed whether nobody has said how long it takes
     * @param gain in course percent, as the course's expected reading moves when this is handed in after all before it
     * @param sittings when it is worked on
     * @param leeway null where none is needed
     */
    public record Planned(
            String work,
            String course,
            Deed deed,
            boolean yours,
            long minutes,
            boolean minutesGuessed,
            Rational gain,
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
        /** It can't be finished in the free time before its last instant, whatever else is left. */
        CANNOT_BE_DONE,
        /** Other work saves more in the time there is. */
        OTHERS_SAVE_MORE
    }

    /** @param cost in course percent, by the grade engine: what it would add to the plan */
    public record Left(
            String work,
            String course,
            Deed deed,
            long minutes,
            boolean minutesGuessed,
            Rational cost,
            LeftBecause because) {}
}
