package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.HashMap;
import java.util.Map;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Over the whole demo: figures that mean the same are the same, wherever they stand. */
public class OneTruthTest extends DemoServer {
    private static final double NOTHING = 1e-4;

    private static String grade(long course) {
        return STUDENT + "/courses/" + course + "/grade";
    }

    private static double expected(JsonNode grade) {
        return grade.get("readings")
                .valueStream()
                .filter(one -> one.get("reading").asString().equals("EXPECTED"))
                .findFirst()
                .orElseThrow()
                .get("figure")
                .asDouble();
    }

    private static double ifScored(TestClient mira, long course, JsonNode item, String points) {
        String change =
                "{\"changes\":[{\"work\":%s,\"points\":\"%s\",\"excused\":null,\"handedIn\":null}],\"added\":[]}"
                        .formatted(item.get("work").asString(), points);
        TestClient.Answer answer = mira.post(grade(course) + "/what-if", change);
        assertEquals(answer.status(), 200, answer.body());
        return expected(answer.json());
    }

    /** Typing what is expected changes nothing; typing 0 costs what the piece says that a zero costs. */
    @Test
    public void aTypedForecastMovesNothingAndAZeroCostsTheImpact() {
        TestClient mira = mira();
        Map<String, JsonNode> works = new HashMap<>();
        JsonNode board = board(mira);
        board.get("works").forEach(work -> works.put(work.get("id").asString(), work));
        int tried = 0;
        for (JsonNode course : board.get("courses")) {
            long id = course.get("id").asLong();
            if (course.at("/standing/kind").asString().equals("COMPLETION")) {
                continue;
            }
            JsonNode grade = mira.get(grade(id)).json();
            double before = expected(grade);
            for (JsonNode item : grade.get("items")) {
                if (!item.get("score").isNull() || !item.get("counts").asBoolean()) {
                    continue;
                }
                JsonNode work = works.get(item.get("work").asString());
                String shown = new BigDecimal(item.get("expected").asString())
                        .setScale(1, RoundingMode.HALF_UP)
                        .toPlainString();
                assertEquals(ifScored(mira, id, item, shown), before, NOTHING, work + " at " + shown);
                double zero = before - ifScored(mira, id, item, "0");
                assertEquals(zero, work.get("impact").asDouble(), NOTHING, work.toString());
                tried++;
            }
        }
        assertTrue(tried >= 50, tried + " pieces of work were tried");
    }

    /** The gains of the moves add up, course by course, to what the headline says that the plan keeps. */
    @Test
    public void theGainsAddUpToTheHeadline() {
        TestClient mira = mira();
        JsonNode next = mira.get(STUDENT + "/next").json();
        JsonNode board = board(mira);
        Map<Long, Double> gained = new HashMap<>();
        for (JsonNode move : next.get("moves")) {
            long course = board.get("works")
                    .valueStream()
                    .filter(work -> work.get("id").equals(move.get("work")))
                    .findFirst()
                    .orElseThrow()
                    .get("courseId")
                    .asLong();
            gained.merge(course, move.get("gain").asDouble(), Double::sum);
        }
        double kept = 0;
        int inMean = 0;
        for (JsonNode stake : next.get("stakes")) {
            double sum = gained.getOrDefault(stake.get("course").asLong(), 0.0);
            assertEquals(sum, stake.get("kept").asDouble(), 0.1, "each gain is rounded: " + stake);
            assertEquals(
                    stake.get("planned").asDouble() - stake.get("none").asDouble(),
                    stake.get("kept").asDouble(),
                    0.011,
                    stake.toString());
            assertTrue(stake.get("planned").asDouble() <= stake.get("all").asDouble() + 0.011, stake.toString());
            if (stake.get("inMean").asBoolean()) {
                kept += stake.get("kept").asDouble();
                inMean++;
            }
        }
        assertEquals(next.at("/mean/kept").asDouble(), kept / inMean, 0.02);
    }

    /** A piece of work that is shut for good is expected to bring nothing, and is in no ceiling and no target. */
    @Test
    public void whatIsShutForGoodIsPromisedNowhere() {
        TestClient mira = mira();
        JsonNode report = work(mira, "Survey report");
        assertTrue(report.get("shutForGood").asBoolean());
        assertEquals(report.get("move").asString(), "OUT_OF_REACH");
        JsonNode worth = mira.get(path(report)).json().get("worth");
        assertEquals(worth.at("/shutBy/0").asString(), "Botanical plate 4: a level and its parts");
        assertTrue(worth.get("safeBy").isNull(), worth.toString());
        assertEquals(worth.get("expectedPoints").asString(), "0");
        JsonNode item = mira.get(grade(report.get("courseId").asLong()))
                .json()
                .get("items")
                .valueStream()
                .filter(one ->
                        one.get("work").asString().equals(report.get("id").asString()))
                .findFirst()
                .orElseThrow();
        assertTrue(!item.get("open").asBoolean(), item.toString());
        JsonNode left = mira.get(STUDENT + "/next")
                .json()
                .get("left")
                .valueStream()
                .filter(one -> one.get("work").equals(report.get("id")))
                .findFirst()
                .orElseThrow();
        assertEquals(left.get("because").asString(), "SHUT_FOR_GOOD");
        assertTrue(left.get("cost").asDouble() > 10, left.toString());
        JsonNode chain = mira.get(STUDENT + "/pace")
                .json()
                .valueStream()
                .flatMap(pace -> pace.get("chains").valueStream())
                .filter(one -> one.get("to").equals(report.get("id")))
                .findFirst()
                .orElseThrow();
        assertEquals(chain.get("shutBy").size(), 1, chain.toString());
    }
}
