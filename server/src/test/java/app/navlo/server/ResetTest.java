package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;

import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.annotation.DirtiesContext;
import org.springframework.test.context.TestPropertySource;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** A new password by mail: for an hour, once, and nobody learns who signs in here. */
@DirtiesContext
@TestPropertySource(properties = "navlo.mail.round=100ms")
public class ResetTest extends DemoServer {
    private static final String RESETS = "/api/password-resets";
    private static final String NEXT = "a kettle under the stairs";

    @Autowired
    private JdbcClient db;

    @BeforeMethod
    public void nothingWasAskedFor() {
        db.sql("DELETE FROM password_reset").update();
    }

    private TestClient.Answer ask(String email) {
        TestClient nobody = new TestClient(port);
        nobody.get("/api/session");
        return nobody.send("POST", RESETS, "{\"email\":\"" + email + "\"}");
    }

    private TestClient.Answer set(String secret, String password) {
        TestClient nobody = new TestClient(port);
        nobody.get("/api/session");
        return nobody.send("PUT", RESETS + "/" + secret, "{\"password\":\"" + password + "\"}");
    }

    private long made() {
        return db.sql("SELECT COUNT(*) FROM password_reset").query(Long.class).single();
    }

    private String mailed(String email) throws Exception {
        String letter = MailBox.of(mira()).letter("Navlo: a new password", email);
        assertFalse(letter.contains("One press stops these"), "it is no reminder");
        return MailBox.after("/reset/", letter);
    }

    @Test
    public void whoForgotTheirsGetsANewOneByMailOnce() throws Exception {
        TestClient before = tobias();
        assertEquals(ask("TOBIAS@solheim.example").status(), 204);
        String secret = mailed(TestSettings.TOBIAS);
        assertEquals(set(secret, "password123").status(), 422, "one that is guessed first is no password");
        assertEquals(set(secret, NEXT).status(), 204);
        assertEquals(before.get("/api/household").status(), 401, "every sign-in is ended");
        TestClient.signedIn(port, TestSettings.TOBIAS, NEXT);
        assertEquals(set(secret, "a second kettle somewhere").status(), 410, "it holds once");
        assertEquals(
                db.sql("SELECT COUNT(*) FROM notice_mail WHERE body LIKE '%/reset/%' AND sent_at IS NOT NULL")
                        .query(Long.class)
                        .single(),
                0L,
                "nothing that signs anybody in is kept");
    }

    @Test
    public void nobodyLearnsWhoSignsInHere() {
        TestClient.Answer known = ask(TestSettings.ANDERS);
        TestClient.Answer unknown = ask("nobody@solheim.example");
        assertEquals(unknown.status(), known.status());
        assertEquals(unknown.body(), known.body());
        assertEquals(made(), 1L);
    }

    @Test
    public void aFewAnHourAreMailed() {
        for (int i = 0; i < 6; i++) {
            assertEquals(ask(TestSettings.ANDERS).status(), 204);
        }
        assertEquals(made(), 3L);
    }

    @Test
    public void itHoldsForAnHour() {
        db.sql("""
                INSERT INTO password_reset (secret_hash, person_id, made_at, ends_at)
                VALUES (:hash, :person, TIMESTAMP WITH TIME ZONE '2026-11-24 14:00:00+00', TIMESTAMP WITH TIME ZONE '2026-11-24 15:00:00+00')
                """)
                .param("hash", app.navlo.server.store.Sha256.of("an-old-one"))
                .param("person", ANDERS)
                .update();
        assertEquals(set("an-old-one", NEXT).status(), 410);
        assertEquals(set("none-at-all", NEXT).status(), 410);
        assertEquals(ask("").status(), 422);
    }
}
