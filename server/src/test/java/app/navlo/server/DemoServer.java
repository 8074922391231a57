package app.navlo.server;

import java.util.stream.Collectors;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.test.context.testng.AbstractTestNGSpringContextTests;
import tools.jackson.databind.JsonNode;

/** A real server with the demo in a database of its own, shared by the tests that don't mind each other. */
@SpringBootTest(
        webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT,
        properties = {TestSettings.MEMORY, TestSettings.DEMO, TestSettings.STILL})
abstract class DemoServer extends AbstractTestNGSpringContextTests {
    static final long MIRA = 1;
    static final long ANDERS = 3;
    static final String STUDENT = "/api/students/" + MIRA;

    @LocalServerPort
    int port;

    TestClient mira() {
        return TestClient.signedIn(port, TestSettings.MIRA, TestSettings.MIRAS_PASSWORD);
    }

    TestClient tobias() {
        return TestClient.signedIn(port, TestSettings.TOBIAS, TestSettings.TOBIAS_PASSWORD);
    }

    TestClient anders() {
        return TestClient.signedIn(port, TestSettings.ANDERS, TestSettings.ANDERS_PASSWORD);
    }

    static JsonNode board(TestClient client) {
        return client.get(STUDENT + "/board").json();
    }

    /** The work of a title that begins so. */
    static JsonNode work(TestClient client, String title) {
        for (JsonNode work : board(client).get("works")) {
            if (work.get("title").asString().startsWith(title)) {
                return work;
            }
        }
        throw new IllegalArgumentException("no work is called " + title);
    }

    static String path(JsonNode work) {
        return STUDENT + "/works/" + work.get("id").asLong();
    }

    /** What a person confirms who sees the draft of a piece of work as it lies in {@code detail}. */
    static String handIn(JsonNode detail, String content) {
        String files = detail.at("/draft/files")
                .valueStream()
                .map(file -> file.get("id").toString())
                .collect(Collectors.joining(","));
        return "{\"content\":\"%s\",\"files\":[%s],\"draft\":%s,\"note\":null}"
                .formatted(content, files, detail.at("/draft/number"));
    }

    static TestClient.Answer undo(TestClient client, long change) {
        return client.post(STUDENT + "/changes/" + change + "/undo", "");
    }

    static String version(JsonNode work) {
        return "\"" + work.get("version").asLong() + "\"";
    }
}
