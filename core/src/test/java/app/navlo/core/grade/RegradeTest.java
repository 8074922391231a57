package app.navlo.core.grade;

import static org.testng.Assert.assertEquals;

import app.navlo.core.exact.Rational;
import app.navlo.core.id.CategoryId;
import app.navlo.core.id.StandardId;
import app.navlo.core.id.WorkId;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.testng.annotations.Test;

/** Grading again with one piece of work changed is grading everything with it changed. */
public class RegradeTest {
    private static final int ROUNDS = 1_500;
    private static final Instant AT = Instant.parse("2026-11-01T09:00:00Z");

    private final Random random = new Random(41);

    private Valued work(String id) {
        Rational possible = Rational.of(random.nextInt(8) == 0 ? 0 : 5 + random.nextInt(40));
        return new Valued(
                new WorkId(id),
                new CategoryId("c" + random.nextInt(4)),
                random.nextBoolean()
                        ? List.of(new StandardId("s" + random.nextInt(3)))
                        : List.of(new StandardId("s0"), new StandardId("s2")),
                possible,
                random.nextInt(6) == 0,
                possible.times(Rational.of(random.nextInt(21), 20)),
                AT.plusSeconds(random.nextInt(1_000)));
    }

    private Scheme scheme() {
        return switch (random.nextInt(3)) {
            case 0 -> new PointsScheme();
            case 1 ->
                new StandardsScheme(
                        List.of(standard(0), standard(1), standard(2)), random.nextBoolean() ? Rational.of(2) : null);
            default -> new WeightedScheme(List.of(category(0), category(1), category(2)));
        };
    }

    private Standard standard(int i) {
        return new Standard(new StandardId("s" + i), "", StandardMethod.values()[random.nextInt(4)]);
    }

    private Category category(int i) {
        return new Category(
                new CategoryId("c" + i),
                "",
                Rational.of(1 + random.nextInt(50)),
                By.values()[random.nextInt(2)],
                random.nextInt(3),
                random.nextInt(2),
                i == 2 && random.nextBoolean());
    }

    /** Work keeps its category and its standards, whatever it brings. */
    private static Valued inItsPlace(Valued other, List<Valued> works) {
        return works.stream()
                .filter(work -> work.id().equals(other.id()))
                .findFirst()
                .map(work -> new Valued(
                        work.id(),
                        work.category(),
                        work.standards(),
                        other.possible(),
                        other.extra(),
                        other.earned(),
                        other.at()))
                .orElse(other);
    }

    @Test
    public void oneChangedIsAllChanged() {
        for (int i = 0; i < ROUNDS; i++) {
            Scheme scheme = scheme();
            List<Valued> works = new ArrayList<>();
            for (int k = random.nextInt(9); k >= 0; k--) {
                works.add(work("w" + k));
            }
            Valued changed = inItsPlace(work("w" + random.nextInt(11)), works);
            assertEquals(
                    scheme.regrade(works).figure(changed),
                    scheme.grade(Scheme.with(changed, works)).figure(),
                    scheme + " " + works + " with " + changed);
        }
    }

    @Test
    public void theExampleOfTheBookDropsWhatLeavesTheMost() {
        List<Valued> works = List.of(points("a", 80, 100), points("b", 20, 100), points("c", 1, 20));
        Drops drops = Drops.choose(By.POINTS, 1, 0, works);
        assertEquals(drops.percent(), Rational.parse("67.5"));
        assertEquals(drops.dropped(), java.util.Set.of(new WorkId("b")));
    }

    private static Valued points(String id, int earned, int possible) {
        return Valued.of(new WorkId(id), new CategoryId("c0"), Rational.of(possible), false, Rational.of(earned));
    }

    @Test
    public void anEmptyCategoryGivesItsWeightUp() {
        Category labs = new Category(new CategoryId("c0"), "", Rational.of(30), By.POINTS, 0, 0, false);
        Category tests = new Category(new CategoryId("c1"), "", Rational.of(70), By.POINTS, 0, 0, false);
        Category more = new Category(new CategoryId("c2"), "", Rational.of(5), By.POINTS, 0, 0, true);
        WeightedScheme scheme = new WeightedScheme(List.of(labs, tests, more));
        assertEquals(scheme.grade(List.of(points("a", 8, 10))).figure(), Rational.of(80));
        Valued extra = new Valued(
                new WorkId("x"), new CategoryId("c2"), List.of(), Rational.of(10), false, Rational.of(6), null);
        assertEquals(scheme.grade(List.of(points("a", 8, 10), extra)).figure(), Rational.of(83));
        assertEquals(scheme.grade(List.of(extra)).figure(), null);
    }

    @Test
    public void aBoundaryCountsAndIsJudgedUnroundedUnlessTheCourseRounds() {
        List<GradeTable.Row> rows =
                List.of(new GradeTable.Row("A", Rational.of(90)), new GradeTable.Row("B", Rational.of(80)));
        GradeTable plain = new GradeTable(rows, null);
        assertEquals(plain.letter(Rational.of(90)), "A");
        assertEquals(plain.letter(Rational.parse("89.9999")), "B");
        assertEquals(plain.letter(Rational.parse("79.99")), null);
        assertEquals(new GradeTable(rows, 1).letter(Rational.parse("89.95")), "A");
        assertEquals(new GradeTable(rows, 1).letter(Rational.parse("89.94")), "B");
        assertEquals(new GradeTable(rows, 0).letter(Rational.parse("79.5")), "B");
    }

    @Test
    public void aDecayingRatingLeansOnTheNewest() {
        List<Rational> ratings = List.of(Rational.of(1), Rational.of(3), Rational.of(2));
        assertEquals(StandardMethod.DECAYING.rate(ratings), Rational.parse("2.105"));
        assertEquals(StandardMethod.LATEST.rate(ratings), Rational.of(2));
        assertEquals(StandardMethod.HIGHEST.rate(ratings), Rational.of(3));
        assertEquals(StandardMethod.MEAN.rate(ratings), Rational.of(2));
    }
}
