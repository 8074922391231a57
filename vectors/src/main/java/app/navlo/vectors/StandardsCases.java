package app.navlo.vectors;

import app.navlo.core.exact.Rational;
import app.navlo.core.grade.Grade;
import app.navlo.core.grade.GradeTable;
import app.navlo.core.grade.Standard;
import app.navlo.core.grade.StandardMethod;
import app.navlo.core.grade.StandardsScheme;
import app.navlo.core.grade.Valued;
import app.navlo.core.id.StandardId;
import app.navlo.core.id.WorkId;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** {@code standards.json}: ratings from evidence. */
final class StandardsCases implements Adapter {
    @Override
    public Object answer(JsonNode given) {
        StandardsScheme scheme = new StandardsScheme(
                Json.list(
                        given.get("standards"),
                        node -> new Standard(
                                new StandardId(node.get("id").asString()),
                                "",
                                Json.constant(StandardMethod.class, node.get("method")))),
                Json.orNull(given, "noneBelow", Json::exact));
        GradeTable table = table(given);
        List<Valued> evidence = new ArrayList<>();
        List<Valued> missing = new ArrayList<>();
        for (JsonNode standard : given.get("standards")) {
            String id = standard.get("id").asString();
            standard.get("evidence")
                    .forEach(node ->
                            evidence.add(valued(id, Json.instant(node.get("at")), Json.exact(node.get("rating")))));
            standard.get("missing")
                    .forEach(node ->
                            missing.add(valued(id, Objects.requireNonNull(Json.due(node, "due")), Rational.ZERO)));
        }
        List<Valued> withZeros = new ArrayList<>(evidence);
        withZeros.addAll(missing);
        return Json.map(
                "readings",
                Json.map(
                        "soFar", reading(scheme.grade(evidence), table),
                        "withZeros", reading(scheme.grade(withZeros), table)));
    }

    static GradeTable table(JsonNode given) {
        return new GradeTable(
                Json.list(
                        given.get("table"),
                        node -> new GradeTable.Row(node.get("label").asString(), Json.exact(node.get("from")))),
                Json.orNull(given, "rounding", node -> node.get("decimals").asInt()));
    }

    private static Valued valued(String standard, Instant at, Rational rating) {
        return new Valued(
                new WorkId(standard + " at " + at),
                null,
                List.of(new StandardId(standard)),
                StandardsScheme.HIGHEST_RATING,
                false,
                rating,
                at);
    }

    private static Map<String, Object> reading(Grade grade, GradeTable table) {
        Map<String, Object> standards = new LinkedHashMap<>();
        grade.parts().forEach(part -> standards.put(part.id().text(), Json.exact(part.figure())));
        Map<String, Object> answer = Json.map(
                "standards", standards,
                "course", Json.exact(grade.figure()),
                "letter", table.letter(grade.figure()));
        answer.put("belowLine", grade.belowLine().stream().map(StandardId::text).toList());
        return answer;
    }

    @Override
    public boolean agrees(JsonNode given, JsonNode expected, JsonNode got) {
        return given.get("noneBelow").isNull()
                ? expected.equals(withoutLine(got))
                : List.of("soFar", "withZeros").stream()
                        .allMatch(name -> sameReading(
                                expected.get("readings").get(name),
                                got.get("readings").get(name)));
    }

    private static JsonNode withoutLine(JsonNode got) {
        JsonNode copy = got.deepCopy();
        copy.get("readings").forEach(reading -> ((ObjectNode) reading).remove("belowLine"));
        return copy;
    }

    private static boolean sameReading(JsonNode expected, JsonNode got) {
        return List.of("standards", "course", "letter").stream()
                        .allMatch(field -> expected.get(field).equals(got.get(field)))
                && Json.sameSet(expected.get("belowLine"), got.get("belowLine"));
    }
}
