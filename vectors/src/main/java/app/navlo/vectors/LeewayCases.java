package app.navlo.vectors;

import app.navlo.core.exact.Rational;
import app.navlo.core.leeway.ExtensionDesk;
import app.navlo.core.leeway.ExtensionRule;
import app.navlo.core.leeway.TokenDesk;
import app.navlo.core.leeway.TokenRule;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/** {@code leeway.json}: asking for an extension, what is kept of one, and using tokens. */
final class LeewayCases implements Adapter {
    @Override
    public Object answer(JsonNode given) {
        return switch (given.get("question").asString()) {
            case "ask" -> ask(given);
            case "keep" -> keep(given);
            case "token" -> token(given);
            default -> throw new IllegalArgumentException("no such question: " + given.get("question"));
        };
    }

    private static Map<String, Object> ask(JsonNode given) {
        ExtensionRule rule = Json.orNull(given, "rule", LeewayCases::rule);
        ExtensionDesk.Answer answer = ExtensionDesk.ask(new ExtensionDesk.Asking(
                rule,
                Json.orNull(given, "due", Json::deadline),
                ZoneId.of(given.get("zone").asString()),
                Json.instant(given.get("now")),
                gradingClose(given),
                given.get("granted").asInt(),
                given.get("pending").asInt(),
                Json.orNull(given, "keyOpenedAt", Json::instant),
                given.get("tokensLeft").asInt()));
        boolean may = answer.may();
        return Json.map(
                "mayAsk",
                may,
                "reasons",
                Json.camel(answer.bars()),
                "askFrom",
                answer.from(),
                "askUntil",
                answer.until(),
                "newDue",
                answer.newDue(),
                "answer",
                rule != null && may ? Json.camel(rule.answered()) : null,
                "tokens",
                rule != null && may ? rule.tokens() : null);
    }

    private static Map<String, Object> keep(JsonNode given) {
        ExtensionRule rule = rule(given.get("rule"));
        Rational byDue = Json.exact(given.get("earnedByDue"));
        Rational after = Json.exact(given.get("earnedAfterDue"));
        Rational kept = rule.keep(byDue, after);
        Instant newDue = rule.dueAfter(
                1, Json.deadline(given.get("due")), ZoneId.of(given.get("zone").asString()), gradingClose(given));
        return Json.map(
                "newDue",
                newDue,
                "score",
                kept.toString(),
                "lost",
                byDue.plus(after).minus(kept).toString());
    }

    private static Map<String, Object> token(JsonNode given) {
        JsonNode rule = given.get("tokenRule");
        TokenDesk.Answer answer = TokenDesk.use(new TokenDesk.Using(
                new TokenRule(
                        0,
                        Json.hours(rule.get("spanHours")),
                        rule.get("most").asInt(),
                        Json.hours(rule.get("afterHours"))),
                Json.due(given, "due"),
                Json.instant(given.get("now")),
                gradingClose(given),
                Json.orNull(given, "keyOpenedAt", Json::instant),
                given.get("tokensLeft").asInt(),
                given.get("usedHere").asInt()));
        return Json.map(
                "mayUse", answer.may(),
                "reasons", Json.camel(answer.bars()),
                "useUntil", answer.until(),
                "dueNow", answer.dueNow(),
                "dues", answer.dues());
    }

    private static @Nullable Instant gradingClose(JsonNode given) {
        return Json.orNull(given, "gradingClose", Json::instant);
    }

    private static ExtensionRule rule(JsonNode node) {
        return new ExtensionRule(
                Json.orNull(node, "beforeHours", Json::hours),
                Json.hours(node.get("afterHours")),
                node.get("lengthDays").asInt(),
                node.get("limit").asInt(),
                Json.constant(ExtensionRule.Answered.class, node.get("answered")),
                node.get("tokens").asInt(),
                Json.exact(node.get("penaltyPercent")));
    }
}
