package app.navlo.vectors;

import app.navlo.core.close.GradingPeriods;
import app.navlo.core.course.CourseBook;
import app.navlo.core.course.CourseRules;
import app.navlo.core.course.CourseWork;
import app.navlo.core.exact.Rational;
import app.navlo.core.grade.By;
import app.navlo.core.grade.Category;
import app.navlo.core.grade.CompletionScheme;
import app.navlo.core.grade.ExpectedScore;
import app.navlo.core.grade.Grade;
import app.navlo.core.grade.PointsScheme;
import app.navlo.core.grade.Reading;
import app.navlo.core.grade.Readings;
import app.navlo.core.grade.Scheme;
import app.navlo.core.grade.Threshold;
import app.navlo.core.grade.WeightedScheme;
import app.navlo.core.id.CategoryId;
import app.navlo.core.id.CourseId;
import app.navlo.core.policy.KeptScore;
import app.navlo.core.policy.RedoRule;
import app.navlo.core.time.Deadline;
import app.navlo.core.work.Actor;
import app.navlo.core.work.Fact;
import app.navlo.core.work.Flag;
import app.navlo.core.work.HandInContent;
import app.navlo.core.work.Stamp;
import app.navlo.core.work.WorkItem;
import app.navlo.core.work.WorkKind;
import app.navlo.core.work.WorkState;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/** {@code grades.json}: a course's readings from its work, by way of facts; completion; the expected score. */
final class GradesCases implements Adapter {
    private static final List<Reading> ASKED =
            List.of(Reading.SO_FAR, Reading.WITH_ZEROS, Reading.WORK_AHEAD, Reading.CEILING, Reading.FLOOR);

    @Override
    public Object answer(JsonNode given) {
        return switch (given.get("question").asString()) {
            case "readings" -> readings(given);
            case "completion" -> completion(given);
            case "expectedPercent" ->
                Json.map(
                        "percent",
                        ExpectedScore.percent(
                                        Json.orNull(given, "own", Json::exact),
                                        Json.list(given.get("categoryPercents"), Json::exact),
                                        Json.list(given.get("coursePercents"), Json::exact))
                                .toString());
            default -> throw new IllegalArgumentException("no such question: " + given.get("question"));
        };
    }

    static Scheme scheme(JsonNode given) {
        return given.get("scheme").asString().equals("points")
                ? new PointsScheme()
                : new WeightedScheme(Json.list(given.get("categories"), GradesCases::category));
    }

    private static Category category(JsonNode node) {
        return new Category(
                new CategoryId(node.get("id").asString()),
                node.get("id").asString(),
                Json.exact(node.get("weight")),
                Json.constant(By.class, node.get("by")),
                node.get("dropLowest").asInt(),
                node.get("dropHighest").asInt(),
                node.get("extra").asBoolean());
    }

    private static Map<String, Object> readings(JsonNode given) {
        Instant now = Json.instant(given.get("now"));
        Scheme scheme = scheme(given);
        CourseRules rules = new CourseRules(
                new CourseId("course"),
                Json.calendar(given.get("calendar")),
                WorkState.DEFAULT_SOON,
                Json.policy(given.get("policy")),
                null,
                null,
                scheme,
                StandardsCases.table(given),
                GradingPeriods.NONE,
                false,
                0);
        Instant close = Json.orNull(given, "gradingClose", Json::instant);
        List<CourseWork> works = Json.list(given.get("items"), node -> work(node, close, now));
        Readings readings = CourseBook.of(rules, works, List.of(), now).readings();
        Map<String, Object> answer = new LinkedHashMap<>();
        for (Reading reading : ASKED) {
            answer.put(Json.camel(reading), reading(readings.of(reading), scheme instanceof WeightedScheme));
        }
        return Json.map("readings", answer);
    }

    private static CourseWork work(JsonNode node, @Nullable Instant close, Instant now) {
        JsonNode redo = node.get("redo");
        boolean allowedRedo = !redo.isNull() && redo.get("due").isNull();
        WorkItem item = new WorkItem(
                Json.work(node, "id"),
                "",
                node.get("practice").asBoolean() ? WorkKind.PRACTICE : WorkKind.ASSIGNMENT,
                node.get("required").asBoolean(),
                node.get("expectsHandIn").asBoolean(),
                new WorkItem.Marking(
                        Json.exact(node.get("possible")), allowedRedo ? Rational.HUNDRED : null, KeptScore.HIGHEST),
                new WorkItem.Schedule(null, Json.orNull(node, "due", Json::deadline), closesAt(node), null, close),
                null,
                null,
                allowedRedo ? new RedoRule(Json.orNull(redo, "until", Json::instant), false) : null);
        return new CourseWork(
                item,
                new CourseWork.Place(
                        null,
                        CategoryId.orNull(Json.text(node, "category")),
                        List.of(),
                        node.get("extra").asBoolean()),
                List.of(),
                node.get("policy").isNull() ? null : Json.policy(node.get("policy")),
                null,
                0,
                facts(node, now));
    }

    private static @Nullable Deadline closesAt(JsonNode node) {
        return node.get("closesAt").isString()
                ? Deadline.at(Json.instant(node.get("closesAt")))
                : Json.orNull(node, "closesAt", Json::deadline);
    }

    private static List<Fact> facts(JsonNode node, Instant now) {
        List<Fact> facts = new ArrayList<>();
        if (!Json.isNull(node, "handedIn")) {
            facts.add(new Fact.HandedIn(stamp(Json.instant(node.get("handedIn")), 0), 1, HandInContent.DONE));
        }
        JsonNode score = node.get("score");
        if (!score.isNull()) {
            facts.add(new Fact.Scored(
                    stamp(now, 1),
                    1,
                    Json.exact(score.get("raw")),
                    score.get("final").asBoolean(),
                    score.get("posted").asBoolean()));
        }
        if (!node.get("redo").isNull() && !node.get("redo").get("due").isNull()) {
            facts.add(new Fact.Returned(
                    stamp(now, 2),
                    new Fact.RedoAsked(Json.deadline(node.get("redo").get("due")))));
        }
        if (node.get("excused").asBoolean()) {
            facts.add(new Fact.Excused(stamp(now, 3), true));
        }
        if (!Json.isNull(node, "flag")) {
            facts.add(new Fact.Flagged(stamp(now, 4), Json.constant(Flag.class, node.get("flag"))));
        }
        return facts;
    }

    private static Stamp stamp(Instant at, long order) {
        return new Stamp(at, at, order, Actor.TEACHER, "", "case");
    }

    private static Map<String, Object> reading(Readings.Answer answer, boolean weighted) {
        Grade grade = answer.grade();
        Map<String, Object> map = Json.map(
                "percent", Json.exact(grade.figure()),
                "counted", grade.counted(),
                "letter", answer.letter());
        if (weighted) {
            Map<String, Object> categories = new LinkedHashMap<>();
            Set<String> dropped = new HashSet<>();
            grade.parts().forEach(part -> {
                categories.put(part.id().text(), Json.exact(part.figure()));
                dropped.addAll(Json.texts(part.dropped()));
            });
            map.put("categories", categories);
            map.put("dropped", dropped);
            map.put("onlyDrop", grade.parts().stream().allMatch(Grade.Part::only));
        }
        return map;
    }

    private static Map<String, Object> completion(JsonNode given) {
        CompletionScheme scheme = new CompletionScheme(Json.list(
                given.get("thresholds"), node -> new Threshold(Json.work(node, "item"), Json.exact(node.get("from")))));
        CompletionScheme.Path path = scheme.path(Json.list(
                given.get("items"),
                node -> new CompletionScheme.Item(
                        Json.work(node, "id"),
                        node.get("required").asBoolean(),
                        node.get("done").asBoolean(),
                        Json.exact(node.get("possible")),
                        Json.orNull(node, "earned", Json::exact))));
        return Json.map(
                "complete",
                path.complete(),
                "undone",
                Json.texts(path.undone()),
                "below",
                path.below().stream()
                        .map(below -> Json.map(
                                "item", below.work().text(),
                                "percent", Json.exact(below.percent()),
                                "from", below.from().toString()))
                        .toList());
    }

    @Override
    public boolean agrees(JsonNode given, JsonNode expected, JsonNode got) {
        String question = given.get("question").asString();
        if (question.equals("readings")) {
            return ASKED.stream()
                    .map(Json::camel)
                    .allMatch(name -> sameReading(
                            expected.get("readings").get(name),
                            got.get("readings").get(name)));
        }
        return question.equals("completion")
                ? expected.get("complete").equals(got.get("complete"))
                        && Json.sameSet(expected.get("undone"), got.get("undone"))
                        && Set.copyOf(Json.list(expected.get("below"), below -> below))
                                .equals(Set.copyOf(Json.list(got.get("below"), below -> below)))
                : expected.equals(got);
    }

    private static boolean sameReading(JsonNode expected, JsonNode got) {
        boolean same = List.of("percent", "counted", "letter", "categories").stream()
                .filter(expected::has)
                .allMatch(field -> expected.get(field).equals(got.get(field)));
        return same && (!expected.has("dropped") || DropsCases.sameDrops(expected, got));
    }
}
