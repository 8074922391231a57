package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A student's own script reads the board and adds work with a token, and does nothing else with it. */
public class AccessTokenTest extends OwnServer {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final String TOKENS = "/api/people/me/tokens";

    private final HttpClient http = HttpClient.newHttpClient();

    @Autowired
    private JdbcClient db;

    private long course;
    private String reading;
    private String writing;

    @BeforeClass(dependsOnMethods = "signUp")
    public void twoTokens() {
        course = addCourse("Glass");
        reading = make("Wall display", "READ").get("token").asString();
        writing = make("Planner script", "WRITE").get("token").asString();
    }

    private JsonNode make(String name, String scope) {
        return ok(asta.post(TOKENS, JSON.writeValueAsString(java.util.Map.of("name", name, "scope", scope))));
    }

    private HttpResponse<String> call(String token, String method, String path, String body)
            throws IOException, InterruptedException {
        return http.send(
                HttpRequest.newBuilder(URI.create("http://localhost:" + port + path))
                        .header("Authorization", "Bearer " + token)
                        .header("Content-Type", "application/json")
                        .header("Idempotency-Key", UUID.randomUUID().toString())
                        .method(method, HttpRequest.BodyPublishers.ofString(body))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
    }

    @Test
    public void aScriptReadsTheBoardWithoutACookie() throws Exception {
        HttpResponse<String> board = call(reading, "GET", STUDENT + "/board", "");
        assertEquals(board.statusCode(), 200, board.body());
        assertTrue(board.body().contains("\"Glass\""), board.body());
        assertTrue(board.headers().allValues("Set-Cookie").stream().noneMatch(cookie -> cookie.startsWith("navlo=")));
    }

    /** A script that has lost its way; one's other scripts go on. */
    @Test
    public void aTokenThatAsksOnAndOnIsToldToWait() throws Exception {
        String lost = make("Lost script", "READ").get("token").asString();
        HttpResponse<String> last = call(lost, "GET", "/api/session", "");
        for (int i = 0; i < 1_500 && last.statusCode() != 429; i++) {
            last = call(lost, "GET", "/api/session", "");
        }
        assertEquals(last.statusCode(), 429, last.body());
        assertTrue(last.headers().firstValue("Retry-After").isPresent());
        assertEquals(call(reading, "GET", STUDENT + "/board", "").statusCode(), 200);
    }

    @Test
    public void aTokenForReadingWritesNothing() throws Exception {
        HttpResponse<String> refused = call(reading, "POST", STUDENT + "/works", "{}");
        assertEquals(refused.statusCode(), 403, refused.body());
        assertTrue(refused.body().contains("made for reading"), refused.body());
    }

    @Test
    public void aTokenForWritingAddsWorkAndTheChangeCanBeUndone() throws Exception {
        HttpResponse<String> sample = call(writing, "GET", STUDENT + "/changes", "");
        assertEquals(sample.statusCode(), 200, sample.body());
        HttpResponse<String> noted = call(
                writing, "POST", STUDENT + "/courses/" + course + "/notes", "{\"tag\":null,\"body\":\"Bring sand\"}");
        assertEquals(noted.statusCode(), 201, noted.body());
        long change = JSON.readTree(noted.body()).get("change").asLong();
        assertTrue(asta.get(STUDENT + "/notes").body().contains("Bring sand"));
        assertEquals(
                call(writing, "POST", STUDENT + "/changes/" + change + "/undo", "")
                        .statusCode(),
                201);
        assertFalse(asta.get(STUDENT + "/notes").body().contains("Bring sand"));
    }

    /** What no token reaches, whatever its scope. */
    @DataProvider
    public Object[][] beyond() {
        return new Object[][] {
            {"GET", TOKENS},
            {"POST", TOKENS},
            {"PUT", "/api/people/me"},
            {"GET", "/api/session"},
            {"GET", "/api/students/2/board"}
        };
    }

    @Test(dataProvider = "beyond")
    public void theAccountAndOthersStayOutOfReach(String method, String path) throws Exception {
        HttpResponse<String> refused = call(writing, method, path, method.equals("GET") ? "" : "{}");
        assertEquals(refused.statusCode(), 403, path + " " + refused.body());
    }

    @DataProvider
    public Object[][] wrong() {
        return new Object[][] {{"navlo_" + "A".repeat(43)}, {"navlo_"}, {"something else"}, {reading + "x"}};
    }

    @Test(dataProvider = "wrong")
    public void aWrongTokenIsRefusedInWords(String token) throws Exception {
        HttpResponse<String> refused = call(token, "GET", STUDENT + "/board", "");
        assertEquals(refused.statusCode(), 401, refused.body());
        assertTrue(refused.body().contains("isn't known here"), refused.body());
    }

    @Test
    public void aRevokedTokenIsOneThatIsntKnown() throws Exception {
        JsonNode made = make("Short-lived", "READ");
        String token = made.get("token").asString();
        assertEquals(call(token, "GET", STUDENT + "/board", "").statusCode(), 200);
        String at = TOKENS + "/" + made.get("id").asLong();
        assertEquals(asta.send("DELETE", at, "").status(), 204);
        assertEquals(call(token, "GET", STUDENT + "/board", "").statusCode(), 401);
        assertEquals(asta.send("DELETE", at, "").status(), 404, "once is enough");
        assertFalse(asta.get(TOKENS).body().contains("Short-lived"));
    }

    @Test
    public void onlyItsHashIsKeptAndItsLastUseIsSaid() throws Exception {
        assertEquals(call(reading, "GET", STUDENT + "/board", "").statusCode(), 200);
        String rows = db.sql("SELECT * FROM access_token").query().listOfRows().toString();
        assertFalse(rows.contains(reading.substring("navlo_".length())), "the token itself lies nowhere");
        JsonNode listed = asta.get(TOKENS).json();
        JsonNode display = listed.valueStream()
                .filter(one -> one.get("name").asString().equals("Wall display"))
                .findFirst()
                .orElseThrow();
        assertFalse(display.get("usedAt").isNull(), listed.toString());
        assertFalse(asta.get(TOKENS).body().contains("navlo_"), "it is shown once");
    }

    @Test
    public void aTokenWantsANameAndAScope() {
        TestClient.Answer refused = asta.post(TOKENS, "{\"name\":\" \",\"scope\":null}");
        assertEquals(refused.status(), 422, refused.body());
        assertEquals(refused.json().get("faults").size(), 2, refused.body());
    }
}
