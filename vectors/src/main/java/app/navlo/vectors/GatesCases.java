package app.navlo.vectors;

import app.navlo.core.exact.Rational;
import app.navlo.core.gate.CourseGates;
import app.navlo.core.gate.Gate;
import app.navlo.core.gate.Gated;
import app.navlo.core.gate.Shut;
import app.navlo.core.id.WorkId;
import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tools.jackson.databind.JsonNode;

/** {@code gates.json}: what shuts each piece of work, or the circle that the gates go round in. */
final class GatesCases implements Adapter {
    @Override
    public Object answer(JsonNode given) {
        List<Gated> works = Json.list(given.get("works"), GatesCases::work);
        boolean ordered = given.get("ordered").asBoolean();
        Optional<List<WorkId>> cycle = CourseGates.cycle(works, ordered);
        if (cycle.isPresent()) {
            return Json.map("cycle", Json.texts(cycle.get()), "works", null);
        }
        CourseGates gates = CourseGates.of(works, ordered);
        Instant now = Json.instant(given.get("now"));
        return Json.map(
                "cycle",
                null,
                "works",
                works.stream()
                        .map(work -> one(work.id(), gates.shutting(work.id(), now)))
                        .toList());
    }

    private static Map<String, Object> one(WorkId id, List<Shut> shut) {
        return Json.map(
                "id",
                id.text(),
                "open",
                shut.isEmpty(),
                "shutBy",
                shut.stream().map(GatesCases::shut).toList());
    }

    private static Gated work(JsonNode node) {
        String stage = node.get("stage").asString();
        Rational possible = Json.exact(node.get("possible"));
        Rational best = Json.list(node.get("attempts"), attempt -> attempt).stream()
                .filter(attempt -> attempt.get("final").asBoolean()
                        && attempt.get("posted").asBoolean())
                .map(attempt -> Json.exact(attempt.get("points")))
                .max(Comparator.naturalOrder())
                .map(points -> points.times(Rational.HUNDRED).dividedBy(possible))
                .orElse(null);
        return new Gated(
                Json.work(node, "id"),
                Json.text(node, "unit"),
                node.get("required").asBoolean(),
                node.get("kind").asString().equals("project"),
                List.of("turned in", "returned", "excused").contains(stage),
                stage.equals("excused"),
                best,
                Json.list(node.get("gates"), GatesCases::gate));
    }

    private static Gate gate(JsonNode node) {
        return switch (node.get("kind").asString()) {
            case "date" -> new Gate.Date(Json.instant(node.get("at")));
            case "done" -> new Gate.Done(Json.work(node, "work"));
            case "percent" -> new Gate.Percent(Json.work(node, "work"), Json.exact(node.get("atLeast")));
            case "unit" -> new Gate.Unit(node.get("unit").asString());
            default -> throw new IllegalArgumentException("no such kind of gate: " + node.get("kind"));
        };
    }

    private static Map<String, Object> shut(Shut shut) {
        if (shut instanceof Shut.UntilDate date) {
            return Json.map("kind", "date", "at", date.at(), "offMinutes", minutes(date.off()));
        }
        if (shut instanceof Shut.NotDone done) {
            return Json.map("kind", "done", "work", done.work().text());
        }
        if (shut instanceof Shut.BelowPercent below) {
            return Json.map(
                    "kind", "percent",
                    "work", below.work().text(),
                    "need", below.need().toString(),
                    "have", Json.exact(below.have()),
                    "off", below.off().toString());
        }
        if (shut instanceof Shut.UnitLeft unit) {
            return Json.map("kind", "unit", "unit", unit.unit(), "left", Json.texts(unit.left()));
        }
        return Json.map(
                "kind", "previous", "work", ((Shut.Previous) shut).work().text());
    }

    /** Exact minutes of a span. */
    static String minutes(Duration span) {
        return Rational.of(span.toNanos(), Duration.ofMinutes(1).toNanos()).toString();
    }
}
