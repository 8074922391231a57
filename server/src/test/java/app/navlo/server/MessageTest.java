package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.springframework.test.annotation.DirtiesContext;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Messages to teachers, from the draft to the mail-box. */
@DirtiesContext
public class MessageTest extends DemoServer {
    private static JsonNode drafts(TestClient client, String title) {
        return client.get(path(work(client, title)) + "/message").json();
    }

    private static String message(String to, String subject, String body) {
        return "{\"to\":\"%s\",\"subject\":\"%s\",\"body\":\"%s\"}".formatted(to, subject, body);
    }

    @DataProvider
    public static Object[][] facts() {
        return new Object[][] {
            {"Details: two joints", "Listed as missing, handed in", "My receipt is attached"},
            {"Setting out an ellipse", "Flagged late, handed in on time", "(receipt "},
            {"Survey report", "Shut for good", "waits for “Botanical plate 4"},
            {"Soil lab 4", "An answer", "You wrote about “Soil lab 4"},
            {"Levelling: a closed loop", "Two dues", "in College gradebook. Which of them holds?"},
            {"Site section", "Sent back", "I need the section as a PDF"},
            {"Unit test 2", "Open it again", "scored 34 of 60, below the pass mark"},
            {"Colour notes", "Zero with a comment", "scored 0 of 20"},
            {"Level traverse", "Late", "was due at the end of Sun 22 Nov"},
            {"Soil essay, second", "An extension", "it would then be due on"},
            {"Evidence: mapping", "A question", "I have a question about “Evidence: mapping habitats”"},
        };
    }

    @Test(dataProvider = "facts")
    public void theFactsSuggestWhatToSay(String title, String about, String words) {
        JsonNode drafts = drafts(mira(), title).get("drafts");
        assertEquals(drafts.at("/0/about").asString(), about);
        assertTrue(drafts.at("/0/body").asString().contains(words), drafts.toString());
        assertTrue(drafts.at("/0/body").asString().startsWith("Dear "), drafts.toString());
        assertTrue(drafts.at("/0/body").asString().endsWith("Mira Solheim"), drafts.toString());
        assertEquals(drafts.get(drafts.size() - 1).get("about").asString(), "A question");
    }

    @Test
    public void aMessageArrivesAsMailAndIsSentOnceHoweverOftenItIsRetried() throws Exception {
        TestClient mira = mira();
        JsonNode work = work(mira, "Worksheet 7");
        String key = UUID.randomUUID().toString();
        String body = message("halvor.tarn@thornmere.example", "Prøve & <b>", "Kære Halvor,\\n\\nja.");
        for (int i = 0; i < 2; i++) {
            assertEquals(
                    mira.form(path(work) + "/messages", TestClient.parts(body), "Idempotency-Key", key)
                            .status(),
                    201);
        }
        String box = mira.get("/api/session").json().at("/demo/mailBox").asString();
        List<String> arrived = await(mira, box, "Prøve");
        assertEquals(arrived.size(), 1);
        assertTrue(arrived.get(0).contains("to halvor.tarn@thornmere.example"), arrived.get(0));
        assertTrue(arrived.get(0).contains("&lt;b&gt;"), arrived.get(0));
        JsonNode sent = mira.get(STUDENT + "/messages").json().get(0);
        assertEquals(sent.get("sending").asString(), "SENT");
        assertEquals(drafts(mira, "Worksheet 7").get("address").asString(), "halvor.tarn@thornmere.example");
        assertEquals(
                tobias().get(STUDENT + "/messages")
                        .json()
                        .valueStream()
                        .filter(message -> message.get("subject").asString().startsWith("Prøve"))
                        .count(),
                1,
                "a guardian reads it");
    }

    /** The lines of the mail-box with these words, once the message is listed as sent. */
    private static List<String> await(TestClient client, String box, String words) throws Exception {
        long giveUp = System.nanoTime() + 30_000_000_000L;
        while (!client.get(STUDENT + "/messages")
                .json()
                .at("/0/sending")
                .asString()
                .equals("SENT")) {
            assertTrue(System.nanoTime() < giveUp, "it never arrived");
            Thread.onSpinWait();
        }
        String page = HttpClient.newHttpClient()
                .send(HttpRequest.newBuilder(URI.create(box)).build(), HttpResponse.BodyHandlers.ofString())
                .body();
        List<String> found = new ArrayList<>();
        for (String line : page.split("<li>")) {
            if (line.contains(words)) {
                found.add(line);
            }
        }
        return found;
    }

    @DataProvider
    public static Object[][] badMessages() {
        return new Object[][] {
            {message("nobody", "Hello", "Hello"), "to"},
            {message("a@b.example", " ", "Hello"), "subject"},
            {message("a@b.example", "Hello\\r\\nBcc: everybody@b.example", "Hello"), "subject"},
            {message("a@b.example", "Hello", ""), "body"},
        };
    }

    @Test(dataProvider = "badMessages")
    public void whatCannotBeSentNamesItsField(String body, String field) {
        TestClient mira = mira();
        TestClient.Answer answer = mira.postForm(path(work(mira, "Soil lab 5")) + "/messages", body);
        assertEquals(answer.status(), 422, answer.body());
        assertEquals(answer.json().at("/faults/0/field").asString(), field);
    }

    @Test
    public void filesGoWithAMessage() throws Exception {
        TestClient mira = mira();
        byte[] text = "where the pit was dug".getBytes(StandardCharsets.UTF_8);
        TestClient.Answer sent = mira.postForm(
                path(work(mira, "Soil lab 5")) + "/messages",
                message("halvor.tarn@thornmere.example", "The pit once more", "See the file."),
                new TestClient.Part("files", "../pit.txt", text));
        assertEquals(sent.status(), 201, sent.body());
        assertEquals(sent.json().at("/files/0/name").asString(), "pit.txt", "a name, never a path");
        String box = mira.get("/api/session").json().at("/demo/mailBox").asString();
        assertEquals(await(mira, box, "The pit once more").size(), 1);
        TestClient.Answer program = mira.postForm(
                path(work(mira, "Soil lab 5")) + "/messages",
                message("halvor.tarn@thornmere.example", "A program", "See the file."),
                new TestClient.Part("files", "pit.exe", new byte[] {'M', 'Z', 0, 0}));
        assertEquals(program.status(), 422, program.body());
        assertEquals(program.json().at("/faults/0/field").asString(), "file");
    }

    /** In their own words and name: the school's box, which takes all for the student's, isn't told. */
    @Test
    public void aGuardianWritesInTheirOwnName() throws Exception {
        TestClient tobias = tobias();
        JsonNode work = work(tobias, "Details: two joints");
        JsonNode draft = drafts(tobias, "Details: two joints").at("/drafts/0");
        String body = draft.get("body").asString();
        assertTrue(body.contains("I am a guardian of Mira Solheim. Mira Solheim handed in “Details"), body);
        assertTrue(body.contains("The receipt is attached") && body.endsWith("Tobias Solheim"), body);
        JsonNode before = board(mira()).get("signals");
        TestClient.Answer sent = tobias.postForm(
                path(work) + "/messages", message("runa.moe@thornmere.example", "Is it with you", "Did it come?"));
        assertEquals(sent.status(), 201, sent.body());
        String box = mira().get("/api/session").json().at("/demo/mailBox").asString();
        assertEquals(await(mira(), box, "Is it with you").size(), 1);
        JsonNode seen = mira().get(STUDENT + "/messages").json().get(0);
        assertEquals(seen.get("from").asString(), "Tobias Solheim");
        assertFalse(seen.get("own").asBoolean());
        assertTrue(seen.get("school").isNull());
        assertEquals(board(mira()).get("signals"), before, "what needs the student needs them still");
    }

    @DataProvider
    public static Object[][] factsForAGuardian() {
        return new Object[][] {
            {"Details: two joints", "Listed as missing, handed in", "The receipt is attached"},
            {"Survey report", "Shut for good", "closed for Mira Solheim. Would you open that again, or let Mira Solheim"
            },
            {"Level traverse", "Late", "Mira Solheim has not handed it in yet"},
            {"Soil essay, second", "An extension", "May Mira Solheim have an extension"},
            {"Unit test 2", "Open it again", "Would you open it again for Mira Solheim?"},
            {"Colour notes", "Zero with a comment", "something that Mira Solheim can still do for it"},
            {"Levelling: a closed loop", "Two dues", "in College gradebook. Which of them holds?"},
            {"Evidence: mapping", "A question", "My question is about “Evidence: mapping habitats”"},
        };
    }

    @Test(dataProvider = "factsForAGuardian")
    public void theFactsSuggestAGuardianWhatToSay(String title, String about, String words) {
        JsonNode draft = drafts(tobias(), title).at("/drafts/0");
        assertEquals(draft.get("about").asString(), about);
        String body = draft.get("body").asString();
        assertTrue(body.contains(words), body);
        assertTrue(body.contains("I am a guardian of Mira Solheim. ") && body.endsWith("Tobias Solheim"), body);
    }

    @DataProvider
    public static Object[][] ofNoStudents() {
        return new Object[][] {{"no student's voice", "I'll"}, {"no student's voice", "I handed"}, {"", " me "}};
    }

    @Test(dataProvider = "ofNoStudents")
    public void noDraftOfAGuardianSpeaksAsTheStudent(String why, String words) {
        TestClient tobias = tobias();
        for (JsonNode work : board(tobias).get("works")) {
            for (JsonNode draft : tobias.get(path(work) + "/message").json().get("drafts")) {
                String body = draft.get("body").asString().replace("Could you tell me", "");
                assertFalse(body.replace("or tell me what", "").contains(words), why + body);
            }
        }
    }

    @Test
    public void aWholeCourseIsWrittenAbout() {
        for (TestClient writer : List.of(mira(), tobias())) {
            boolean own = writer.get("/api/session").json().at("/person/id").asLong() == MIRA;
            long course = work(writer, "Colour notes").get("courseId").asLong();
            String of = STUDENT + "/courses/" + course + "/message";
            JsonNode drafts = writer.get(of).json();
            JsonNode missing = drafts.at("/drafts/0");
            assertEquals(missing.get("about").asString(), "What is missing");
            board(writer).get("works").forEach(work -> {
                boolean listed = missing.get("body")
                        .asString()
                        .contains("“" + work.get("title").asString() + "”");
                boolean here = work.get("courseId").asLong() == course
                        && work.get("missing").asBoolean();
                assertEquals(listed, here, work.get("title").asString());
            });
            assertEquals(missing.get("body").asString().contains("I am a guardian"), !own);
            TestClient.Answer sent =
                    writer.postForm(of + "s", message("runa.moe@thornmere.example", "The course", "Words."));
            assertEquals(sent.status(), 201, sent.body());
            assertTrue(sent.json().get("work").isNull());
            assertEquals(
                    writer.postForm(STUDENT + "/courses/99999/messages", message("a@b.example", "The course", "Words."))
                            .status(),
                    404);
            assertEquals(
                    writer.postForm(of + "s", "{\"to\":\"a@b.example\",\"subject\":\"x\",\"body\":\"y\",\"receipt\":1}")
                            .status(),
                    422,
                    "a course has no receipt");
        }
    }

    /** It comes by mail to whoever wrote: they put it down, and everybody who may read the message reads it. */
    @Test
    public void whoWrotePutsDownTheAnswer() {
        TestClient tobias = tobias();
        long id = tobias.postForm(
                        path(work(tobias, "Level traverse")) + "/messages",
                        message("runa.moe@thornmere.example", "Still taken?", "Is it?"))
                .json()
                .get("id")
                .asLong();
        String answer = STUDENT + "/messages/" + id + "/answer";
        assertEquals(mira().send("PUT", answer, "{\"words\":\"Yes.\"}").status(), 409, "not hers to put down");
        assertEquals(
                tobias.send("PUT", answer, "{\"words\":\" Until Friday. \"}").status(), 200);
        JsonNode seen = mira().get(STUDENT + "/messages").json().get(0);
        assertEquals(seen.at("/answer/words").asString(), "Until Friday.");
        assertFalse(seen.get("yours").asBoolean());
        assertEquals(tobias.send("PUT", answer, "{\"words\":\" \"}").status(), 200);
        assertTrue(mira().get(STUDENT + "/messages").json().at("/0/answer").isNull(), "taken back");
        assertEquals(
                tobias.send("PUT", answer, "{\"words\":null}")
                        .json()
                        .at("/faults/0/field")
                        .asString(),
                "words");
        assertEquals(
                tobias.send("PUT", STUDENT + "/messages/99999/answer", "{\"words\":\"Yes.\"}")
                        .status(),
                404);
    }

    @Test
    public void aMessageCannotBeUndone() {
        TestClient mira = mira();
        mira.postForm(
                path(work(mira, "Soil lab 6")) + "/messages",
                message("halvor.tarn@thornmere.example", "One more", "Words."));
        JsonNode changes = mira.get(STUDENT + "/changes").json();
        JsonNode wrote = changes.valueStream()
                .filter(change -> change.get("summary").asString().startsWith("Wrote to"))
                .findFirst()
                .orElseThrow();
        assertFalse(wrote.get("undoable").asBoolean(), wrote.toString());
    }

    /** Who writes and writes is asked to wait; an hour later it goes on. The clock of the demo stands still. */
    @Test(dependsOnMethods = "theFactsSuggestWhatToSay", priority = 9)
    public void lettersOfOnePersonHaveTheirMeasure() {
        TestClient mira = mira();
        String letters = path(work(mira, "Colour notes")) + "/messages";
        TestClient.Answer last = mira.postForm(letters, message("a@b.example", "Colour notes", "Letter"));
        int sent = 1;
        while (last.status() == 201 && sent < 40) {
            last = mira.postForm(letters, message("a@b.example", "Colour notes", "Letter " + sent));
            sent++;
        }
        assertEquals(last.status(), 429, last.body());
        assertTrue(last.fault().contains("a little later"), last.fault());
        assertEquals(mira.post("/api/demo/clock", "{\"minutes\":61}").status(), 200);
        assertEquals(
                mira.postForm(letters, message("a@b.example", "Colour notes", "At last"))
                        .status(),
                201);
    }
}
