package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import app.navlo.server.health.OpsServer;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import javax.sql.DataSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.annotation.DirtiesContext;
import org.springframework.test.context.TestPropertySource;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Whoever runs the server sees whether it is well; nobody else does. */
@TestPropertySource(properties = "navlo.ops.port=0")
@DirtiesContext
public class OpsTest extends OwnServer {
    private final HttpClient http = HttpClient.newHttpClient();

    @Autowired
    private OpsServer ops;

    @Autowired
    private DataSource data;

    private HttpResponse<String> ask(int at, String path) throws IOException, InterruptedException {
        return http.send(
                HttpRequest.newBuilder(URI.create("http://localhost:" + at + path))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
    }

    @Test
    public void itSaysThatItIsWellAndWhatWaits() throws Exception {
        HttpResponse<String> answer = ask(ops.listensAt(), "/health");
        assertEquals(answer.statusCode(), 200, answer.body());
        JsonNode health = JsonMapper.builder().build().readTree(answer.body());
        assertTrue(health.get("up").asBoolean(), answer.body());
        assertEquals(health.at("/counts/outbox").asInt(), 0);
        assertTrue(health.get("freeDiskBytes").asLong() > 0, answer.body());
    }

    @Test
    public void requestsAreCountedByRouteAndNobodyIsNamed() throws Exception {
        board();
        String metrics = ask(ops.listensAt(), "/metrics").body();
        assertTrue(
                metrics.contains("http_server_requests_seconds_count{method=\"GET\",status=\"200\","
                        + "uri=\"/api/students/{student}/board\"}"),
                metrics);
        atTheDoor().get(STUDENT + "/board");
        assertTrue(
                ask(ops.listensAt(), "/metrics")
                        .body()
                        .contains("http_server_requests_seconds_count{method=\"GET\",status=\"401\",uri=\"none\"}"),
                "who is refused is counted, too");
        assertTrue(metrics.contains("jvm_memory_used_bytes"), metrics);
        assertTrue(metrics.contains("navlo_outbox_waiting 0.0"), metrics);
        assertTrue(metrics.contains("hikaricp_connections"), metrics);
        assertFalse(metrics.contains("asta"), "no person is in it");
    }

    @Test
    public void itIsNotOnThePortOfThePages() throws Exception {
        for (String path : new String[] {"/health", "/metrics", "/actuator/health"}) {
            String body = ask(port, path).body();
            assertFalse(body.contains("freeDiskBytes") || body.contains("jvm_memory"), path + " " + body);
        }
    }

    /** Last, as nothing works afterwards. */
    @Test(priority = 9)
    public void dataThatDoesntAnswerIsSaid() throws Exception {
        JdbcClient.create(data).sql("DROP TABLE outbox").update();
        HttpResponse<String> answer = ask(ops.listensAt(), "/health");
        assertEquals(answer.statusCode(), 503, answer.body());
        assertTrue(answer.body().contains("the data doesn't answer"), answer.body());
    }
}
