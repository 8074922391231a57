package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNotNull;
import static org.testng.Assert.assertTrue;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.Base64;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/**
 * Two instances beside each other on the same data, each in a process of its own, as they run behind a proxy that sends each request
 * to either: what is done at one holds at the other. Where the data are is said by who extends it.
 */
public abstract class Instances {
    private static final String PASSWORD = OwnServer.PASSWORD;
    static final String KEY = Base64.getEncoder().encodeToString(new byte[32]);
    private static final byte[] PDF = ("%PDF-1.4\n" + "x".repeat(200_000)).getBytes(StandardCharsets.UTF_8);

    /** How long a page may go without being told what another instance wrote. */
    private static final long HEARD_SECONDS = 15;

    private OtherProcess one;
    private OtherProcess other;

    /** Asta's browser at either. */
    private TestClient here;

    private TestClient there;
    /** What is asked of her begins so; of eight tries, she is the one that came through. */
    private String student;

    private long course;
    private Map<String, String> environment;

    /** Data that nothing is in. @return where they are, and with which key, as each instance is told by its environment */
    abstract Map<String, String> data() throws Exception;

    /** They aren't needed any more. */
    abstract void endOfData() throws Exception;

    /** Both start at the same instant. */
    @BeforeClass
    public void startBothAtOnce() throws Exception {
        environment = data();
        List<OtherProcess> both = atOnce(List.of(this::started, this::started));
        one = both.get(0);
        other = both.get(1);
        theFirstPersonSignsUpOnce();
        here = TestClient.signedIn(one.port(), "p0@example.org", PASSWORD);
        there = here.at(other.port());
        student = "/api/students/"
                + here.get("/api/session").json().at("/person/id").asLong();
        course = id(here.post(
                student + "/courses",
                "{\"name\":\"Botany\",\"teacher\":null,\"zone\":\"Europe/Oslo\",\"colour\":\"fern\"}"));
    }

    private OtherProcess started() throws Exception {
        return new OtherProcess(Files.createTempDirectory("navlo-instance"), environment, "start");
    }

    private static <T> List<T> atOnce(List<Callable<T>> all) throws Exception {
        ExecutorService threads = Executors.newFixedThreadPool(all.size());
        try {
            List<T> answers = new ArrayList<>();
            for (Future<T> future : threads.invokeAll(all)) {
                answers.add(future.get());
            }
            return answers;
        } finally {
            threads.shutdown();
        }
    }

    @AfterClass(alwaysRun = true)
    public void stop() throws Exception {
        for (OtherProcess process : new OtherProcess[] {one, other}) {
            if (process != null) {
                process.close();
            }
        }
        endOfData();
    }

    /** Eight at either, all at once: exactly one is the first. */
    private void theFirstPersonSignsUpOnce() throws Exception {
        List<Callable<TestClient.Answer>> all = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            int port = (i % 2 == 0 ? one : other).port();
            all.add(() -> {
                TestClient client = new TestClient(port);
                client.get("/api/session");
                return client.send("POST", "/api/people", """
                        {"name":"Asta","email":"p0@example.org","password":"%s","zone":"Europe/Copenhagen","code":"FIRST-HERE"}
                        """.formatted(PASSWORD));
            });
        }
        Map<Integer, Integer> statuses = new HashMap<>();
        for (TestClient.Answer answer : atOnce(all)) {
            statuses.merge(answer.status(), 1, Integer::sum);
            assertTrue(answer.status() < 500, answer.body());
        }
        assertEquals(statuses.get(201), Integer.valueOf(1), statuses.toString());
    }

    private static long id(TestClient.Answer answer) {
        assertEquals(answer.status(), 201, answer.body());
        return answer.json().get("id").asLong();
    }

    private String form(String title) {
        return """
                {"courseId":%d,"title":"%s","kind":"ASSIGNMENT","unit":null,"required":true,"opensDay":null,
                 "dueDay":null,"dueTime":null,"possible":"10","effortMinutes":30,"instructions":""}
                """.formatted(course, title);
    }

    private JsonNode board(TestClient client) {
        return client.get(student + "/board").json();
    }

    private JsonNode work(TestClient client, String title) {
        return board(client)
                .get("works")
                .valueStream()
                .filter(work -> work.get("title").asString().startsWith(title))
                .findFirst()
                .orElseThrow();
    }

    private String path(JsonNode work) {
        return student + "/works/" + work.get("id").asLong();
    }

    private JsonNode added(String title) {
        id(here.post(student + "/works", form(title)));
        return work(there, title);
    }

    @Test
    public void whoSignedInAtOneIsKnownAtTheOtherUntilTheySignOut() {
        assertEquals(there.get("/api/session").json().at("/person/name").asString(), "Asta");
        TestClient again = TestClient.signedIn(other.port(), "p0@example.org", PASSWORD);
        assertEquals(again.at(one.port()).get(student + "/board").status(), 200);
        assertEquals(again.send("DELETE", "/api/session", "").status(), 204);
        assertEquals(again.at(one.port()).get(student + "/board").status(), 401);
    }

    @Test
    public void whatIsWrittenAtOneIsReadAtTheOther() {
        assertEquals(added("Leaf").get("title").asString(), "Leaf");
        TestClient.Answer noted =
                there.post(student + "/courses/" + course + "/notes", "{\"tag\":null,\"body\":\"Vein by vein\"}");
        assertEquals(noted.status(), 201, noted.body());
        assertEquals(here.get(student + "/notes").json().at("/0/body").asString(), "Vein by vein");
    }

    @Test
    public void aFileComesBackWholeFromTheOther() {
        JsonNode work = added("Herbarium");
        JsonNode detail =
                here.upload(path(work) + "/draft/files", "leaf.pdf", PDF).json();
        TestClient.Answer done = there.post(
                path(work) + "/hand-ins",
                DemoServer.handIn(detail, "FILES"),
                "If-Match",
                "\"" + detail.at("/work/version").asLong() + "\"");
        assertEquals(done.status(), 201, done.body());
        String receipt =
                path(work) + "/hand-ins/" + done.json().at("/receipt/id").asLong();
        assertEquals(here.get(receipt + "/files/1").raw().body(), PDF);
        assertEquals(work(here, "Herbarium").get("stage").asString(), "TURNED_IN");
    }

    /** Two tabs, each at another instance: who writes on an old version is told so, and nothing is lost. */
    @Test
    public void whoWritesOnAnOldVersionIsToldSoAtEither() {
        JsonNode work = added("Moss");
        String version = DemoServer.version(work);
        String path = path(work);
        String moved = form("Moss, redone");
        assertEquals(
                here.send("PUT", path, moved, "If-Match", version, "Idempotency-Key", "moss 1")
                        .status(),
                200);
        TestClient.Answer late =
                there.send("PUT", path, form("Moss, lost"), "If-Match", version, "Idempotency-Key", "moss 2");
        assertEquals(late.status(), 412, late.body());
        assertEquals(work(there, "Moss").get("title").asString(), "Moss, redone");
    }

    /** The same press, sent to both because an answer was slow. */
    @Test
    public void aWriteThatCameAtBothHappensOnce() throws Exception {
        List<Callable<TestClient.Answer>> presses = new ArrayList<>();
        for (int i = 0; i < 6; i++) {
            TestClient client = i % 2 == 0 ? here : there;
            presses.add(() -> client.send("POST", student + "/works", form("Fern"), "Idempotency-Key", "fern, once"));
        }
        for (TestClient.Answer answer : atOnce(presses)) {
            assertTrue(answer.status() == 201 || answer.status() == 409, answer.body());
        }
        assertEquals(
                board(there)
                        .get("works")
                        .valueStream()
                        .filter(work -> work.get("title").asString().equals("Fern"))
                        .count(),
                1);
    }

    /** Forty pieces at either, all at once: each is there once, and every page says the same. */
    @Test
    public void manyWritesAtBothAreAllThere() throws Exception {
        List<Callable<TestClient.Answer>> writes = new ArrayList<>();
        for (int i = 0; i < 40; i++) {
            TestClient client = i % 2 == 0 ? here : there;
            String title = "Seed " + i + ".";
            writes.add(() -> client.post(student + "/works", form(title)));
        }
        for (TestClient.Answer answer : atOnce(writes)) {
            assertEquals(answer.status(), 201, answer.body());
        }
        for (TestClient client : new TestClient[] {here, there}) {
            assertEquals(
                    board(client)
                            .get("works")
                            .valueStream()
                            .filter(work -> work.get("title").asString().startsWith("Seed "))
                            .map(work -> work.get("title").asString())
                            .distinct()
                            .count(),
                    40);
        }
    }

    @Test
    public void aPageAtOneHearsOfWhatIsWrittenAtTheOther() throws Exception {
        HttpRequest request = HttpRequest.newBuilder(
                        URI.create("http://localhost:" + other.port() + student + "/events"))
                .header("Cookie", here.cookies())
                .build();
        HttpResponse<Stream<String>> open =
                HttpClient.newHttpClient().send(request, HttpResponse.BodyHandlers.ofLines());
        assertEquals(open.statusCode(), 200);
        BlockingQueue<String> heard = new LinkedBlockingQueue<>();
        Thread listening = new Thread(() -> {
            try {
                open.body().filter(line -> line.equals("event:board")).forEach(heard::add);
            } catch (RuntimeException closed) {
                // The page is left.
            }
        });
        listening.setDaemon(true);
        listening.start();
        TimeUnit.SECONDS.sleep(3);
        heard.clear();
        added("Bark");
        assertNotNull(heard.poll(HEARD_SECONDS, TimeUnit.SECONDS), "nothing was heard of it");
        assertEquals(heard.poll(4, TimeUnit.SECONDS), null, "it is told of once");
    }

    /** A plan is made once and held: both show the same. */
    @Test
    public void bothShowTheSamePlan() {
        added("Root");
        JsonNode first = here.get(student + "/next").json();
        JsonNode second = there.get(student + "/next").json();
        assertEquals(order(second), order(first));
        assertFalse(order(first).isEmpty());
    }

    private static List<Long> order(JsonNode next) {
        return next.get("moves")
                .valueStream()
                .map(move -> move.get("work").asLong())
                .toList();
    }

    /** A third takes the place of one that is killed while it writes: whatever was confirmed is there. */
    @Test
    public void whatAKilledOneConfirmedIsThere() throws Exception {
        OtherProcess third = started();
        TestClient writing = here.at(third.port());
        List<String> confirmed = new ArrayList<>();
        Thread worker = new Thread(() -> {
            try {
                for (int i = 0; i < 10_000; i++) {
                    String title = "Killed " + i + ".";
                    if (writing.post(student + "/works", form(title)).status() == 201) {
                        synchronized (confirmed) {
                            confirmed.add(title);
                        }
                    }
                }
            } catch (RuntimeException cutOff) {
                // It was killed under us, as it should be.
            }
        });
        worker.start();
        while (many(confirmed) < 5) {
            TimeUnit.MILLISECONDS.sleep(20);
        }
        third.kill();
        worker.join();
        List<String> titles = board(here)
                .get("works")
                .valueStream()
                .map(work -> work.get("title").asString())
                .toList();
        assertTrue(titles.containsAll(confirmed), confirmed + " of which not all is there");
        assertEquals(
                there.post(student + "/works", form("After it")).status(), 201, "nothing of it holds up the others");
    }

    private static int many(List<String> confirmed) {
        synchronized (confirmed) {
            return confirmed.size();
        }
    }
}
