package app.navlo.vectors;

import app.navlo.core.pace.Pace;
import app.navlo.core.pace.Paced;
import app.navlo.core.pace.UnitPace;
import app.navlo.core.work.Stage;
import app.navlo.core.work.Turn;
import java.time.LocalDate;
import java.util.Map;
import tools.jackson.databind.JsonNode;

/** {@code pace.json}: done against needed, over a course and its units. */
final class PaceCases implements Adapter {
    @Override
    public Object answer(JsonNode given) {
        Pace pace = Pace.of(
                Json.list(given.get("works"), PaceCases::work),
                Json.weekdays(given),
                LocalDate.parse(given.get("firstDay").asString()),
                Json.instant(given.get("close")),
                given.get("cap").asInt(),
                Json.instant(given.get("now")));
        Map<String, Object> answer = Json.map(
                "required", pace.required(),
                "done", pace.done(),
                "left", pace.left(),
                "outOfReach", pace.outOfReach(),
                "schoolDaysLeft", pace.schoolDaysLeft(),
                "neededPerDay", Json.exact(pace.neededPerDay()),
                "expected", pace.expected(),
                "lead", pace.lead(),
                "leadMinutes", pace.leadMinutes(),
                "overdue", pace.overdue(),
                "standing", Json.words(pace.standing()),
                "recentDone", pace.recentDone(),
                "recentDays", pace.recentDays(),
                "ratePerDay", Json.exact(pace.ratePerDay()),
                "finish", pace.finish(),
                "inTime", pace.inTime(),
                "firstDone", pace.firstDone(),
                "lastDone", pace.lastDone());
        answer.put("units", pace.units().stream().map(PaceCases::unit).toList());
        return answer;
    }

    private static Paced work(JsonNode node) {
        String move = node.get("move").asString();
        return new Paced(
                Json.work(node, "id"),
                Json.text(node, "unit"),
                node.get("required").asBoolean(),
                node.get("minutes").asLong(),
                Json.due(node, "due"),
                Json.constant(Stage.class, node.get("stage")),
                move.equals("teacher's") ? Turn.TEACHERS : Json.constant(Turn.class, node.get("move")),
                Json.orNull(node, "startedAt", Json::instant),
                Json.orNull(node, "doneAt", Json::instant),
                Json.orNull(node, "points", Json::exact),
                Json.exact(node.get("possible")));
    }

    private static Map<String, Object> unit(UnitPace unit) {
        return Json.map(
                "unit", unit.unit(),
                "complete", unit.complete(),
                "done", unit.done(),
                "left", unit.left(),
                "outOfReach", unit.outOfReach(),
                "meanPercent", Json.exact(unit.meanPercent()),
                "started", unit.started());
    }
}
