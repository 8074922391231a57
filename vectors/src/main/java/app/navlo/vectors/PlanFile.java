package app.navlo.vectors;

import app.navlo.core.plan.Plan.Chosen;
import app.navlo.core.plan.PlanProblem;
import app.navlo.core.plan.PlanProblem.Bonus;
import app.navlo.core.plan.PlanProblem.Job;
import app.navlo.core.plan.PlanProblem.Mode;
import app.navlo.core.plan.PlanProblem.Slot;
import app.navlo.core.plan.PlanProblem.Step;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import tools.jackson.databind.JsonNode;

/**
 * A plan problem as a file has it: one object an instance, whose jobs name each other by id.
 *
 * @param places of the jobs, by id
 */
record PlanFile(String id, PlanProblem problem, Map<String, Integer> places) {
    /** @throws app.navlo.core.check.IllegalInput if the problem can't be one */
    static PlanFile read(JsonNode node) {
        Map<String, Integer> places = new HashMap<>();
        node.get("jobs").forEach(job -> places.put(job.get("id").asString(), places.size()));
        PlanProblem problem = new PlanProblem(
                Json.list(
                        node.get("slots"),
                        slot -> new Slot(slot.get(0).asLong(), slot.get(1).asLong())),
                List.of(node.path("tokens").asInt(0)),
                Json.list(node.get("jobs"), job -> job(job, places)),
                Json.list(
                        node.path("bonuses"),
                        bonus -> new Bonus(
                                named(bonus.get("jobs"), places),
                                bonus.get("need").asLong(),
                                bonus.get("bonus").asLong())));
        return new PlanFile(node.get("id").asString(), problem, places);
    }

    private static Job job(JsonNode job, Map<String, Integer> places) {
        return new Job(
                job.get("id").asString(),
                job.get("effort").asLong(),
                job.path("release").asLong(0),
                named(job.path("after"), places),
                job.path("lag").asLong(0),
                Json.list(
                        job.get("modes"),
                        mode -> new Mode(
                                0,
                                mode.path("tokens").asInt(0),
                                Json.list(
                                        mode.get("steps"),
                                        step -> new Step(
                                                step.get("by").asLong(),
                                                step.get("value").asLong())))));
    }

    private static List<Integer> named(JsonNode ids, Map<String, Integer> places) {
        return Json.list(ids, id -> places.get(id.asString()));
    }

    /** An order as a file has it. */
    List<Chosen> order(JsonNode plan) {
        return Json.list(
                plan,
                one -> new Chosen(
                        Objects.requireNonNull(places.get(one.get("job").asString())),
                        one.path("mode").asInt(0)));
    }
}
