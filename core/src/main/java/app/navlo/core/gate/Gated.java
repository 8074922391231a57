package app.navlo.core.gate;

import app.navlo.core.exact.Rational;
import app.navlo.core.id.WorkId;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A piece of work as the gates see it.
 *
 * @param unit null for none
 * @param project projects neither wait nor are waited for in an ordered course
 * @param done turned in, returned or excused
 * @param bestPercent of its final, posted scores; null while there are none
 */
public record Gated(
        WorkId id,
        @Nullable String unit,
        boolean required,
        boolean project,
        boolean done,
        boolean excused,
        @Nullable Rational bestPercent,
        List<Gate> gates) {
    public Gated {
        gates = List.copyOf(gates);
    }
}
