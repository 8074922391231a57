package app.navlo.core.grade;

import app.navlo.core.check.Check;
import app.navlo.core.exact.Rational;
import app.navlo.core.id.WorkId;

/**
 * A score that a named piece of work must reach in a course of completion.
 *
 * @param percent 0–100, inclusive
 */
public record Threshold(WorkId work, Rational percent) {
    public Threshold {
        new Check()
                .that(!work.text().isBlank(), "work", "is empty; name a piece of work")
                .percent(percent, "percent")
                .orThrow();
    }
}
