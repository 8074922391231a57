package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.util.HashMap;
import java.util.Map;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** A course's grade over HTTP: down to its terms, what would be if, targets, scenarios, the term so far. */
public class GradeTest extends DemoServer {
    private static String grade(long course) {
        return STUDENT + "/courses/" + course + "/grade";
    }

    private static final String NOTHING = "{\"changes\":[],\"added\":[]}";

    private static JsonNode reading(JsonNode grade, String reading) {
        return grade.get("readings")
                .valueStream()
                .filter(one -> one.get("reading").asString().equals(reading))
                .findFirst()
                .orElseThrow();
    }

    /** Of all six courses: what is unfolded is what the board says, and adds up. */
    @Test
    public void theTermsAddUpToTheReadingsOfTheBoard() {
        TestClient mira = mira();
        int added = 0;
        for (JsonNode course : board(mira).get("courses")) {
            JsonNode grade = mira.get(grade(course.get("id").asLong())).json();
            Map<String, JsonNode> onBoard = new HashMap<>();
            course.at("/standing/readings")
                    .forEach(one -> onBoard.put(one.get("reading").asString(), one.get("figure")));
            for (JsonNode one : grade.get("readings")) {
                assertEquals(one.get("figure"), onBoard.get(one.get("reading").asString()), course.toString());
                double sum = 0;
                boolean weighted = false;
                for (JsonNode part : one.get("parts")) {
                    weighted = weighted || !part.get("weight").isNull();
                    if (!part.get("weight").isNull() && !part.get("figure").isNull()) {
                        sum += part.get("weight").asDouble()
                                * part.get("figure").asDouble()
                                / 100;
                    }
                }
                if (weighted && !one.get("figure").isNull()) {
                    assertEquals(sum, one.get("figure").asDouble(), 1e-3);
                    added++;
                }
            }
        }
        assertTrue(added >= 12, added + " readings added up");
    }

    @Test
    public void anotherScoreMovesEveryReadingAndKeepsNothing() {
        TestClient mira = mira();
        JsonNode lab = work(mira, "Soil lab 3");
        long course = lab.get("courseId").asLong();
        JsonNode before = mira.get(grade(course)).json();
        String change =
                "{\"changes\":[{\"work\":%d,\"points\":\"50\",\"excused\":null,\"handedIn\":null}],\"added\":[]}"
                        .formatted(lab.get("id").asLong());
        JsonNode after = mira.post(grade(course) + "/what-if", change).json();
        BigDecimal was = new BigDecimal(reading(before, "SO_FAR").get("figure").asString());
        BigDecimal is = new BigDecimal(reading(after, "SO_FAR").get("figure").asString());
        assertTrue(is.compareTo(was) > 0, was + " to " + is);
        assertEquals(mira.get(grade(course)).json(), before);
        String more = "{\"changes\":[],\"added\":[{\"name\":\"Extra test\",\"category\":\"%s\",\"standards\":[],"
                        .formatted(before.at("/readings/0/parts/0/id").asString())
                + "\"possible\":\"50\",\"points\":\"0\"}]}";
        JsonNode with = mira.post(grade(course) + "/what-if", more).json();
        assertEquals(with.get("items").size(), before.get("items").size() + 1);
        assertTrue(new BigDecimal(reading(with, "SO_FAR").get("figure").asString()).compareTo(was) < 0);
    }

    @DataProvider
    public static Object[][] wrong() {
        String change =
                "{\"changes\":[{\"work\":%s,\"points\":\"%s\",\"excused\":null,\"handedIn\":null}],\"added\":[]}";
        return new Object[][] {
            {change.formatted("1", "-5"), "Write a number"},
            {change.formatted("1", "much"), "Write a number"},
            {change.formatted("99999", "5"), "of this course"},
            {change.formatted("null", "5"), "which piece"},
        };
    }

    @Test(dataProvider = "wrong")
    public void whatCannotBeIsRefusedByName(String whatIf, String words) {
        TestClient.Answer refused = mira().post(grade(1) + "/what-if", whatIf);
        assertEquals(refused.status(), 422, refused.body());
        assertTrue(refused.body().contains(words), refused.body());
    }

    @Test
    public void aTargetSaysTheLeastPercentOrTheMost() {
        TestClient mira = mira();
        String asked = "{\"whatIf\":" + NOTHING + ",\"target\":\"%s\",\"on\":%s}";
        JsonNode within =
                mira.post(grade(1) + "/target", asked.formatted("80", "null")).json();
        double percent = within.get("percent").asDouble();
        assertTrue(percent > 0 && percent < 100, within.toString());
        assertTrue(!within.get("carry").isEmpty(), within.toString());
        JsonNode out =
                mira.post(grade(1) + "/target", asked.formatted("99.9", "null")).json();
        assertTrue(out.get("percent").isNull());
        double most = out.get("atMost").asDouble();
        double ceiling =
                reading(mira.get(grade(1)).json(), "CEILING").get("figure").asDouble();
        assertTrue(most <= ceiling && most > ceiling - 1, most + "; the ceiling counts redos too: " + ceiling);
        long scored = work(mira, "Soil lab 1").get("id").asLong();
        JsonNode why =
                mira.post(grade(1) + "/target", asked.formatted("80", scored)).json();
        assertTrue(why.get("percent").isNull());
        assertTrue(why.get("why").asString().startsWith("Its score can't change"), why.toString());
    }

    @Test
    public void theTermSoFarEndsWithToday() {
        TestClient mira = mira();
        JsonNode trend = mira.get(grade(1) + "/trend").json();
        assertTrue(trend.size() > 8, trend.size() + " days");
        JsonNode today = trend.get(trend.size() - 1);
        JsonNode now = reading(mira.get(grade(1)).json(), "SO_FAR");
        String figure = today.get("figures")
                .valueStream()
                .filter(one -> one.get("reading").asString().equals("SO_FAR"))
                .findFirst()
                .orElseThrow()
                .get("figure")
                .asString();
        assertEquals(figure, now.get("figure").asString());
    }

    @Test
    public void aScenarioIsKeptByNameOnceThrownAwayAndBroughtBack() {
        TestClient mira = mira();
        String kept = "{\"name\":\"If all goes well\",\"whatIf\":{\"changes\":[{\"work\":1,\"points\":\"50\","
                + "\"excused\":null,\"handedIn\":null}],\"added\":[]}}";
        TestClient.Answer first = mira.post(grade(1) + "/scenarios", kept);
        assertEquals(first.status(), 201, first.body());
        assertEquals(mira.post(grade(1) + "/scenarios", kept).status(), 422, "the name is taken");
        JsonNode one = mira.get(grade(1) + "/scenarios").json().get(0);
        assertEquals(one.at("/whatIf/changes/0/points").asString(), "50");
        TestClient.Answer gone = mira.send(
                "DELETE",
                grade(1) + "/scenarios/" + one.get("id").asLong(),
                "",
                "Idempotency-Key",
                "s" + System.nanoTime());
        assertEquals(mira.get(grade(1) + "/scenarios").json().size(), 0);
        long change = gone.json().get("change").asLong();
        assertEquals(mira.post(STUDENT + "/changes/" + change + "/undo", "").status(), 201);
        assertEquals(mira.get(grade(1) + "/scenarios").json().size(), 1);
        long added = first.json().get("change").asLong();
        assertEquals(mira.post(STUDENT + "/changes/" + added + "/undo", "").status(), 201);
        assertEquals(mira.get(grade(1) + "/scenarios").json().size(), 0);
    }

    @Test
    public void aCourseByCompletionNamesWhatIsLeftAndHasNoFigure() {
        TestClient mira = mira();
        long course = board(mira)
                .get("courses")
                .valueStream()
                .filter(one -> one.at("/standing/kind").asString().equals("COMPLETION"))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asLong();
        JsonNode grade = mira.get(grade(course)).json();
        assertTrue(grade.get("undone").size() > 3, grade.get("undone").toString());
        grade.get("readings").forEach(one -> assertTrue(one.get("figure").isNull()));
        assertNotEquals(mira.get(grade(999)).status(), 200);
    }

    @Test
    public void theMeanOfTheTermSaysWhatItTakesOrThatItIsOutOfReach() {
        TestClient mira = mira();
        double expected = mira.get(STUDENT + "/mean").json().get("expected").asDouble();
        JsonNode more =
                mira.get(STUDENT + "/mean?target=" + Math.floor(expected + 1)).json();
        assertTrue(more.get("percent").asDouble() > 50, more.toString());
        assertTrue(mira.get(STUDENT + "/mean?target=99.9").json().get("percent").isNull());
        assertEquals(mira.get(STUDENT + "/mean?target=-1").status(), 422);
    }
}
