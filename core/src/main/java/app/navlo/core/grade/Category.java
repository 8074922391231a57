package app.navlo.core.grade;

import app.navlo.core.check.Check;
import app.navlo.core.exact.Rational;
import app.navlo.core.id.CategoryId;

/**
 * A category of a weighted course.
 *
 * @param weight at least 0; weights needn't add up to 100
 * @param dropLowest how many items are dropped so that the highest percent is left
 * @param dropHighest how many of the highest percent are dropped before that
 * @param extra an extra-credit category: adds weight × percent on top, and nothing to the weights
 */
public record Category(
        CategoryId id, String name, Rational weight, By by, int dropLowest, int dropHighest, boolean extra) {
    public Category {
        new Check()
                .that(!id.text().isBlank(), "id", "is empty")
                .notNegative(weight, "weight")
                .notNegative(dropLowest, "dropLowest")
                .notNegative(dropHighest, "dropHighest")
                .orThrow();
    }
}
