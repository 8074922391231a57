package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.stream.Collectors;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** What a student adds for itself, over HTTP: estimates, notes, lenses, the order of courses. All of it is undone. */
public class OwnTest extends DemoServer {
    private static final String TOGETHER = STUDENT + "/works/together";

    private static String form(String deed, JsonNode... works) {
        List<String> ids = new ArrayList<>();
        for (JsonNode work : works) {
            ids.add(Long.toString(work.get("id").asLong()));
        }
        return "{\"works\":[" + String.join(",", ids) + "],\"back\":false,\"remove\":false,\"read\":false," + deed
                + "}";
    }

    private static long changeOf(TestClient.Answer answer) {
        assertTrue(answer.status() == 200 || answer.status() == 201, answer.body());
        return answer.json().get("change").asLong();
    }

    private static TestClient.Answer send(TestClient client, String method, String path, String body) {
        return client.send(
                method, path, body, "Idempotency-Key", UUID.randomUUID().toString());
    }

    private static JsonNode detail(TestClient client, JsonNode work) {
        return client.get(path(work)).json();
    }

    @Test
    public void anEstimateOfOnesOwnHoldsForSeveralAtOnceAndIsUndone() {
        TestClient mira = mira();
        JsonNode first = work(mira, "Soil lab 6");
        JsonNode second = work(mira, "Soil lab 7");
        long change = changeOf(mira.post(TOGETHER, form("\"effort\":{\"minutes\":75}", first, second)));
        assertEquals(work(mira, "Soil lab 6").get("effortMinutes").asInt(), 75);
        assertTrue(work(mira, "Soil lab 7").get("ownEffort").asBoolean());
        assertEquals(undo(mira, change).status(), 201);
        assertEquals(work(mira, "Soil lab 6").get("effortMinutes"), first.get("effortMinutes"));
        assertFalse(work(mira, "Soil lab 7").get("ownEffort").asBoolean());
    }

    @Test
    public void anExpectationOfOnesOwnMovesWhatIsExpectedAndKeepsTheEstimate() {
        TestClient mira = mira();
        JsonNode work = work(mira, "Closing the books");
        changeOf(mira.post(TOGETHER, form("\"effort\":{\"minutes\":200}", work)));
        long change = changeOf(mira.post(TOGETHER, form("\"expected\":{\"percent\":\"62.5\"}", work)));
        JsonNode detail = detail(mira, work);
        assertEquals(detail.get("ownPercent").asString(), "62.5");
        assertEquals(detail.at("/worth/expectedPoints").asString(), "37.5");
        assertEquals(detail.at("/work/effortMinutes").asInt(), 200);
        undo(mira, change);
        assertTrue(detail(mira, work).get("ownPercent").isNull());
        assertEquals(detail(mira, work).at("/work/effortMinutes").asInt(), 200);
    }

    private static TestClient.Answer revise(TestClient client, String path, String number, String body) {
        return client.send(
                "PUT",
                path,
                "{\"tag\":null,\"body\":\"" + body + "\"}",
                "If-Match",
                number,
                "Idempotency-Key",
                UUID.randomUUID().toString());
    }

    @Test
    public void aNoteThatWasSavedElsewhereIsntWrittenOverButShown() {
        TestClient mira = mira();
        JsonNode work = work(mira, "Key 9");
        changeOf(mira.post(TOGETHER, form("\"note\":{\"tag\":null,\"body\":\"Lens.\"}", work)));
        JsonNode note = detail(mira, work).at("/notes/0");
        String path = STUDENT + "/notes/" + note.get("id").asLong();
        String seen = note.get("number").toString();
        changeOf(revise(mira, path, seen, "Lens and tweezers."));
        TestClient.Answer other = revise(mira, path, seen, "Lens and gloves.");
        assertEquals(other.status(), 412, other.body());
        assertEquals(other.json().at("/there/text").asString(), "Lens and tweezers.");
        assertEquals(detail(mira, work).at("/notes/0/body").asString(), "Lens and tweezers.");
        String there = other.json().at("/there/number").toString();
        changeOf(revise(mira, path, there, "Lens and gloves."));
        assertEquals(detail(mira, work).at("/notes/0/body").asString(), "Lens and gloves.");
    }

    @Test
    public void aNoteIsAddedChangedRemovedAndBroughtBack() {
        TestClient mira = mira();
        JsonNode work = work(mira, "Theodolite");
        changeOf(mira.post(TOGETHER, form("\"note\":{\"tag\":\" kit \",\"body\":\"Borrow the tripod.\"}", work)));
        JsonNode note = detail(mira, work).at("/notes/0");
        assertEquals(note.get("tag").asString(), "kit");
        String path = STUDENT + "/notes/" + note.get("id").asLong();
        String number = note.get("number").toString();
        changeOf(revise(mira, path, number, "Borrow the tripod from Jens."));
        assertEquals(detail(mira, work).at("/notes/0/body").asString(), "Borrow the tripod from Jens.");
        long removed = changeOf(send(mira, "DELETE", path, ""));
        assertEquals(detail(mira, work).get("notes").size(), 0);
        assertEquals(revise(mira, path, number, "x").status(), 404);
        undo(mira, removed);
        assertEquals(work(mira, "Theodolite").get("notes").asInt(), 1);
    }

    @Test
    public void markingSeveralAsReadIsOneChangeAndIsUndone() {
        TestClient mira = mira();
        JsonNode first = work(mira, "Soil lab 1");
        JsonNode second = work(mira, "Site survey");
        assertTrue(first.at("/feedback/unread").asInt() > 0
                && second.at("/feedback/unread").asInt() > 0);
        String both = form("\"note\":null", first, second)
                .replace(
                        "\"back\":false,\"remove\":false,\"read\":false",
                        "\"back\":false,\"remove\":false,\"read\":true");
        long change = changeOf(mira.post(TOGETHER, both));
        assertEquals(work(mira, "Site survey").at("/feedback/unread").asInt(), 0);
        assertEquals(work(mira, "Site survey").get("version"), second.get("version"), "it is no change of the work");
        undo(mira, change);
        assertEquals(work(mira, "Soil lab 1").at("/feedback/unread"), first.at("/feedback/unread"));
    }

    @Test
    public void whatCanNotBeDoneIsSaidByFieldAndNothingIsWritten() {
        TestClient mira = mira();
        JsonNode work = work(mira, "Soil lab 8");
        String[][] wrong = {
            {"\"effort\":{\"minutes\":0}", "effort.minutes"},
            {"\"expected\":{\"percent\":\"much\"}", "expected.percent"},
            {"\"note\":{\"tag\":null,\"body\":\"  \"}", "note.body"},
            {"\"note\":null", "works"},
            {"\"effort\":{\"minutes\":9},\"expected\":{\"percent\":\"9\"}", "works"},
        };
        for (String[] one : wrong) {
            TestClient.Answer answer = mira.post(TOGETHER, form(one[0], work));
            assertEquals(answer.status(), 422, one[0]);
            assertEquals(answer.json().at("/faults/0/field").asString(), one[1]);
        }
        assertEquals(mira.post(TOGETHER, form("\"effort\":{\"minutes\":9}")).status(), 422);
        assertEquals(
                mira.post(
                                TOGETHER,
                                "{\"works\":[999999],\"back\":false,\"remove\":false,\"read\":false,\"effort\":{\"minutes\":9}}")
                        .status(),
                404);
        assertEquals(work(mira, "Soil lab 8"), work);
    }

    @Test
    public void aLensIsKeptByItsNameAndNoTwoShareOne() {
        TestClient mira = mira();
        String lens = "{\"name\":\"Late at night\",\"query\":\"by=due&only=short\"}";
        changeOf(mira.post(STUDENT + "/lenses", lens));
        assertEquals(
                mira.post(STUDENT + "/lenses", lens).fault(), "You have a lens of this name already. Give it another.");
        JsonNode kept = mira.get(STUDENT + "/lenses").json().get(0);
        assertEquals(kept.get("query").asString(), "by=due&only=short");
        String path = STUDENT + "/lenses/" + kept.get("id").asLong();
        long removed = changeOf(send(mira, "DELETE", path, ""));
        assertEquals(mira.get(STUDENT + "/lenses").json().size(), 0);
        undo(mira, removed);
        assertEquals(tobias().get(STUDENT + "/lenses").json().size(), 1);
        send(mira, "DELETE", path, "");
    }

    @Test
    public void coursesAreArrangedAllAtOnce() {
        TestClient mira = mira();
        JsonNode before = board(mira).get("courses");
        List<String> placed = new ArrayList<>();
        before.forEach(course -> placed.add(0, "{\"id\":" + course.get("id").asLong() + ",\"colour\":\"brick\"}"));
        String all = placed.stream().collect(Collectors.joining(",", "{\"courses\":[", "]}"));
        long change = changeOf(send(mira, "PUT", STUDENT + "/courses", all));
        JsonNode after = board(mira).get("courses");
        assertEquals(after.get(0).get("id"), before.get(before.size() - 1).get("id"));
        assertEquals(after.get(3).get("colour").asString(), "brick");
        assertEquals(undo(mira, change).status(), 201);
        List<Long> order = new ArrayList<>();
        board(mira).get("courses").forEach(course -> order.add(course.get("id").asLong()));
        List<Long> was = new ArrayList<>();
        before.forEach(course -> was.add(course.get("id").asLong()));
        assertEquals(order, was);
        String few = "{\"courses\":[" + placed.get(0) + "]}";
        assertEquals(send(mira, "PUT", STUDENT + "/courses", few).status(), 412);
        assertEquals(
                send(mira, "PUT", STUDENT + "/courses", all.replace("brick", "beige"))
                        .status(),
                422);
    }
}
