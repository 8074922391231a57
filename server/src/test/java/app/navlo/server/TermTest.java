package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.springframework.test.context.TestPropertySource;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Terms and courses of one's own: begun, changed, closed and kept to look at; everything undone. */
@TestPropertySource(properties = "navlo.own=TermTest")
public class TermTest extends OwnServer {
    private static final LocalDate TODAY = LocalDate.now();

    private static Map<String, Object> term(String name, LocalDate first, LocalDate last) {
        return Map.of(
                "name", name,
                "school", "Fernbank",
                "zone", "Europe/Copenhagen",
                "firstDay", first.toString(),
                "lastDay", last.toString(),
                "daysOff",
                        List.of(Map.of(
                                "first",
                                first.plusDays(30).toString(),
                                "last",
                                first.plusDays(34).toString(),
                                "name",
                                "Break")),
                "closes", List.of(Map.of("name", "", "day", last.toString(), "time", "12:00:00")));
    }

    private JsonNode terms() {
        return asta.get(STUDENT + "/terms").json();
    }

    private List<String> unknown() {
        return board().get("unknown")
                .valueStream()
                .map(one -> one.get("what").asString())
                .toList();
    }

    @Test
    public void aTermIsBegunChangedClosedAndKeptToLookAt() {
        long botany = addCourse("Botany");
        assertTrue(unknown().contains("TERM"));
        LocalDate first = TODAY.minusDays(60);
        JsonNode begun = post("/terms", Map.of("term", term("Autumn", first, TODAY.plusDays(30)), "closing", false));
        assertFalse(unknown().contains("TERM"));
        assertEquals(terms().at("/courses/0/term").asLong(), begun.get("id").asLong(), "what had no term joined it");
        assertEquals(board().at("/term/name").asString(), "Autumn");
        JsonNode stored = terms().at("/terms/0");
        assertEquals(
                stored.at("/closes/0/name").asString(), "Autumn", "a close is called as its term is, if nobody says");

        Map<String, Object> longer = term("Autumn term", first, TODAY.plusDays(40));
        assertEquals(put("/terms/" + begun.get("id"), longer, "999999").status(), 412, "another version");
        TestClient.Answer changed =
                put("/terms/" + begun.get("id"), longer, stored.get("version").toString());
        assertEquals(changed.status(), 200, changed.body());
        assertEquals(board().at("/term/lastDay").asString(), TODAY.plusDays(40).toString());
        undo(changed.json());
        assertEquals(board().at("/term/lastDay").asString(), TODAY.plusDays(30).toString());

        int before = board().at("/counts/total").asInt();
        ok(asta.post(STUDENT + "/works/several", "{\"works\":[" + work(botany, "Leaf") + "]}"));
        assertEquals(board().at("/counts/total").asInt(), before + 1);
        JsonNode next = post("/terms", Map.of("term", term("Spring", TODAY, TODAY.plusDays(90)), "closing", true));
        assertEquals(board().at("/counts/total").asInt(), 0, "its courses are out of every count");
        assertEquals(board().at("/term/name").asString(), "Spring");
        JsonNode kept = asta.get(STUDENT + "/board/closed").json();
        assertTrue(kept.get("works").toString().contains("Leaf"));
        assertEquals(kept.at("/courses/0/standing/printed").asString(), "SO_FAR");
        assertEquals(addCourse("Botany") > botany, true, "its name is free again");
        undo(next);
        assertEquals(board().at("/term/name").asString(), "Autumn");
    }

    static String work(long course, String title) {
        return """
                {"courseId":%d,"title":"%s","kind":"ASSIGNMENT","unit":null,"category":null,"required":true,"opensDay":null,
                 "dueDay":"%s","dueTime":null,"endsTime":null,"possible":"20","effortMinutes":30,"address":null,
                 "instructions":""}""".formatted(course, title, TODAY.plusDays(2));
    }

    @DataProvider
    public static Object[][] wrong() {
        LocalDate first = TODAY;
        return new Object[][] {
            {term("T", first, first.minusDays(1)), "term.lastDay", "ends before it begins"},
            {term("T", first, first.plusYears(9)), "term.lastDay", "is the year right"},
        };
    }

    @Test(dataProvider = "wrong")
    public void whatCannotBeATermIsRefusedByField(Map<String, Object> term, String field, String words) {
        TestClient.Answer refused =
                asta.post(STUDENT + "/terms", JSON.writeValueAsString(Map.of("term", term, "closing", false)));
        assertEquals(refused.status(), 422, refused.body());
        assertTrue(refused.body().contains(words), refused.body());
    }

    @Test
    public void holidaysAreReadOutOfACalendarAndNothingIsWritten() {
        String calendar = """
                BEGIN:VCALENDAR
                BEGIN:VEVENT
                UID:1
                SUMMARY:Autumn break
                DTSTART;VALUE=DATE:20261012
                DTEND;VALUE=DATE:20261017
                END:VEVENT
                BEGIN:VEVENT
                UID:2
                SUMMARY:Staff meeting
                DTSTART:20261020T080000Z
                DTEND:20261020T090000Z
                END:VEVENT
                END:VCALENDAR
                """;
        TestClient.Answer answer = asta.upload(STUDENT + "/terms/holidays", "holidays.ics", calendar.getBytes());
        assertEquals(answer.json().size(), 1, answer.body());
        assertEquals(answer.json().at("/0/first").asString(), "2026-10-12");
        assertEquals(answer.json().at("/0/last").asString(), "2026-10-16");
        assertEquals(
                asta.upload(STUDENT + "/terms/holidays", "x.ics", "x".getBytes())
                        .status(),
                422);
    }

    @Test
    public void aCourseIsNamedOtherwiseCopiedClosedAndRemovedWithItsWork() {
        long drawing = addCourse("Drawing");
        ok(asta.post(STUDENT + "/works/several", "{\"works\":[" + work(drawing, "Sketch") + "]}"));
        String version = version(drawing);
        TestClient.Answer renamed = asta.send(
                "PUT",
                STUDENT + "/courses/" + drawing,
                course("Life Drawing").replace("\"teacher\":null", "\"teacher\":\"Ms Arden\""),
                "If-Match",
                "\"" + version + "\"",
                "Idempotency-Key",
                "rename drawing");
        assertEquals(renamed.status(), 200, renamed.body());
        assertTrue(terms().toString().contains("Ms Arden"));
        undo(renamed.json());
        assertFalse(terms().toString().contains("Ms Arden"));

        JsonNode late = ok(asta.send(
                "PUT",
                STUDENT + "/courses/late",
                "{\"courses\":[" + drawing + "],\"late\":{\"graceMinutes\":0,\"kind\":\"PER_DAY\",\"percent\":\"10\"}}",
                "Idempotency-Key",
                "late drawing"));
        assertEquals(rules(drawing).at("/rules/late/kind").asString(), "PER_DAY");
        long copy = ok(asta.post(
                        STUDENT + "/courses", course("Painting").replace("\"rulesOf\":null", "\"rulesOf\":" + drawing)))
                .get("id")
                .asLong();
        assertEquals(rules(copy).at("/rules/late/percent").asString(), "10", "copied with its rules");
        undo(late);
        assertEquals(rules(drawing).at("/rules/late/kind").asString(), "UNKNOWN");

        int before = board().at("/counts/total").asInt();
        JsonNode closed = put("/courses/" + drawing + "/closing", Map.of("closed", true), version(drawing))
                .json();
        assertEquals(board().at("/counts/total").asInt(), before - 1);
        undo(closed);
        JsonNode removed = ok(asta.send(
                "DELETE",
                STUDENT + "/courses/" + drawing,
                "",
                "If-Match",
                "\"" + version(drawing) + "\"",
                "Idempotency-Key",
                "remove drawing"));
        assertEquals(board().at("/counts/total").asInt(), before - 1);
        undo(removed);
        assertEquals(board().at("/counts/total").asInt(), before);
    }

    private JsonNode rules(long course) {
        return asta.get(STUDENT + "/courses/" + course + "/rules").json();
    }

    private String version(long course) {
        return terms().get("courses")
                .valueStream()
                .filter(one -> one.get("id").asLong() == course)
                .findFirst()
                .orElseThrow()
                .get("version")
                .toString();
    }

    @Test
    public void whatIsNotKnownIsAskedForUntilItIsPutAside() {
        assertTrue(unknown().contains("HOURS"));
        JsonNode aside = post("/terms/unknown/aside", Map.of("what", "HOURS"));
        assertFalse(unknown().contains("HOURS"));
        undo(aside);
        assertTrue(unknown().contains("HOURS"));
    }

    @Test
    public void aPersonChangesTheirNameZoneAndFormats() {
        TestClient.Answer changed = asta.send(
                "PUT",
                "/api/people/me",
                "{\"name\":\"Asta Holm\",\"email\":\"asta@example.org\",\"zone\":\"Europe/Oslo\",\"hour12\":true,\"firstWeekday\":7,\"dateOrder\":\"MONTH_FIRST\"}");
        assertEquals(changed.status(), 200, changed.body());
        JsonNode person = asta.get("/api/session").json().get("person");
        assertEquals(person.get("name").asString(), "Asta Holm");
        assertTrue(person.at("/formats/hour12").asBoolean());
        assertEquals(
                asta.send("PUT", "/api/people/me", "{\"name\":\"A\",\"email\":\"a@b.example\",\"zone\":\"Nowhere\"}")
                        .status(),
                422);
    }
}
