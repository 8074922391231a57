package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.UUID;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** The sheet for a meeting: what came back in its span, and what is agreed by whom. */
public class MeetingTest extends DemoServer {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final String AGREEMENTS = STUDENT + "/agreements";

    private static ObjectNode form(String words, String who, String due) {
        return JSON.createObjectNode()
                .put("words", words)
                .put("who", who)
                .put("due", due)
                .put("kept", false);
    }

    private static TestClient.Answer send(
            TestClient client, String method, String path, ObjectNode body, String number) {
        return client.send(
                method,
                path,
                body == null ? "" : body.toString(),
                "Idempotency-Key",
                UUID.randomUUID().toString(),
                "If-Match",
                number == null ? "1" : number);
    }

    private static JsonNode sheet(TestClient client, String query) {
        return client.get(STUDENT + "/meeting" + query).json();
    }

    private static JsonNode agreement(TestClient client, long id) {
        return sheet(client, "")
                .get("agreements")
                .valueStream()
                .filter(one -> one.get("id").asLong() == id)
                .findFirst()
                .orElse(null);
    }

    @Test
    public void itSaysWhatCameBackInItsSpanAndNothingElse() {
        JsonNode sheet = sheet(mira(), "?since=2026-11-17");
        assertEquals(sheet.get("since").asString(), "2026-11-17");
        assertEquals(sheet.get("until").asString(), "2026-11-24");
        List<JsonNode> returned = sheet.get("returned").valueStream().toList();
        assertFalse(returned.isEmpty());
        assertEquals(
                returned.stream()
                        .map(one -> one.get("work").asLong())
                        .distinct()
                        .count(),
                returned.size(),
                "a piece of work stands once");
        for (JsonNode one : returned) {
            assertTrue(one.get("at").asString().compareTo("2026-11-16T23:00:00Z") >= 0, one.toString());
        }
        long sentBack = work(mira(), "Site section").get("id").asLong();
        assertTrue(
                returned.stream()
                        .anyMatch(one -> one.get("work").asLong() == sentBack
                                && one.get("kind").asString().equals("SENT_BACK")),
                returned.toString());
        assertTrue(sheet(mira(), "?since=2026-09-07").get("returned").size() > returned.size());
    }

    @DataProvider
    public static Object[][] spans() {
        return new Object[][] {{"2026-11-25"}, {"2020-01-01"}, {"soon"}};
    }

    @Test(dataProvider = "spans")
    public void aSpanIsOfTheLastDays(String since) {
        int status = mira().get(STUDENT + "/meeting?since=" + since).status();
        assertTrue(status == 422 || status == 400, "was " + status);
    }

    /** A guardian writes it down, the student keeps it; on the next sheet it stands as kept. */
    @Test
    public void whatAGuardianWritesDownTheStudentKeeps() {
        TestClient.Answer made =
                send(tobias(), "POST", AGREEMENTS, form("Hand in the essay", "Mira", "2026-11-27"), null);
        assertEquals(made.status(), 201, made.body());
        long id = made.json().get("id").asLong();
        JsonNode agreed = agreement(mira(), id);
        assertEquals(agreed.get("words").asString(), "Hand in the essay");
        assertEquals(agreed.get("due").asString(), "2026-11-27");
        assertEquals(agreed.get("madeBy").asString(), "Tobias Solheim");
        assertTrue(agreed.get("keptAt").isNull());

        ObjectNode kept = form("Hand in the essay", "Mira", "2026-11-27").put("kept", true);
        String number = agreed.get("number").asString();
        assertEquals(send(mira(), "PUT", AGREEMENTS + "/" + id, kept, number).status(), 200);
        JsonNode after = agreement(tobias(), id);
        assertFalse(after.get("keptAt").isNull());
        assertEquals(after.get("madeBy").asString(), "Tobias Solheim", "who made it stays");
        assertEquals(
                send(tobias(), "PUT", AGREEMENTS + "/" + id, kept, number).status(), 412, "it was changed elsewhere");
    }

    @Test
    public void whatIsRemovedIsGoneAndCanBeTakenBackByTheStudent() {
        long id = send(mira(), "POST", AGREEMENTS, form("Ask for more time", "Mira", null), null)
                .json()
                .get("id")
                .asLong();
        TestClient.Answer removed = send(tobias(), "DELETE", AGREEMENTS + "/" + id, null, null);
        assertEquals(removed.status(), 200, removed.body());
        assertEquals(agreement(mira(), id), null);
        assertEquals(send(tobias(), "DELETE", AGREEMENTS + "/" + id, null, null).status(), 404);
        String undo = STUDENT + "/changes/" + removed.json().get("change").asLong() + "/undo";
        assertEquals(send(tobias(), "POST", undo, null, null).status(), 403);
        assertEquals(send(mira(), "POST", undo, null, null).status(), 201);
        assertEquals(agreement(mira(), id).get("words").asString(), "Ask for more time");
    }

    @DataProvider
    public static Object[][] faulty() {
        return new Object[][] {
            {form(" ", "Mira", null), "words"},
            {form("x".repeat(301), "Mira", null), "words"},
            {form("Read it", "", null), "who"},
        };
    }

    @Test(dataProvider = "faulty")
    public void whatDoesntFitIsNamed(ObjectNode form, String field) {
        TestClient.Answer answer = send(mira(), "POST", AGREEMENTS, form, null);
        assertEquals(answer.status(), 422, answer.body());
        assertTrue(answer.body().contains("\"" + field + "\""), answer.body());
    }

    @Test
    public void nobodyElseReadsOrWritesIt() {
        assertEquals(anders().get(STUDENT + "/meeting").status(), 403);
        assertEquals(
                send(anders(), "POST", AGREEMENTS, form("Mine", "Anders", null), null)
                        .status(),
                403);
        assertEquals(tobias().get("/api/students/" + ANDERS + "/meeting").status(), 200);
    }
}
