package app.navlo.server;

import static org.testng.Assert.assertEquals;

import org.springframework.test.annotation.DirtiesContext;
import org.springframework.test.context.TestPropertySource;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** An invitation as time goes on. */
@TestPropertySource(properties = {TestSettings.MEMORY, "navlo.feeds.follow-clock=false"})
@DirtiesContext
public class InvitationTest extends DemoServer {
    private static final String GUARDIANS = STUDENT + "/guardians";
    private static final int A_DAY = 24 * 60;

    private static void on(TestClient mira, int minutes) {
        assertEquals(
                mira.post("/api/demo/clock", "{\"minutes\":" + minutes + "}").status(), 200);
    }

    @Test
    public void itEndsAfterSevenDaysToTheMinute() {
        TestClient mira = mira();
        JsonNode made = mira.post(GUARDIANS + "/invitations", "").json();
        String path = "/api/invitations/" + made.get("secret").asString();
        assertEquals(made.get("endsAt").asString(), "2026-12-01T15:20:00Z");
        TestClient door = new TestClient(port);
        on(mira, 7 * A_DAY - 1);
        assertEquals(door.get(path).status(), 200);
        assertEquals(mira.get(GUARDIANS).json().get("invitations").size(), 1);
        on(mira, 1);
        assertEquals(door.get(path).status(), 410);
        assertEquals(mira.get(GUARDIANS).json().get("invitations").size(), 0, "and isn't listed any more");
        door.get("/api/session");
        TestClient.Answer late = door.post(
                path + "/people",
                "{\"name\":\"Late\",\"email\":\"late@example.org\",\"password\":\"mild grey owl\",\"zone\":\"UTC\"}");
        assertEquals(late.status(), 410, late.body());
    }
}
