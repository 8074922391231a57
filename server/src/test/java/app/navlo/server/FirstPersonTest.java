package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.test.annotation.DirtiesContext;
import org.springframework.test.context.testng.AbstractTestNGSpringContextTests;
import org.testng.annotations.Test;

/** Where anybody may sign up: one of those who come at once is the first, the others are students like any other. */
@SpringBootTest(
        webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT,
        properties = {TestSettings.MEMORY, "navlo.sign-up=open"})
@DirtiesContext
public class FirstPersonTest extends AbstractTestNGSpringContextTests {
    @LocalServerPort
    private int port;

    private static String form(int number) {
        return "{\"name\":\"Person %d\",\"email\":\"p%d@example.org\",\"password\":\"heron on the weir\",\"zone\":\"UTC\",\"code\":\"FIRST-HERE\"}"
                .formatted(number, number);
    }

    @Test
    public void ofSixteenAtOnceExactlyOneIsTheFirst() {
        List<TestClient> clients = new ArrayList<>();
        List<CompletableFuture<Integer>> all = new ArrayList<>();
        for (int i = 0; i < 16; i++) {
            TestClient client = new TestClient(port);
            client.get("/api/session");
            clients.add(client);
            String form = form(i);
            all.add(CompletableFuture.supplyAsync(
                    () -> client.post("/api/people", form).status()));
        }
        List<Integer> statuses = all.stream().map(CompletableFuture::join).toList();
        long administrators = clients.stream()
                .filter(client -> client.get("/api/session")
                        .json()
                        .at("/person/administrator")
                        .asBoolean(false))
                .count();
        assertEquals(administrators, 1, statuses.toString());
        assertTrue(statuses.stream().allMatch(status -> status == 201 || status == 409), statuses.toString());
    }

    @Test(dependsOnMethods = "ofSixteenAtOnceExactlyOneIsTheFirst")
    public void whoComesLaterIsAStudentAndNeedsNoCode() {
        TestClient later = new TestClient(port);
        assertEquals(later.get("/api/session").json().get("signUp").asString(), "ANYBODY");
        TestClient.Answer in = later.post("/api/people", form(99).replace("\"FIRST-HERE\"", "null"));
        assertEquals(in.status(), 201, in.body());
        assertEquals(in.json().get("role").asString(), "STUDENT");
        assertEquals(in.json().get("administrator").asBoolean(), false);
    }
}
