package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import app.navlo.school.college.Fault;
import app.navlo.school.college.School;
import app.navlo.server.http.StandIns;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.annotation.DirtiesContext;
import org.springframework.test.context.TestPropertySource;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What was confirmed stays, happens once, and both sides know it: with two tabs, two devices, a school that is cut off. */
@TestPropertySource(properties = {TestSettings.MEMORY, "navlo.feeds.follow-clock=false"})
@DirtiesContext
public class ConfirmedTest extends DemoServer {
    private static final String SITE = "Thornmere course site";
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final byte[] PDF = "%PDF-1.4\nsection\n%%EOF".getBytes(StandardCharsets.UTF_8);

    @Autowired
    private StandIns standIns;

    @AfterMethod
    public void healTheSchool() {
        standIns.college().fault(Fault.NONE);
    }

    private String atSchool(String method, String path, String body) throws Exception {
        HttpRequest request = HttpRequest.newBuilder(
                        URI.create(standIns.college().address() + "/site/v1/" + path))
                .header("Authorization", "Bearer " + School.THORNMERE.token())
                .header("Idempotency-Key", UUID.randomUUID().toString())
                .method(method, HttpRequest.BodyPublishers.ofString(body))
                .build();
        return HttpClient.newHttpClient()
                .send(request, HttpResponse.BodyHandlers.ofString())
                .body();
    }

    /** The kinds of all that the school knows of a piece of work, in order. */
    private List<String> knownAtSchool(String title) throws Exception {
        JsonNode record = JSON.readTree(atSchool("GET", "record?after=0", ""));
        String item = item(record, title);
        return record.get("deeds")
                .valueStream()
                .filter(deed -> deed.get("item").asString().equals(item))
                .map(deed -> deed.get("kind").asString())
                .toList();
    }

    private static String item(JsonNode record, String title) {
        return record.get("items")
                .valueStream()
                .filter(one -> one.get("title").asString().startsWith(title))
                .findFirst()
                .orElseThrow()
                .get("key")
                .asString();
    }

    private static String link(TestClient mira) {
        return STUDENT + "/links/"
                + mira.get(STUDENT + "/links")
                        .json()
                        .get("links")
                        .valueStream()
                        .filter(one -> one.get("name").asString().equals(SITE))
                        .findFirst()
                        .orElseThrow()
                        .get("id");
    }

    private static JsonNode detail(TestClient client, String title) {
        return client.get(path(work(client, title))).json();
    }

    private static TestClient.Answer save(TestClient client, JsonNode detail, String text) {
        String body = "{\"text\":\"" + text + "\",\"number\":" + detail.at("/draft/number") + "}";
        return client.send("PUT", path(detail.get("work")) + "/draft", body);
    }

    private static TestClient.Answer handInText(TestClient client, JsonNode detail) {
        return client.post(
                path(detail.get("work")) + "/hand-ins",
                handIn(detail, "TEXT"),
                "If-Match",
                version(detail.get("work")));
    }

    private static TestClient.Answer withdraw(TestClient client, String title) {
        JsonNode work = work(client, title);
        return client.post(path(work) + "/withdrawal", "", "If-Match", version(work));
    }

    @Test
    public void aWithdrawalReachesTheSchool() throws Exception {
        TestClient mira = mira();
        String title = "Depreciation of a greenhouse";
        TestClient.Answer taken = handInText(
                mira, save(mira, detail(mira, title), "Six years, straight.").json());
        assertEquals(taken.status(), 201, taken.body());
        assertEquals(withdraw(mira, title).status(), 201);
        assertEquals(work(mira, title).get("stage").asString(), "DRAFT");
        List<String> known = knownAtSchool(title);
        assertEquals(known.subList(known.size() - 2, known.size()), List.of("HANDED_IN", "WITHDRAWN"));
    }

    @Test
    public void whatWasHandedInAtTheSchoolItselfIsTakenBackThereToo() throws Exception {
        TestClient mira = mira();
        String title = "Wages and hours";
        JsonNode record = JSON.readTree(atSchool("GET", "record?after=0", ""));
        atSchool("POST", "hand-ins", "{\"item\":\"" + item(record, title) + "\",\"text\":\"On the site.\"}");
        assertEquals(mira.post(link(mira) + "/asking", "").status(), 200);
        assertEquals(work(mira, title).get("stage").asString(), "TURNED_IN");
        assertEquals(withdraw(mira, title).status(), 201);
        List<String> known = knownAtSchool(title);
        assertEquals(known.get(known.size() - 1), "WITHDRAWN");
        assertEquals(mira.post(link(mira) + "/asking", "").status(), 200);
        assertEquals(work(mira, title).get("stage").asString(), "DRAFT", "it isn't told of a second time");
    }

    @Test(dependsOnMethods = {"aWithdrawalReachesTheSchool", "whatWasHandedInAtTheSchoolItselfIsTakenBackThereToo"})
    public void whatTheSchoolCantBeToldIsRefusedInWords() throws Exception {
        TestClient mira = mira();
        String title = "Depreciation of a greenhouse";
        TestClient.Answer taken = handInText(
                mira, save(mira, detail(mira, title), "Ten years, straight.").json());
        assertEquals(taken.status(), 201, taken.body());
        pause(mira, true);
        TestClient.Answer refused = withdraw(mira, title);
        assertEquals(refused.status(), 409, refused.body());
        assertTrue(refused.body().contains("The school has it, and can't be told"), refused.body());
        pause(mira, false);
        standIns.college().fault(Fault.ERROR);
        TestClient.Answer unknown = withdraw(mira, title);
        assertEquals(unknown.status(), 503, unknown.body());
        assertTrue(unknown.body().contains(SITE), unknown.body());
        assertEquals(work(mira, title).get("stage").asString(), "TURNED_IN", "nothing counts before it is known");
        List<String> known = knownUnbroken(title);
        assertEquals(known.get(known.size() - 1), "HANDED_IN");
    }

    private List<String> knownUnbroken(String title) throws Exception {
        standIns.college().fault(Fault.NONE);
        return knownAtSchool(title);
    }

    private static void pause(TestClient mira, boolean paused) {
        TestClient.Answer answer = mira.send(
                "PUT",
                link(mira),
                "{\"name\":\"" + SITE + "\",\"paused\":" + paused + "}",
                "Idempotency-Key",
                UUID.randomUUID().toString());
        assertEquals(answer.status(), 200, answer.body());
    }

    @Test
    public void aSecondTabNeverWritesOverADraftInSilence() {
        TestClient mira = mira();
        TestClient phone = mira();
        String title = "Field notes: where the water";
        JsonNode seen = save(mira, detail(mira, title), "Dry by noon.").json();
        assertEquals(save(phone, seen, "Wet until evening.").status(), 200);
        TestClient.Answer late = save(mira, seen, "Dry by two.");
        assertEquals(late.status(), 412, late.body());
        assertEquals(late.json().at("/there/text").asString(), "Wet until evening.");
        assertEquals(detail(mira, title).at("/draft/text").asString(), "Wet until evening.");
        TestClient.Answer handedIn = handInText(mira, seen);
        assertEquals(handedIn.status(), 412, "what was confirmed isn't what lies there");
        assertEquals(work(mira, title).get("stage").asString(), "DRAFT");
        assertEquals(handInText(mira, detail(mira, title)).status(), 201);
        assertEquals(detail(mira, title).at("/handIns/0/text").asString(), "Wet until evening.");
    }

    @Test
    public void theSameTextOnceMoreIsNoConflict() {
        TestClient mira = mira();
        JsonNode seen =
                save(mira, detail(mira, "Sketchbook check 5"), "Eleven pages.").json();
        assertEquals(save(mira, seen, "Twelve pages.").status(), 200);
        assertEquals(save(mira, seen, "Twelve pages.").status(), 200, "a press again after a cut connection");
    }

    @Test
    public void aDoublePressUndoesOnceAndRedoBringsBackAll() throws Exception {
        TestClient mira = mira();
        int before = board(mira).get("works").size();
        TestClient.Answer imported = apply(mira, calendar(mira, 300));
        assertEquals(imported.status(), 201, imported.body());
        assertEquals(board(mira).get("works").size(), before + 300);
        long change = imported.json().get("change").asLong();
        List<TestClient.Answer> pressed = AtOnce.press(4, i -> undo(mira, change));
        assertEquals(
                pressed.stream().filter(one -> one.status() == 201).count(),
                1,
                pressed.stream().map(TestClient.Answer::body).toList().toString());
        pressed.forEach(one -> assertTrue(one.status() == 201 || one.status() == 409, one.body()));
        assertEquals(board(mira).get("works").size(), before);
        long undone = pressed.stream()
                .filter(one -> one.status() == 201)
                .findFirst()
                .orElseThrow()
                .json()
                .get("change")
                .asLong();
        assertEquals(undo(mira, undone).status(), 201);
        assertEquals(board(mira).get("works").size(), before + 300);
    }

    @Test(dependsOnMethods = "aDoublePressUndoesOnceAndRedoBringsBackAll")
    public void theSameAtTheSameTimeIsNeverAFault() throws Exception {
        TestClient mira = mira();
        JsonNode preview = calendar(mira, 301);
        List<Integer> imports = statuses(AtOnce.press(6, i -> apply(mira, preview)));
        assertEquals(imports.stream().filter(status -> status == 201).count(), 1, imports.toString());
        assertTrue(imports.stream().allMatch(status -> status < 500), imports.toString());

        List<JsonNode> works = board(mira)
                .get("works")
                .valueStream()
                .filter(work -> work.get("title").asString().startsWith("Row "))
                .toList();
        List<Integer> files =
                statuses(AtOnce.press(8, i -> mira.upload(path(works.get(i)) + "/draft/files", "same.pdf", PDF)));
        assertEquals(files.stream().distinct().toList(), List.of(200), files.toString());

        List<Integer> deeds =
                statuses(AtOnce.press(8, i -> mira.post(STUDENT + "/works/together", together(works, i))));
        assertEquals(deeds.stream().distinct().toList(), List.of(200), deeds.toString());
    }

    private static String together(List<JsonNode> works, int i) {
        List<Long> ids = new ArrayList<>(
                works.stream().map(work -> work.get("id").asLong()).toList());
        if (i % 2 == 1) {
            Collections.reverse(ids);
        }
        return "{\"works\":" + ids + ",\"back\":false,\"remove\":false,\"read\":false,\"effort\":{\"minutes\":"
                + (10 + i) + "}}";
    }

    private static List<Integer> statuses(List<TestClient.Answer> answers) {
        return answers.stream().map(TestClient.Answer::status).toList();
    }

    private static JsonNode calendar(TestClient mira, int rows) {
        StringBuilder events = new StringBuilder("BEGIN:VCALENDAR\nVERSION:2.0\nX-WR-CALNAME:Rows\n");
        for (int i = 0; i < rows; i++) {
            events.append("BEGIN:VEVENT\nUID:row")
                    .append(i)
                    .append("\nSUMMARY:Row ")
                    .append(i);
            events.append("\nDTSTART;VALUE=DATE:20261210\nEND:VEVENT\n");
        }
        byte[] file = events.append("END:VCALENDAR\n").toString().getBytes(StandardCharsets.UTF_8);
        return Imports.look(mira, "rows.ics", file);
    }

    private static TestClient.Answer apply(TestClient client, JsonNode preview) {
        return Imports.apply(client, preview);
    }
}
