package app.navlo.vectors;

import app.navlo.core.grade.By;
import app.navlo.core.grade.Drops;
import app.navlo.core.grade.Valued;
import tools.jackson.databind.JsonNode;

/** {@code drops.json}: one category, what is dropped and what is left. */
final class DropsCases implements Adapter {
    @Override
    public Object answer(JsonNode given) {
        Drops drops = Drops.choose(
                Json.constant(By.class, given.get("by")),
                given.get("dropLowest").asInt(),
                given.get("dropHighest").asInt(),
                Json.list(
                        given.get("items"),
                        node -> Valued.of(
                                Json.work(node, "id"),
                                null,
                                Json.exact(node.get("possible")),
                                node.get("extra").asBoolean(),
                                Json.exact(node.get("earned")))));
        return Json.map(
                "percent",
                Json.exact(drops.percent()),
                "dropped",
                Json.texts(drops.dropped()),
                "onlyDrop",
                drops.only());
    }

    @Override
    public boolean agrees(JsonNode given, JsonNode expected, JsonNode got) {
        return expected.get("percent").equals(got.get("percent")) && sameDrops(expected, got);
    }

    /** The same ids, or where others would do as well, as many. */
    static boolean sameDrops(JsonNode expected, JsonNode got) {
        JsonNode wanted = expected.get("dropped");
        return expected.get("onlyDrop").equals(got.get("onlyDrop"))
                && (expected.get("onlyDrop").asBoolean()
                        ? Json.sameSet(wanted, got.get("dropped"))
                        : wanted.size() == got.get("dropped").size());
    }
}
