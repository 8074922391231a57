package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** What a school gives with a piece of work and says about it, as it is sent. */
public class PieceTest extends DemoServer {
    private JsonNode detail(String title) {
        TestClient mira = mira();
        return mira.get(path(work(mira, title))).json();
    }

    private static JsonNode said(JsonNode detail, String place) {
        for (JsonNode one : detail.get("said")) {
            if (one.get("place").asString().equals(place)) {
                return one;
            }
        }
        throw new IllegalArgumentException("nothing was said " + place);
    }

    private static JsonNode named(JsonNode rows, String title) {
        for (JsonNode row : rows) {
            if (row.get("title").asString().equals(title)) {
                return row;
            }
        }
        throw new IllegalArgumentException("no row " + title);
    }

    @Test
    public void aRubricSaysWhatWasGotAndLostAndNamesTheLevel() {
        JsonNode detail = detail("Planting plan, sheet 1");
        JsonNode rubric = detail.at("/material/rubric");
        assertEquals(rubric.get("got").asString(), "22");
        assertEquals(rubric.get("most").asString(), "40");
        JsonNode spacing = named(rubric.get("rows"), "Spacing and size");
        assertEquals(spacing.get("lost").asString(), "8");
        assertEquals(spacing.get("words").asString(), "See the marks on the sheet.");
        assertTrue(named(spacing.get("levels"), "At today's size").get("got").asBoolean());
        JsonNode between = named(rubric.get("rows"), "Drawing");
        between.get("levels").forEach(level -> assertFalse(level.get("got").asBoolean(), level.toString()));
        JsonNode marked = said(detail, "RUBRIC").get("rows");
        assertEquals(named(marked, "Structure").get("level").asString(), "Holds in summer");
        assertTrue(named(marked, "Drawing").get("level").isNull(), "3 lies between two levels");
    }

    @Test
    public void anUnmarkedRubricHasItsLevelsAndNothingGot() {
        JsonNode rubric = detail("Planting plan, sheet 2").at("/material/rubric");
        assertTrue(rubric.get("got").isNull());
        assertEquals(rubric.at("/rows/0/levels").size(), 4);
        assertTrue(rubric.at("/rows/0/got").isNull());
    }

    @Test
    public void aMarkStandsOnThePageOfTheFileItWasMadeIn() {
        JsonNode detail = detail("Planting plan, sheet 1");
        JsonNode mark = said(detail, "IN_FILE").get("mark");
        assertEquals(mark.get("fileName").asString(), "planting-plan-1.pdf");
        assertEquals(mark.get("handIn").asLong(), detail.at("/handIns/0/id").asLong());
        assertEquals(mark.get("page").asInt(), 1);
        assertTrue(mark.get("x").asDouble() > 0
                && mark.get("x").asDouble() + mark.get("width").asDouble() < 1);
    }

    @DataProvider
    public static Object[][] markedFiles() {
        return new Object[][] {
            {"Planting plan, sheet 1", 2, "This sentence is the whole trouble"},
            {"Herbarium check", 2, "Full name, please."},
            {"Evidence: mapping habitats", 2, "walked four metres"},
        };
    }

    /** A PDF, and pictures made into one. */
    @Test(dataProvider = "markedFiles")
    public void aMarkedFileComesAsAPdfWithItsMarksAndTheirWords(String title, int pages, String words)
            throws IOException {
        JsonNode detail = detail(title);
        String file = path(detail.get("work")) + "/hand-ins/"
                + detail.at("/handIns/0/id").asLong() + "/files/1";
        TestClient.Answer answer = mira().get(file + "/marked");
        assertEquals(answer.status(), 200, answer.body());
        assertTrue(header(answer, "Content-Disposition").contains("marked.pdf"));
        byte[] plain = mira().get(file).raw().body();
        assertTrue(answer.raw().body().length > plain.length / 2, "the file itself is in it");
        try (PDDocument document = Loader.loadPDF(answer.raw().body())) {
            assertEquals(document.getNumberOfPages(), pages);
            String text = new PDFTextStripper().getText(document);
            assertTrue(text.contains(words), text);
            assertTrue(text.contains("page 1, "), text);
        }
    }

    @Test
    public void aFileThatIsNoPageIsNotMadeIntoOne() {
        JsonNode detail = detail("Soil lab 5");
        TestClient.Answer answer = mira().get(path(detail.get("work")) + "/hand-ins/"
                + detail.at("/handIns/0/id").asLong() + "/files/1/marked");
        assertEquals(answer.status(), 409, answer.body());
        assertTrue(answer.fault().contains("Download it as it was handed in"), answer.body());
    }

    @Test
    public void whatComesWithTheWorkIsADownload() {
        TestClient mira = mira();
        JsonNode work = work(mira, "Planting plan, sheet 2");
        JsonNode attachments = mira.get(path(work)).json().at("/material/attachments");
        assertEquals(attachments.size(), 2);
        TestClient.Answer file =
                mira.get(path(work) + "/attachments/" + attachments.at("/1/id").asLong());
        assertTrue(file.body().startsWith("plant,Jan,Feb"), file.body());
        assertTrue(header(file, "Content-Disposition").startsWith("attachment"));
        JsonNode other = work(mira, "Soil lab 5");
        assertEquals(
                mira.get(path(other) + "/attachments/" + attachments.at("/1/id").asLong())
                        .status(),
                404);
    }

    @Test
    public void everyAttemptHasItsScoreItsAnswersAndWhetherItCounts() {
        JsonNode attempts = detail("Key 5").at("/material/attempts");
        assertEquals(attempts.size(), 2);
        assertEquals(attempts.at("/0/points").asString(), "8");
        assertFalse(attempts.at("/0/kept").asBoolean());
        assertTrue(attempts.at("/1/kept").asBoolean());
        assertEquals(attempts.at("/0/shown/answers/0/wanted").asString(), "Acer campestre");
    }

    @Test
    public void answersToBeReleasedLaterSayWhenAndGiveNothingAway() {
        TestClient mira = mira();
        TestClient.Answer answer = mira.get(path(work(mira, "Unit test 2")));
        JsonNode attempt = answer.json().at("/material/attempts/0");
        assertEquals(attempt.get("answersAt").asString(), "2026-11-27T11:00:00Z");
        assertTrue(attempt.get("shown").isNull(), answer.body());
        assertFalse(answer.body().contains("labels exchanged"), answer.body());
        TestClient.Answer stream = mira.get(STUDENT + "/feedback");
        assertFalse(stream.body().contains("labels exchanged"));
    }

    @Test
    public void aRunningAttemptSaysWhenItsTimeEnds() {
        JsonNode attempt = detail("Key 8").at("/material/attempts/0");
        assertEquals(attempt.get("begunAt").asString(), "2026-11-23T20:04:00Z");
        assertEquals(attempt.get("endsAt").asString(), "2026-11-23T20:39:00Z");
        assertTrue(attempt.get("finishedAt").isNull());
    }

    @Test
    public void theTwoRecordsAreComparedAndItIsSaidWhatHangsOnIt() {
        JsonNode missing = detail("Details: two joints").at("/material/records/0/disagreements/0");
        assertTrue(missing.get("words").asString().startsWith("Turned in on the site, and missing"));
        assertTrue(missing.get("advice").asString().startsWith("Show the receipt"), missing.toString());
        JsonNode scores = detail("Soil lab 4").at("/material/records/0/disagreements/0");
        assertEquals(scores.get("advice").asString(), "Ask which one holds: 3 points hang on it");
        JsonNode dues = detail("Tax on plants").at("/material/records/0/disagreements/0");
        assertEquals(dues.get("words").asString(), "The dues differ");
        assertEquals(dues.get("points").asString(), "4.5", "a due three days later would have cost nothing");
        assertEquals(
                detail("Worksheet 5").at("/material/records/0/disagreements").size(), 0);
    }

    @Test
    public void theClassAndADiscussionAreThere() {
        JsonNode detail = detail("Stock and season");
        assertEquals(detail.at("/material/thread").size(), 5);
        JsonNode own = detail.at("/material/thread/0");
        assertEquals(own.get("author").asString(), "STUDENT");
        assertTrue(own.get("id").isNull());
        assertEquals(detail("Soil lab 2").at("/material/classFigures/mean").asString(), "40.5");
        assertEquals(detail("Soil lab 2").at("/material/teacher").asString(), "Halvor Tarn");
    }

    @Test
    public void allFilesAreInOneListTheLatestFirst() {
        JsonNode files = mira().get(STUDENT + "/files").json();
        String before = "9";
        for (JsonNode file : files) {
            assertTrue(file.get("at").asString().compareTo(before) <= 0, file.toString());
            before = file.get("at").asString();
        }
        long drafts =
                files.valueStream().filter(file -> file.get("handIn").isNull()).count();
        assertTrue(drafts >= 3, "drafts among them: " + drafts);
        JsonNode marked = files.valueStream()
                .filter(file -> file.get("name").asString().equals("planting-plan-1.pdf"))
                .findFirst()
                .orElseThrow();
        assertEquals(marked.get("marks").asInt(), 4);
        assertEquals(marked.get("sha256").asString().getBytes(StandardCharsets.UTF_8).length, 64);
    }

    @Test
    public void whatLiesReadyCanBeOpenedToSeeThatItIsTheRightOne() {
        TestClient mira = mira();
        JsonNode work = work(mira, "Plant list for shade");
        String file = mira.get(path(work)).json().at("/draft/files/0/id").asString();
        TestClient.Answer opened = mira.get(path(work) + "/draft/files/" + file);
        assertEquals(opened.status(), 200);
        assertTrue(header(opened, "Content-Disposition").startsWith("attachment"));
        assertEquals(
                mira.get(path(work(mira, "Soil lab 5")) + "/draft/files/" + file)
                        .status(),
                404);
    }

    private static String header(TestClient.Answer answer, String name) {
        return answer.raw().headers().firstValue(name).orElse("");
    }

    @Test
    public void aGuardianReadsAllOfItAndNothingOfAnother() {
        JsonNode work = work(mira(), "Planting plan, sheet 1");
        assertEquals(tobias().get(path(work)).json().at("/material/rubric/got").asString(), "22");
        assertEquals(tobias().get(STUDENT + "/files").status(), 200);
    }
}
