package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNotNull;
import static org.testng.Assert.assertTrue;

import org.testng.annotations.Test;

public class SignInTest extends DemoServer {
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

    @Test
    public void guessingIsSlowedDown() {
        TestClient client = atTheDoor();
        for (int i = 0; i < 5; i++) {
            assertEquals(
                    client.signIn("guessed@thornmere.example", "wrong-" + i).status(), 401);
        }
        TestClient.Answer braked = client.signIn("guessed@thornmere.example", "wrong-again");
        assertEquals(braked.status(), 429);
        assertNotNull(braked.raw().headers().firstValue("Retry-After").orElse(null));
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
    }
}
