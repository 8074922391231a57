package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;

import java.util.Optional;
import org.springframework.test.annotation.DirtiesContext;
import org.springframework.test.context.TestPropertySource;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** A day that is past is shown as it was known then: by when things were learnt, not by when they happened. */
@TestPropertySource(properties = {TestSettings.MEMORY, "navlo.feeds.follow-clock=false"})
@DirtiesContext
public class AsItWasTest extends DemoServer {
    private static final String BEFORE = "2026-11-23";
    private static final String FIRST = "2026-11-24";

    private static JsonNode then(TestClient mira, String day) {
        TestClient.Answer answer = mira.get(STUDENT + "/board?asof=" + day);
        assertEquals(answer.status(), 200, answer.body());
        return answer.json();
    }

    private static Optional<JsonNode> find(JsonNode board, String title) {
        return board.get("works")
                .valueStream()
                .filter(work -> work.get("title").asString().startsWith(title))
                .findFirst();
    }

    private static String stage(JsonNode board, String title) {
        return find(board, title).orElseThrow().get("stage").asString();
    }

    /** All but the number of the last change that touched each, which is of today. */
    private static String works(JsonNode board) {
        return board.get("works").toString().replaceAll("\"version\":\\d+", "");
    }

    private static String standing(JsonNode board) {
        return board.at("/courses/0/standing").toString();
    }

    @Test
    public void whatIsLearntLaterOrAddedLaterIsNotThereAndWhatIsRemovedLaterIs() {
        TestClient mira = mira();
        JsonNode before = then(mira, BEFORE);
        assertEquals(before.get("now").asString(), "2026-11-23T22:59:00Z");
        assertFalse(before.get("mayWrite").asBoolean());
        TestClient.Answer added = mira.post(STUDENT + "/works", """
                {"courseId":1,"title":"Turn the compost","kind":"PRACTICE","unit":null,"category":null,"required":false,
                 "opensDay":null,"dueDay":"2026-12-01","dueTime":null,"endsTime":null,"possible":null,"effortMinutes":30,
                 "instructions":""}
                """);
        assertEquals(added.status(), 201, added.body());
        JsonNode open = find(board(mira), "Soil lab 6").orElseThrow();
        String score = "{\"scores\":[{\"work\":" + open.get("id") + ",\"text\":\"17\",\"day\":\"2026-11-20\"}]}";
        assertEquals(mira.post(STUDENT + "/works/scores", score).status(), 200);
        assertEquals(
                find(board(mira), "Soil lab 6")
                        .orElseThrow()
                        .at("/score/points")
                        .asString(),
                "17");
        JsonNode stillBefore = then(mira, BEFORE);
        assertNotEquals(
                find(stillBefore, "Soil lab 6")
                        .orElseThrow()
                        .at("/score/points")
                        .asString(),
                "17");
        assertTrue(find(stillBefore, "Turn the compost").isEmpty());
        assertEquals(works(stillBefore), works(before));
        assertEquals(standing(stillBefore), standing(before));

        assertEquals(mira.post("/api/demo/clock", "{\"minutes\":1440}").status(), 200);
        JsonNode work = find(board(mira), "Turn the compost").orElseThrow();
        TestClient.Answer removed =
                mira.send("DELETE", path(work), "", "Idempotency-Key", "remove it", "If-Match", version(work));
        assertEquals(removed.status(), 200, removed.body());
        JsonNode first = then(mira, FIRST);
        assertTrue(find(first, "Turn the compost").isPresent(), "it stood there that day");
        assertEquals(find(first, "Soil lab 6").orElseThrow().at("/score/points").asString(), "17");
        assertTrue(find(board(mira), "Turn the compost").isEmpty());
        assertEquals(works(then(mira, BEFORE)), works(before), "a day that is past stays what it was");
    }

    @Test(dependsOnMethods = "whatIsLearntLaterOrAddedLaterIsNotThereAndWhatIsRemovedLaterIs")
    public void whatATeacherDoesTodayDoesNotChangeYesterday() {
        TestClient mira = mira();
        long site = mira.get(STUDENT + "/links").json().at("/links/0/id").asLong();
        JsonNode yesterday = then(mira, FIRST);
        String grade = STUDENT + "/courses/1/grade?asof=" + FIRST;
        String graded = mira.get(grade).body();
        String stage = stage(yesterday, "Contours from a grid");
        mira.post(STUDENT + "/links/" + site + "/asking", "");
        assertEquals(find(board(mira), "Worksheet 11").isPresent(), true);
        assertEquals(works(then(mira, FIRST)), works(yesterday));
        assertEquals(mira.get(grade).body(), graded);
        assertNotEquals(mira.get(STUDENT + "/courses/1/grade").body(), graded);
        assertEquals(stage(then(mira, FIRST), "Contours from a grid"), stage);
    }

    @Test(dependsOnMethods = "whatATeacherDoesTodayDoesNotChangeYesterday")
    public void aGuardianSeesTheSamePast() {
        assertEquals(works(then(tobias(), FIRST)), works(then(mira(), FIRST)));
    }

    @DataProvider
    public static Object[][] noPastDays() {
        return new Object[][] {{"2026-11-25", 422}, {"2027-01-01", 422}, {"yesterday", 400}, {"2026-13-01", 400}};
    }

    @Test(dataProvider = "noPastDays", dependsOnMethods = "aGuardianSeesTheSamePast")
    public void onlyADayThatIsPastCanBeLookedAt(String day, int status) {
        TestClient.Answer refused = mira().get(STUDENT + "/board?asof=" + day);
        assertEquals(refused.status(), status, refused.body());
        if (status == 422) {
            assertTrue(refused.fault().contains("past"), refused.body());
        }
    }
}
