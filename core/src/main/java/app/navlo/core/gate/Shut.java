package app.navlo.core.gate;

import app.navlo.core.exact.Rational;
import app.navlo.core.id.WorkId;
import app.navlo.core.reason.Reason;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/** A gate that is shut, and how far off it is. */
public sealed interface Shut {
    /** @param title gives the words for a piece of work */
    Reason reason(Function<WorkId, String> title);

    /** The work for which it is shut; empty for a date. */
    List<WorkId> works();

    record UntilDate(Instant at, Duration off) implements Shut {
        @Override
        public List<WorkId> works() {
            return List.of();
        }

        @Override
        public Reason reason(Function<WorkId, String> title) {
            return Reason.of(GateRule.DATE).with("at", at).with("off", off);
        }
    }

    record NotDone(WorkId work) implements Shut {
        @Override
        public List<WorkId> works() {
            return List.of(work);
        }

        @Override
        public Reason reason(Function<WorkId, String> title) {
            return Reason.of(GateRule.DONE).with("work", title.apply(work));
        }
    }

    /**
     * @param have null while there is no score
     * @param off {@code need} − {@code have}, or all of {@code need} without a score
     */
    record BelowPercent(
            WorkId work, Rational need, @Nullable Rational have, Rational off) implements Shut {
        @Override
        public List<WorkId> works() {
            return List.of(work);
        }

        @Override
        public Reason reason(Function<WorkId, String> title) {
            Reason reason = Reason.of(have == null ? GateRule.PERCENT_UNSCORED : GateRule.PERCENT)
                    .with("need", need)
                    .with("work", title.apply(work));
            return have == null ? reason : reason.with("have", have);
        }
    }

    /** @param left required work of the unit that isn't done, in course order */
    record UnitLeft(String unit, List<WorkId> left) implements Shut {
        public UnitLeft {
            left = List.copyOf(left);
        }

        @Override
        public List<WorkId> works() {
            return left;
        }

        @Override
        public Reason reason(Function<WorkId, String> title) {
            return Reason.of(GateRule.UNIT)
                    .with("unit", unit)
                    .with("many", left.size())
                    .with("left", String.join(", ", left.stream().map(title).toList()));
        }
    }

    /** The one before it in an ordered course. */
    record Previous(WorkId work) implements Shut {
        @Override
        public List<WorkId> works() {
            return List.of(work);
        }

        @Override
        public Reason reason(Function<WorkId, String> title) {
            return Reason.of(GateRule.PREVIOUS).with("work", title.apply(work));
        }
    }
}
