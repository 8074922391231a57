package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNotNull;
import static org.testng.Assert.assertTrue;

import app.navlo.server.http.StandIns;
import java.util.UUID;
import java.util.stream.StreamSupport;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.annotation.DirtiesContext;
import org.springframework.test.context.TestPropertySource;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** A calendar that is linked: its rows are put right before anything is written, and stay so when it is asked again. */
@TestPropertySource(properties = {TestSettings.MEMORY, "navlo.feeds.follow-clock=false"})
@DirtiesContext
public class LinkLookTest extends DemoServer {
    private static final JsonMapper JSON = new JsonMapper();
    private static final String LOOKS = STUDENT + "/links/looks";

    @Autowired
    private StandIns standIns;

    private TestClient mira;

    /** A course that isn't here, so that its calendar tells of work that is new. */
    @BeforeClass
    public void removeTheCourse() {
        mira = mira();
        JsonNode survey = StreamSupport.stream(board(mira).get("courses").spliterator(), false)
                .filter(course -> course.get("name").asString().startsWith("Surveying"))
                .findFirst()
                .orElseThrow();
        TestClient.Answer removed = mira.send(
                "DELETE",
                STUDENT + "/courses/" + survey.get("id").asLong(),
                "",
                "Idempotency-Key",
                UUID.randomUUID().toString(),
                "If-Match",
                "\"" + survey.get("version").asLong() + "\"");
        assertEquals(removed.status(), 200, removed.body());
    }

    private JsonNode look(String name) {
        TestClient.Answer look = mira.post(
                LOOKS,
                "{\"kind\":\"CALENDAR\",\"name\":\"" + name + "\",\"address\":\""
                        + standIns.college().address() + "/site/calendar/survey.ics\"}");
        assertEquals(look.status(), 201, look.body());
        return look.json().get("preview");
    }

    private JsonNode again(JsonNode preview, JsonNode choices) {
        TestClient.Answer seen = mira.post(LOOKS + "/" + preview.get("id").asLong() + "/preview", choices.toString());
        assertEquals(seen.status(), 200, seen.body());
        return seen.json();
    }

    private TestClient.Answer apply(JsonNode preview) {
        ObjectNode body = JSON.createObjectNode();
        body.set("choices", preview.get("choices"));
        body.set("fingerprint", preview.get("fingerprint"));
        return mira.post(LOOKS + "/" + preview.get("id").asLong() + "/application", body.toString());
    }

    private static JsonNode row(JsonNode preview, boolean past, int place) {
        return StreamSupport.stream(preview.get("rows").spliterator(), false)
                .filter(row -> row.get("past").asBoolean() == past)
                .skip(place)
                .findFirst()
                .orElseThrow();
    }

    private static ObjectNode edit(JsonNode row) {
        return JSON.createObjectNode().put("key", row.get("key").asString());
    }

    private JsonNode work(String title) {
        return StreamSupport.stream(board(mira).get("works").spliterator(), false)
                .filter(work -> work.get("title").asString().equals(title))
                .findFirst()
                .orElse(null);
    }

    @Test
    public void whatIsPutRightStandsAndTheNextAskingDoesNotTakeItBack() {
        int before = board(mira).get("works").size();
        JsonNode preview = look("Survey calendar");
        assertEquals(preview.get("kind").asString(), "CALENDAR");
        assertEquals(preview.at("/choices/past").asString(), "ON_TIME");
        assertTrue(preview.at("/courses/0/isNew").asBoolean());
        JsonNode ahead = row(preview, false, 0);
        JsonNode left = row(preview, false, 1);
        JsonNode late = row(preview, true, 0);
        JsonNode early = row(preview, true, 1);
        ObjectNode choices = (ObjectNode) preview.get("choices").deepCopy();
        ArrayNode rows = choices.putArray("rows");
        rows.add(edit(ahead)
                .put("title", "Traverse of the east meadow")
                .put("dueDay", "2026-12-09")
                .put("possible", "40"));
        rows.add(edit(left).put("take", false));
        rows.add(edit(late).put("past", "NOT_HANDED_IN"));
        ((ObjectNode) choices.at("/courses/0")).put("name", "Survey");
        JsonNode seen = again(preview, choices);
        assertEquals(row(seen, false, 0).get("title").asString(), "Traverse of the east meadow");
        assertEquals(board(mira).get("works").size(), before, "nothing is written yet");
        TestClient.Answer added = apply(seen);
        assertEquals(added.status(), 201, added.body());
        int wanted = preview.get("rows").size() - 1;
        assertEquals(added.json().get("added").asInt(), wanted);

        String asking = STUDENT + "/links/" + added.json().get("link").asLong() + "/asking?anew=true";
        assertEquals(
                mira.post(asking, "").json().get("news").asString(),
                "1 second record",
                "what the school says otherwise is kept beside it");
        assertEquals(mira.post(asking, "").json().get("news").asString(), "nothing new");
        assertEquals(board(mira).get("works").size(), before + wanted);
        JsonNode corrected = work("Traverse of the east meadow");
        assertNotNull(corrected);
        assertTrue(corrected.get("due").asString().startsWith("2026-12-09"), corrected.toString());
        assertEquals(work(ahead.get("title").asString()), null, "its old title doesn't come back");
        assertEquals(work(left.get("title").asString()), null, "what was left out stays away");
        assertEquals(stage(late), "ASSIGNED");
        assertEquals(stage(early), "TURNED_IN");
    }

    private String stage(JsonNode row) {
        return work(row.get("title").asString()).at("/stage").asString();
    }

    @Test(dependsOnMethods = "whatIsPutRightStandsAndTheNextAskingDoesNotTakeItBack")
    public void whatWouldBringSomethingElseOrIsForgottenIsRefused() {
        JsonNode preview = look("Once more");
        ObjectNode changed = (ObjectNode) preview.deepCopy();
        changed.put("fingerprint", "of something else");
        assertEquals(apply(changed).status(), 412);
        TestClient.Answer gone =
                mira.post(LOOKS + "/99999/preview", preview.get("choices").toString());
        assertEquals(gone.status(), 409);
        assertTrue(gone.body().contains("Ask the school once more"), gone.body());
        assertFalse(mira.get(STUDENT + "/links").body().contains("Once more"));
    }

    @Test(dependsOnMethods = "whatWouldBringSomethingElseOrIsForgottenIsRefused")
    public void addedTwiceByOnePressItIsOneLink() {
        JsonNode preview = look("Pressed twice");
        String path = LOOKS + "/" + preview.get("id").asLong() + "/application";
        ObjectNode body = JSON.createObjectNode();
        body.set("choices", preview.get("choices"));
        body.set("fingerprint", preview.get("fingerprint"));
        String key = UUID.randomUUID().toString();
        TestClient.Answer once = mira.send("POST", path, body.toString(), "Idempotency-Key", key);
        TestClient.Answer twice = mira.send("POST", path, body.toString(), "Idempotency-Key", key);
        assertEquals(once.status(), 201, once.body());
        assertEquals(twice.json().get("link").asLong(), once.json().get("link").asLong());
        long many = StreamSupport.stream(
                        mira.get(STUDENT + "/links").json().get("links").spliterator(), false)
                .filter(link -> link.get("name").asString().equals("Pressed twice"))
                .count();
        assertEquals(many, 1);
    }
}
