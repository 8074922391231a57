package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.CompletableFuture;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Others become people here by invitation alone; a student lets guardians in and out; passwords and sign-ins are one's own. */
public class PeopleTest extends OwnServer {
    private static final String GUARDIANS = STUDENT + "/guardians";

    @Autowired
    private JdbcTemplate db;

    private String invitation() {
        TestClient.Answer made = asta.post(GUARDIANS + "/invitations", "");
        assertEquals(made.status(), 201, made.body());
        return made.json().get("secret").asString();
    }

    private static String nameOf(TestClient client) {
        return client.get("/api/session").json().at("/person/name").asString("");
    }

    private List<String> guardians() {
        List<String> names = new ArrayList<>();
        asta.get(GUARDIANS)
                .json()
                .get("guardians")
                .forEach(one -> names.add(one.get("name").asString()));
        return names;
    }

    @Test
    public void theFirstPersonAdministersAndNobodyElseSignsUpUninvited() {
        assertTrue(asta.get("/api/session").json().at("/person/administrator").asBoolean());
        TestClient other = atTheDoor();
        assertTrue(other.get("/api/session").json().get("signUp").isNull());
        TestClient.Answer refused = other.post("/api/people", newPerson("Uninvited", PASSWORD));
        assertEquals(refused.status(), 409, refused.body());
        assertTrue(refused.body().contains("ask them for an invitation"), refused.body());
    }

    @Test
    public void aGuardianJoinsReadsNeverWritesAndIsSeenToHaveLooked() {
        String secret = invitation();
        JsonNode look = ok(atTheDoor().get("/api/invitations/" + secret));
        assertEquals(look.get("by").asString(), "Asta");
        assertEquals(look.get("student").asString(), "Asta");
        assertEquals(look.get("role").asString(), "GUARDIAN");
        TestClient bodil = joined(secret, "Bodil");
        assertEquals(bodil.get("/api/session").json().at("/students/0/name").asString(), "Asta");
        assertEquals(asta.get(GUARDIANS).json().at("/guardians/0/lookedAt").isNull(), true, "not yet");
        assertEquals(bodil.get(STUDENT + "/board").status(), 200);
        assertFalse(asta.get(GUARDIANS).json().at("/guardians/0/lookedAt").isNull(), "now they have");
        assertEquals(bodil.post(STUDENT + "/courses", course("No")).status(), 403);
        assertEquals(bodil.get(GUARDIANS).status(), 403, "who else sees it isn't theirs to know");
        assertEquals(bodil.post(GUARDIANS + "/invitations", "").status(), 403);
        long id = asta.get(GUARDIANS).json().at("/guardians/0/id").asLong();
        assertEquals(asta.send("DELETE", GUARDIANS + "/" + id, "").status(), 204);
        assertEquals(bodil.get(STUDENT + "/board").status(), 403, "at once");
        assertEquals(bodil.get("/api/session").json().get("students").size(), 0);
        assertEquals(asta.send("DELETE", GUARDIANS + "/" + id, "").status(), 404);
    }

    /** A brother is a student as well: what he is let see isn't his to change. */
    @Test
    public void aStudentWhoIsLetSeeAnothersWorkOnlyReadsIt() {
        TestClient pil = joined(invitation("STUDENT"), "Pil");
        assertEquals(
                pil.post("/api/invitations/" + invitation() + "/acceptance", "").status(), 200);
        JsonNode students = pil.get("/api/session").json().get("students");
        assertEquals(students.size(), 2, students.toString());
        assertFalse(pil.get(STUDENT + "/board").json().get("mayWrite").asBoolean());
        assertEquals(pil.post(STUDENT + "/courses", course("No")).status(), 403);
        pil.send("DELETE", "/api/people/me/students/1", "");
    }

    /** A guardian sees the work, and nothing of what a student notes for themselves: not there, not in it, not how many. */
    @Test
    public void notesAreSeenByTheirStudentAlone() {
        long course = addCourse("Botany");
        JsonNode added = post(
                "/works",
                Map.of(
                        "courseId",
                        course,
                        "title",
                        "Herbarium",
                        "kind",
                        "ASSIGNMENT",
                        "required",
                        true,
                        "instructions",
                        ""));
        long work = added.get("id").asLong();
        post(
                "/works/together",
                Map.of(
                        "works",
                        List.of(work),
                        "note",
                        Map.of("tag", "", "body", "I hate pressing flowers"),
                        "back",
                        false,
                        "remove",
                        false,
                        "read",
                        false));
        TestClient runa = joined(invitation(), "Runa");
        JsonNode seen = runa.get(STUDENT + "/works/" + work).json();
        assertEquals(seen.at("/work/title").asString(), "Herbarium");
        assertEquals(seen.get("notes").size(), 0, seen.get("notes").toString());
        assertEquals(seen.at("/work/notes").asInt(), 0);
        assertFalse(runa.get(STUDENT + "/board").body().contains("\"notes\":1"));
        assertEquals(runa.get(STUDENT + "/notes").status(), 403);
        assertEquals(runa.get(STUDENT + "/archive").status(), 403, "everything is in it");
        assertEquals(asta.get(STUDENT + "/works/" + work).json().get("notes").size(), 1);
        assertTrue(asta.get(STUDENT + "/board").body().contains("\"notes\":1"));
        runa.send("DELETE", "/api/people/me/students/1", "");
    }

    @Test
    public void aGuardianLeavesByThemselvesAndJoinsAgain() {
        TestClient carl = joined(invitation(), "Carl");
        assertTrue(guardians().contains("Carl"));
        assertEquals(carl.send("DELETE", "/api/people/me/students/1", "").status(), 204);
        assertFalse(guardians().contains("Carl"));
        assertEquals(carl.get(STUDENT + "/board").status(), 403);
        String again = invitation();
        assertEquals(carl.post("/api/invitations/" + again + "/acceptance", "").status(), 200);
        assertEquals(carl.get(STUDENT + "/board").status(), 200);
        carl.send("DELETE", "/api/people/me/students/1", "");
    }

    @Test
    public void anInvitationIsGoodOnce() {
        String secret = invitation();
        joined(secret, "Dina").send("DELETE", "/api/people/me/students/1", "");
        TestClient late = atTheDoor();
        assertEquals(late.get("/api/invitations/" + secret).status(), 410);
        TestClient.Answer refused = late.post("/api/invitations/" + secret + "/people", newPerson("Late", PASSWORD));
        assertEquals(refused.status(), 410, refused.body());
        assertTrue(refused.body().contains("Ask for a new one"), refused.body());
        assertEquals(nameOf(late), "", "and nobody was made");
    }

    @Test
    public void ofManyAtOnceOneJoins() {
        String secret = invitation();
        List<CompletableFuture<Integer>> all = new ArrayList<>();
        for (int i = 0; i < 12; i++) {
            String name = "Racer" + i;
            TestClient client = atTheDoor();
            all.add(CompletableFuture.supplyAsync(
                    () -> client.post("/api/invitations/" + secret + "/people", newPerson(name, PASSWORD))
                            .status()));
        }
        List<Integer> statuses =
                all.stream().map(CompletableFuture::join).sorted().toList();
        assertEquals(statuses.get(0), Integer.valueOf(201), statuses.toString());
        assertEquals(statuses.stream().filter(status -> status == 410).count(), 11, statuses.toString());
        assertEquals(
                guardians().stream().filter(name -> name.startsWith("Racer")).count(), 1);
    }

    @Test
    public void whatWasTakenBackOrIsMadeUpLetsNobodyIn() {
        String secret = invitation();
        JsonNode open = asta.get(GUARDIANS).json().get("invitations");
        long id = open.get(0).get("id").asLong();
        assertFalse(open.toString().contains(secret), "the secret is shown once");
        assertEquals(asta.send("DELETE", GUARDIANS + "/invitations/" + id, "").status(), 204);
        assertEquals(atTheDoor().get("/api/invitations/" + secret).status(), 410);
        assertEquals(atTheDoor().get("/api/invitations/made-up").status(), 410);
        assertEquals(asta.send("DELETE", GUARDIANS + "/invitations/" + id, "").status(), 404);
    }

    @Test
    public void oneIsNoGuardianOfOneself() {
        TestClient.Answer refused = asta.post("/api/invitations/" + invitation() + "/acceptance", "");
        assertEquals(refused.status(), 409, refused.body());
        assertTrue(refused.body().contains("your own work"), refused.body());
    }

    @Test
    public void aSecondStudentHasABoardOfTheirOwnAndAdministersNothing() {
        TestClient erik = joined(invitation("STUDENT"), "Erik");
        JsonNode session = erik.get("/api/session").json();
        long id = session.at("/person/id").asLong();
        assertFalse(session.at("/person/administrator").asBoolean());
        assertEquals(erik.get("/api/students/" + id + "/board").status(), 200);
        assertEquals(erik.get(STUDENT + "/board").status(), 403);
        assertEquals(asta.get("/api/students/" + id + "/board").status(), 403, "nor does who administers see it");
        assertEquals(erik.get("/api/administration/invitations").status(), 403);
        assertEquals(
                erik.post("/api/administration/invitations", "{\"role\":\"STUDENT\"}")
                        .status(),
                403);
    }

    @Test
    public void anInvitationOfSomebodyNewIsNotForWhoIsHere() {
        TestClient.Answer refused = asta.post("/api/invitations/" + invitation("GUARDIAN") + "/acceptance", "");
        assertEquals(refused.status(), 409, refused.body());
    }

    @Test
    public void noMoreThanTwentyInvitationsAreOpen() {
        TestClient fie = joined(invitation("STUDENT"), "Fie");
        String mine = "/api/students/"
                + fie.get("/api/session").json().at("/person/id").asLong() + "/guardians";
        for (int i = 0; i < 20; i++) {
            assertEquals(fie.post(mine + "/invitations", "").status(), 201);
        }
        TestClient.Answer refused = fie.post(mine + "/invitations", "");
        assertEquals(refused.status(), 409, refused.body());
        assertTrue(refused.body().contains("Take back one"), refused.body());
    }

    /** What may not be a password, and a word of why. */
    @DataProvider
    public static Object[][] poorPasswords() {
        return new Object[][] {
            {"short one", "10 to 200"},
            {"x".repeat(201), "10 to 200"},
            {"password123", "guess"},
            {"1234567890", "guess"},
            {"qwertyuiop", "guess"},
            {"Gustav1234", "guess"},
            {"aaaaaaaaaaaaaaa", "guess"},
        };
    }

    @Test(dataProvider = "poorPasswords")
    public void aPasswordThatIsGuessedFirstIsRefusedWithWordsThatHelp(String password, String words) {
        TestClient.Answer refused =
                atTheDoor().post("/api/invitations/" + invitation + "/people", newPerson("Gustav", password));
        assertEquals(refused.status(), 422, refused.body());
        assertEquals(refused.json().at("/faults/0/field").asString(), "password");
        assertTrue(refused.body().contains(words), refused.body());
    }

    private String invitation = "";

    @BeforeClass(dependsOnMethods = "signUp")
    public void invite() {
        invitation = invitation("GUARDIAN");
    }

    /** In any script, and so long that a hash of its first 72 bytes would take another for it. */
    @DataProvider
    public static Object[][] goodPasswords() {
        return new Object[][] {
            {"Hanne", "stræde og blåbær", "stræde og blåbar"},
            {"Ivan", "три зелёных яблока", "три зелёных яблок"},
            {"Jun", "丘の上の古い風車小屋と猫", "丘の上の古い風車小屋と犬"},
            {"Kaj", "mole and heron ".repeat(9) + "one", "mole and heron ".repeat(9) + "two"},
        };
    }

    @Test(dataProvider = "goodPasswords")
    public void everyLetterOfAPasswordCounts(String name, String password, String almost) {
        TestClient client = atTheDoor();
        TestClient.Answer in =
                client.post("/api/invitations/" + invitation("GUARDIAN") + "/people", newPerson(name, password));
        assertEquals(in.status(), 201, in.body());
        String email = name.toLowerCase(Locale.ROOT) + "@example.org";
        assertEquals(nameOf(TestClient.signedIn(port, email, password)), name);
        TestClient wrong = atTheDoor();
        assertEquals(wrong.signIn(email, almost).status(), 401);
    }

    /** A letter with its ring beside it is the letter with the ring on it. */
    @Test
    public void whatLooksTheSameIsTheSamePassword() {
        TestClient client = atTheDoor();
        String composed = "sm\u00e5 gr\u00f8nne fr\u00f8er";
        String apart = "sma\u030a gr\u00f8nne fr\u00f8er";
        assertNotEquals(composed, apart);
        assertEquals(
                client.post("/api/invitations/" + invitation("GUARDIAN") + "/people", newPerson("Lone", composed))
                        .status(),
                201);
        assertEquals(nameOf(TestClient.signedIn(port, "lone@example.org", apart)), "Lone");
    }

    @Test
    public void aNewPasswordSignsOneOutEverywhereElse() {
        TestClient here = joined(invitation("STUDENT"), "Mads");
        TestClient there = TestClient.signedIn(port, "mads@example.org", PASSWORD);
        assertEquals(here.get("/api/people/me/sessions").json().size(), 2);
        TestClient.Answer wrong = here.send(
                "PUT", "/api/people/me/password", "{\"current\":\"nonsense\",\"next\":\"" + PASSWORD + " 2\"}");
        assertEquals(wrong.json().at("/faults/0/field").asString(), "current", wrong.body());
        TestClient.Answer poor = here.send(
                "PUT", "/api/people/me/password", "{\"current\":\"" + PASSWORD + "\",\"next\":\"Mads123456\"}");
        assertEquals(poor.json().at("/faults/0/field").asString(), "next", poor.body());
        assertEquals(nameOf(there), "Mads", "nothing has happened yet");
        TestClient.Answer changed = here.send(
                "PUT", "/api/people/me/password", "{\"current\":\"" + PASSWORD + "\",\"next\":\"" + PASSWORD + " 2\"}");
        assertEquals(changed.status(), 204, changed.body());
        assertEquals(nameOf(here), "Mads");
        assertEquals(nameOf(there), "", "signed out");
        assertEquals(atTheDoor().signIn("mads@example.org", PASSWORD).status(), 401);
        assertEquals(nameOf(TestClient.signedIn(port, "mads@example.org", PASSWORD + " 2")), "Mads");
    }

    @Test
    public void oneSeesWhereOneIsSignedInAndEndsIt() {
        TestClient here = joined(invitation("STUDENT"), "Nora");
        TestClient there = TestClient.signedIn(port, "nora@example.org", PASSWORD);
        JsonNode places = here.get("/api/people/me/sessions").json();
        assertEquals(places.size(), 2, places.toString());
        List<JsonNode> elsewhere = places.valueStream()
                .filter(place -> !place.get("here").asBoolean())
                .toList();
        assertEquals(elsewhere.size(), 1, places.toString());
        assertEquals(elsewhere.get(0).get("browser").asString(), "A program");
        assertEquals(elsewhere.get(0).get("from").asString(), "127.0.0.1");
        String id = elsewhere.get(0).get("id").asString();
        assertEquals(asta.send("DELETE", "/api/people/me/sessions/" + id, "").status(), 404, "only one's own");
        assertEquals(here.send("DELETE", "/api/people/me/sessions/" + id, "").status(), 204);
        assertEquals(nameOf(there), "");
        assertEquals(nameOf(here), "Nora");
        TestClient again = TestClient.signedIn(port, "nora@example.org", PASSWORD);
        assertEquals(here.send("DELETE", "/api/people/me/sessions", "").status(), 204);
        assertEquals(nameOf(again), "");
        assertEquals(nameOf(here), "Nora");
    }

    /** It lasts for thirty days after it was used; whoever looks within ten minutes of having looked writes nothing. */
    @Test
    public void whenASignInWasUsedIsKeptToTenMinutes() {
        TestClient siri = joined(invitation("STUDENT"), "Siri");
        String person = siri.get("/api/session").json().at("/person/id").toString();
        long nine = usedAgo(person, Duration.ofMinutes(9));
        siri.get("/api/session");
        assertEquals(lastUsed(person), nine, "near enough");
        long eleven = usedAgo(person, Duration.ofMinutes(11));
        siri.get("/api/session");
        assertTrue(lastUsed(person) - eleven >= Duration.ofMinutes(11).toMillis(), "it is used");
        usedAgo(person, Duration.ofDays(30).plusMinutes(1));
        assertEquals(nameOf(siri), "", "nobody was here for a month");
    }

    private long usedAgo(String person, Duration ago) {
        long used = System.currentTimeMillis() - ago.toMillis();
        db.update(
                "UPDATE spring_session SET last_access_time = ?, expiry_time = ? WHERE principal_name = ?",
                used,
                used + Duration.ofDays(30).toMillis(),
                person);
        return used;
    }

    private long lastUsed(String person) {
        return Objects.requireNonNull(db.queryForObject(
                "SELECT last_access_time FROM spring_session WHERE principal_name = ?", Long.class, person));
    }

    /** Used every day, it would else last for ever. */
    @Test
    public void aSignInEndsAfterNinetyDays() {
        TestClient pia = joined(invitation("STUDENT"), "Pia");
        assertEquals(nameOf(pia), "Pia");
        String person = pia.get("/api/session").json().at("/person/id").toString();
        db.update(
                "UPDATE spring_session SET creation_time = creation_time - ? WHERE principal_name = ?",
                Duration.ofDays(89).toMillis(),
                person);
        assertEquals(nameOf(pia), "Pia");
        db.update(
                "UPDATE spring_session SET creation_time = creation_time - ? WHERE principal_name = ?",
                Duration.ofDays(2).toMillis(),
                person);
        assertEquals(nameOf(pia), "", "it is over");
        assertEquals(nameOf(TestClient.signedIn(port, "pia@example.org", PASSWORD)), "Pia");
    }

    /** Wherever one has changed one's address, all one's sign-ins are still found. */
    @Test
    public void aNewAddressLosesNoSignIn() {
        TestClient here = joined(invitation("STUDENT"), "Olaf");
        TestClient.signedIn(port, "olaf@example.org", PASSWORD);
        TestClient.Answer changed = here.send("PUT", "/api/people/me", """
                {"name":"Olaf","email":"olaf@elsewhere.example","zone":"Europe/Copenhagen","hour12":null,"firstWeekday":null,
                 "dateOrder":null}""");
        assertEquals(changed.status(), 200, changed.body());
        assertEquals(changed.json().get("email").asString(), "olaf@elsewhere.example");
        assertEquals(here.get("/api/people/me/sessions").json().size(), 2);
    }
}
