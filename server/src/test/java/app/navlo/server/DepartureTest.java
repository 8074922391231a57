package app.navlo.server;

import static org.awaitility.Awaitility.await;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.test.annotation.DirtiesContext;
import org.springframework.test.context.TestPropertySource;
import org.testng.annotations.Test;

/** Leaving: it can be taken back for a week, and then nothing of the person is there any more, and all of everybody else's. */
@DirtiesContext
@TestPropertySource(properties = "navlo.departures.round=50ms")
public class DepartureTest extends DemoServer {
    private static final String DEPARTURE = "/api/people/me/departure";
    private static final String LEAVES_AT = "/person/leavesAt";

    @Autowired
    private JdbcTemplate db;

    private static TestClient.Answer leave(TestClient who, String word) {
        return who.send("POST", DEPARTURE, "{\"word\":\"" + word + "\"}");
    }

    private static void ok(TestClient.Answer answer) {
        assertTrue(answer.status() < 300, answer.status() + " " + answer.body());
    }

    private static void clock(TestClient who, Duration on) {
        long left = on.toMinutes();
        while (left > 0) {
            long step = Math.min(left, Duration.ofDays(1).toMinutes());
            ok(who.send("POST", "/api/demo/clock", "{\"minutes\":" + step + "}"));
            left -= step;
        }
    }

    /** How many rows of each table name this person. */
    private Map<String, Long> rowsNaming(long person) {
        Map<String, Long> rows = new LinkedHashMap<>();
        db.query("""
                SELECT LOWER(table_name) AS t, LOWER(column_name) AS c FROM information_schema.columns
                WHERE LOWER(table_schema) = 'public' AND UPPER(data_type) = 'BIGINT'
                    AND UPPER(column_name) IN ('PERSON_ID', 'STUDENT_ID', 'GUARDIAN_ID', 'MADE_BY', 'USED_BY', 'FIRST_PERSON_ID')
                ORDER BY 1, 2
                """, row -> {
            String table = row.getString("t");
            String column = row.getString("c");
            long found = count("SELECT COUNT(*) FROM " + table + " WHERE " + column + " = " + person);
            if (found > 0) {
                rows.put(table + "." + column, found);
            }
        });
        return rows;
    }

    private long count(String sql) {
        return db.queryForObject(sql, Long.class);
    }

    @Test
    public void theWordHasToBeTypedAndItCanBeTakenBack() {
        TestClient elsewhere = anders();
        TestClient here = anders();
        TestClient.Answer refused = leave(here, "yes");
        assertEquals(refused.status(), 422);
        assertTrue(refused.body().contains("Type the word delete"), refused.body());
        assertTrue(here.get("/api/session").json().at(LEAVES_AT).isNull());

        TestClient.Answer said = leave(here, " Delete ");
        ok(said);
        String at = said.json().get("leavesAt").asString();
        assertEquals(here.get("/api/session").json().at(LEAVES_AT).asString(), at);
        assertEquals(elsewhere.get("/api/students/" + ANDERS + "/board").status(), 401, "signed out everywhere else");
        assertEquals(leave(here, "delete").json().get("leavesAt").asString(), at, "said twice it is no later");

        assertEquals(here.send("DELETE", DEPARTURE, "").status(), 204);
        assertTrue(here.get("/api/session").json().at(LEAVES_AT).isNull());
        assertEquals(here.get("/api/students/" + ANDERS + "/board").status(), 200);
    }

    @Test(dependsOnMethods = "theWordHasToBeTypedAndItCanBeTakenBack")
    public void afterAWeekNothingOfTheStudentIsThereAndAllOfTheOthers() {
        TestClient tobias = tobias();
        ok(tobias.post(
                STUDENT + "/agreements",
                "{\"words\":\"Soil lab 5 is asked for\",\"who\":\"Mira Solheim\",\"due\":null,\"kept\":false}"));
        TestClient mira = mira();
        Map<String, Long> before = rowsNaming(ANDERS);
        long files = count("SELECT COUNT(*) FROM stored_file");
        assertTrue(rowsNaming(MIRA).size() > 10, "there is much to delete: " + rowsNaming(MIRA));
        ok(leave(mira, "delete"));
        clock(anders(), Duration.ofDays(6));
        assertEquals(mira.get(STUDENT + "/board").status(), 200, "a day is left");
        assertEquals(tobias.get("/api/household").json().get("students").size(), 2);

        clock(anders(), Duration.ofDays(1).plusHours(1));
        await().atMost(Duration.ofSeconds(20))
                .until(() -> count("SELECT COUNT(*) FROM person WHERE id = " + MIRA) == 0);
        assertEquals(rowsNaming(MIRA), Map.of());
        before.forEach((table, rows) -> assertTrue(rowsNaming(ANDERS).getOrDefault(table, 0L) >= rows, table));
        assertEquals(mira.get(STUDENT + "/board").status(), 401);
        assertEquals(tobias.get(STUDENT + "/board").status(), 403);
        assertEquals(tobias.get("/api/household").json().get("students").size(), 1);
        await().atMost(Duration.ofSeconds(20)).until(() -> count("SELECT COUNT(*) FROM stored_file") < files);
        assertEquals(anders().get("/api/students/" + ANDERS + "/board").status(), 200, "others don't notice");
        TestClient again = new TestClient(port);
        again.get("/api/session");
        assertEquals(
                again.signIn(TestSettings.MIRA, TestSettings.MIRAS_PASSWORD).status(), 401);
    }

    @Test(dependsOnMethods = "afterAWeekNothingOfTheStudentIsThereAndAllOfTheOthers")
    public void whatAGuardianWroteStaysTheStudents() {
        TestClient tobias = tobias();
        String agreements = "/api/students/" + ANDERS + "/agreements";
        ok(tobias.post(
                agreements, "{\"words\":\"Read on Sunday\",\"who\":\"Anders Solheim\",\"due\":null,\"kept\":false}"));
        long tobiasId = tobias.get("/api/session").json().at("/person/id").asLong();
        ok(leave(tobias, "delete"));
        clock(anders(), Duration.ofDays(8));
        await().atMost(Duration.ofSeconds(20)).until(() -> rowsNaming(tobiasId).isEmpty());
        assertTrue(
                anders().get("/api/students/" + ANDERS + "/meeting").body().contains("Read on Sunday"),
                "what was agreed stands");
        assertEquals(
                anders().get("/api/students/" + ANDERS + "/guardians")
                        .json()
                        .get("guardians")
                        .size(),
                0);
    }

    @Test(dependsOnMethods = "whatAGuardianWroteStaysTheStudents")
    public void whoAloneAdministersStaysUntilSomebodyElseDoes() {
        db.update("UPDATE person SET administrator = FALSE");
        db.update("UPDATE person SET administrator = TRUE WHERE id = ?", ANDERS);
        db.update("UPDATE instance SET first_person_id = ?", ANDERS);
        db.update("""
                INSERT INTO person (email, email_key, password_hash, name, role, zone, created_at)
                VALUES ('n@example.org', 'n@example.org', 'x', 'Nanna', 'STUDENT', 'UTC', CURRENT_TIMESTAMP)
                """);
        TestClient.Answer refused = leave(anders(), "delete");
        assertEquals(refused.status(), 409);
        assertTrue(refused.body().contains("somebody else an administrator"), refused.body());
        db.update("UPDATE person SET administrator = TRUE WHERE name = 'Nanna'");
        ok(leave(anders(), "delete"));
        db.update(
                "UPDATE person SET password_hash = (SELECT password_hash FROM person WHERE id = ?) WHERE name = 'Nanna'",
                ANDERS);
        TestClient nanna = TestClient.signedIn(port, "n@example.org", TestSettings.ANDERS_PASSWORD);
        assertEquals(leave(nanna, "delete").status(), 409, "who leaves administers no longer");
        List<Long> due = db.queryForList("SELECT id FROM person WHERE leaves_at IS NOT NULL", Long.class);
        assertEquals(due, List.of(ANDERS));
    }
}
