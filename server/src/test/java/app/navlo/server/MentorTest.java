package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.springframework.context.annotation.Import;
import org.springframework.test.annotation.DirtiesContext;
import org.springframework.test.context.TestPropertySource;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** A mentor of twenty-four: who needs them first, groups and notes of their own, a table to take along. */
@DirtiesContext
@Import(CountedQueries.class)
@TestPropertySource(properties = "navlo.demo.cohort=true")
public class MentorTest extends DemoServer {
    private static final int STUDENTS = 24;

    private TestClient runa;

    @BeforeClass
    public void signIn() {
        runa = TestClient.signedIn(port, "runa@thornmere.example", "cold-frame-08");
    }

    private JsonNode rows(String span) {
        return runa.get("/api/household?span=" + span).json().get("students");
    }

    private static List<Double> column(JsonNode rows, String pointer) {
        return rows.valueStream().map(row -> row.at(pointer).asDouble()).toList();
    }

    private static long lacking(JsonNode board, String lack) {
        return board.get("works")
                .valueStream()
                .filter(one -> one.get("lacks").valueStream().anyMatch(has -> has.asString()
                        .equals(lack)))
                .count();
    }

    private TestClient.Answer keep(long student, String body) {
        return runa.send("PUT", "/api/household/" + student + "/own", body);
    }

    private JsonNode own(long student) {
        return rows("TERM")
                .valueStream()
                .filter(row -> row.get("id").asLong() == student)
                .findFirst()
                .orElseThrow()
                .get("own");
    }

    @Test
    public void whoLosesMostByWaitingStandsFirst() {
        JsonNode rows = rows("PERIOD");
        assertEquals(rows.size(), STUDENTS);
        List<Double> stakes = column(rows, "/aboutToBeLost");
        List<Double> sorted = new ArrayList<>(stakes);
        sorted.sort((one, other) -> Double.compare(other, one));
        assertEquals(stakes, sorted);
        assertTrue(stakes.get(0) > 0, "somebody is about to lose something");
        assertTrue(
                column(rows, "/missing/savable").stream().anyMatch(count -> count > 2), "somebody has fallen behind");
        assertTrue(column(rows, "/missing/savable").stream().anyMatch(count -> count == 0), "somebody keeps up");
    }

    /** Each student's figures are those of their own pages. */
    @Test
    public void theFiguresAreThoseOfEachStudentsPages() {
        for (JsonNode row : rows("TERM")) {
            long student = row.get("id").asLong();
            JsonNode board = runa.get("/api/students/" + student + "/board").json();
            String name = row.get("name").asString();
            assertEquals(row.at("/missing/savable").asLong(), lacking(board, "SAVABLE"), name);
            assertEquals(row.at("/missing/closed").asLong(), lacking(board, "CLOSED"), name);
            assertEquals(row.at("/missing/listed").asLong(), lacking(board, "LISTED"), name);
            assertEquals(row.at("/missing/ungradedLong").asLong(), lacking(board, "UNGRADED_LONG"), name);
            assertEquals(row.at("/missing/sentBack").asLong(), lacking(board, "BACK"), name);
            assertEquals(row.get("courses").size(), board.get("courses").size(), name);
        }
    }

    /** What is kept of a row is let go of when something changes it: the clock, or what somebody has seen. */
    @Test(dependsOnMethods = {"whoLosesMostByWaitingStandsFirst", "theFiguresAreThoseOfEachStudentsPages"})
    public void aRowFollowsTheClockAndWhatIsSeen() {
        JsonNode first = rows("PERIOD");
        long fresh = first.valueStream()
                .filter(row -> row.get("fresh").asInt() > 0)
                .findFirst()
                .orElseThrow()
                .get("id")
                .asLong();
        runa.send("POST", "/api/news/" + fresh + "/all", "{\"until\":\"2026-11-24T15:20:00Z\"}");
        Map<Long, Integer> news = new HashMap<>();
        rows("PERIOD")
                .forEach(
                        row -> news.put(row.get("id").asLong(), row.get("fresh").asInt()));
        assertEquals(news.get(fresh), 0, "it was seen");

        for (int day = 0; day < 4; day++) {
            assertTrue(
                    mira().send("POST", "/api/demo/clock", "{\"minutes\":1440}").status() < 300);
            JsonNode now = rows("TERM");
            JsonNode row = now.get(day);
            JsonNode board = runa.get("/api/students/" + row.get("id").asLong() + "/board")
                    .json();
            assertEquals(row.at("/missing/savable").asLong(), lacking(board, "SAVABLE"), "day " + day);
            assertEquals(row.at("/missing/closed").asLong(), lacking(board, "CLOSED"), "day " + day);
        }
    }

    /** Asked again, nothing of a student is read: a handful of questions, however many students there are. */
    @Test
    public void askedAgainItIsAHandfulOfQueries() {
        rows("TERM");
        long asked = CountedQueries.fewest(() -> rows("TERM"));
        assertTrue(asked <= 12, asked + " queries for " + STUDENTS + " students");
    }

    @Test
    public void aNoteAndGroupsAreOnesOwn() {
        long student = rows("TERM").get(3).get("id").asLong();
        assertEquals(
                keep(
                                student,
                                "{\"note\":\" Called on Monday \",\"groups\":[\"Needs a call\",\"needs a CALL\",\"First year\"]}")
                        .status(),
                204);
        JsonNode own = own(student);
        assertEquals(own.get("note").asString(), "Called on Monday");
        assertFalse(own.get("writtenAt").isNull());
        assertEquals(
                own.get("groups").valueStream().map(JsonNode::asString).toList(),
                List.of("First year", "Needs a call"),
                "written otherwise it is one group");
        assertFalse(
                runa.get("/api/students/" + student + "/board").body().contains("Called on Monday"),
                "it is on no page of the student");
        assertEquals(keep(student, "{\"note\":\"\",\"groups\":[]}").status(), 204);
        assertTrue(own(student).get("groups").isEmpty());
        assertTrue(own(student).get("writtenAt").isNull());
        assertEquals(keep(MIRA, "{\"note\":\"x\",\"groups\":[]}").status(), 403, "not of whom one doesn't see");
    }

    @DataProvider
    public Object[][] unfit() {
        return new Object[][] {
            {"{\"note\":null,\"groups\":[]}", "note"},
            {"{\"note\":\"" + "n".repeat(4001) + "\",\"groups\":[]}", "note"},
            {"{\"note\":\"\",\"groups\":null}", "groups"},
            {"{\"note\":\"\",\"groups\":[\" \"]}", "groups[0]"},
            {"{\"note\":\"\",\"groups\":[\"" + "g".repeat(61) + "\"]}", "groups[0]"},
        };
    }

    @Test(dataProvider = "unfit")
    public void whatDoesNotFitIsNamed(String body, String field) {
        TestClient.Answer refused = keep(rows("TERM").get(0).get("id").asLong(), body);
        assertEquals(refused.status(), 422, refused.body());
        assertEquals(refused.json().at("/faults/0/field").asString(), field, refused.body());
    }

    @Test
    public void theTableHasWhatIsShownInItsOrder() throws Exception {
        JsonNode rows = rows("TERM");
        long worst = rows.get(0).get("id").asLong();
        long last = rows.get(STUDENTS - 1).get("id").asLong();
        keep(last, "{\"note\":\"=1+1\",\"groups\":[\"Second year\"]}");
        List<CSVRecord> some = table("span=TERM&students=" + last + "," + worst + "," + MIRA);
        assertEquals(some.size(), 2, "nobody whose work isn't seen");
        assertEquals(
                some.get(0).get("Student"), rows.get(STUDENTS - 1).get("name").asString());
        assertEquals(some.get(0).get("Note"), "'=1+1", "no formula for a spreadsheet");
        assertEquals(some.get(0).get("Groups"), "Second year");
        assertEquals(
                some.get(1).get("Missing, can still be had"),
                rows.get(0).at("/missing/savable").asString());
        assertEquals(table("").size(), STUDENTS);
        assertEquals(runa.get("/api/household/students.csv?students=one").status(), 400);
    }

    private List<CSVRecord> table(String query) throws Exception {
        String text = runa.get("/api/household/students.csv?" + query).body().replace("\uFEFF", "");
        return CSVFormat.DEFAULT
                .builder()
                .setHeader()
                .setSkipHeaderRecord(true)
                .get()
                .parse(new java.io.StringReader(text))
                .getRecords();
    }

    /** The seed tells the same term each time, and of nobody that they handed in what isn't there yet. */
    @Test
    public void everyStudentHasATermOfTheirOwn() {
        Set<String> terms = new java.util.HashSet<>();
        for (JsonNode row : rows("TERM")) {
            assertEquals(row.get("courses").size(), 3);
            terms.add(row.get("missing").toString() + row.get("courses"));
        }
        assertTrue(terms.size() > STUDENTS / 2, "they differ: " + terms.size());
        assertEquals(
                runa.get("/api/session").json().get("students").size(), STUDENTS, "and nobody else's work is seen");
    }
}
