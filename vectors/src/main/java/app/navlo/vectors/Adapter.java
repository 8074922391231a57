package app.navlo.vectors;

import tools.jackson.databind.JsonNode;

/** Puts the {@code given} of one case to the core. */
interface Adapter {
    /** The core's answer, in maps, lists, strings and numbers as {@code expect} has them. */
    Object answer(JsonNode given);

    /** Whether the core's answer is as good as the one expected; most cases ask for the same, field by field. */
    default boolean agrees(JsonNode given, JsonNode expected, JsonNode got) {
        return expected.equals(got);
    }
}
