package app.navlo.vectors;

import app.navlo.core.close.CheckIt;
import app.navlo.core.close.GradedReturn;
import app.navlo.core.close.SafeBy;
import app.navlo.core.close.Turnaround;
import app.navlo.core.id.CourseId;
import app.navlo.core.time.SchoolCalendar;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import tools.jackson.databind.JsonNode;

/** {@code turnaround.json}: how long grading takes, on which day it falls, until when a hand-in is safe. */
final class TurnaroundCases implements Adapter {
    @Override
    public Object answer(JsonNode given) {
        Instant now = Json.instant(given.get("now"));
        SchoolCalendar calendar = Json.weekdays(given);
        Turnaround turnaround = Turnaround.of(
                new CourseId(given.get("course").asString()),
                Json.list(
                        given.get("returns"),
                        node -> new GradedReturn(
                                new CourseId(node.get("course").asString()),
                                Json.instant(node.get("handedIn")),
                                Json.instant(node.get("returned")))),
                calendar,
                now);
        SafeBy safeBy = SafeBy.of(turnaround, Json.instant(given.get("close")), calendar, null, now);
        return Json.map(
                "source",
                turnaround.source().name().toLowerCase(Locale.ROOT),
                "n",
                turnaround.used(),
                "medianMinutes",
                GatesCases.minutes(turnaround.median()),
                "p90Minutes",
                GatesCases.minutes(turnaround.p90()),
                "gradingDay",
                turnaround.gradingDay(),
                "safeBy",
                safeBy.at(),
                "safeByRule",
                Json.words(safeBy.rule()),
                "safeByPassed",
                safeBy.passed(),
                "check",
                checks(given, turnaround, calendar, now));
    }

    private static List<Map<String, Object>> checks(
            JsonNode given, Turnaround turnaround, SchoolCalendar calendar, Instant now) {
        List<Map<String, Object>> checks = new ArrayList<>();
        for (JsonNode node : given.get("turnedIn")) {
            List<CheckIt> reasons = CheckIt.reasons(
                    Json.instant(node.get("handedIn")),
                    node.get("flaggedMissing").asBoolean(),
                    turnaround,
                    calendar,
                    now);
            if (!reasons.isEmpty()) {
                checks.add(Json.map(
                        "work",
                        node.get("work").asString(),
                        "reasons",
                        reasons.stream().map(Json::words).toList()));
            }
        }
        return checks;
    }
}
