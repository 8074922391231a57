package app.navlo.server;

import static org.testng.Assert.assertEquals;

import java.util.Locale;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.test.annotation.DirtiesContext;
import org.springframework.test.context.testng.AbstractTestNGSpringContextTests;
import org.testng.annotations.BeforeClass;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A Navlo without a demo, in which one student has signed up. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT, properties = TestSettings.MEMORY)
@DirtiesContext
abstract class OwnServer extends AbstractTestNGSpringContextTests {
    /** Of everybody who joins. */
    static final String PASSWORD = "plum orchard ladder";

    static final JsonMapper JSON = new JsonMapper();
    static final String STUDENT = DemoServer.STUDENT;

    @LocalServerPort
    int port;

    TestClient asta;

    @BeforeClass
    public void signUp() {
        asta = new TestClient(port);
        asta.get("/api/session");
        TestClient.Answer signedUp = asta.send(
                "POST",
                "/api/people",
                "{\"name\":\"Asta\",\"email\":\"asta@example.org\",\"password\":\"long-enough\",\"zone\":\"Europe/Copenhagen\",\"code\":\"FIRST-HERE\"}");
        assertEquals(signedUp.status(), 201, signedUp.body());
        asta.get("/api/session");
    }

    JsonNode ok(TestClient.Answer answer) {
        if (answer.status() >= 300) {
            throw new AssertionError(answer.status() + " " + answer.body());
        }
        return answer.json();
    }

    JsonNode post(String path, Object body) {
        return ok(asta.post(STUDENT + path, JSON.writeValueAsString(body)));
    }

    TestClient.Answer put(String path, Object body, String version) {
        return asta.send(
                "PUT",
                STUDENT + path,
                JSON.writeValueAsString(body),
                "If-Match",
                "\"" + version + "\"",
                "Idempotency-Key",
                "put " + KEYS.incrementAndGet());
    }

    private static final AtomicInteger KEYS = new AtomicInteger();

    JsonNode board() {
        return asta.get(STUDENT + "/board").json();
    }

    JsonNode work(String title) {
        return DemoServer.work(asta, title);
    }

    void undo(JsonNode done) {
        ok(asta.post(STUDENT + "/changes/" + done.get("change").asLong() + "/undo", ""));
    }

    String course(String name) {
        return """
                {"name":"%s","shortName":null,"teacher":null,"teacherEmail":null,"zone":"Europe/Copenhagen","colour":"fern",
                 "graded":null,"rulesOf":null}""".formatted(name);
    }

    long addCourse(String name) {
        return ok(asta.post(STUDENT + "/courses", course(name))).get("id").asLong();
    }

    TestClient atTheDoor() {
        TestClient client = new TestClient(port);
        client.get("/api/session");
        return client;
    }

    static String newPerson(String name, String password) {
        return JSON.writeValueAsString(Map.of(
                "name",
                name,
                "email",
                name.toLowerCase(Locale.ROOT) + "@example.org",
                "password",
                password,
                "zone",
                "Europe/Copenhagen"));
    }

    String invitation(String role) {
        TestClient.Answer made = asta.post("/api/administration/invitations", "{\"role\":\"" + role + "\"}");
        assertEquals(made.status(), 201, made.body());
        return made.json().get("secret").asString();
    }

    /** @return signed in as the new person */
    TestClient joined(String secret, String name) {
        TestClient client = atTheDoor();
        TestClient.Answer in = client.post("/api/invitations/" + secret + "/people", newPerson(name, PASSWORD));
        assertEquals(in.status(), 201, in.body());
        client.get("/api/session");
        return client;
    }
}
