package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotNull;
import static org.testng.Assert.assertTrue;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.scheduling.concurrent.ThreadPoolTaskScheduler;
import org.springframework.scheduling.config.ScheduledTaskHolder;
import org.springframework.test.annotation.DirtiesContext;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What open pages are told: each commit once. */
@DirtiesContext
public class LiveTest extends DemoServer {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final String ENDS = "ends";

    @Autowired
    private JdbcClient db;

    @Autowired
    private ThreadPoolTaskScheduler scheduler;

    @Autowired
    private List<ScheduledTaskHolder> rounds;

    @Test
    public void noRoundWaitsForAnother() {
        int many = rounds.stream()
                .mapToInt(holder -> holder.getScheduledTasks().size())
                .sum();
        assertTrue(many >= 6, many + " rounds");
        assertTrue(
                scheduler.getScheduledThreadPoolExecutor().getCorePoolSize() >= many,
                "each round has a thread of its own: " + many);
    }

    /** A page that listens. What it hears is "event data". */
    private final class Ear implements AutoCloseable {
        private final BlockingQueue<String> heard = new LinkedBlockingQueue<>();
        private final Stream<String> lines;

        Ear(TestClient client) throws Exception {
            HttpRequest request = HttpRequest.newBuilder(URI.create("http://localhost:" + port + STUDENT + "/events"))
                    .header("Cookie", client.cookies())
                    .build();
            lines = HttpClient.newHttpClient()
                    .send(request, HttpResponse.BodyHandlers.ofLines())
                    .body();
            Thread listening = new Thread(
                    () -> {
                        String[] event = {""};
                        try {
                            lines.forEach(line -> {
                                if (line.startsWith("event:")) {
                                    event[0] = line.substring("event:".length());
                                } else if (line.startsWith("data:")) {
                                    heard.add(event[0] + " " + line.substring("data:".length()));
                                }
                            });
                            heard.add(ENDS);
                        } catch (RuntimeException closed) {
                            heard.add(ENDS);
                        }
                    },
                    "ear");
            listening.setDaemon(true);
            listening.start();
            assertEquals(next(), "hello open");
        }

        String next() throws InterruptedException {
            String event = heard.poll(30, TimeUnit.SECONDS);
            assertNotNull(event, "nothing was heard");
            return event;
        }

        @Override
        public void close() {
            lines.close();
        }
    }

    /** Of very many tabs of one person the oldest is let go; other people's go on. */
    @Test
    public void oneWhoListensALotKeepsNobodyElseFromIt() throws Exception {
        TestClient tobias = tobias();
        try (Ear other = new Ear(mira())) {
            List<Ear> all = new ArrayList<>();
            for (int i = 0; i < 25; i++) {
                all.add(new Ear(tobias));
            }
            assertEquals(all.get(0).next(), ENDS);
            assertEquals(mira().post("/api/demo/clock", "{\"minutes\":1}").status(), 200);
            assertTrue(other.next().startsWith("clock"), "others go on");
            assertTrue(all.get(24).next().startsWith("clock"), "and so do the later ones");
            all.forEach(Ear::close);
        }
    }

    private long written(TestClient client) {
        return client.get(STUDENT + "/board").json().get("version").asLong();
    }

    /** As if another instance had written it. @return its number */
    private long elsewhere() {
        db.sql("""
                INSERT INTO change (student_id, person_id, kind, at, source, summary)
                VALUES (1, 1, 'OWN', :at, 'typed in', 'Written by another instance')
                """).param("at", Instant.parse("2026-11-24T15:20:00Z")).update();
        return db.sql("SELECT MAX(id) FROM change").query(Long.class).single();
    }

    @Test
    public void aCommandOfManyPiecesIsToldOfOnce() throws Exception {
        TestClient mira = mira();
        List<Long> works = board(mira)
                .get("works")
                .valueStream()
                .filter(work -> work.get("move").asString().equals("YOURS"))
                .map(work -> work.get("id").asLong())
                .toList();
        assertTrue(works.size() > 20, works.toString());
        Map<String, Object> form = new HashMap<>(Map.of("works", works, "back", false, "remove", false, "read", false));
        form.put("edit", Map.of("clear", List.of(), "effortMinutes", 45));
        try (Ear ear = new Ear(mira)) {
            JsonNode done = mira.post(STUDENT + "/works/together", JSON.writeValueAsString(form))
                    .json();
            assertNotNull(done.get("change"), done.toString());
            String told = ear.next();
            assertEquals(told, "board " + written(mira));
            // When this one is told of, the other instances were looked for at least once since the command.
            long foreign = elsewhere();
            assertEquals(ear.next(), "board " + foreign);
            assertEquals(undo(mira, done.get("change").asLong()).status(), 201);
            told = ear.next();
            assertEquals(told, "board " + written(mira));
        }
    }

    @Test
    public void everyPageHearsOfTheClockAndOfWhatIsNoChange() throws Exception {
        TestClient mira = mira();
        List<Ear> ears = new ArrayList<>(List.of(new Ear(mira), new Ear(tobias())));
        assertEquals(mira.post("/api/demo/clock", "{\"minutes\":1}").status(), 200);
        for (Ear ear : ears) {
            String heard = ear.next();
            while (!heard.equals("clock ")) {
                assertTrue(heard.startsWith("board "), heard);
                heard = ear.next();
            }
            ear.close();
        }
    }
}
