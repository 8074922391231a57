package app.navlo.vectors;

import app.navlo.core.policy.Acceptance;
import app.navlo.core.policy.LatePolicy;
import app.navlo.core.policy.Window;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/** {@code late.json}: one hand-in, what it keeps and whether it was taken. */
final class LateCases implements Adapter {
    @Override
    public Object answer(JsonNode given) {
        LatePolicy policy = Json.policy(given.get("policy"));
        Window window = window(given, policy);
        Instant handedIn = Json.instant(given.get("handedIn"));
        List<String> refused = new ArrayList<>(Json.camel(window.refusing(handedIn)));
        Integer allowed = Json.orNull(given, "allowed", JsonNode::asInt);
        if (allowed != null && given.get("used").asInt() >= allowed) {
            refused.add(Json.camel(Acceptance.Limit.ATTEMPTS));
        }
        LatePolicy.Judged judged = policy.judge(
                window.due(),
                handedIn,
                Json.exact(given.get("possible")),
                Json.exact(given.get("earned")),
                Json.orNull(given, "earnedBeforeDue", Json::exact),
                Json.calendar(given.get("calendar")));
        boolean accepted = refused.isEmpty();
        return Json.map(
                "dueAt",
                window.due(),
                "late",
                judged.late(),
                "withinGrace",
                judged.withinGrace(),
                "acceptedUntil",
                window.acceptance().ends(),
                "accepted",
                accepted,
                "refusedBy",
                refused,
                "days",
                accepted ? judged.days() : null,
                "penaltyPercent",
                accepted ? judged.penaltyPercent().toString() : null,
                "score",
                accepted ? judged.score().toString() : null,
                "lost",
                accepted ? judged.lost().toString() : null);
    }

    static Window window(JsonNode given, LatePolicy policy) {
        return new Window(
                Json.due(given, "due"),
                closesAt(given),
                policy.takenFor(),
                Json.orNull(given, "gradingClose", Json::instant));
    }

    private static @Nullable Instant closesAt(JsonNode given) {
        return given.path("closesAt").isString() ? Json.instant(given.get("closesAt")) : Json.due(given, "closesAt");
    }
}
