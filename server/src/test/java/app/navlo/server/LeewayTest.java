package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Leeway and pace over HTTP; each test takes back what it did. */
public class LeewayTest extends DemoServer {
    private static JsonNode leeway(TestClient client) {
        TestClient.Answer answer = client.get(STUDENT + "/leeway");
        assertEquals(answer.status(), 200, answer.body());
        return answer.json();
    }

    private static JsonNode of(TestClient client, long work) {
        return leeway(client)
                .get("cases")
                .valueStream()
                .filter(one -> one.get("work").asLong() == work)
                .findFirst()
                .orElseThrow();
    }

    private static void undo(TestClient client, TestClient.Answer change) {
        assertEquals(change.status(), 201, change.body());
        long id = change.json().get("change").asLong();
        assertEquals(undo(client, id).status(), 201);
    }

    private static JsonNode first(TestClient client, String may) {
        return leeway(client)
                .get("cases")
                .valueStream()
                .filter(one -> one.get(may).asBoolean())
                .findFirst()
                .orElseThrow();
    }

    @Test
    public void whatCanBeAskedForStandsByTheTimeThatIsLeftAndLessLeewayNeverKeepsMore() {
        JsonNode leeway = leeway(mira());
        List<String> until = new ArrayList<>();
        int compared = 0;
        for (JsonNode one : leeway.get("cases")) {
            if (one.get("until").isString()) {
                until.add(one.get("until").asString());
            }
            for (JsonNode line : one.get("lines")) {
                double last = Double.MAX_VALUE;
                for (JsonNode step : line.get("steps")) {
                    assertTrue(step.get("score").asDouble() < last, line.toString());
                    last = step.get("score").asDouble();
                    compared++;
                }
            }
        }
        assertEquals(until, until.stream().sorted().toList());
        assertTrue(compared > 20 && until.size() > 5, compared + " steps");
        assertTrue(leeway.get("history").size() >= 3);
    }

    @Test
    public void anExtensionThatATeacherDecidesIsPendingUntilItIsAnswered() {
        TestClient mira = mira();
        JsonNode one = leeway(mira)
                .get("cases")
                .valueStream()
                .filter(each ->
                        each.get("mayAsk").asBoolean() && !each.get("atOnce").asBoolean())
                .findFirst()
                .orElseThrow();
        long id = one.get("work").asLong();
        String path = STUDENT + "/works/" + id + "/leeway/";
        TestClient.Answer early = mira.post(path + "answer", "{\"due\":null}");
        assertEquals(early.status(), 409, "nothing is asked for");
        TestClient.Answer asked = mira.post(path + "asking", "");
        assertEquals(asked.status(), 201, asked.body());
        assertTrue(of(mira, id).get("pending").asBoolean());
        assertFalse(of(mira, id).get("mayAsk").asBoolean(), "once is enough");
        assertEquals(mira.post(path + "asking", "").status(), 409);
        TestClient.Answer before = mira.post(path + "answer", "{\"due\":\"2026-11-01T10:00:00Z\"}");
        assertEquals(before.status(), 422, "a due before the one in force");
        String due = one.get("newDue").asString();
        TestClient.Answer granted = mira.post(path + "answer", "{\"due\":\"" + due + "\"}");
        JsonNode work = board(mira)
                .get("works")
                .valueStream()
                .filter(each -> each.get("id").asLong() == id)
                .findFirst()
                .orElseThrow();
        assertEquals(work.get("due").asString(), due);
        undo(mira, granted);
        undo(mira, asked);
        assertTrue(of(mira, id).get("mayAsk").asBoolean());
    }

    @Test
    public void tokensMoveTheDueAndTheKeyBarsTheRest() {
        TestClient mira = mira();
        JsonNode one = first(mira, "mayUse");
        long id = one.get("work").asLong();
        String path = STUDENT + "/works/" + id + "/leeway/";
        int left = leeway(mira).at("/banks/0/left").asInt();
        TestClient.Answer used = mira.post(path + "tokens", "{\"tokens\":1}");
        assertEquals(used.status(), 201, used.body());
        assertEquals(leeway(mira).at("/banks/0/left").asInt(), left - 1);
        undo(mira, used);
        TestClient.Answer many = mira.post(path + "tokens", "{\"tokens\":19}");
        assertEquals(many.status(), 422, many.body());
        TestClient.Answer opened = mira.post(path + "key", "");
        assertEquals(mira.post(path + "tokens", "{\"tokens\":1}").status(), 409);
        assertEquals(mira.post(path + "key", "").status(), 409, "it is open already");
        undo(mira, opened);
        assertTrue(of(mira, id).get("mayUse").asBoolean());
    }

    @Test
    public void paceCountsEveryRequiredPieceAndItsLinesEndWhereItsCountsDo() {
        TestClient mira = mira();
        JsonNode board = board(mira);
        for (JsonNode pace : mira.get(STUDENT + "/pace").json()) {
            long course = pace.get("course").asLong();
            long required = board.get("works")
                    .valueStream()
                    .filter(work -> work.get("courseId").asLong() == course
                            && work.get("required").asBoolean())
                    .count();
            assertEquals(
                    pace.get("done").asLong()
                            + pace.get("left").asLong()
                            + pace.get("outOfReach").asLong(),
                    required,
                    pace.toString());
            int done = 0;
            int due = -1;
            for (JsonNode point : pace.get("line")) {
                assertTrue(point.get("due").asInt() >= due, "due never falls");
                due = point.get("due").asInt();
                done = point.get("done").isNull() ? done : point.get("done").asInt();
            }
            assertEquals(done, pace.get("done").asInt(), pace.toString());
            for (JsonNode chain : pace.get("chains")) {
                String last = "";
                for (JsonNode link : chain.get("links")) {
                    assertTrue(link.get("startBy").asString().compareTo(last) >= 0, chain.toString());
                    last = link.get("startBy").asString();
                }
            }
        }
    }
}
