package app.navlo.school.college;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import app.navlo.formats.ical.CalendarContent;
import app.navlo.formats.ical.CalendarReader;
import app.navlo.formats.oneroster.OneRosterReader;
import app.navlo.formats.oneroster.ZipBundle;
import app.navlo.formats.told.SourceSnapshot;
import java.io.IOException;
import java.math.BigDecimal;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.HexFormat;
import java.util.List;
import java.util.UUID;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The school's systems over HTTP, read by the readers of the open formats. */
public class CollegeServerTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final ZoneId ZONE = ZoneId.of("Europe/Copenhagen");
    private static final String ESSAY = "Nursery Bookkeeping/Depreciation of a greenhouse";

    private final HttpClient http = HttpClient.newHttpClient();
    private Instant now;
    private CollegeServer server;

    @BeforeMethod
    public void open() throws IOException {
        now = Instant.parse("2026-11-24T15:20:00Z");
        server = CollegeServer.open(
                School.THORNMERE,
                () -> College.open(School.THORNMERE, "jdbc:h2:mem:" + UUID.randomUUID(), () -> now),
                0);
    }

    @AfterMethod
    public void close() {
        server.close();
    }

    private HttpRequest.Builder request(String path) {
        return HttpRequest.newBuilder(URI.create(server.address() + path))
                .header("Authorization", "Bearer " + School.THORNMERE.token());
    }

    private HttpResponse<byte[]> send(HttpRequest.Builder request) {
        try {
            return http.send(request.build(), BodyHandlers.ofByteArray());
        } catch (IOException | InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    private HttpResponse<byte[]> handIn(String key, String body) {
        return send(request("/site/v1/hand-ins").header("Idempotency-Key", key).POST(BodyPublishers.ofString(body)));
    }

    private static JsonNode json(HttpResponse<byte[]> answer) {
        return JSON.readTree(answer.body());
    }

    private SourceSnapshot gradebook() throws Exception {
        Path file = Files.createTempFile("gradebook", ".zip");
        Files.write(file, send(request("/gradebook/oneroster.zip").GET()).body());
        try (ZipBundle bundle = ZipBundle.open(file, 1 << 24)) {
            OneRosterReader reader = OneRosterReader.of(bundle);
            return reader.read(reader.students().get(0).id(), ZONE);
        } finally {
            Files.delete(file);
        }
    }

    @Test
    public void aHandInSentTwiceHappensOnceAndHasOneReceipt() {
        String body = "{\"item\":\"" + ESSAY + "\",\"text\":\"Straight line, ten years.\"}";
        JsonNode first = json(handIn("k1", body));
        assertTrue(first.get("receipt").asString().startsWith("TC-"), first.toString());
        assertEquals(json(handIn("k1", body)), first);
        JsonNode record = json(send(request("/site/v1/record?after=start").GET()));
        assertEquals(record.get("deeds").size(), 1);
        assertEquals(record.get("last").asLong(), first.get("deed").asLong());
        assertEquals(json(handIn("k2", body)).get("attempt").asInt(), 2, "another key is another hand-in");
    }

    @Test
    public void aFileArrivesBeforeItIsHandedInAndIsWhatItSays() throws Exception {
        byte[] content = "date,sum\n".getBytes(StandardCharsets.UTF_8);
        String sha =
                HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(content));
        String body = "{\"item\":\"" + ESSAY + "\",\"files\":[{\"name\":\"a.csv\",\"sha256\":\"" + sha + "\"}]}";
        assertEquals(handIn("f1", body).statusCode(), 422);
        String wrong = "/site/v1/files/" + "0".repeat(64);
        assertEquals(
                send(request(wrong).PUT(BodyPublishers.ofByteArray(content))).statusCode(), 422);
        assertEquals(
                send(request("/site/v1/files/" + sha).PUT(BodyPublishers.ofByteArray(content)))
                        .statusCode(),
                200);
        assertEquals(handIn("f1", body).statusCode(), 201, "what was refused may be tried again");
    }

    @DataProvider
    public static Object[][] refused() {
        return new Object[][] {
            {"{\"item\":\"nothing\"}", 404},
            {"{\"item\":", 400},
            {"{\"item\":\"Soil Science/Worksheet 11: frost and structure\"}", 404},
        };
    }

    @Test(dataProvider = "refused")
    public void whatCannotBeTakenIsRefusedInWords(String body, int status) {
        HttpResponse<byte[]> answer = handIn("r" + body.hashCode(), body);
        assertEquals(answer.statusCode(), status);
        assertFalse(json(answer).get("why").asString().isEmpty());
    }

    @Test
    public void whoIsNotKnownGetsNothing() {
        for (String path : new String[] {"/site/v1/record", "/gradebook/oneroster.zip", "/faults"}) {
            HttpRequest.Builder request =
                    HttpRequest.newBuilder(URI.create(server.address() + path)).header("Authorization", "Bearer x");
            assertEquals(send(request.GET()).statusCode(), 401, path);
        }
    }

    @Test
    public void whoHasItAlreadyIsToldSo() {
        for (String path :
                new String[] {"/site/v1/record?after=start", "/gradebook/oneroster.zip", "/site/calendar/soil.ics"}) {
            String tag = send(request(path).GET()).headers().firstValue("ETag").orElseThrow();
            HttpResponse<byte[]> again =
                    send(request(path).header("If-None-Match", tag).GET());
            assertEquals(again.statusCode(), 304, path);
        }
        assertEquals(server.unchanged(), 3);
    }

    @Test
    public void everyCourseHasACalendarOfItsDues() throws Exception {
        for (String course : new String[] {"soil", "plants", "studio", "survey", "books", "ecology"}) {
            byte[] calendar =
                    send(request("/site/calendar/" + course + ".ics").GET()).body();
            CalendarContent content = CalendarReader.read(calendar, ZONE);
            assertTrue(
                    content.entries().size() > 15,
                    course + " " + content.entries().size());
            assertEquals(content.leftAside().size(), 0, content.leftAside().toString());
        }
    }

    @Test
    public void theGradebookCopiesTheSiteInTheMorningAndLagsUntilThen() throws Exception {
        SourceSnapshot before = gradebook();
        assertEquals(before.troubles().size(), 0, before.troubles().toString());
        assertEquals(before.courses().size(), 6);
        now = now.plus(Duration.ofHours(22));
        String lab = "Soil Science/Soil lab 5: pH and lime";
        JsonNode record = json(send(request("/site/v1/record?after=start").GET()));
        boolean scored = record.get("deeds")
                .valueStream()
                .anyMatch(deed -> deed.get("kind").asString().equals("SCORED")
                        && deed.get("item").asString().equals(lab));
        assertTrue(scored, "the teacher grades on Wednesdays");
        assertEquals(points(gradebook(), lab), null);
        now = now.plus(Duration.ofDays(1));
        assertTrue(points(gradebook(), lab) != null, "it is there the morning after");
    }

    private static Object points(SourceSnapshot told, String item) {
        return told.results().stream()
                .filter(result -> result.workKey().equals(item))
                .map(result -> (Object) result.points())
                .filter(points -> points != null)
                .findFirst()
                .orElse(null);
    }

    private static final String STAFF = "Surveying and Setting Out/Quiz: reading a level staff";

    private String page(String key) {
        return new String(send(request(CollegeServer.place(key)).GET()).body(), StandardCharsets.UTF_8);
    }

    private HttpResponse<byte[]> answer(String key, String form) {
        return send(request(CollegeServer.place(key))
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(BodyPublishers.ofString(form)));
    }

    @Test
    public void aQuizTakenOnItsPageIsAnAttemptWithItsScore() {
        assertTrue(page(STAFF).contains("Begin attempt 1 of 2"));
        assertFalse(page(STAFF).contains("type=\"radio\""), "questions are shown once it is begun");
        String begun = new String(answer(STAFF, "begin=yes").body(), StandardCharsets.UTF_8);
        assertTrue(begun.contains("1. The staff shows 1.4"), begun);
        String half = new String(answer(STAFF, "1=1.47+m&2=It+gets+too+small").body(), StandardCharsets.UTF_8);
        assertTrue(half.contains("Questions 3, 4, 5, 6, 7, 8, 9, 10 have no answer yet"), half);
        assertTrue(half.contains("value=\"1.47 m\" checked"), "what was chosen stays");
        String done = new String(
                answer(STAFF, "1=1.47+m&2=It+gets+too+small&6=lower&as-it-is=yes")
                        .body(),
                StandardCharsets.UTF_8);
        assertTrue(done.contains("2 of 10 points"), done);
        assertTrue(done.contains("Begin attempt 2 of 2"), done);
        JsonNode deeds =
                json(send(request("/site/v1/record?after=start").GET())).get("deeds");
        assertEquals(
                deeds.valueStream().map(deed -> deed.get("kind").asString()).toList(),
                List.of("ATTEMPT_BEGUN", "HANDED_IN", "SCORED"));
        assertEquals(deeds.get(2).get("points").decimalValue(), new BigDecimal("2"));
        assertEquals(deeds.get(2).get("by").asString(), "Course site");
        assertEquals(answer(STAFF, "1=1.47+m&as-it-is=yes").statusCode(), 409, "the attempt is over");
    }

    @Test
    public void releasedAnswersAreThoseThatWereGiven() {
        answer(STAFF, "begin=yes");
        answer(STAFF, "1=1.47+m&2=It+gets+too+small&as-it-is=yes");
        now = Instant.parse("2026-12-02T12:00:00Z");
        JsonNode released = json(send(request("/site/v1/record?after=start").GET()))
                .get("deeds")
                .valueStream()
                .filter(deed -> deed.get("kind").asString().equals("ANSWERS_RELEASED")
                        && deed.get("item").asString().equals(STAFF))
                .findFirst()
                .orElseThrow();
        assertEquals(released.get("answers").size(), 10);
        assertEquals(released.at("/answers/0/given").asString(), "1.47 m");
        assertEquals(released.at("/answers/1/given").asString(), "It gets too small");
        assertEquals(released.at("/answers/1/points").asString(), "0");
        assertEquals(released.at("/answers/2/given").asString(), "No answer");
    }

    @Test
    public void aQuizIsntTakenBeforeItOpensNorFromAnotherSite() {
        String grasses = "Plant Identification/Key 9: grasses";
        assertTrue(page(grasses).contains("It isn't open yet."));
        assertEquals(answer(grasses, "begin=yes").statusCode(), 409);
        HttpResponse<byte[]> elsewhere = send(request(CollegeServer.place(STAFF))
                .header("Sec-Fetch-Site", "cross-site")
                .POST(BodyPublishers.ofString("begin=yes")));
        assertEquals(elsewhere.statusCode(), 403);
        assertFalse(page(STAFF).contains("type=\"radio\""));
    }

    @Test
    public void aPaperIsThereOnceItIsAnnouncedAndNothingElseIs() {
        byte[] paper = send(request("/site/papers/texture-triangle.pdf").GET()).body();
        assertTrue(new String(paper, StandardCharsets.ISO_8859_1).startsWith("%PDF"));
        assertEquals(send(request("/site/papers/../teachers.yaml").GET()).statusCode(), 404);
        assertEquals(send(request("/site/papers/kitchen-court.pdf").GET()).statusCode(), 404);
    }
}
