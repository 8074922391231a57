package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import app.navlo.server.store.Notices;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.annotation.DirtiesContext;
import org.springframework.test.context.TestPropertySource;
import org.testng.annotations.Test;

/** Word that arrives while the demo's clock is moved on: once, in time, outside of quiet hours, and stopped by one press. */
@DirtiesContext
@TestPropertySource(properties = {"navlo.notices.round=100ms", "navlo.mail.round=50ms"})
public class NoticeTest extends DemoServer {
    private static final String MINE = "/api/people/me/notices";
    private static final Duration PATIENCE = Duration.ofSeconds(40);

    @Autowired
    private JdbcClient db;

    @Autowired
    private Notices notices;

    private record Sent(long person, String subject, String body, Instant madeAt) {}

    private List<Sent> sent() {
        return db.sql("SELECT person_id, subject, body, made_at FROM notice_mail WHERE sent_at IS NOT NULL ORDER BY id")
                .query((row, n) -> new Sent(
                        row.getLong("person_id"),
                        row.getString("subject"),
                        row.getString("body"),
                        row.getObject("made_at", java.time.OffsetDateTime.class).toInstant()))
                .list();
    }

    private static String wish(boolean losses, String weekDay, String from, String until) {
        return "{\"losses\":%s,\"asked\":true,\"scores\":false,\"weekDay\":%s,\"quietFrom\":\"%s\",\"quietUntil\":\"%s\"}"
                .formatted(losses, weekDay == null ? "null" : "\"" + weekDay + "\"", from, until);
    }

    private void advance(int minutes) {
        assertEquals(
                mira().send("POST", "/api/demo/clock", "{\"minutes\":" + minutes + "}")
                        .status(),
                200);
    }

    /** Until the rounds have nothing more to tell: several looks are the same, and nothing is on its way. */
    private List<Sent> settled() throws InterruptedException {
        Instant end = Instant.now().plus(PATIENCE);
        List<Sent> before = sent();
        int same = 0;
        while (Instant.now().isBefore(end) && same < 20) {
            Thread.sleep(120);
            List<Sent> now = sent();
            boolean onItsWay = db.sql("SELECT COUNT(*) FROM notice_mail WHERE sent_at IS NULL")
                            .query(Long.class)
                            .single()
                    > 0;
            same = now.equals(before) && !onItsWay ? same + 1 : 0;
            before = now;
        }
        return before;
    }

    @Test
    public void nobodyIsToldAnythingWithoutHavingChosenIt() {
        assertFalse(anders().get(MINE).json().get("losses").asBoolean());
        assertEquals(new TestClient(port).get(MINE).status(), 401);
        assertEquals(notices.choice(ANDERS).isPresent(), false);
    }

    @Test
    public void whatDoesntFitIsRefused() {
        TestClient mira = mira();
        assertEquals(
                mira.send("PUT", MINE, wish(true, "NODAY", "22:00", "07:00")).status(), 400);
        assertEquals(mira.send("PUT", MINE, wish(true, null, "noon", "07:00")).status(), 400);
    }

    /**
     * A day of the demo: what has to be begun in this evening's hours is told, and nothing twice; at night it is quiet; the
     * guardian is told of nothing but what is about to be lost for good, and gets the week on the day they chose.
     */
    @Test
    public void aDayOfWords() throws Exception {
        assertEquals(
                mira().send("PUT", MINE, wish(true, null, "22:00", "07:00")).status(), 200);
        assertEquals(
                tobias().send("PUT", MINE, wish(true, "WEDNESDAY", "22:00", "07:00"))
                        .status(),
                200);
        List<Sent> all = new ArrayList<>();
        for (int step = 0; step < 15; step++) {
            advance(120);
            all = settled();
        }
        assertFalse(all.isEmpty());
        for (Sent one : all) {
            int at = one.madeAt()
                    .atZone(java.time.ZoneId.of("Europe/Copenhagen"))
                    .getHour();
            assertTrue(at >= 7 && at < 22, "told at " + one.madeAt());
            assertTrue(one.subject().startsWith("Navlo: "), one.subject());
            assertFalse(one.subject().contains("Mira") || one.subject().contains("Soil"), one.subject());
        }
        List<String> lines = all.stream()
                .filter(one -> one.person() == MIRA)
                .flatMap(one -> one.body().lines())
                .filter(line -> line.startsWith("  - "))
                .toList();
        assertFalse(lines.isEmpty());
        assertEquals(lines.stream().distinct().count(), lines.size(), "something was told twice: " + lines);
        assertTrue(lines.stream().anyMatch(line -> line.contains("after the end of Tue 24 Nov")), lines.toString());
        List<Sent> guardians = all.stream().filter(one -> one.person() != MIRA).toList();
        assertTrue(
                guardians.stream().anyMatch(one -> one.body().contains("The week ahead")),
                "the week comes on Wednesday: " + guardians);
        assertFalse(
                guardians.stream().flatMap(one -> one.body().lines()).anyMatch(line -> line.contains(": loses ")),
                "a guardian is told at once only of what is lost for good");
        assertTrue(guardians.stream().anyMatch(one -> one.body().contains("Anders Solheim: ")));
        stoppedByOnePress(all.size());
    }

    /** The mail-box shows where a mail program stops them by one press; another secret stops nothing. */
    private void stoppedByOnePress(int before) throws Exception {
        String box = mira().get("/api/session").json().at("/demo/mailBox").asString();
        String list = page(box);
        Matcher letter = Pattern.compile("<a href=\"/(\\d+)\">Navlo: ").matcher(list);
        assertTrue(letter.find(), list);
        String secret = "";
        for (int number = Integer.parseInt(letter.group(1)); number >= 1 && secret.isEmpty(); number--) {
            String shown = page(box.replaceFirst("/$", "") + "/" + number);
            Matcher stop = Pattern.compile("/api/notices/stops/([\\w-]+)").matcher(shown);
            secret = shown.contains(TestSettings.MIRA) && stop.find() ? stop.group(1) : "";
        }
        assertEquals(press("nobody-was-sent-this"), 404);
        assertTrue(mira().get(MINE).json().get("losses").asBoolean());
        assertEquals(press(secret), 204);
        assertFalse(mira().get(MINE).json().get("losses").asBoolean());
        assertTrue(tobias().get(MINE).json().get("losses").asBoolean(), "nobody else's are stopped");
        advance(24 * 60);
        assertTrue(settled().stream().skip(before).noneMatch(one -> one.person() == MIRA));
    }

    private static String page(String address) throws Exception {
        return HttpClient.newHttpClient()
                .send(HttpRequest.newBuilder(URI.create(address)).build(), HttpResponse.BodyHandlers.ofString())
                .body();
    }

    private int press(String secret) throws Exception {
        return HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create("http://localhost:" + port + "/api/notices/stops/" + secret))
                                .header("Content-Type", "application/x-www-form-urlencoded")
                                .POST(HttpRequest.BodyPublishers.ofString("List-Unsubscribe=One-Click"))
                                .build(),
                        HttpResponse.BodyHandlers.ofString())
                .statusCode();
    }

    /** Saving another choice lets nothing be forgotten that waits for the end of the quiet hours. */
    @Test(dependsOnMethods = "aDayOfWords")
    public void whatIsWantedIsWantedSinceItWasFirst() {
        TestClient anders = anders();
        anders.send("PUT", MINE, wish(false, null, "22:00", "07:00"));
        Instant since = notices.choice(ANDERS).orElseThrow().askedSince();
        advance(30);
        anders.send("PUT", MINE, wish(true, "SUNDAY", "21:00", "08:00"));
        assertEquals(notices.choice(ANDERS).orElseThrow().askedSince(), since);
        advance(30);
        anders.send("PUT", MINE, wish(true, null, "21:00", "08:00").replace("\"scores\":false", "\"scores\":true"));
        Notices.Choice now = notices.choice(ANDERS).orElseThrow();
        assertEquals(now.askedSince(), since);
        assertTrue(now.scoresSince().isAfter(since), "scores are wanted newly");
        anders.send("PUT", MINE, wish(true, null, "21:00", "08:00").replace("\"asked\":true", "\"asked\":false"));
        anders.send("PUT", MINE, wish(true, null, "21:00", "08:00"));
        assertTrue(
                notices.choice(ANDERS).orElseThrow().askedSince().isAfter(since),
                "switched off and on is newly wanted");
    }
}
