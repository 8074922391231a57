package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.function.Predicate;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** The row of a student is what the student's own pages say. */
public class HouseholdTest extends DemoServer {
    private static long count(JsonNode works, Predicate<JsonNode> which) {
        return works.valueStream().filter(which).count();
    }

    @Test
    public void aGuardiansRowSaysWhatTheStudentsPagesSay() {
        JsonNode rows = tobias().get("/api/household").json().get("students");
        assertEquals(rows.size(), 1);
        JsonNode row = rows.get(0);
        JsonNode board = board(mira());
        JsonNode works = board.get("works");
        assertEquals(row.get("name").asString(), "Mira Solheim");
        assertEquals(row.get("school").asString(), "Thornmere College of Garden Craft");
        assertEquals(
                row.at("/missing/savable").asLong(),
                count(
                        works,
                        one -> one.get("missing").asBoolean()
                                && one.get("move").asString().equals("YOURS")));
        assertEquals(
                row.at("/missing/closed").asLong(),
                count(
                        works,
                        one -> one.get("missing").asBoolean()
                                && one.get("move").asString().equals("OUT_OF_REACH")));
        assertEquals(row.at("/missing/ungradedLong").asLong(), count(works, one -> one.get("ungradedLong")
                .asBoolean()));
        assertTrue(row.at("/missing/savable").asLong() > 0, row.toString());
        assertEquals(row.get("courses").size(), 6);
        for (int i = 0; i < 6; i++) {
            JsonNode expected = board.at("/courses/" + i + "/standing/readings")
                    .valueStream()
                    .filter(one -> one.get("reading").asString().equals("EXPECTED"))
                    .findFirst()
                    .orElseThrow();
            assertEquals(row.at("/courses/" + i + "/expected"), expected.get("figure"));
        }
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
