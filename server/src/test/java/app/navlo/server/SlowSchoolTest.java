package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import app.navlo.school.college.Fault;
import app.navlo.server.http.StandIns;
import java.util.concurrent.CompletableFuture;
import java.util.function.BooleanSupplier;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.annotation.DirtiesContext;
import org.springframework.test.context.TestPropertySource;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** A school that is slow, or broken, or took what couldn't be written down: nobody else waits, and nothing is lost or doubled. */
@TestPropertySource(
        properties = {
            "spring.datasource.url=jdbc:h2:mem:${random.uuid};DB_CLOSE_DELAY=-1",
            "navlo.feeds.follow-clock=false",
            "navlo.outbox.round=200ms"
        })
@DirtiesContext
public class SlowSchoolTest extends DemoServer {
    private static final String PLAN = "Planting plan, sheet 2: the long border";
    private static final long LONG = 60_000_000_000L;

    @Autowired
    private StandIns standIns;

    @Autowired
    private JdbcClient db;

    @AfterMethod
    public void healTheSchool() {
        standIns.college().fault(Fault.NONE);
    }

    private static JsonNode detail(TestClient mira, String title) {
        return mira.get(path(work(mira, title))).json();
    }

    private static TestClient.Answer handInPlan(TestClient mira, String key) {
        JsonNode detail = detail(mira, PLAN);
        return mira.send(
                "POST",
                path(work(mira, PLAN)) + "/hand-ins",
                handIn(detail, "FILES"),
                "Idempotency-Key",
                key,
                "If-Match",
                version(work(mira, PLAN)));
    }

    private static void await(BooleanSupplier condition, String what) {
        long giveUp = System.nanoTime() + LONG;
        while (!condition.getAsBoolean()) {
            assertTrue(System.nanoTime() < giveUp, what);
        }
    }

    /** Five writes to the same piece of work and the reads of every view, all answered before the school is. */
    @Test
    public void whileTheSchoolThinksEveryOtherWriteAndReadGoesOn() {
        TestClient mira = mira();
        standIns.college().fault(Fault.HANGING);
        CompletableFuture<TestClient.Answer> slow = CompletableFuture.supplyAsync(() -> handInPlan(mira(), "slow"));
        await(() -> detail(mira, PLAN).hasNonNull("onItsWay"), "it never was on its way");
        String at = path(work(mira, PLAN));
        for (int i = 0; i < 5; i++) {
            TestClient.Answer spent = mira.post(at + "/time-spent", "{\"minutes\":" + (5 + i) + "}");
            assertEquals(spent.status(), 201, spent.body());
        }
        for (String view : new String[] {"/board", "/next", "/leeway", "/pace", "/links"}) {
            assertEquals(mira.get(STUDENT + view).status(), 200, view);
        }
        assertFalse(slow.isDone(), "the school still thinks; it was answered: " + slow.getNow(null));
        standIns.college().fault(Fault.NONE);
        TestClient.Answer taken = slow.join();
        assertEquals(taken.status(), 201, taken.body());
        assertEquals(taken.json().at("/receipt/school").asString(), "Thornmere course site");
        assertEquals(detail(mira, PLAN).at("/handIns").size(), 1);
    }

    /** A piece of work of the course site for which an extension can be asked now. */
    private static String askable(TestClient mira) {
        return mira.get(STUDENT + "/leeway")
                .json()
                .get("cases")
                .valueStream()
                .filter(one -> one.get("mayAsk").asBoolean())
                .map(one -> STUDENT + "/works/" + one.get("work").asLong())
                .filter(at -> !at.equals(path(work(mira, PLAN))))
                .filter(at -> {
                    JsonNode detail = mira.get(at).json();
                    return detail.at("/goesTo/school").asString("").equals("Thornmere course site")
                            && !detail.hasNonNull("onItsWay");
                })
                .findFirst()
                .orElseThrow();
    }

    /** How often an extension was asked for, by what is written down here. */
    private static long asked(TestClient mira, String at) {
        return mira.get(STUDENT + "/leeway")
                .json()
                .get("history")
                .valueStream()
                .filter(event -> at.endsWith("/works/" + event.get("work").asLong()))
                .filter(event -> event.get("kind").asString().equals("EXTENSION_ASKED"))
                .count();
    }

    /** The school has it; the disk was full when it should have been written down. */
    @Test(dependsOnMethods = "whileTheSchoolThinksEveryOtherWriteAndReadGoesOn")
    public void whatWasTakenAndCouldntBeWrittenDownIsPutRightByItself() {
        TestClient mira = mira();
        String at = askable(mira);
        long before = asked(mira, at);
        long last = db.sql("SELECT MAX(id) FROM fact").query(Long.class).single();
        db.sql("ALTER TABLE fact ADD CONSTRAINT nothing_more CHECK (id <= " + last + ")")
                .update();
        TestClient.Answer answer = mira.send("POST", at + "/leeway/asking", "", "Idempotency-Key", "asked once");
        db.sql("ALTER TABLE fact DROP CONSTRAINT nothing_more").update();
        assertEquals(answer.status(), 503, answer.body());
        assertTrue(answer.body().contains("couldn't be written down here"), answer.body());
        assertEquals(asked(mira, at), before, "it isn't said to be done");
        assertTrue(mira.get(at).json().hasNonNull("onItsWay"), "it is said to be on its way");

        mira.post("/api/demo/clock", "{\"minutes\":5}");
        await(() -> !mira.get(at).json().hasNonNull("onItsWay"), "nobody went on with it");
        assertEquals(asked(mira, at), before + 1);
    }

    @Test
    public void whatASchoolThatIsCutOffMayHaveTakenIsNotSaidToBeDone() {
        TestClient mira = mira();
        String at = askable(mira);
        JsonNode before = mira.get(at).json();
        standIns.college().fault(Fault.DOWN);
        TestClient.Answer refused = mira.send("POST", at + "/leeway/asking", "", "Idempotency-Key", "while it is down");
        assertEquals(refused.status(), 503, refused.body());
        JsonNode after = mira.get(at).json();
        assertEquals(after.at("/work/stage"), before.at("/work/stage"));
        assertEquals(after.get("draft"), before.get("draft"));
    }
}
