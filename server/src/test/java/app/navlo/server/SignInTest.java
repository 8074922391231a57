package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNotNull;
import static org.testng.Assert.assertTrue;

import app.navlo.server.store.People;
import app.navlo.server.store.Role;
import java.time.Instant;
import java.util.List;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class SignInTest extends DemoServer {
    @Autowired
    private JdbcTemplate db;

    @Autowired
    private People people;

    @Autowired
    private PasswordEncoder passwords;

    private TestClient atTheDoor() {
        TestClient client = new TestClient(port);
        client.get("/api/session");
        return client;
    }

    @Test
    public void anUnknownAddressIsRefusedInTheSameWordsAsAWrongPassword() {
        TestClient.Answer unknown = atTheDoor().signIn("nobody@thornmere.example", "garden-gate-24");
        TestClient.Answer wrong = atTheDoor().signIn(TestSettings.TOBIAS, "garden-gate-24");
        assertEquals(unknown.status(), 401);
        assertEquals(unknown.body(), wrong.body());
    }

    @DataProvider
    public static Object[][] doors() {
        return new Object[][] {{"/api/session"}, {"/api/%73ession"}, {"/api/%73%65ssion"}};
    }

    private static TestClient.Answer tried(TestClient client, String door, String email, String password) {
        return client.form(door, "email", email, "password", password);
    }

    /** An address that means the same is the same door. */
    @Test(dataProvider = "doors")
    public void guessingIsSlowedDown(String door) {
        TestClient client = atTheDoor();
        String guessed = "guessed" + door.length() + "@thornmere.example";
        for (int i = 0; i < 8; i++) {
            assertEquals(tried(client, door, guessed, "wrong-" + i).status(), 401);
        }
        TestClient.Answer braked = tried(client, door, guessed, "wrong-again");
        assertEquals(braked.status(), 429);
        assertNotNull(braked.raw().headers().firstValue("Retry-After").orElse(null));
    }

    @Test
    public void aCrowdOfGuessesAtOnceIsntLetThrough() throws Exception {
        List<TestClient> crowd = Stream.generate(this::atTheDoor).limit(60).toList();
        List<Integer> statuses =
                AtOnce.press(60, i -> crowd.get(i).signIn("crowded@thornmere.example", "wrong-" + i)).stream()
                        .map(TestClient.Answer::status)
                        .toList();
        assertEquals(statuses.stream().filter(status -> status == 401).count(), 8, statuses.toString());
        assertEquals(statuses.stream().filter(status -> status == 429).count(), 52, statuses.toString());
    }

    /** Who guesses at an address slows down themselves, and not its owner. */
    @Test
    public void nobodyIsShutOutOfTheBrowserThatTheyKnow() {
        String email = "guessed-at@thornmere.example";
        String password = "plum orchard ladder";
        people.add(new People.NewPerson(
                email, passwords.encode(password), "Ylva", Role.STUDENT, "Europe/Copenhagen", Instant.now()));
        TestClient ylva = TestClient.signedIn(port, email, password);
        assertEquals(ylva.send("DELETE", "/api/session", "").status(), 204);
        TestClient stranger = atTheDoor();
        for (int i = 0; i < 40; i++) {
            stranger.signIn(email, "wrong-" + i);
        }
        assertEquals(stranger.signIn(email, password).status(), 429);
        ylva.get("/api/session");
        assertEquals(ylva.signIn(email, password).status(), 204);
    }

    @Test
    public void whatIsNoAddressIsRefusedLikeAnyOther() {
        assertEquals(tried(atTheDoor(), "/api/session", "İ".repeat(200), "x").status(), 401);
        assertEquals(tried(atTheDoor(), "/api/session", "x".repeat(400), "x").status(), 401);
        assertEquals(tried(atTheDoor(), "/api/session", "", "x").status(), 401);
        assertEquals(atTheDoor().form("/api/%73ession").status(), 401);
    }

    /** A token that was made in one session opens nothing in another. */
    @Test
    public void aTokenOfAnotherSessionIsWorthNothing() {
        TestClient mira = mira();
        TestClient anders = anders();
        String foreign = anders.cookie("XSRF-TOKEN");
        mira.setCookie("XSRF-TOKEN", foreign);
        assertEquals(mira.post(STUDENT + "/courses", "{}").status(), 403);
        mira.get("/api/session");
        assertEquals(mira.post(STUDENT + "/courses", "{}").status(), 422, "the answer before brought a new one");
    }

    @Test
    public void aSessionEndsWithSigningOut() {
        TestClient mira = mira();
        assertEquals(mira.get(STUDENT + "/board").status(), 200);
        assertEquals(mira.send("DELETE", "/api/session", "").status(), 204);
        assertEquals(mira.get(STUDENT + "/board").status(), 401);
    }

    @Test
    public void theSessionSaysWhoIsThereAndWhomTheyMayRead() {
        assertEquals(tobias().get("/api/session").json().at("/students/0/name").asString(), "Mira Solheim");
        assertFalse(atTheDoor().get("/api/session").json().hasNonNull("person"));
    }

    @Test
    public void nobodySignsUpToADemo() {
        TestClient.Answer answer = atTheDoor()
                .send(
                        "POST",
                        "/api/people",
                        "{\"name\":\"A\",\"email\":\"a@b.example\",\"password\":\"0123456789\",\"zone\":\"Europe/Oslo\"}");
        assertEquals(answer.status(), 409);
    }

    @Test
    public void pagesCarryAStrictPolicyAndNoSniffing() {
        TestClient.Answer page = atTheDoor().get("/");
        String policy =
                page.raw().headers().firstValue("Content-Security-Policy").orElse("");
        assertTrue(policy.contains("script-src 'self'") && !policy.contains("script-src 'self' 'unsafe"), policy);
        assertEquals(page.raw().headers().firstValue("X-Content-Type-Options").orElse(""), "nosniff");
        assertFalse(page.body().contains("<script>"), "an inline script");
        assertTrue(
                page.raw().headers().firstValue("Permissions-Policy").orElse("").contains("camera=()"));
        assertEquals(
                page.raw().headers().firstValue("Cross-Origin-Opener-Policy").orElse(""), "same-origin");
        assertEquals(
                page.raw().headers().firstValue("Cross-Origin-Resource-Policy").orElse(""), "same-origin");
    }

    /** On a page that stayed open: what is pressed there says to sign in, not that it isn't one's own. */
    @Test
    public void whoseSessionHasEndedIsToldToSignIn() {
        TestClient tobias = tobias();
        assertTrue(db.update("DELETE FROM spring_session WHERE principal_name = '2'") > 0);
        TestClient.Answer late = tobias.post(STUDENT + "/agreements", "{}");
        assertEquals(late.status(), 401, late.body());
        assertTrue(late.fault().contains("Sign in"), late.fault());
    }
}
