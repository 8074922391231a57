package app.navlo.vectors;

import app.navlo.core.policy.Acceptance;
import app.navlo.core.policy.KeptScore;
import app.navlo.core.policy.RedoRule;
import app.navlo.core.time.Deadline;
import app.navlo.core.work.Actor;
import app.navlo.core.work.Fact;
import app.navlo.core.work.Flag;
import app.navlo.core.work.GateState;
import app.navlo.core.work.HandInContent;
import app.navlo.core.work.Redo;
import app.navlo.core.work.Shown;
import app.navlo.core.work.Stamp;
import app.navlo.core.work.Turn;
import app.navlo.core.work.WorkItem;
import app.navlo.core.work.WorkKind;
import app.navlo.core.work.WorkState;
import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/** {@code states.json}: facts of one piece of work in, its state out. */
final class StatesCases implements Adapter {
    @Override
    public Object answer(JsonNode given) {
        JsonNode work = given.get("work");
        WorkState state = WorkState.of(
                item(work),
                Json.list(given.get("facts"), StatesCases::fact),
                work.get("gateShut").asBoolean() ? GateState.SHUT : GateState.OPEN,
                Duration.ofHours(given.get("course").get("soonHours").asLong()),
                Json.instant(given.get("now")));
        return answer(state);
    }

    private static WorkItem item(JsonNode work) {
        return new WorkItem(
                Json.work(work, "id"),
                work.get("title").asString(),
                Json.constant(WorkKind.class, work.get("kind")),
                work.get("required").asBoolean(),
                work.get("expectsHandIn").asBoolean(),
                new WorkItem.Marking(
                        Json.exact(work.get("possible")),
                        Json.orNull(work, "passPercent", Json::exact),
                        Json.constant(KeptScore.class, work.get("kept"))),
                new WorkItem.Schedule(
                        Json.orNull(work, "opensAt", Json::instant),
                        Json.orNull(work, "due", Json::deadline),
                        Json.orNull(work, "closesAt", Json::deadline),
                        Json.orNull(work, "cutoffHours", Json::hours),
                        Json.orNull(work, "gradingClose", Json::instant)),
                Json.orNull(work, "attemptsAllowed", JsonNode::asInt),
                Json.orNull(work, "parts", StatesCases::parts),
                Json.orNull(work, "redo", StatesCases::redoRule));
    }

    private static WorkItem.Parts parts(JsonNode node) {
        return new WorkItem.Parts(node.get("posts").asInt(), node.get("replies").asInt());
    }

    private static RedoRule redoRule(JsonNode node) {
        return new RedoRule(
                Json.orNull(node, "until", Json::instant),
                node.get("needsReopen").asBoolean());
    }

    private static Fact fact(JsonNode node) {
        Instant at = Json.instant(node.get("at"));
        Stamp stamp = new Stamp(at, at, 0, Json.constant(Actor.class, node.get("by")), "", "case");
        return switch (node.get("kind").asString()) {
            case "draftStarted" -> new Fact.DraftStarted(stamp);
            case "attemptBegun" -> new Fact.AttemptBegun(stamp, attempt(node));
            case "handedIn" ->
                new Fact.HandedIn(stamp, attempt(node), Json.constant(HandInContent.class, node.get("content")));
            case "attemptFinished" -> new Fact.HandedIn(stamp, attempt(node), HandInContent.ATTEMPT);
            case "posted" -> new Fact.Posted(stamp, Json.constant(Fact.Posted.Part.class, node.get("part")));
            case "withdrawn" -> new Fact.Withdrawn(stamp);
            case "sentBack" ->
                new Fact.SentBack(stamp, node.get("reason").asString(), Json.orNull(node, "newDue", Json::deadline));
            case "returned" -> new Fact.Returned(stamp, Json.orNull(node, "redo", StatesCases::redoAsked));
            case "scored" ->
                new Fact.Scored(
                        stamp,
                        attempt(node),
                        Json.exact(node.get("points")),
                        node.get("final").asBoolean(),
                        node.get("posted").asBoolean());
            case "excused" -> new Fact.Excused(stamp, node.get("value").asBoolean());
            case "flagged" -> new Fact.Flagged(stamp, Json.constant(Flag.class, node.get("flag")));
            case "extensionAsked" -> new Fact.ExtensionAsked(stamp);
            case "extensionDeclined" -> new Fact.ExtensionDeclined(stamp);
            case "extensionGranted" -> new Fact.ExtensionGranted(stamp, Json.deadline(node.get("due")));
            case "tokenUsed" -> new Fact.TokenUsed(stamp, Json.hours(node.get("hours")));
            case "reopened" -> new Fact.Reopened(stamp);
            case "comment" ->
                new Fact.Commented(
                        stamp,
                        "",
                        node.get("private").asBoolean(),
                        node.get("place").asString().equals("file"));
            case "rubricMarked" -> new Fact.RubricMarked(stamp);
            case "answerKeyOpened" -> new Fact.KeyOpened(stamp);
            case "readMark" -> new Fact.ReadMarked(stamp);
            default -> throw new IllegalArgumentException("no such kind of fact: " + node.get("kind"));
        };
    }

    private static Fact.RedoAsked redoAsked(JsonNode node) {
        @Nullable Deadline due = Json.orNull(node, "due", Json::deadline);
        return new Fact.RedoAsked(due);
    }

    private static int attempt(JsonNode node) {
        return node.get("attempt").asInt();
    }

    private static Map<String, Object> answer(WorkState state) {
        Map<String, Object> answer = new LinkedHashMap<>();
        answer.put("stage", Json.words(state.stage()));
        answer.put("timing", Json.words(state.timing()));
        answer.put("missing", state.missing());
        answer.put("move", state.move() == Turn.TEACHERS ? "teacher's" : Json.words(state.move()));
        answer.put("due", state.due());
        answer.put("acceptance", acceptance(state));
        answer.put("shown", shown(state.shown()));
        answer.put("handedIn", state.handInStands());
        answer.put(
                "parts",
                state.parts() == null
                        ? null
                        : Map.of(
                                "done",
                                state.parts().done(),
                                "of",
                                state.parts().of()));
        answer.put("redo", redo(state.redo()));
        return answer;
    }

    private static Map<String, Object> acceptance(WorkState state) {
        Acceptance acceptance = state.acceptance();
        Map<String, Object> answer = new LinkedHashMap<>();
        answer.put("ends", acceptance.ends());
        answer.put(
                "by",
                acceptance.endedBy() == null
                        ? null
                        : List.of("closesAt", "cutoff", "gradingClose", "redoUntil", "attempts")
                                .get(acceptance.endedBy().ordinal()));
        answer.put("open", state.accepted());
        return answer;
    }

    private static Map<String, Object> shown(Shown shown) {
        Map<String, Object> answer = new LinkedHashMap<>();
        answer.put("first", shown.flag() == null ? Json.words(shown.timing()) : Json.words(shown.flag()));
        answer.put("second", shown.differ() ? Json.words(shown.timing()) : null);
        return answer;
    }

    private static @Nullable Map<String, Object> redo(@Nullable Redo redo) {
        if (redo == null) {
            return null;
        }
        Map<String, Object> answer = new LinkedHashMap<>();
        answer.put("kind", Json.words(redo.kind()));
        answer.put("due", redo.due());
        answer.put("timing", Json.words(redo.timing()));
        return answer;
    }
}
