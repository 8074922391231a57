package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** The rules of courses over HTTP: seeded, read, tried out, changed, undone; and what they do to the board. */
public class RulesTest extends DemoServer {
    private static JsonNode course(JsonNode board, String name) {
        for (JsonNode course : board.get("courses")) {
            if (course.get("name").asString().equals(name)) {
                return course;
            }
        }
        throw new IllegalArgumentException("no course is called " + name);
    }

    private static String rulesOf(JsonNode course) {
        return STUDENT + "/courses/" + course.get("id").asLong() + "/rules";
    }

    private static String figure(JsonNode course, String reading) {
        for (JsonNode one : course.at("/standing/readings")) {
            if (one.get("reading").asString().equals(reading)) {
                return one.get("figure").asString();
            }
        }
        return "";
    }

    private static JsonNode detail(TestClient client, String title) {
        return client.get(DemoServer.path(work(client, title))).json();
    }

    private static TestClient.Answer put(TestClient client, String path, JsonNode rules, long version) {
        return client.send(
                "PUT",
                path,
                rules.toString(),
                "If-Match",
                "\"" + version + "\"",
                "Idempotency-Key",
                UUID.randomUUID().toString());
    }

    @Test
    public void everyCourseOfTheDemoHasItsOwnSchemeAndReadings() {
        JsonNode board = board(mira());
        assertTrue(board.at("/counts/total").asInt() >= 130, board.get("counts").toString());
        List<String> kinds = new ArrayList<>();
        board.get("courses")
                .forEach(course -> kinds.add(course.at("/standing/kind").asString()));
        assertEquals(kinds, List.of("WEIGHTED", "COMPLETION", "WEIGHTED", "POINTS", "WEIGHTED", "STANDARDS"));
        assertEquals(course(board, "Soil Science").at("/standing/gradingDay").asString(), "WEDNESDAY");
        assertTrue(course(board, "Plant Identification")
                        .at("/standing/completion/below")
                        .size()
                > 0);
    }

    @Test
    public void aLatePenaltyIsTakenOffTheScoreThatIsShown() {
        JsonNode late = work(mira(), "Worksheet 4");
        assertEquals(late.at("/score/raw").asString(), "15");
        assertEquals(late.at("/score/points").asString(), "9");
    }

    @Test
    public void aLockSaysHowFarOffItIs() {
        JsonNode locked = work(mira(), "Unit test 3");
        assertEquals(locked.get("stage").asString(), "NOT_OPEN");
        List<String> locks = new ArrayList<>();
        detail(mira(), "Unit test 3").at("/worth/locks").forEach(lock -> locks.add(lock.asString()));
        assertTrue(locks.contains("Needs 85 % on Key 5: maples and their kin; now 73.33 %"), locks.toString());
    }

    @Test
    public void overdueWorkSaysWhatItLosesNowAndWhatIsNext() {
        JsonNode overdue = detail(mira(), "Worksheet 8");
        assertEquals(
                overdue.at("/worth/penalty").asString(),
                "Handed in now, it is late by 88 h: 4 days by this course’s count. It loses 8 of 20 points, 40 % in all");
        assertEquals(overdue.at("/costs/0/lost").asString(), "2");
        assertEquals(
                overdue.at("/costs")
                        .get(overdue.at("/costs").size() - 1)
                        .get("limit")
                        .asString(),
                "GRADING_CLOSE");
    }

    @Test
    public void ungradedWorkHasItsExpectedScoreImpactAndSafeBy() {
        JsonNode worth = detail(mira(), "Soil essay, second draft").get("worth");
        assertTrue(Double.parseDouble(worth.get("expectedPercent").asString()) > 50, worth.toString());
        assertTrue(Double.parseDouble(worth.get("impact").asString()) > 0, worth.toString());
        assertTrue(worth.at("/safeBy/because").asString().startsWith("Graded on Wednesdays"));
    }

    @Test
    public void theLowestLabIsDroppedAndSaysSo() {
        assertTrue(work(mira(), "Soil lab 3").get("dropped").asBoolean());
        assertTrue(detail(mira(), "Soil lab 3").at("/worth/droppedIn").size() > 0);
    }

    @Test
    public void aTrialShowsWhatOtherRulesWouldDoAndSavesNothing() {
        TestClient mira = mira();
        JsonNode survey = course(board(mira), "Surveying and Setting Out");
        JsonNode stored = mira.get(rulesOf(survey)).json();
        ObjectNode rules = (ObjectNode) stored.get("rules").deepCopy();
        ((ObjectNode) rules.get("late")).put("measure", "SPANS_24H");
        String form = "{\"possible\":20,\"earned\":17,\"hoursLate\":25,\"rules\":" + rules + "}";
        JsonNode trial = mira.post(rulesOf(survey) + "/trial", form).json();
        assertTrue(
                trial.get("late").asString().startsWith("Handed in 25 h late you’d keep 13 of 17."), trial.toString());
        assertEquals(mira.get(rulesOf(survey)).json().get("rules"), stored.get("rules"));
    }

    @Test
    public void rulesThatTheCoreRefusesAreSaidByField() {
        TestClient mira = mira();
        JsonNode soil = course(board(mira), "Soil Science");
        JsonNode stored = mira.get(rulesOf(soil)).json();
        ObjectNode rules = (ObjectNode) stored.get("rules").deepCopy();
        ((ObjectNode) rules.get("late")).put("percent", "140");
        ((ObjectNode) rules.at("/grade/categories/1")).put("name", "Labs");
        rules.put("soonHours", -1);
        TestClient.Answer answer =
                put(mira, rulesOf(soil), rules, stored.get("version").asLong());
        assertEquals(answer.status(), 422);
        List<String> fields = new ArrayList<>();
        answer.json()
                .get("faults")
                .forEach(fault -> fields.add(fault.get("field").asString()));
        assertEquals(fields, List.of("soonHours", "late.percent", "grade.categories[1].name"), answer.body());
        assertEquals(mira.get(rulesOf(soil)).json().get("rules"), stored.get("rules"));
    }

    @Test
    public void changedRulesMoveTheReadingsAndAnUndoMovesThemBack() {
        TestClient mira = mira();
        JsonNode before = course(board(mira), "Nursery Bookkeeping");
        JsonNode stored = mira.get(rulesOf(before)).json();
        ObjectNode rules = (ObjectNode) stored.get("rules").deepCopy();
        ((ObjectNode) rules.get("grade")).put("kind", "POINTS");
        long version = stored.get("version").asLong();
        TestClient.Answer done = put(mira, rulesOf(before), rules, version);
        assertEquals(done.status(), 200, done.body());
        assertNotEquals(figure(course(board(mira), "Nursery Bookkeeping"), "SO_FAR"), figure(before, "SO_FAR"));
        assertEquals(put(mira, rulesOf(before), rules, version).status(), 412);
        String undo = STUDENT + "/changes/" + done.json().get("change").asLong() + "/undo";
        assertEquals(mira.post(undo, "").status(), 201);
        assertEquals(course(board(mira), "Nursery Bookkeeping").get("standing"), before.get("standing"));
    }

    @Test
    public void aGuardianReadsTheRulesAndChangesNone() {
        TestClient tobias = tobias();
        JsonNode soil = course(board(tobias), "Soil Science");
        JsonNode stored = tobias.get(rulesOf(soil)).json();
        assertTrue(stored.at("/trial/policy").asString().startsWith("Late costs 10 % of the points possible"));
        assertEquals(put(tobias, rulesOf(soil), stored.get("rules"), 1).status(), 403);
    }
}
