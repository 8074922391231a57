package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import java.util.zip.GZIPInputStream;
import org.springframework.test.annotation.DirtiesContext;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** A board that was answered before is answered again, to whom it may be, until anything in it is otherwise. */
@DirtiesContext
public class BoardAnswersTest extends DemoServer {
    private static final String BOARD = STUDENT + "/board";

    private static Optional<String> header(TestClient.Answer answer, String name) {
        return answer.raw().headers().firstValue(name);
    }

    @DataProvider
    public static Object[][] encodings() {
        return new Object[][] {
            {"gzip", true},
            {"gzip, deflate, br, zstd", true},
            {"br;q=1.0, gzip;q=0.5", true},
            {"gzip;q=0", false},
            {"br", false},
            {"identity", false},
        };
    }

    @Test(dataProvider = "encodings")
    public void itIsCompressedForWhoTakesThat(String taken, boolean compressed) throws IOException {
        TestClient mira = mira();
        byte[] plain = mira.get(BOARD).raw().body();
        TestClient.Answer answer = mira.send("GET", BOARD, "", "Accept-Encoding", taken);
        assertEquals(header(answer, "Content-Encoding"), compressed ? Optional.of("gzip") : Optional.empty());
        assertTrue(answer.raw()
                .headers()
                .allValues("Vary")
                .toString()
                .toLowerCase()
                .contains("accept-encoding"));
        assertEquals(header(answer, "Content-Type"), Optional.of("application/json"));
        byte[] body = answer.raw().body();
        if (compressed) {
            assertTrue(body.length < plain.length / 4, body.length + " of " + plain.length);
            body = new GZIPInputStream(new ByteArrayInputStream(body)).readAllBytes();
        }
        assertEquals(new String(body, StandardCharsets.UTF_8), new String(plain, StandardCharsets.UTF_8));
    }

    /** A page takes the time from there: the board may be of a little earlier. */
    @Test
    public void itSaysWhatTimeItIs() {
        TestClient.Answer answer = mira().get(BOARD);
        assertEquals(header(answer, "X-Navlo-Now").orElseThrow(), "2026-11-24T15:20:00Z");
        assertEquals(answer.json().get("now").asString(), "2026-11-24T15:20:00Z");
    }

    @Test
    public void whatAStudentLaysReadyIsInTheNextBoard() {
        TestClient mira = mira();
        JsonNode work = work(mira, "Theodolite");
        int before = work.get("files").asInt();
        JsonNode drafted = mira.upload(
                        path(work) + "/draft/files", "angles.pdf", "%PDF-1.4 angles".getBytes(StandardCharsets.UTF_8))
                .json();
        assertEquals(work(mira, "Theodolite").get("files").asInt(), before + 1, drafted.toString());
    }

    @Test
    public void whatIsWrittenIsInTheNextBoard() {
        TestClient mira = mira();
        JsonNode work = work(mira, "Theodolite");
        int before = work.get("minutesSpent").asInt();
        assertEquals(mira.post(path(work) + "/time-spent", "{\"minutes\":25}").status(), 201);
        assertEquals(work(mira, "Theodolite").get("minutesSpent").asInt(), before + 25);
    }

    @Test
    public void nobodyGetsTheBoardOfAnother() {
        TestClient mira = mira();
        TestClient tobias = tobias();
        JsonNode own = board(mira);
        JsonNode looked = board(tobias);
        assertTrue(own.get("mayWrite").asBoolean());
        assertFalse(looked.get("mayWrite").asBoolean(), "a guardian looks on");
        assertNotEquals(looked, own);
        assertEquals(board(mira), own);
        assertEquals(anders().get(BOARD).status(), 403);
    }
}
