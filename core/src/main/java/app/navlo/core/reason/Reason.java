package app.navlo.core.reason;

import app.navlo.core.exact.Rational;
import java.time.Duration;
import java.time.Instant;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Objects;

/** The rule that decided, and its inputs by name in the order in which they were given. Immutable. */
public record Reason(Rule rule, Map<String, Input> inputs) {
    public Reason {
        Objects.requireNonNull(rule, "rule");
        inputs = inputs.isEmpty() ? Map.of() : Collections.unmodifiableMap(new LinkedHashMap<>(inputs));
    }

    public static Reason of(Rule rule) {
        return new Reason(rule, Map.of());
    }

    public Reason with(String name, Instant at) {
        return plus(name, new Input.At(at));
    }

    public Reason with(String name, long count) {
        return plus(name, new Input.Count(count));
    }

    public Reason with(String name, Rational value) {
        return plus(name, new Input.Exact(value));
    }

    public Reason with(String name, Duration span) {
        return plus(name, new Input.Span(span));
    }

    public Reason with(String name, String word) {
        return plus(name, new Input.Word(word));
    }

    private Reason plus(String name, Input input) {
        Map<String, Input> more = new LinkedHashMap<>(inputs);
        more.put(name, input);
        return new Reason(rule, more);
    }
}
