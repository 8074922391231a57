package app.navlo.vectors;

import app.navlo.core.exact.Rational;
import app.navlo.core.grade.Target;
import app.navlo.core.grade.Valued;
import app.navlo.core.id.CategoryId;
import java.util.ArrayList;
import java.util.List;
import tools.jackson.databind.JsonNode;

/** {@code target.json}: the least uniform percent that reaches a target. */
final class TargetCases implements Adapter {
    @Override
    public Object answer(JsonNode given) {
        List<String> varying = Json.list(given.get("vary"), JsonNode::asString);
        List<Valued> fixed = new ArrayList<>();
        List<Valued> vary = new ArrayList<>();
        for (JsonNode node : given.get("items")) {
            Rational earned = Json.orNull(node, "earned", Json::exact);
            boolean varies = varying.contains(node.get("id").asString());
            if (varies || earned != null) {
                (varies ? vary : fixed)
                        .add(Valued.of(
                                Json.work(node, "id"),
                                CategoryId.orNull(Json.text(node, "category")),
                                Json.exact(node.get("possible")),
                                node.get("extra").asBoolean(),
                                earned == null || varies ? Rational.ZERO : earned));
            }
        }
        Target.Answer answer = Target.reach(GradesCases.scheme(given), fixed, vary, Json.exact(given.get("target")));
        return Json.map(
                "outOfReach", answer.outOfReach(),
                "percent", Json.exact(answer.percent()),
                "atMost", Json.exact(answer.atMost()));
    }
}
