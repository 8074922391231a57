package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.test.annotation.DirtiesContext;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Calendar files read in over HTTP: looked at, applied whole, repeated, undone. */
@DirtiesContext
public class ImportTest extends DemoServer {
    private static String event(String uid, String title, String date, String... more) {
        return Stream.concat(
                        Stream.of("BEGIN:VEVENT", "UID:" + uid, "SUMMARY:" + title, "DTSTART;VALUE=DATE:" + date),
                        Stream.concat(Stream.of(more), Stream.of("END:VEVENT")))
                .collect(Collectors.joining("\n"));
    }

    private static byte[] calendar(String name, String... events) {
        return ("BEGIN:VCALENDAR\nVERSION:2.0\nX-WR-CALNAME:" + name + "\n" + String.join("\n", events)
                        + "\nEND:VCALENDAR\n")
                .getBytes(StandardCharsets.UTF_8);
    }

    private static JsonNode look(TestClient client, byte[] file) {
        return Imports.look(client, "term.ics", file);
    }

    private static TestClient.Answer apply(TestClient client, JsonNode preview) {
        return Imports.apply(client, preview);
    }

    private static Map<String, String> statuses(JsonNode preview) {
        return Imports.statuses(preview);
    }

    private static int total(TestClient client) {
        return board(client).at("/counts/total").asInt();
    }

    @Test
    public void aCalendarIsReadInChangedAndReadInAgainWithoutDoubling() {
        TestClient mira = mira();
        int before = total(mira);
        byte[] first = calendar(
                "Garden History",
                event("h1", "Essay", "20261201"),
                event("h2", "Quiz: parterres", "20261203"),
                event("h3", "Visit", "20261210"));
        JsonNode preview = look(mira, first);
        assertEquals(statuses(preview), Map.of("Essay", "NEW", "Quiz: parterres", "NEW", "Visit", "NEW"));
        assertEquals(total(mira), before, "looking changes nothing");

        TestClient.Answer applied = apply(mira, preview);
        assertEquals(applied.json().get("added").asInt(), 3, applied.body());
        assertEquals(total(mira), before + 3);
        assertEquals(work(mira, "Quiz: parterres").get("kind").asString(), "QUIZ");

        JsonNode again = look(mira, first);
        assertTrue(statuses(again).values().stream().allMatch("SAME"::equals), again.toString());
        assertEquals(apply(mira, again).status(), 409, "nothing to apply");

        byte[] second = calendar(
                "Garden History",
                event("h1", "Essay", "20261202"),
                event("h2", "Quiz: parterres", "20261203", "STATUS:CANCELLED"),
                event("h4", "Exam", "20261217"));
        JsonNode changed = look(mira, second);
        assertEquals(
                statuses(changed),
                Map.of("Essay", "CHANGED", "Quiz: parterres", "GONE", "Exam", "NEW", "Visit", "GONE"));
        JsonNode counts = apply(mira, changed).json();
        assertEquals(total(mira), before + 2);
        assertEquals(work(mira, "Essay").get("dueDay").asString(), "2026-12-02");

        assertEquals(undo(mira, counts.get("change").asLong()).status(), 201);
        assertEquals(total(mira), before + 3);
        assertEquals(work(mira, "Essay").get("dueDay").asString(), "2026-12-01");
    }

    @Test
    public void workOnWhichSomethingWasDoneStays() {
        TestClient mira = mira();
        apply(mira, look(mira, calendar("Paths", event("p1", "Gravel", "20261201"), event("p2", "Steps", "20261205"))));
        JsonNode work = work(mira, "Gravel");
        mira.post(
                path(work) + "/hand-ins",
                "{\"content\":\"DONE\",\"files\":[],\"note\":null}",
                "If-Match",
                version(work));
        JsonNode preview =
                look(mira, calendar("Paths", event("p0", "Edges", "20261130"), event("p2", "Steps", "20261205")));
        assertEquals(statuses(preview).get("Gravel"), "KEPT");
    }

    @Test
    public void whatLiesOutsideTheSpanOfTheFileIsNotTakenForGone() {
        TestClient mira = mira();
        apply(mira, look(mira, calendar("Walls", event("w1", "Brick", "20261201"), event("w2", "Flint", "20261211"))));
        JsonNode preview =
                look(mira, calendar("Walls", event("w2", "Flint", "20261211"), event("w3", "Lime", "20261214")));
        assertEquals(statuses(preview), Map.of("Flint", "SAME", "Lime", "NEW"));
    }

    @Test
    public void aPreviewThatIsNoLongerTrueIsNotApplied() {
        TestClient mira = mira();
        byte[] file = calendar("Ponds", event("o1", "Liner", "20261201"));
        JsonNode one = look(mira, file);
        JsonNode other = look(mira, file);
        assertEquals(apply(mira, one).status(), 201);
        int after = total(mira);
        assertEquals(apply(mira, other).status(), 412);
        assertEquals(total(mira), after);
    }

    @Test
    public void whatALeftAsideEventWasIsRemembered() {
        TestClient mira = mira();
        byte[] file = calendar("Hedges", event("e1", "Yew", "20261201"), event("e2", "Privet", "20261202"));
        JsonNode preview = look(mira, file);
        JsonNode without = Imports.again(mira, preview, "{\"rows\":[{\"key\":\"e2\",\"take\":false}]}");
        assertEquals(statuses(without), Map.of("Yew", "NEW", "Privet", "ASIDE"));
        TestClient.Answer applied = apply(mira, without);
        assertEquals(applied.status(), 201, applied.body());
        assertEquals(statuses(look(mira, file)), Map.of("Yew", "SAME", "Privet", "ASIDE"));
    }

    @Test
    public void aCategoryThatNamesACourseLeadsIntoIt() {
        TestClient mira = mira();
        apply(mira, look(mira, calendar("All", event("a1", "Humus", "20261201", "CATEGORIES:Soil Science"))));
        assertEquals(
                work(mira, "Humus").get("courseId").asLong(),
                work(mira, "Soil lab 1").get("courseId").asLong());
    }

    @DataProvider
    public static Object[][] badFiles() {
        return new Object[][] {
            {"<html>signed out</html>".getBytes(StandardCharsets.UTF_8), 422},
            {new byte[0], 422},
            {"BEGIN:VCALENDAR\nBEGIN:VEVENT\n".getBytes(StandardCharsets.UTF_8), 422},
            {new byte[6 << 20], 413},
        };
    }

    @Test(dataProvider = "badFiles")
    public void aBadFileIsRefusedInWordsAndChangesNothing(byte[] file, int status) {
        TestClient mira = mira();
        int before = total(mira);
        TestClient.Answer answer = mira.upload(STUDENT + "/imports", "bad.ics", file);
        assertEquals(answer.status(), status, answer.body());
        assertTrue(answer.fault().length() > 20, answer.body());
        assertEquals(total(mira), before);
    }
}
