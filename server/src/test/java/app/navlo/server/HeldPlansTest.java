package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertTrue;

import app.navlo.server.store.HeldPlans;
import app.navlo.server.store.HeldPlans.Earlier;
import app.navlo.server.store.HeldPlans.HeldPlan;
import app.navlo.server.store.HeldPlans.Turned;
import app.navlo.server.store.Sha256;
import java.time.Instant;
import org.springframework.beans.factory.annotation.Autowired;
import org.testng.annotations.Test;

/** One plan of a student holds, whatever devices make at the same time. */
public class HeldPlansTest extends DemoServer {
    private static final long TOBIAS = 2;
    private static final Instant NOON = Instant.parse("2026-11-24T12:00:00Z");

    @Autowired
    private HeldPlans plans;

    private static HeldPlan plan(int minute, String works) {
        return new HeldPlan(
                TOBIAS,
                NOON.plusSeconds(60L * minute),
                "7 7",
                Sha256.of("nothing"),
                works,
                new Earlier(Sha256.of("a wish"), "1:2|"),
                new Turned("UP", 3, NOON));
    }

    private HeldPlan held() {
        return plans.of(TOBIAS).orElseThrow();
    }

    @Test
    public void theFirstThatIsKeptHoldsUntilOneIsMadeFromIt() {
        assertTrue(plans.of(TOBIAS).isEmpty());
        plans.keep(plan(0, "5:1 3:2|4:1"), null);
        assertEquals(held(), plan(0, "5:1 3:2|4:1"), "read as it was written");
        plans.keep(plan(1, "made at the same instant"), null);
        assertEquals(held(), plan(0, "5:1 3:2|4:1"));
        HeldPlan first = held();
        plans.keep(plan(2, "3:2 5:1|4:1"), first);
        plans.keep(plan(3, "from what holds no longer"), first);
        assertEquals(held().works(), "3:2 5:1|4:1");
        HeldPlan plain = new HeldPlan(TOBIAS, NOON.plusSeconds(600), "8 8", Sha256.of("x"), "|", null, null);
        plans.keep(plain, held());
        assertEquals(held(), plain);
        assertNull(held().turned());
    }
}
