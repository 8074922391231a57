package app.navlo.server.next;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotSame;
import static org.testng.Assert.assertSame;
import static org.testng.Assert.assertTrue;

import app.navlo.server.TestSettings;
import app.navlo.server.account.Person;
import app.navlo.server.account.Sights;
import app.navlo.server.board.Board;
import app.navlo.server.board.Boards;
import app.navlo.server.board.StudentHours;
import app.navlo.server.board.Written;
import app.navlo.server.store.Changes;
import app.navlo.server.store.HeldPlans;
import app.navlo.server.store.Role;
import app.navlo.server.store.WishList;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.regex.Pattern;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.test.context.testng.AbstractTestNGSpringContextTests;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** When a plan is written anew, and when the one that there is answers; over the board of the demo. */
@SpringBootTest(
        webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT,
        properties = {TestSettings.MEMORY, TestSettings.DEMO, TestSettings.STILL})
public class NextReadingTest extends AbstractTestNGSpringContextTests {
    private static final Instant NOW = Instant.parse("2026-11-24T15:20:05Z");
    private static final String HOME = "Europe/Copenhagen";
    private static final long MIRA = 1;
    private static final int EDGES = 12;
    private static final Pattern SECONDS = Pattern.compile("(?<=T\\d\\d:\\d\\d):[\\d.]+Z\"");
    private static final Person HERSELF = new Person(MIRA, TestSettings.MIRA, "Mira Solheim", Role.STUDENT, HOME, "");
    private static final Person ELSEWHERE =
            new Person(MIRA, TestSettings.MIRA, "Mira Solheim", Role.STUDENT, "Asia/Tokyo", "");
    /** Who reads without the plan being held for it. */
    private static final Person ONLOOKER =
            new Person(99, "onlooker@example.org", "An Onlooker", Role.STUDENT, HOME, "");

    @Autowired
    private NextReading written;

    @Autowired
    private Boards boards;

    @Autowired
    private StudentHours hours;

    @Autowired
    private WishList wishes;

    @Autowired
    private Changes changes;

    @Autowired
    private Sights sights;

    @Autowired
    private HeldPlans plans;

    @Autowired
    private PlanHolding holding;

    @Autowired
    private JdbcTemplate jdbc;

    @Autowired
    private JsonMapper json;

    /** So that no test finds what another was answered. */
    private Instant now;

    private int minutes;

    @BeforeMethod
    public void another() {
        minutes += 3;
        now = NOW.plus(minutes, ChronoUnit.MINUTES);
    }

    private Written<NextView> ask(Instant at, Person reader) {
        return written.read(MIRA, reader, null, at);
    }

    /** By parts that never were asked before. */
    private byte[] anew(Instant at) {
        PlansOfTheMinute none = new PlansOfTheMinute();
        NextService service = new NextService(boards, hours, wishes, changes, holding, none, sights);
        return new NextReading(service, new PlansInTurn(service), holding, none, json)
                .read(MIRA, ONLOOKER, null, at)
                .plain();
    }

    /** Without the instant at which it was made and at which something was seen to have turned; free time to the minute. */
    private ObjectNode content(byte[] plan) {
        String text = new String(plan, StandardCharsets.UTF_8);
        ObjectNode content = (ObjectNode) json.readTree(SECONDS.matcher(text).replaceAll("Z\""));
        content.remove("now");
        if (content.get("turn") instanceof ObjectNode turn) {
            turn.remove("at");
        }
        return content;
    }

    private void assertHolds(Instant at) {
        assertEquals(content(ask(at, ONLOOKER).plain()), content(anew(at)), "at " + at);
    }

    /** Since it holds from the first look on, the second asks with another plan in force. */
    @Test
    public void againWithinTheMinuteIsTheSamePlan() {
        Written<NextView> first = ask(now, HERSELF);
        HeldPlans.HeldPlan held = plans.of(MIRA).orElseThrow();
        assertSame(ask(now, HERSELF), first);
        assertSame(ask(now.plusSeconds(40), HERSELF), first);
        assertEquals(plans.of(MIRA).orElseThrow(), held, "nothing else was kept meanwhile");
        assertNotSame(ask(now.plusSeconds(60), HERSELF), first, "the next minute has other free time");
        assertNotSame(ask(now.minusSeconds(1), HERSELF), first, "the clock went back");
    }

    @Test
    public void whoAsksSomethingElseIsToldSomethingElse() {
        Written<NextView> first = ask(now, HERSELF);
        assertNotSame(ask(now, ELSEWHERE), first, "days are counted elsewhere");
        Written<NextView> hour = written.read(MIRA, HERSELF, 60, now);
        assertNotSame(hour, first);
        assertSame(written.read(MIRA, HERSELF, 60, now), hour);
        assertNotSame(written.read(MIRA, HERSELF, 61, now), hour);
        assertSame(ask(now, HERSELF), first, "a budget that is only tried holds nothing");
    }

    @Test
    public void anOnlookerSeesThePlanThatHolds() {
        Written<NextView> own = ask(now, HERSELF);
        assertEquals(content(ask(now.plusSeconds(1), ONLOOKER).plain()), content(own.plain()));
    }

    /** An onlooker who comes first holds nothing, and doesn't keep the student's look from doing so. */
    @Test
    public void whatAnOnlookerReadDoesNotHold() {
        jdbc.update("DELETE FROM held_plan");
        ask(now, ONLOOKER);
        assertTrue(plans.of(MIRA).isEmpty());
        ask(now, HERSELF);
        assertEquals(plans.of(MIRA).orElseThrow().madeAt(), now);
    }

    /** However the seconds of a minute lie about what changes by itself. */
    @Test
    public void whatIsKeptIsWhatWouldBePlanned() {
        Instant at = NOW;
        for (int i = 0; i < EDGES; i++) {
            Board board = boards.read(MIRA, ZoneId.of(HOME), at);
            Instant edge = Objects.requireNonNull(board.nextChange());
            Instant minute = edge.truncatedTo(ChronoUnit.MINUTES);
            assertHolds(minute);
            assertHolds(edge);
            assertHolds(minute.plusSeconds(59));
            at = minute.plusSeconds(60);
        }
    }

    @Test
    public void manyAtOnceWaitForOne() throws Exception {
        ExecutorService readers = Executors.newFixedThreadPool(8);
        List<Future<Written<NextView>>> all = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            all.add(readers.submit(() -> ask(now, ONLOOKER)));
        }
        Written<NextView> one = all.get(0).get();
        for (Future<Written<NextView>> other : all) {
            assertSame(other.get(), one);
        }
        readers.shutdown();
    }
}
