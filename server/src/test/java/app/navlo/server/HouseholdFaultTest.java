package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.annotation.DirtiesContext;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** One student whose data nobody can make sense of spoils nothing for who reads several, and isn't left out without a word. */
@DirtiesContext
public class HouseholdFaultTest extends DemoServer {
    @Autowired
    private JdbcClient db;

    /** A zone that there is none of. */
    @BeforeClass
    public void breakOneStudentsCourses() {
        int courses = db.sql("""
                UPDATE course_revision SET zone = 'Nowhere/At all'
                WHERE course_id IN (SELECT id FROM course WHERE student_id = :student)
                """).param("student", ANDERS).update();
        assertTrue(courses > 0);
        // A round may have read them before: what is kept of them is of another mark then.
        db.sql("""
                INSERT INTO change (student_id, kind, at, source, summary)
                VALUES (:student, 'READ', TIMESTAMP WITH TIME ZONE '2026-11-24 15:20:00+00', 'a test', 'broken')
                """).param("student", ANDERS).update();
    }

    private static List<String> names(JsonNode people) {
        return people.valueStream().map(one -> one.get("name").asString()).toList();
    }

    @Test
    public void theOthersRowsHoldAndWhoIsUnreadIsNamed() {
        JsonNode household = tobias().get("/api/household").json();
        assertEquals(names(household.get("students")), List.of("Mira Solheim"));
        assertEquals(names(household.get("unread")), List.of("Anders Solheim"));
        assertEquals(household.at("/unread/0/id").asLong(), ANDERS);
    }

    @Test
    public void theTableNamesThemToo() {
        List<String> lines =
                tobias().get("/api/household/students.csv").body().lines().toList();
        assertEquals(lines.size(), 3, lines.toString());
        assertTrue(lines.get(1).startsWith("Mira Solheim,Thornmere"), lines.get(1));
        assertTrue(lines.get(2).startsWith("Anders Solheim,,"), lines.get(2));
        assertTrue(lines.get(2).endsWith("couldn't be worked out just now"), lines.get(2));
        String one =
                tobias().get("/api/household/students.csv?students=" + MIRA).body();
        assertFalse(one.contains("Anders"), "who wasn't asked for");
    }

    @Test
    public void theirOwnPageSaysSoWithANumberToAskBy() {
        TestClient.Answer own = anders().get("/api/students/" + ANDERS + "/board");
        assertEquals(own.status(), 500);
        assertTrue(own.body().contains("request"), own.body());
        assertEquals(mira().get(STUDENT + "/board").status(), 200);
    }
}
