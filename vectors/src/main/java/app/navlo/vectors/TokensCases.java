package app.navlo.vectors;

import app.navlo.core.exact.Rational;
import app.navlo.core.leeway.TokenBank;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.JsonNode;

/** {@code tokens.json}: the best use of a bank. */
final class TokensCases implements Adapter {
    @Override
    public Object answer(JsonNode given) {
        TokenBank.BestUse best = TokenBank.bestUse(given.get("tokens").asInt(), candidates(given));
        return Json.map(
                "total", best.total().toString(),
                "fewestTokens", best.tokens(),
                "only", best.only(),
                "uses", uses(best));
    }

    private static Map<String, Integer> uses(TokenBank.BestUse best) {
        Map<String, Integer> uses = new LinkedHashMap<>();
        best.uses().forEach((work, tokens) -> uses.put(work.text(), tokens));
        return uses;
    }

    private static List<TokenBank.Candidate> candidates(JsonNode given) {
        return Json.list(
                given.get("candidates"),
                node -> new TokenBank.Candidate(Json.work(node, "id"), Json.list(node.get("values"), Json::exact)));
    }

    /** Where there are several best uses, ours must have the total and the number of tokens that it claims. */
    @Override
    public boolean agrees(JsonNode given, JsonNode expected, JsonNode got) {
        if (expected.get("only").asBoolean()) {
            return expected.equals(got);
        }
        JsonNode uses = got.get("uses");
        Rational total = candidates(given).stream()
                .map(one -> one.values().get(uses.path(one.id().text()).asInt(0)))
                .reduce(Rational.ZERO, Rational::plus);
        int spent = uses.properties().stream()
                .map(Map.Entry::getValue)
                .mapToInt(JsonNode::asInt)
                .sum();
        return !got.get("only").asBoolean()
                && got.get("total").equals(expected.get("total"))
                && got.get("fewestTokens").equals(expected.get("fewestTokens"))
                && total.toString().equals(expected.get("total").asString())
                && spent == expected.get("fewestTokens").asInt();
    }
}
