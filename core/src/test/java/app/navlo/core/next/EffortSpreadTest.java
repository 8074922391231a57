package app.navlo.core.next;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import app.navlo.core.id.CourseId;
import app.navlo.core.pace.EffortCorrection.Done;
import app.navlo.core.plan.Guess;
import app.navlo.core.work.WorkKind;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.testng.annotations.Test;

/** How far off a student's efforts are, from the time that they really took. */
public class EffortSpreadTest {
    private static List<Done> done(int many, double spread) {
        Random random = new Random(3);
        List<Done> done = new ArrayList<>();
        for (int i = 0; i < many; i++) {
            int spent = (int) Math.round(600 * Math.exp(0.3 + spread * random.nextGaussian()));
            done.add(new Done(new CourseId("soil"), WorkKind.ASSIGNMENT, 600, Math.max(1, spent)));
        }
        return done;
    }

    @Test
    public void withoutRecordsItIsUsual() {
        assertEquals(EffortSpread.of(List.of()), Guess.USUAL_SPREAD, 1e-9);
    }

    @Test
    public void aFewTellALittleAndManyTellAll() {
        double few = EffortSpread.of(done(3, 0.1));
        double many = EffortSpread.of(done(200, 0.1));
        assertTrue(few < Guess.USUAL_SPREAD && few > many, few + " and " + many);
        assertEquals(many, 0.12, 0.03, "however much longer all of it takes");
        assertEquals(EffortSpread.of(done(400, 0.6)), 0.6, 0.08);
    }

    @Test
    public void itStaysWithinReason() {
        assertEquals(EffortSpread.of(done(500, 0.0)), 0.1, 1e-9);
        assertEquals(EffortSpread.of(done(500, 3)), 1.0, 1e-9);
    }
}
