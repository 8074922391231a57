package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import app.navlo.server.TestClient.Part;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.springframework.test.annotation.DirtiesContext;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** What a student says, reads, spends and records by its own word. */
@DirtiesContext
public class WordTest extends DemoServer {
    private static final byte[] PHOTO = {
        (byte) 0xFF, (byte) 0xD8, (byte) 0xFF, (byte) 0xE0, 0, 16, 'J', 'F', 'I', 'F', 0, 1
    };

    private static JsonNode detail(TestClient client, JsonNode work) {
        return client.get(path(work)).json();
    }

    private static TestClient.Answer elsewhere(
            TestClient client, JsonNode work, List<Part> more, String... dayTimeNote) {
        List<Part> parts = new ArrayList<>(List.of(
                Part.of("day", dayTimeNote[0]), Part.of("time", dayTimeNote[1]), Part.of("note", dayTimeNote[2])));
        parts.addAll(more);
        return client.form(
                path(work) + "/hand-ins/elsewhere",
                parts,
                "If-Match",
                version(work),
                "Idempotency-Key",
                UUID.randomUUID().toString());
    }

    private static long undo(TestClient client, TestClient.Answer done) {
        String change = done.json().get("change").asString();
        return undo(client, Long.parseLong(change)).status();
    }

    @Test
    public void anAnswerStandsUnderWhatItAnswersAndIsUndone() {
        TestClient mira = mira();
        JsonNode work = work(mira, "Soil lab 1");
        long word = detail(mira, work).at("/said/0/id").asLong();
        int theirs = work.at("/feedback/count").asInt();
        TestClient.Answer done =
                mira.postForm(path(work) + "/comments", "{\"text\":\" It is on the back. \",\"answers\":" + word + "}");
        assertEquals(done.status(), 201, done.body());
        JsonNode own = done.json()
                .at("/detail/said")
                .valueStream()
                .filter(said -> said.get("by").asString().equals("STUDENT"))
                .findFirst()
                .orElseThrow();
        assertEquals(own.get("text").asString(), "It is on the back.");
        assertEquals(own.get("answers").asLong(), word);
        assertFalse(own.get("unread").asBoolean());
        assertEquals(done.json().at("/detail/work/feedback/count").asInt(), theirs, "one's own words aren't counted");
        assertEquals(undo(mira, done), 201);
        assertFalse(mira.get(path(work)).body().contains("It is on the back."));
    }

    @Test
    public void filesGoWithAComment() {
        TestClient mira = mira();
        JsonNode work = work(mira, "Soil lab 1");
        Part photo = new Part("files", "back.jpg", PHOTO);
        Part words = new Part("files", "notes.txt", "page two".getBytes(StandardCharsets.UTF_8));
        String key = UUID.randomUUID().toString();
        List<Part> form = TestClient.parts("{\"text\":\"It is on the back.\"}", photo, words);
        TestClient.Answer done = mira.form(path(work) + "/comments", form, "Idempotency-Key", key);
        assertEquals(done.status(), 201, done.body());
        assertEquals(
                mira.form(path(work) + "/comments", form, "Idempotency-Key", key)
                        .status(),
                201,
                "sent once more");
        List<JsonNode> own = detail(mira, work)
                .get("said")
                .valueStream()
                .filter(said -> said.get("by").asString().equals("STUDENT"))
                .toList();
        assertEquals(own.size(), 1);
        assertEquals(own.get(0).get("files").size(), 2);
        assertEquals(own.get(0).at("/files/1/name").asString(), "notes.txt");
        String word = path(work) + "/comments/" + own.get(0).get("id").asLong() + "/files/";
        assertEquals(tobias().get(word + "2").body(), "page two", "a guardian reads it");
        assertEquals(mira.get(word + "3").status(), 404);
        assertEquals(undo(mira, done), 201);
        assertEquals(mira.get(word + "2").status(), 404, "it went with its word");
    }

    @Test
    public void aProgramDoesntGoWithACommentAndNothingIsSaid() {
        TestClient mira = mira();
        JsonNode work = work(mira, "Soil lab 2");
        TestClient.Answer refused = mira.postForm(
                path(work) + "/comments",
                "{\"text\":\"See here.\"}",
                new Part("files", "lab.exe", new byte[] {'M', 'Z', 0, 0}));
        assertEquals(refused.status(), 422, refused.body());
        assertEquals(refused.json().at("/faults/0/field").asString(), "file");
        assertFalse(mira.get(path(work)).body().contains("See here."));
    }

    @Test
    public void marksOnPagesAreTickedOffWhileRedoing() {
        TestClient mira = mira();
        JsonNode work = work(mira, "Planting plan, sheet 1");
        List<JsonNode> marks = marks(mira, work);
        assertTrue(marks.size() > 1, marks.toString());
        String first = path(work) + "/marks/" + marks.get(0).get("id").asLong();
        TestClient.Answer ticked = mira.send("PUT", first, "{\"done\":true}", "Idempotency-Key", "tick");
        assertEquals(ticked.status(), 200, ticked.body());
        assertEquals(done(mira, work), 1);
        assertEquals(
                mira.send("PUT", first, "{\"done\":false}", "Idempotency-Key", "untick")
                        .status(),
                200);
        assertEquals(done(mira, work), 0);
        mira.send("PUT", first, "{\"done\":true}", "Idempotency-Key", "again");
        assertEquals(undo(mira, mira.send("PUT", first, "{\"done\":true}", "Idempotency-Key", "again")), 201);
        assertEquals(done(mira, work), 0, "an undone tick is none");
        long noMark = detail(mira, work(mira, "Soil lab 1")).at("/said/0/id").asLong();
        assertEquals(
                mira.send("PUT", path(work) + "/marks/" + noMark, "{\"done\":true}", "Idempotency-Key", "none")
                        .status(),
                404);
    }

    private static List<JsonNode> marks(TestClient client, JsonNode work) {
        return detail(client, work)
                .get("said")
                .valueStream()
                .filter(said -> said.hasNonNull("mark"))
                .toList();
    }

    private static long done(TestClient client, JsonNode work) {
        return marks(client, work).stream()
                .filter(said -> said.at("/mark/done").asBoolean())
                .count();
    }

    @Test
    public void answersSayHowManyOfTheQuestionsTheyShow() {
        JsonNode shown = detail(mira(), work(mira(), "Key 5")).at("/material/attempts/0/shown");
        assertEquals(shown.get("answers").size(), 3);
        assertEquals(shown.get("questions").asInt(), 15);
        assertEquals(shown.get("worth").asString(), "3");
    }

    @DataProvider
    public static Object[][] badComments() {
        return new Object[][] {
            {"{\"text\":\" \",\"answers\":null}", "text"},
            {"{\"text\":\"Hello\",\"answers\":99999}", "answers"},
            {"{\"text\":\"" + "x".repeat(20_001) + "\",\"answers\":null}", "text"},
        };
    }

    @Test(dataProvider = "badComments")
    public void aCommentThatCannotBeTakenNamesItsField(String body, String field) {
        TestClient mira = mira();
        TestClient.Answer answer = mira.postForm(path(work(mira, "Soil lab 1")) + "/comments", body);
        assertEquals(answer.status(), 422, answer.body());
        assertEquals(answer.json().at("/faults/0/field").asString(), field);
    }

    @Test
    public void timeIsAddedUpAndTakenBack() {
        TestClient mira = mira();
        JsonNode work = work(mira, "Worksheet 8");
        mira.post(path(work) + "/time-spent", "{\"minutes\":25}");
        TestClient.Answer second = mira.post(path(work) + "/time-spent", "{\"minutes\":15}");
        assertEquals(second.json().at("/detail/minutesSpent").asInt(), 40);
        assertEquals(undo(mira, second), 201);
        assertEquals(detail(mira, work).get("minutesSpent").asInt(), 25);
        TestClient.Answer none = mira.post(path(work) + "/time-spent", "{\"minutes\":0}");
        assertEquals(none.json().at("/faults/0/field").asString(), "minutes");
    }

    @Test
    public void postsOfOthersAreReadAndAnsweredByName() {
        TestClient mira = mira();
        JsonNode work = work(mira, "Seed pricing");
        JsonNode thread = detail(mira, work).at("/material/thread");
        assertTrue(thread.at("/0/unread").asBoolean());
        long post = thread.at("/0/id").asLong();
        TestClient.Answer done = mira.post(
                path(work) + "/posts",
                "{\"part\":\"REPLY\",\"text\":\"And the printer?\",\"answers\":" + post + "}",
                "If-Match",
                version(work));
        assertEquals(done.status(), 201, done.body());
        JsonNode after = done.json().at("/detail/material/thread");
        assertEquals(after.get(after.size() - 1).get("answers").asLong(), post);
        assertTrue(after.at("/0/unread").asBoolean(), "it is still to be read");
        String before = version(done.json().at("/detail/work"));
        assertEquals(mira.post(path(work) + "/read-mark", "").status(), 204);
        assertEquals(version(work(mira, "Seed pricing")), before, "having read it is no change of the work");
        detail(mira, work)
                .at("/material/thread")
                .forEach(one -> assertFalse(one.get("unread").asBoolean()));
        TestClient.Answer nowhere = mira.post(
                path(work) + "/posts", "{\"part\":\"REPLY\",\"text\":\"Lost\",\"answers\":424242}", "If-Match", before);
        assertEquals(nowhere.json().at("/faults/0/field").asString(), "answers");
    }

    @Test
    public void workHandedInOnPaperStandsAsOfThenWithItsPhotoAndIsUndone() {
        TestClient mira = mira();
        JsonNode work = work(mira, "Sketchbook check 4");
        assertEquals(work.get("move").asString(), "OUT_OF_REACH");
        TestClient.Answer done = elsewhere(
                mira,
                work,
                List.of(new Part("photos", "../shelf.jpg", PHOTO)),
                "2026-11-20",
                "15:40",
                "On the blue shelf, Maren saw it.");
        assertEquals(done.status(), 201, done.body());
        JsonNode receipt = done.json().get("receipt");
        assertEquals(receipt.get("timing").asString(), "ON_TIME");
        assertEquals(receipt.get("at").asString(), "2026-11-20T14:40:00Z");
        assertEquals(receipt.at("/files/0/name").asString(), "shelf.jpg");
        assertEquals(receipt.get("content").asString(), "DONE");
        assertEquals(done.json().at("/detail/work/move").asString(), "TEACHERS");
        assertEquals(undo(mira, done), 201);
        JsonNode again = detail(mira, work);
        assertEquals(again.at("/work/move").asString(), "OUT_OF_REACH");
        assertEquals(again.at("/draft/files").size(), 0, "a photo is no draft of the work");
    }

    @DataProvider
    public static Object[][] badRecords() {
        return new Object[][] {
            {"2026-11-25", "09:00", "Shelf", "day", "still to come"},
            {"2026-11-20", "16:30", "Shelf", "day", "wasn't open then"},
            {"2026-11-20", "15:40", " ", "note", "where and to whom"},
            {"20 November", "15:40", "Shelf", "day", "can't be read"},
        };
    }

    @Test(dataProvider = "badRecords")
    public void aRecordThatCannotBeTrueIsRefused(String day, String time, String note, String field, String why) {
        TestClient mira = mira();
        JsonNode work = work(mira, "Sketchbook check 4");
        TestClient.Answer answer = elsewhere(mira, work, List.of(), day, time, note);
        assertEquals(answer.status(), 422, answer.body());
        assertEquals(answer.json().at("/faults/0/field").asString(), field);
        assertTrue(answer.fault().contains(why), answer.body());
    }

    @Test
    public void whatWentBackSinceCannotHaveBeenHandedInBefore() {
        TestClient mira = mira();
        JsonNode work = work(mira, "Site section");
        TestClient.Answer answer = elsewhere(mira, work, List.of(), "2026-11-23", "10:00", "In class");
        assertEquals(answer.status(), 422, answer.body());
        assertTrue(answer.fault().contains("sent back"), answer.body());
    }

    @Test
    public void aPhotoThatIsNoneIsRefusedAndNothingIsRecorded() {
        TestClient mira = mira();
        JsonNode work = work(mira, "Sketchbook check 4");
        byte[] page = "<html><script>alert(1)</script>".getBytes(StandardCharsets.UTF_8);
        TestClient.Answer answer =
                elsewhere(mira, work, List.of(new Part("photos", "shelf.jpg", page)), "2026-11-20", "15:40", "Shelf");
        assertEquals(answer.status(), 422, answer.body());
        assertTrue(answer.fault().contains("a web page"), answer.body());
        assertEquals(detail(mira, work).get("handIns").size(), 0);
    }

    @Test
    public void aNoteOnACourseIsWrittenChangedAndRemoved() {
        TestClient mira = mira();
        String key = "Idempotency-Key";
        TestClient.Answer done =
                mira.post(STUDENT + "/courses/1/notes", "{\"tag\":\"kit\",\"body\":\"Wellingtons on Wednesdays.\"}");
        assertEquals(done.status(), 201, done.body());
        JsonNode note = mira.get(STUDENT + "/notes").json().get(0);
        assertEquals(note.get("body").asString(), "Wellingtons on Wednesdays.");
        assertEquals(note.get("course").asLong(), 1);
        assertTrue(note.get("work").isNull());
        String path = STUDENT + "/notes/" + note.get("id").asLong();
        mira.send(
                "PUT",
                path,
                "{\"tag\":null,\"body\":\"Boots.\"}",
                "If-Match",
                note.get("number").toString(),
                key,
                UUID.randomUUID().toString());
        JsonNode changed = mira.get(STUDENT + "/notes").json().get(0);
        assertEquals(changed.get("body").asString(), "Boots.");
        assertEquals(changed.get("course").asLong(), 1);
        mira.send("DELETE", path, "", key, UUID.randomUUID().toString());
        assertFalse(mira.get(STUDENT + "/notes").body().contains("Boots."));
        assertEquals(
                mira.post(STUDENT + "/courses/999/notes", "{\"tag\":null,\"body\":\"x\"}")
                        .status(),
                404);
    }
}
