package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import ch.qos.logback.classic.Logger;
import ch.qos.logback.classic.spi.ILoggingEvent;
import ch.qos.logback.core.read.ListAppender;
import java.util.List;
import org.slf4j.LoggerFactory;
import org.springframework.test.annotation.DirtiesContext;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** The log says who got in, who was turned away and what of access was changed: by numbers, without names, addresses or words. */
@DirtiesContext
public class SecurityLogTest extends DemoServer {
    private final ListAppender<ILoggingEvent> log = new ListAppender<>();

    @BeforeClass
    public void listen() {
        log.start();
        ((Logger) LoggerFactory.getLogger("app.navlo.server")).addAppender(log);
    }

    @AfterClass
    public void stop() {
        ((Logger) LoggerFactory.getLogger("app.navlo.server")).detachAppender(log);
    }

    private List<String> lines() {
        return List.copyOf(log.list).stream()
                .map(ILoggingEvent::getFormattedMessage)
                .toList();
    }

    private void assertSaid(String line) {
        assertTrue(lines().contains(line), "'" + line + "' isn't in " + lines());
    }

    @Test
    public void gettingInAndBeingTurnedAwayAreSaid() {
        TestClient door = new TestClient(port);
        door.get("/api/session");
        assertEquals(
                door.signIn("secret-name@thornmere.example", "wrong-secret").status(), 401);
        assertSaid("a sign-in was refused");
        TestClient anders = anders();
        assertSaid("person 3 signed in");
        assertEquals(anders.get(STUDENT + "/board").status(), 403);
        assertSaid("person 3 was refused: GET /api/students/1/board");
        assertEquals(anders.send("DELETE", "/api/session", "").status(), 204);
        assertSaid("person 3 signed out");
    }

    @Test
    public void whatChangesAccessIsSaid() {
        TestClient mira = mira();
        long token = mira.post("/api/people/me/tokens", "{\"name\":\"Secret plan\",\"scope\":\"WRITE\"}")
                .json()
                .get("id")
                .asLong();
        assertSaid("person 1 made token " + token + " to WRITE");
        assertTrue(mira.send("DELETE", "/api/people/me/tokens/" + token, "").status() < 300);
        assertSaid("person 1 revoked token " + token);
        long link = mira.get(STUDENT + "/links").json().at("/links/0/id").asLong();
        TestClient.Answer removed = mira.send(
                "DELETE",
                STUDENT + "/links/" + link,
                "",
                "Idempotency-Key",
                java.util.UUID.randomUUID().toString());
        assertTrue(removed.status() < 300, removed.body());
        assertSaid("person 1 removed link " + link + " of student 1");
        mira.post(STUDENT + "/guardians/invitations", "");
        assertTrue(lines().stream().anyMatch(line -> line.startsWith("person 1 made invitation ")));
    }

    @Test(dependsOnMethods = {"gettingInAndBeingTurnedAwayAreSaid", "whatChangesAccessIsSaid"})
    public void nothingOfWhatIsSecretIsInIt() {
        String all = String.join("\n", lines());
        for (String secret : List.of(
                "secret-name",
                "wrong-secret",
                "Secret plan",
                TestSettings.MIRAS_PASSWORD,
                TestSettings.MIRA,
                TestSettings.ANDERS,
                "navlo_",
                "Mira Solheim")) {
            assertFalse(all.contains(secret), secret);
        }
    }
}
