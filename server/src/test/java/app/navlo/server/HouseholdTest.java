package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.NullNode;

/** The row of a student is what the student's own pages say. */
public class HouseholdTest extends DemoServer {
    private static long lacking(JsonNode works, String lack) {
        return works.valueStream()
                .filter(one -> one.get("lacks").valueStream().anyMatch(has -> has.asString()
                        .equals(lack)))
                .count();
    }

    private JsonNode rows(TestClient reader, String span) {
        return reader.get("/api/household?span=" + span).json().get("students");
    }

    private static JsonNode of(JsonNode rows, String name) {
        return rows.valueStream()
                .filter(row -> row.get("name").asString().equals(name))
                .findFirst()
                .orElseThrow();
    }

    @DataProvider
    public Object[][] students() {
        return new Object[][] {
            {"Mira Solheim", MIRA, "Thornmere College of Garden Craft", 6},
            {"Anders Solheim", ANDERS, "Fernbank Lower School", 5},
        };
    }

    /** Each figure is the length of the list that it leads to, on the student's own pages. */
    @Test(dataProvider = "students")
    public void aRowsFiguresAreThoseOfTheStudentsOwnPages(String name, long student, String school, int courses) {
        JsonNode row = of(rows(tobias(), "TERM"), name);
        TestClient own = student == MIRA ? mira() : anders();
        JsonNode board = own.get("/api/students/" + student + "/board").json();
        JsonNode works = board.get("works");
        assertEquals(row.get("school").asString(), school);
        assertEquals(row.at("/missing/savable").asLong(), lacking(works, "SAVABLE"));
        assertEquals(row.at("/missing/closed").asLong(), lacking(works, "CLOSED"));
        assertEquals(row.at("/missing/listed").asLong(), lacking(works, "LISTED"));
        assertEquals(row.at("/missing/ungradedLong").asLong(), lacking(works, "UNGRADED_LONG"));
        assertEquals(row.at("/missing/sentBack").asLong(), lacking(works, "BACK"));
        assertEquals(row.get("courses").size(), courses);
        for (int i = 0; i < courses; i++) {
            JsonNode expected = board.at("/courses/" + i + "/standing/readings")
                    .valueStream()
                    .filter(one -> one.get("reading").asString().equals("EXPECTED"))
                    .findFirst()
                    .map(one -> one.get("figure"))
                    .orElse(NullNode.getInstance());
            assertEquals(row.at("/courses/" + i + "/expected"), expected);
        }
    }

    /** Who loses most by waiting stands first; a school's system says when it told something. */
    @Test
    public void whoNeedsItMostStandsFirst() {
        JsonNode rows = rows(tobias(), "PERIOD");
        assertEquals(rows.size(), 2);
        assertTrue(rows.get(0).get("aboutToBeLost").asDouble()
                >= rows.get(1).get("aboutToBeLost").asDouble());
        assertEquals(of(rows, "Mira Solheim").get("sources").size(), 2);
        assertEquals(of(rows, "Anders Solheim").at("/sources/0/name").asString(), "Fernbank class page");
    }

    /** The running period of each is their own; what is due after its close isn't counted in it. */
    @Test
    public void aGradingPeriodCountsLessThanTheTerm() {
        JsonNode period = of(rows(tobias(), "PERIOD"), "Mira Solheim");
        JsonNode term = of(rows(tobias(), "TERM"), "Mira Solheim");
        assertEquals(period.at("/close/at"), term.at("/close/at"));
        for (String figure : List.of("savable", "closed", "listed", "ungradedLong", "sentBack")) {
            assertTrue(
                    period.at("/missing/" + figure).asInt()
                            <= term.at("/missing/" + figure).asInt(),
                    figure);
        }
        assertEquals(tobias().get("/api/household?span=WEEK").status(), 400);
    }

    @Test
    public void aGuardiansRowSaysWhatTheStudentsPagesSay() {
        JsonNode row = of(rows(tobias(), "TERM"), "Mira Solheim");
        JsonNode works = board(mira()).get("works");
        assertTrue(row.at("/missing/savable").asLong() > 0, row.toString());
        assertEquals(
                row.get("fresh"),
                tobias().get("/api/news/" + MIRA).json().get("fresh"),
                "as who reads has not seen it");
        assertEquals(row.at("/close/at").asString(), "2026-11-27T16:00:00Z");
        assertTrue(row.get("aboutToBeLost").asDouble() > 0, row.toString());
        JsonNode next = row.get("nextLoss");
        JsonNode work = works.valueStream()
                .filter(one -> one.get("id").equals(next.get("work")))
                .findFirst()
                .orElseThrow();
        assertEquals(work.at("/next/at"), next.get("at"), "the same instant as on its row");
    }

    @Test
    public void aStudentSeesTheirOwnRowAndNobodyNobodys() {
        assertEquals(mira().get("/api/household").json().get("students").size(), 1);
        assertEquals(new TestClient(port).get("/api/household").status(), 401);
    }
}
