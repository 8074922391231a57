package app.navlo.core.reason;

import app.navlo.core.exact.Rational;
import java.time.Duration;
import java.time.Instant;

/** One thing that a rule looked at. */
public sealed interface Input {
    record At(Instant instant) implements Input {}

    record Count(long value) implements Input {}

    record Exact(Rational value) implements Input {}

    record Span(Duration duration) implements Input {}

    record Word(String text) implements Input {}
}
