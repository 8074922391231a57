package app.navlo.core.grade;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import app.navlo.core.exact.Rational;
import app.navlo.core.id.CategoryId;
import app.navlo.core.id.WorkId;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.testng.annotations.Test;

/** Drops against every subset there is, and the fast form against the plain one. */
public class DropsTest {
    /** So wide that products of two of them overflow a long. */
    private static final long WIDE = 4_000_000_007L;

    static List<Valued> items(Random random, int many, boolean wide) {
        List<Valued> items = new ArrayList<>();
        for (int i = 0; i < many; i++) {
            long possible = 1 + random.nextInt(wide ? Integer.MAX_VALUE : 30);
            Rational earned = wide
                    ? Rational.of(random.nextInt(Integer.MAX_VALUE), WIDE + 2L * i)
                    : Rational.of(random.nextInt((int) possible * 2 + 1), 2);
            items.add(Valued.of(
                    new WorkId("w" + i), new CategoryId("c"), Rational.of(possible), random.nextInt(6) == 0, earned));
        }
        return items;
    }

    private static Rational bruteForce(By by, int keep, List<Valued> plain, List<Valued> extra) {
        Rational best = null;
        for (int mask = 0; mask < 1 << plain.size(); mask++) {
            if (Integer.bitCount(mask) == keep) {
                List<Valued> kept = new ArrayList<>();
                for (int i = 0; i < plain.size(); i++) {
                    if ((mask >> i & 1) == 1) {
                        kept.add(plain.get(i));
                    }
                }
                Rational percent = Drops.percent(by, kept, extra);
                best = best == null ? percent : best.max(percent);
            }
        }
        return best;
    }

    @Test
    public void noOtherDropLeavesAHigherPercent() {
        Random random = new Random(1);
        for (int i = 0; i < 1_200; i++) {
            List<Valued> items = items(random, 1 + random.nextInt(9), i % 10 == 0);
            By by = By.values()[random.nextInt(2)];
            int lowest = random.nextInt(5);
            Drops drops = Drops.choose(by, lowest, 0, items);
            List<Valued> extra = items.stream().filter(Valued::extra).toList();
            List<Valued> plain = items.stream().filter(item -> !item.extra()).toList();
            int keep = Math.max(1, plain.size() - lowest);
            assertEquals(drops.percent(), plain.isEmpty() ? null : bruteForce(by, keep, plain, extra));
            assertEquals(drops.dropped().size(), plain.isEmpty() ? 0 : plain.size() - keep);
            assertTrue(extra.stream().noneMatch(item -> drops.dropped().contains(item.id())));
        }
    }

    @Test
    public void oneMoreDropNeverLowersThePercent() {
        Random random = new Random(2);
        for (int i = 0; i < 600; i++) {
            List<Valued> items = items(random, 2 + random.nextInt(12), false);
            Rational before = null;
            for (int lowest = 0; lowest < 6; lowest++) {
                Rational percent = Drops.choose(By.POINTS, lowest, 0, items).percent();
                assertTrue(before == null || percent.compareTo(before) >= 0);
                before = percent;
            }
        }
    }

    @Test
    public void wholeNumbersAndFractionsKeepTheSame() {
        Random random = new Random(4);
        for (int i = 0; i < 400; i++) {
            List<Valued> items = items(random, 2 + random.nextInt(60), false);
            int many = 1 + random.nextInt(items.size() - 1);
            Rational extra = Rational.of(random.nextInt(20), 3);
            boolean[] scaled = new boolean[items.size()];
            boolean[] plain = new boolean[items.size()];
            Boolean only = ScaledKept.tryKeep(WholePoints.of(items, extra), many, scaled);
            boolean plainOnly = BestKept.keepByPoints(WholePoints.of(items, extra), many, plain);
            assertEquals(only, Boolean.valueOf(plainOnly));
            assertEquals(kept(items, scaled, extra), kept(items, plain, extra));
        }
    }

    private static Rational kept(List<Valued> items, boolean[] kept, Rational extra) {
        Rational earned = extra;
        Rational possible = Rational.ZERO;
        for (int i = 0; i < kept.length; i++) {
            earned = kept[i] ? earned.plus(items.get(i).earned()) : earned;
            possible = kept[i] ? possible.plus(items.get(i).possible()) : possible;
        }
        return earned.dividedBy(possible);
    }
}
