package app.navlo.core.gate;

import app.navlo.core.check.Check;
import app.navlo.core.exact.Rational;
import app.navlo.core.id.WorkId;
import java.time.Instant;

/** Something that must be so before a piece of work opens. */
public sealed interface Gate {
    /** Open from this instant on. */
    record Date(Instant at) implements Gate {}

    /** Another piece of work is turned in, returned or excused. */
    record Done(WorkId work) implements Gate {}

    /**
     * Another piece of work has a final, posted score of at least this percent, or is excused.
     *
     * @param atLeast 0–100, inclusive
     */
    record Percent(WorkId work, Rational atLeast) implements Gate {
        public Percent {
            new Check().percent(atLeast, "atLeast").orThrow();
        }
    }

    /** All required work of a unit is done, other than the gated piece itself. */
    record Unit(String unit) implements Gate {}
}
