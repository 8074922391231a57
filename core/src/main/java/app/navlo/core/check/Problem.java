package app.navlo.core.check;

import java.util.Objects;

/**
 * One thing that is wrong with an input.
 *
 * @param field path of the field, as in {@code categories[2].weight}
 * @param rule what it must be, and what was given, in words for the person at the screen
 */
public record Problem(String field, String rule) {
    public Problem {
        Objects.requireNonNull(field, "field");
        Objects.requireNonNull(rule, "rule");
    }

    @Override
    public String toString() {
        return field + " " + rule;
    }
}
