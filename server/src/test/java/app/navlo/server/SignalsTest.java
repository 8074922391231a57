package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.springframework.test.annotation.DirtiesContext;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** What asks for attention, on the demo student's board: there when it arises, gone when it was dealt with. */
@DirtiesContext
public class SignalsTest extends DemoServer {
    private static final String ELLIPSE = "Setting out an ellipse";

    private static List<JsonNode> signals(TestClient client) {
        return board(client).get("signals").valueStream().toList();
    }

    /** The kinds raised by a piece of work. */
    private static List<String> kinds(TestClient client, String title) {
        long id = work(client, title).get("id").asLong();
        return signals(client).stream()
                .filter(signal -> signal.get("work").asLong() == id)
                .map(signal -> signal.get("kind").asString())
                .toList();
    }

    @DataProvider
    public static Object[][] raised() {
        return new Object[][] {
            {"Cut and fill", "INCOMPLETE"},
            {ELLIPSE, "FLAGGED_LATE"},
            {"Details: two joints", "FLAGGED_MISSING"},
            {"Unit test 2", "REOPENING_OFFERED"},
            {"Tax on plants", "RECORDS_DIFFER"},
            {"Planting plan, sheet 2", "DRAFT_DUE"},
            {"Seed pricing", "PARTS_DUE"},
            {"Site section", "SENT_BACK"},
            {"Planting plan, sheet 1", "REDO_ASKED"},
            {"Colour notes", "ZERO_WITH_COMMENT"},
            {"Survey report", "SHUT_FOR_GOOD"},
            {"Nature diary, weeks 43", "EXTENSION_GRANTED"},
        };
    }

    @Test(dataProvider = "raised")
    public void whatATeacherDidOrSaidIsRaised(String title, String kind) {
        assertTrue(kinds(mira(), title).contains(kind), kinds(mira(), title).toString());
    }

    @Test
    public void whoIsMerelySlowStandsInAnotherListAndWorkInBeforeItsSafeByRaisesNothing() {
        TestClient mira = mira();
        JsonNode board = board(mira);
        assertFalse(board.get("slow").isEmpty());
        for (JsonNode slow : board.get("slow")) {
            assertTrue(
                    signals(mira).stream()
                            .filter(signal -> signal.get("work").equals(slow))
                            .allMatch(signal -> signal.get("kind").asString().equals("FLAGGED_MISSING")),
                    slow.toString());
        }
        JsonNode safeBy = mira.get(path(work(mira, "Cut and fill"))).json().at("/worth/safeBy");
        assertTrue(safeBy.get("safe").asBoolean(), safeBy.toString());
    }

    @Test
    public void aSignalThatIsPutAsideGoesAndComesBackWithUndo() {
        TestClient mira = mira();
        int before = signals(mira).size();
        JsonNode work = work(mira, "Colour notes");
        TestClient.Answer done = mira.post(path(work) + "/signals/ZERO_WITH_COMMENT/aside", "");
        assertEquals(done.status(), 201, done.body());
        assertEquals(signals(mira).size(), before - 1);
        assertEquals(undo(mira, done.json().get("change").asLong()).status(), 201);
        assertEquals(signals(mira).size(), before);
        assertEquals(
                tobias().post(path(work) + "/signals/ZERO_WITH_COMMENT/aside", "")
                        .status(),
                403);
        assertEquals(mira.post(path(work) + "/signals/NO_SUCH/aside", "").status(), 400);
    }

    @Test(dependsOnMethods = "whatATeacherDidOrSaidIsRaised")
    public void theReceiptGoesWithTheLetterAsAFileAndTheSignalIsDealtWith() throws Exception {
        TestClient mira = mira();
        JsonNode work = work(mira, ELLIPSE);
        JsonNode draft = mira.get(path(work) + "/message").json().at("/drafts/0");
        assertEquals(draft.get("answers").asString(), "FLAGGED_LATE");
        long receipt = draft.get("receipt").asLong();
        TestClient.Answer sent = mira.postForm(path(work) + "/messages", """
                {"to":"jens.holm@thornmere.example","subject":"Flagged late","body":"It was on time.","receipt":%d}
                """.formatted(receipt));
        assertEquals(sent.status(), 201, sent.body());
        assertTrue(sent.json().at("/files/0/name").asString().endsWith("ellipse with two pegs.pdf"), sent.body());
        assertEquals(kinds(mira, ELLIPSE), List.of());
        assertTrue(letter(mira, "Flagged late").contains("Receipt " + receipt), "the file is in the letter");
        assertEquals(mira.postForm(path(work) + "/messages", """
                        {"to":"a@b.example","subject":"x","body":"y","receipt":999999}""").status(), 404);
    }

    private static String letter(TestClient mira, String subject) throws Exception {
        String box = mira.get("/api/session").json().at("/demo/mailBox").asString();
        long giveUp = System.nanoTime() + 30_000_000_000L;
        while (System.nanoTime() < giveUp) {
            String all = fetch(box);
            int at = all.indexOf(subject);
            if (at >= 0) {
                String number = all.substring(all.lastIndexOf("href=\"/", at) + 7, at - 2);
                return fetch(box + number);
            }
            Thread.sleep(200);
        }
        throw new AssertionError("the letter never arrived");
    }

    private static String fetch(String address) throws IOException, InterruptedException {
        return HttpClient.newHttpClient()
                .send(HttpRequest.newBuilder(URI.create(address)).build(), HttpResponse.BodyHandlers.ofString())
                .body();
    }

    @Test
    public void aReceiptIsAPdfWithInstantsNamesSizesAndChecksums() throws IOException {
        TestClient mira = mira();
        JsonNode work = work(mira, "Soil lab 5");
        JsonNode receipt = mira.get(path(work)).json().at("/handIns/0");
        String path = path(work) + "/hand-ins/" + receipt.get("id") + "/receipt";
        TestClient.Answer pdf = mira.get(path);
        assertEquals(pdf.status(), 200);
        String words = words(pdf.raw().body());
        JsonNode file = receipt.at("/files/0");
        for (String wanted : List.of(
                "number " + receipt.get("id"),
                "Mira Solheim",
                "Soil Science",
                "Soil lab 5: pH and lime",
                receipt.get("at").asString(),
                file.get("name").asString(),
                file.get("size") + " bytes",
                file.get("sha256").asString())) {
            assertTrue(words.contains(wanted), wanted + " isn't in " + words);
        }
        assertEquals(mira.get(path).raw().body(), pdf.raw().body(), "the same receipt is the same file");
    }

    private static String words(byte[] pdf) throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return new PDFTextStripper().getText(document);
        }
    }

    @Test
    public void aDueThatACalendarMovesEarlierIsRaised() {
        TestClient mira = mira();
        importDay(mira, "20261214");
        assertEquals(kinds(mira, "Essay on hedges"), List.of());
        importDay(mira, "20261203");
        assertEquals(kinds(mira, "Essay on hedges"), List.of("DUE_EARLIER"));
    }

    private static void importDay(TestClient mira, String day) {
        byte[] file =
                ("BEGIN:VCALENDAR\nVERSION:2.0\nX-WR-CALNAME:Hedges\nBEGIN:VEVENT\nUID:h1\nSUMMARY:Essay on hedges\n"
                                + "DTSTART;VALUE=DATE:" + day + "\nEND:VEVENT\nEND:VCALENDAR\n")
                        .getBytes(StandardCharsets.UTF_8);
        TestClient.Answer applied = Imports.apply(mira, Imports.look(mira, "hedges.ics", file));
        assertEquals(applied.status(), 201, applied.body());
    }
}
