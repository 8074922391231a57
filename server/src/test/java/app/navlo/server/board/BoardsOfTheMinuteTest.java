package app.navlo.server.board;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotSame;
import static org.testng.Assert.assertSame;

import app.navlo.server.TestSettings;
import app.navlo.server.account.Person;
import app.navlo.server.store.People;
import app.navlo.server.store.Role;
import java.time.Instant;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.SplittableRandom;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.test.context.testng.AbstractTestNGSpringContextTests;
import org.testng.annotations.Test;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** When a board is made anew, and when the one that there is answers; over the boards of the demo. */
@SpringBootTest(
        webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT,
        properties = {TestSettings.MEMORY, TestSettings.DEMO, TestSettings.STILL})
public class BoardsOfTheMinuteTest extends AbstractTestNGSpringContextTests {
    private static final Instant NOW = Instant.parse("2026-11-24T15:20:05Z");
    private static final String HOME = "Europe/Copenhagen";
    private static final long MIRA = 1;
    private static final int EDGES = 40;

    @Autowired
    private BoardsOfTheMinute written;

    @Autowired
    private Boards boards;

    @Autowired
    private BoardMapper views;

    @Autowired
    private People people;

    @Autowired
    private JsonMapper json;

    private static Person mira(String zone) {
        return new Person(MIRA, TestSettings.MIRA, "Mira Solheim", Role.STUDENT, zone, "");
    }

    private People.Student student() {
        return people.student(MIRA).orElseThrow();
    }

    private Written<BoardView> ask(Instant now, Person reader) {
        return written.of(student(), reader, now);
    }

    private Written<BoardView> ask(Instant now) {
        return ask(now, mira(HOME));
    }

    private BoardView derived(Instant now) {
        return views.of(boards.read(MIRA, ZoneId.of(HOME), now), student(), mira(HOME));
    }

    /** Without the instant at which it was derived. */
    private ObjectNode content(byte[] board) {
        ObjectNode content = (ObjectNode) json.readTree(board);
        content.remove("now");
        return content;
    }

    private void assertHolds(Instant asked) {
        assertEquals(content(ask(asked).plain()), content(json.writeValueAsBytes(derived(asked))), "at " + asked);
    }

    @Test
    public void againWithinTheMinuteIsTheSameBoard() {
        Written<BoardView> first = ask(NOW);
        assertSame(ask(NOW), first);
        assertSame(ask(NOW.plusSeconds(40)), first);
        assertNotSame(ask(NOW.plusSeconds(60)), first, "the next minute has other free time");
        assertNotSame(ask(NOW.plusSeconds(1), mira("Asia/Tokyo")), first, "days are counted elsewhere");
        assertNotSame(ask(NOW.minusSeconds(1)), first, "the clock went back");
    }

    /** However the seconds of a minute lie about what changes by itself. */
    @Test
    public void whatIsKeptIsWhatWouldBeDerived() {
        Instant at = NOW;
        for (int i = 0; i < EDGES; i++) {
            Instant edge = Objects.requireNonNull(derived(at).nextChange());
            Instant minute = edge.truncatedTo(ChronoUnit.MINUTES);
            assertHolds(minute);
            assertHolds(edge);
            assertHolds(edge.plusNanos(1_000));
            assertHolds(edge.plusSeconds(1));
            assertHolds(minute.plusSeconds(59));
            at = minute.plusSeconds(60);
        }
    }

    @Test
    public void anyMinuteOfTheFortnightIsTheSameAtItsEnd() {
        SplittableRandom random = new SplittableRandom(23);
        for (int i = 0; i < EDGES; i++) {
            Instant minute =
                    NOW.plus(random.nextInt(14 * 24 * 60), ChronoUnit.MINUTES).truncatedTo(ChronoUnit.MINUTES);
            ask(minute.plusSeconds(2));
            assertHolds(minute.plusSeconds(58));
        }
    }

    @Test
    public void manyAtOnceWaitForOneBoard() throws Exception {
        ExecutorService readers = Executors.newFixedThreadPool(8);
        List<Future<Written<BoardView>>> all = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            all.add(readers.submit(() -> ask(NOW.plus(3, ChronoUnit.MINUTES))));
        }
        Written<BoardView> one = all.get(0).get();
        for (Future<Written<BoardView>> other : all) {
            assertSame(other.get(), one);
        }
        readers.shutdown();
    }
}
