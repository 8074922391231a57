package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.test.context.TestPropertySource;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Who administers a Navlo: its people and who sees whose work, and nothing of the work itself. */
@TestPropertySource(properties = {"navlo.own=AdministrationTest", "navlo.quota=1MB"})
public class AdministrationTest extends OwnServer {
    private static final String ALL = "/api/administration";
    private static final String PEOPLE = ALL + "/people/";

    @Autowired
    private JdbcTemplate db;

    private TestClient bo;
    private TestClient cille;
    private TestClient guardian;

    @BeforeClass(dependsOnMethods = "signUp")
    public void others() {
        bo = joined(invitation("STUDENT"), "Bo");
        cille = joined(invitation("STUDENT"), "Cille");
        String secret = bo.post("/api/students/" + id("Bo") + "/guardians/invitations", "")
                .json()
                .get("secret")
                .asString();
        guardian = joined(secret, "Gudrun");
    }

    private long id(String name) {
        return db.queryForObject("SELECT id FROM person WHERE name = ?", Long.class, name);
    }

    private JsonNode seen(String query) {
        return ok(asta.get(ALL + query));
    }

    private static JsonNode entry(JsonNode view, String name) {
        return view.get("found")
                .valueStream()
                .filter(one -> one.at("/person/name").asString().equals(name))
                .findFirst()
                .orElseThrow();
    }

    private static List<String> names(JsonNode people, String pointer) {
        return people.valueStream().map(one -> one.at(pointer).asString()).toList();
    }

    private TestClient.Answer set(TestClient who, String name, boolean administrator, boolean disabled) {
        return who.send(
                "PUT", PEOPLE + id(name), "{\"administrator\":" + administrator + ",\"disabled\":" + disabled + "}");
    }

    @Test
    public void itsPeopleAreListedWithWhoSeesWhom() {
        JsonNode all = seen("");
        assertEquals(all.get("people").asLong(), 4);
        assertEquals(names(all.get("found"), "/person/name"), List.of("Asta", "Bo", "Cille", "Gudrun"));
        assertTrue(entry(all, "Asta").at("/person/administrator").asBoolean());
        assertEquals(names(entry(all, "Bo").get("seenBy"), "/name"), List.of("Gudrun"));
        assertEquals(names(entry(all, "Gudrun").get("sees"), "/name"), List.of("Bo"));
        assertEquals(all.get("signUp").asString(), "FIRST");
        assertTrue(all.at("/space/freeBytes").asLong() > 0);
        assertFalse(all.toString().contains("hash"), "no password in any form");
    }

    @DataProvider
    public Object[][] sought() {
        return new Object[][] {
            {"cil", List.of("Cille")},
            {"GUDRUN@example", List.of("Gudrun")},
            {"example.org", List.of("Asta", "Bo", "Cille", "Gudrun")},
            {"%25", List.of()},
            {"_", List.of()},
        };
    }

    /** Signs of a pattern are letters like others. */
    @Test(dataProvider = "sought")
    public void peopleAreFoundByNameAndAddress(String text, List<String> found) {
        assertEquals(names(seen("?q=" + text).get("found"), "/person/name"), found);
    }

    /** The files of a student count as often as the student has them; their contents once. */
    @Test
    public void spaceIsCounted() {
        long before = seen("").at("/space/filesBytes").asLong();
        long course = bo.post("/api/students/" + id("Bo") + "/courses", course("Paper"))
                .json()
                .get("id")
                .asLong();
        long work = bo.post("/api/students/" + id("Bo") + "/works", TermTest.work(course, "Sketch"))
                .json()
                .get("id")
                .asLong();
        byte[] file = "a sketch of a gate".getBytes(StandardCharsets.UTF_8);
        TestClient.Answer up =
                bo.upload("/api/students/" + id("Bo") + "/works/" + work + "/draft/files", "gate.txt", file);
        assertTrue(up.status() < 300, up.body());
        JsonNode after = seen("");
        assertEquals(entry(after, "Bo").at("/person/bytes").asLong(), file.length);
        assertEquals(after.at("/space/filesBytes").asLong(), before + file.length);
        assertEquals(entry(after, "Cille").at("/person/bytes").asLong(), 0);
    }

    private static byte[] letters(char letter, int many) {
        return String.valueOf(letter).repeat(many).getBytes(StandardCharsets.UTF_8);
    }

    /** Files beyond it are refused with what there is to do, and nothing of them is kept. */
    @Test(dependsOnMethods = "spaceIsCounted")
    public void aStudentsFilesStayWithinTheirQuota() {
        assertEquals(seen("").at("/space/quotaBytes").asLong(), 1L << 20);
        long course = cille.post("/api/students/" + id("Cille") + "/courses", course("Clay"))
                .json()
                .get("id")
                .asLong();
        String works = "/api/students/" + id("Cille") + "/works";
        long work = cille.post(works, TermTest.work(course, "Kiln"))
                .json()
                .get("id")
                .asLong();
        String comments = works + "/" + work + "/comments";
        TestClient.Answer first = cille.postForm(
                comments, "{\"text\":\"One\"}", new TestClient.Part("files", "one.txt", letters('a', 700_000)));
        assertEquals(first.status(), 201, first.body());
        TestClient.Answer second = cille.postForm(
                comments, "{\"text\":\"Two\"}", new TestClient.Part("files", "two.txt", letters('b', 700_000)));
        assertEquals(second.status(), 507, second.body());
        assertEquals(second.json().at("/faults/0/field").asString(), "file");
        assertTrue(second.body().contains("Your files take 1 of 1 MB here"), second.body());
        TestClient.Answer small = cille.postForm(
                comments, "{\"text\":\"Three\"}", new TestClient.Part("files", "three.txt", letters('c', 1_000)));
        assertEquals(small.status(), 201, small.body());
    }

    @Test
    public void itSaysWhetherItIsWellAndMakesNoCopyOfWhatIsInMemory() {
        JsonNode view = seen("");
        assertTrue(view.at("/health/up").asBoolean(), view.toString());
        assertEquals(view.at("/health/why").size(), 0);
        assertTrue(view.at("/health/counts/sessions").asLong() >= 4);
        assertFalse(view.at("/copies/possible").asBoolean());
        assertEquals(asta.post(ALL + "/copies", "").status(), 409);
    }

    @Test(dependsOnMethods = "itsPeopleAreListedWithWhoSeesWhom")
    public void whoIsDisabledIsSignedOutAndCannotSignInUntilTheyCanAgain() {
        TestClient.Answer token = cille.post("/api/people/me/tokens", "{\"name\":\"script\",\"scope\":\"READ\"}");
        String bearer = "Bearer " + token.json().get("token").asString();
        String board = "/api/students/" + id("Cille") + "/board";
        assertEquals(atTheDoor().send("GET", board, "", "Authorization", bearer).status(), 200);

        assertEquals(set(asta, "Cille", false, true).status(), 204);
        assertFalse(entry(seen(""), "Cille").at("/person/disabledAt").isNull());
        assertEquals(cille.get(board).status(), 401, "signed out");
        assertEquals(atTheDoor().signIn("cille@example.org", PASSWORD).status(), 401);
        assertEquals(atTheDoor().send("GET", board, "", "Authorization", bearer).status(), 401);

        assertEquals(set(asta, "Cille", false, false).status(), 204);
        cille = TestClient.signedIn(port, "cille@example.org", PASSWORD);
        assertEquals(cille.get(board).status(), 200, "nothing is lost");
    }

    @Test(dependsOnMethods = "whoIsDisabledIsSignedOutAndCannotSignInUntilTheyCanAgain")
    public void aWayToANewPasswordIsHandedOver() {
        TestClient.Answer made = asta.post(PEOPLE + id("Cille") + "/password-resets", "");
        assertEquals(made.status(), 201, made.body());
        String secret = made.json().get("secret").asString();
        TestClient.Answer set =
                atTheDoor().send("PUT", "/api/password-resets/" + secret, "{\"password\":\"nine geese in a boat\"}");
        assertEquals(set.status(), 204, set.body());
        TestClient.signedIn(port, "cille@example.org", "nine geese in a boat");
        assertEquals(asta.post(PEOPLE + "999999/password-resets", "").status(), 404);
    }

    @Test(dependsOnMethods = "aWayToANewPasswordIsHandedOver")
    public void somebodyElseAdministersAndSomebodyAlwaysDoes() {
        assertEquals(set(asta, "Asta", false, false).status(), 409, "not oneself");
        assertEquals(set(bo, "Cille", true, false).status(), 403);
        assertEquals(set(asta, "Bo", true, false).status(), 204);
        assertEquals(set(bo, "Asta", false, false).status(), 204);
        assertEquals(asta.get(ALL).status(), 403, "at once, without signing in again");
        assertEquals(set(bo, "Asta", true, false).status(), 204);
        assertEquals(set(asta, "Bo", false, false).status(), 204);
        assertEquals(
                asta.send("PUT", PEOPLE + id("Bo"), "{\"administrator\":true}").status(), 422);
    }

    @Test(dependsOnMethods = "somebodyElseAdministersAndSomebodyAlwaysDoes")
    public void whatAGuardianSeesIsEnded() {
        String board = "/api/students/" + id("Bo") + "/board";
        assertEquals(asta.get(board).status(), 403, "who administers sees no work");
        assertEquals(guardian.get(board).status(), 200);
        String tie = ALL + "/guardianships/" + id("Gudrun") + "/" + id("Bo");
        assertEquals(asta.send("DELETE", tie, "").status(), 204);
        assertEquals(guardian.get(board).status(), 403);
        assertEquals(asta.send("DELETE", tie, "").status(), 404);
    }

    @Test
    public void withoutAMailServerATestSaysWhatToDo() {
        assertFalse(seen("").get("mails").asBoolean());
        TestClient.Answer refused = asta.post(ALL + "/test-mails", "");
        assertEquals(refused.status(), 409);
        assertTrue(refused.body().contains("NAVLO_MAIL_HOST"), refused.body());
    }
}
