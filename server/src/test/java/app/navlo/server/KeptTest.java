package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.Map;
import org.springframework.test.context.TestPropertySource;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** A guardian keeps the account of a young child until the child takes it over; another one asks and is let in. */
@TestPropertySource(properties = "navlo.own=KeptTest")
public class KeptTest extends OwnServer {
    private static final String CHILDREN = "/api/people/me/children";
    private static final String REQUESTS = "/api/people/me/requests";
    private static final String CHILDS_WORDS = "green boots by the pond";

    private TestClient birgit;
    private TestClient gorm;
    private long nils;

    @BeforeClass(dependsOnMethods = "signUp")
    public void guardians() {
        birgit = joined(invitation("GUARDIAN"), "Birgit");
        gorm = joined(invitation("GUARDIAN"), "Gorm");
        TestClient.Answer made = birgit.post(CHILDREN, child("Nils Holm", "nils.holm", CHILDS_WORDS));
        assertEquals(made.status(), 201, made.body());
        nils = made.json().get("id").asLong();
    }

    private static String child(String name, String signsInAs, String password) {
        return JSON.writeValueAsString(
                Map.of("name", name, "signsInAs", signsInAs, "password", password, "zone", "Europe/Copenhagen"));
    }

    private TestClient theChild(String password) {
        return TestClient.signedIn(port, "nils.holm", password);
    }

    private String childsBoard() {
        return "/api/students/" + nils + "/board";
    }

    private static JsonNode me(TestClient who) {
        return who.get("/api/session").json().get("person");
    }

    @DataProvider
    public Object[][] unfit() {
        return new Object[][] {
            {child("", "liv", CHILDS_WORDS), "name"},
            {child("Liv", "li", CHILDS_WORDS), "signsInAs"},
            {child("Liv", "liv holm", CHILDS_WORDS), "signsInAs"},
            {child("Liv", "liv@holm.example", CHILDS_WORDS), "signsInAs"},
            {child("Liv", "-liv", CHILDS_WORDS), "signsInAs"},
            {child("Liv", "liv", "liv"), "password"},
            {child("Liv", "liv", "password123"), "password"},
        };
    }

    @Test(dataProvider = "unfit")
    public void whatDoesNotFitIsNamed(String form, String field) {
        TestClient.Answer refused = birgit.post(CHILDREN, form);
        assertEquals(refused.status(), 422, refused.body());
        assertEquals(refused.json().at("/faults/0/field").asString(), field, refused.body());
    }

    @Test
    public void aNameThatIsTakenIsNamed() {
        TestClient sif = joined(invitation("GUARDIAN"), "Sif");
        assertEquals(
                sif.post(CHILDREN, child("Tove", "tove.holm", CHILDS_WORDS)).status(), 201);
        TestClient.Answer refused = sif.post(CHILDREN, child("Tove", "TOVE.holm", CHILDS_WORDS));
        assertEquals(refused.status(), 422, refused.body());
        assertEquals(refused.json().at("/faults/0/field").asString(), "signsInAs", refused.body());
    }

    @Test
    public void theChildSignsInByNameAndTheGuardianSeesTheirWork() {
        TestClient child = theChild(CHILDS_WORDS);
        assertTrue(me(child).get("kept").asBoolean());
        assertEquals(child.get(childsBoard()).status(), 200);
        assertEquals(
                child.post("/api/students/" + nils + "/courses", course("Reading"))
                        .status(),
                201);
        assertTrue(birgit.get(childsBoard()).body().contains("Reading"));
        assertEquals(
                birgit.post("/api/students/" + nils + "/courses", course("Sums"))
                        .status(),
                403,
                "they read");
        assertEquals(gorm.get(childsBoard()).status(), 403);
        assertEquals(birgit.get(CHILDREN).json().get(0).get("signsInAs").asString(), "nils.holm");
        assertTrue(gorm.get(CHILDREN).json().isEmpty());
    }

    /** Neither of them ends it while it is kept, and neither leaves. */
    @Test(dependsOnMethods = "theChildSignsInByNameAndTheGuardianSeesTheirWork")
    public void aKeptAccountStaysKept() {
        TestClient child = theChild(CHILDS_WORDS);
        long keeper = me(birgit).get("id").asLong();
        String own = "/api/students/" + nils + "/guardians/" + keeper;
        assertEquals(child.send("DELETE", own, "").status(), 409);
        assertEquals(
                birgit.send("DELETE", "/api/people/me/students/" + nils, "").status(), 409);
        String leave = "{\"word\":\"delete\"}";
        assertTrue(child.post("/api/people/me/departure", leave).body().contains("hand it over"));
        assertTrue(birgit.post("/api/people/me/departure", leave).body().contains("Nils Holm"));
        String formats = "\"zone\":\"Europe/Copenhagen\",\"hour12\":null,\"firstWeekday\":null,\"dateOrder\":null}";
        assertEquals(
                child.send("PUT", "/api/people/me", "{\"name\":\"Nils H\",\"email\":null," + formats)
                        .status(),
                200);
        TestClient.Answer address =
                child.send("PUT", "/api/people/me", "{\"name\":\"Nils H\",\"email\":\"nils@holm.example\"," + formats);
        assertEquals(address.status(), 422);
        assertTrue(address.fault().contains("guardian keeps"), address.body());
    }

    @Test(dependsOnMethods = "aKeptAccountStaysKept")
    public void theGuardianSetsAForgottenPassword() {
        TestClient child = theChild(CHILDS_WORDS);
        String path = CHILDREN + "/" + nils + "/password";
        String next = "yellow boots by the gate";
        assertEquals(birgit.send("PUT", path, "{\"password\":\"nils\"}").status(), 422);
        assertEquals(gorm.send("PUT", path, "{\"password\":\"" + next + "\"}").status(), 404);
        assertEquals(asta.send("PUT", path, "{\"password\":\"" + next + "\"}").status(), 404);
        assertEquals(birgit.send("PUT", path, "{\"password\":\"" + next + "\"}").status(), 204);
        assertEquals(child.get(childsBoard()).status(), 401, "signed out");
        theChild(next);
    }

    @Test(dependsOnMethods = "theGuardianSetsAForgottenPassword")
    public void theChildTakesItOver() {
        String way = CHILDREN + "/" + nils + "/hand-over";
        assertEquals(gorm.post(way, "").status(), 404);
        String old = birgit.post(way, "").json().get("secret").asString();
        String secret = birgit.post(way, "").json().get("secret").asString();
        TestClient child = atTheDoor();
        assertEquals(child.get("/api/hand-overs/" + old).status(), 410, "the last one holds");
        assertEquals(child.get("/api/hand-overs/" + secret).json().get("name").asString(), "Nils H");
        String taken = "{\"email\":\"birgit@example.org\",\"password\":\"red boots on the roof\"}";
        TestClient.Answer refused = child.send("PUT", "/api/hand-overs/" + secret, taken);
        assertEquals(refused.status(), 422);
        assertEquals(refused.json().at("/faults/0/field").asString(), "email");
        assertEquals(
                child.send("PUT", "/api/hand-overs/" + secret, taken.replace("birgit@", "nils@"))
                        .status(),
                204);
        assertEquals(child.get("/api/hand-overs/" + secret).status(), 410, "it holds once");
        assertEquals(atTheDoor().signIn("nils.holm", "red boots on the roof").status(), 401);
        TestClient own = TestClient.signedIn(port, "nils@example.org", "red boots on the roof");
        assertFalse(me(own).get("kept").asBoolean());
        assertTrue(own.get(childsBoard()).body().contains("Reading"), "all is there");
        assertEquals(birgit.get(childsBoard()).status(), 200, "the guardian sees it until it is ended");
        assertTrue(birgit.get(CHILDREN).json().isEmpty());
        long keeper = me(birgit).get("id").asLong();
        assertEquals(
                own.send("DELETE", "/api/students/" + nils + "/guardians/" + keeper, "")
                        .status(),
                204);
        assertEquals(birgit.get(childsBoard()).status(), 403);
    }

    private TestClient.Answer ask(TestClient who, String email) {
        return who.post(REQUESTS, "{\"email\":\"" + email + "\"}");
    }

    private JsonNode asking() {
        return asta.get(STUDENT + "/guardians").json().get("requests");
    }

    @Test
    public void aGuardianAsksAndTheStudentSaysYesOrNo() {
        TestClient.Answer known = ask(gorm, "ASTA@example.org ".strip());
        TestClient.Answer unknown = ask(gorm, "nobody@example.org");
        assertEquals(known.status(), 202);
        assertEquals(unknown.status(), known.status(), "nobody learns who signs in here");
        assertEquals(unknown.body(), known.body());
        assertEquals(ask(gorm, "asta@example.org").status(), 202);
        assertEquals(gorm.get(REQUESTS).json().size(), 2, "the same is asked once");
        assertEquals(me(asta).get("asked").asInt(), 1);
        assertEquals(asking().get(0).get("name").asString(), "Gorm");

        long first = asking().get(0).get("id").asLong();
        String answer = STUDENT + "/guardians/requests/" + first;
        assertEquals(gorm.send("POST", answer + "/acceptance", "").status(), 403, "not by who asks");
        assertEquals(asta.send("DELETE", answer, "").status(), 204);
        assertEquals(gorm.get(STUDENT + "/board").status(), 403);
        assertEquals(asta.send("DELETE", answer, "").status(), 404);

        ask(gorm, "asta@example.org");
        long second = asking().get(0).get("id").asLong();
        assertEquals(
                asta.send("POST", STUDENT + "/guardians/requests/" + second + "/acceptance", "")
                        .status(),
                204);
        assertEquals(gorm.get(STUDENT + "/board").status(), 200);
        assertTrue(asking().isEmpty());
        assertEquals(me(asta).get("asked").asInt(), 0);
    }

    @Test(dependsOnMethods = "aGuardianAsksAndTheStudentSaysYesOrNo")
    public void requestsAreTakenBackAndAreNotMany() {
        long open = gorm.get(REQUESTS).json().get(0).get("id").asLong();
        assertEquals(birgit.send("DELETE", REQUESTS + "/" + open, "").status(), 404);
        assertEquals(gorm.send("DELETE", REQUESTS + "/" + open, "").status(), 204);
        for (int i = 0; i < 10; i++) {
            assertEquals(ask(gorm, "n" + i + "@example.org").status(), 202);
        }
        assertEquals(ask(gorm, "n10@example.org").status(), 409);
        assertEquals(ask(gorm, "no address").status(), 422);
    }

    /** Nobody would keep it in a week. */
    @Test
    public void whoLeavesMakesNoAccountForAChild() {
        TestClient hedda = joined(invitation("GUARDIAN"), "Hedda");
        assertEquals(
                hedda.post("/api/people/me/departure", "{\"word\":\"delete\"}").status(), 200);
        assertEquals(hedda.post(CHILDREN, child("Ulla", "ulla", CHILDS_WORDS)).status(), 409);
        assertEquals(hedda.send("DELETE", "/api/people/me/departure", "").status(), 204);
        assertEquals(hedda.post(CHILDREN, child("Ulla", "ulla", CHILDS_WORDS)).status(), 201);
    }

    @Test(dependsOnMethods = "theChildTakesItOver")
    public void aRowIsCalledAsTheStudentIs() {
        TestClient ida = joined(invitation("STUDENT"), "Ida");
        long id = me(ida).get("id").asLong();
        String secret = ida.post("/api/students/" + id + "/guardians/invitations", "")
                .json()
                .get("secret")
                .asString();
        birgit.post("/api/invitations/" + secret + "/acceptance", "");
        assertTrue(birgit.get("/api/household").body().contains("\"name\":\"Ida\""));
        ida.send(
                "PUT",
                "/api/people/me",
                "{\"name\":\"Ida Maria\",\"email\":null,\"zone\":\"UTC\",\"hour12\":null,\"firstWeekday\":null,\"dateOrder\":null}");
        assertTrue(birgit.get("/api/household").body().contains("\"name\":\"Ida Maria\""), "at once");
    }
}
