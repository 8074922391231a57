package app.navlo.core.grade;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import app.navlo.core.exact.Rational;
import app.navlo.core.id.CategoryId;
import app.navlo.core.id.StandardId;
import app.navlo.core.id.WorkId;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.testng.annotations.Test;

public class TargetTest {
    private static final Rational HAIR = Rational.of(1, 1_000_000_000L);

    private static Scheme scheme(Random random) {
        if (random.nextInt(5) == 0) {
            return new PointsScheme();
        }
        if (random.nextInt(4) == 0) {
            StandardMethod method = StandardMethod.values()[random.nextInt(4)];
            return new StandardsScheme(
                    List.of(
                            new Standard(new StandardId("c0"), "", method),
                            new Standard(new StandardId("c1"), "", StandardMethod.HIGHEST)),
                    null);
        }
        List<Category> categories = new ArrayList<>();
        for (int i = 0; i < 2; i++) {
            categories.add(new Category(
                    new CategoryId("c" + i),
                    "",
                    Rational.of(10 + random.nextInt(40)),
                    By.values()[random.nextInt(2)],
                    random.nextInt(3),
                    random.nextInt(3) == 0 ? 1 : 0,
                    false));
        }
        return new WeightedScheme(categories);
    }

    private static Valued item(Random random, int n) {
        long possible = 4 + random.nextInt(30);
        String category = "c" + random.nextInt(2);
        return new Valued(
                new WorkId("w" + n),
                new CategoryId(category),
                List.of(new StandardId(category)),
                Rational.of(possible),
                false,
                Rational.of(random.nextInt((int) possible + 1)),
                Instant.EPOCH.plusSeconds(random.nextInt(1_000)));
    }

    private static Rational figure(Scheme scheme, List<Valued> fixed, List<Valued> vary, Rational percent) {
        List<Valued> all = new ArrayList<>(fixed);
        for (Valued one : vary) {
            Rational earned = one.possible().times(percent).dividedBy(Rational.HUNDRED);
            all.add(new Valued(one.id(), one.category(), one.standards(), one.possible(), false, earned, one.at()));
        }
        return scheme.grade(all).figure();
    }

    /** Reached at every higher percent, and a hair less doesn't do. */
    @Test
    public void theAnswerReachesTheTargetAndAHairLessDoesNot() {
        Random random = new Random(12);
        int reached = 0;
        for (int i = 0; i < 1_600; i++) {
            Scheme scheme = scheme(random);
            List<Valued> fixed = new ArrayList<>();
            List<Valued> vary = new ArrayList<>();
            for (int n = 0; n < 2 + random.nextInt(8); n++) {
                (random.nextInt(3) == 0 ? vary : fixed).add(item(random, n));
            }
            Rational most = figure(scheme, fixed, vary, Rational.HUNDRED);
            Rational target = most.times(Rational.of(random.nextInt(120), 100));
            Target.Answer answer = Target.reach(scheme, fixed, vary, target);
            assertEquals(answer.atMost(), most);
            assertEquals(answer.outOfReach(), most.compareTo(target) < 0);
            if (answer.outOfReach()) {
                continue;
            }
            reached++;
            Rational percent = answer.percent();
            for (int step = 1; step <= 20; step++) {
                Rational higher = percent.plus(Rational.HUNDRED.minus(percent).times(Rational.of(step, 20)));
                assertTrue(
                        percent.equals(Rational.HUNDRED)
                                || figure(scheme, fixed, vary, higher).compareTo(target) >= 0,
                        scheme + " " + fixed + vary + target + " at " + higher);
            }
            if (percent.signum() > 0) {
                Rational less = percent.minus(HAIR).max(Rational.ZERO);
                assertFalse(figure(scheme, fixed, vary, less).compareTo(target) >= 0, percent.toString());
            }
        }
        assertTrue(reached > 700, reached + " cases reached their target");
    }
}
