package app.navlo.vectors;

import app.navlo.core.policy.Attempt;
import app.navlo.core.policy.AttemptRule;
import app.navlo.core.policy.KeptScore;
import app.navlo.core.policy.LatePolicy;
import app.navlo.core.policy.RedoRule;
import app.navlo.core.policy.Window;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.JsonNode;

/** {@code attempts.json}: several attempts, which one counts, and whether a redo may be begun. */
final class AttemptsCases implements Adapter {
    @Override
    public Object answer(JsonNode given) {
        LatePolicy policy = Json.policy(given.get("policy"));
        Window window = LateCases.window(given, policy);
        AttemptRule rule = new AttemptRule(
                Json.orNull(given, "allowed", JsonNode::asInt), Json.constant(KeptScore.class, given.get("kept")));
        List<Attempt> attempts = Json.list(given.get("attempts"), node -> attempt(node, window));
        AttemptRule.Outcome outcome =
                rule.judge(attempts, policy, Json.exact(given.get("possible")), Json.calendar(given.get("calendar")));
        Map<String, Object> answer = Json.map(
                "attempts",
                outcome.attempts().stream().map(AttemptsCases::judged).toList(),
                "kept",
                Json.exact(outcome.kept()),
                "keptAttempt",
                outcome.keptAttempt(),
                "attemptsLeft",
                outcome.left());
        if (!given.get("redo").isNull()) {
            answer.put("redo", redo(given, window, outcome));
        }
        return answer;
    }

    private static Attempt attempt(JsonNode node, Window window) {
        return new Attempt(
                node.get("n").asInt(),
                window,
                Json.instant(node.get("handedIn")),
                Json.orNull(node, "earned", Json::exact),
                Json.orNull(node, "earnedBeforeDue", Json::exact),
                node.get("final").asBoolean(),
                node.get("posted").asBoolean());
    }

    private static Map<String, Object> judged(AttemptRule.Judged judged) {
        Attempt attempt = judged.attempt();
        LatePolicy.Judged penalty = judged.penalty();
        boolean late = attempt.window().due() != null
                && attempt.handedIn() != null
                && attempt.handedIn().isAfter(attempt.window().due());
        return Json.map(
                "n",
                attempt.number(),
                "late",
                late,
                "accepted",
                judged.accepted(),
                "penaltyPercent",
                penalty == null ? null : penalty.penaltyPercent().toString(),
                "counts",
                judged.counts(),
                "score",
                Json.exact(judged.score()));
    }

    private static Map<String, Object> redo(JsonNode given, Window window, AttemptRule.Outcome outcome) {
        JsonNode node = given.get("redo");
        RedoRule rule = new RedoRule(
                Json.orNull(node, "until", Json::instant),
                node.get("needsReopening").asBoolean());
        List<RedoRule.Shut> shut = rule.shutBy(new RedoRule.Asked(
                Json.instant(given.get("now")),
                window.closesAt(),
                window.gradingClose(),
                outcome.left(),
                Json.orNull(node, "onlyBelow", Json::exact),
                outcome.keptRaw(),
                Json.exact(given.get("possible")),
                node.get("reopened").asBoolean()));
        return Json.map("may", shut.isEmpty(), "shutBy", Json.camel(shut));
    }
}
