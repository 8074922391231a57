package app.navlo.core.grade;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertTrue;

import app.navlo.core.exact.Rational;
import app.navlo.core.grade.CompletionScheme.Item;
import app.navlo.core.id.WorkId;
import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** A course that is passed when all required work is done and the named pieces reach their thresholds. */
public class CompletionSchemeTest {
    private static final CompletionScheme SCHEME = new CompletionScheme(List.of(
            new Threshold(new WorkId("key 5"), Rational.of(75)),
            new Threshold(new WorkId("key 7"), Rational.of(200, 3))));

    private static Item item(String id, boolean required, boolean done, long possible, Rational earned) {
        return new Item(new WorkId(id), required, done, Rational.of(possible), earned);
    }

    /** Both keys reached, and nothing else to be done. */
    private static Item five(long earned) {
        return item("key 5", true, true, 20, Rational.of(earned));
    }

    private static final Item SEVEN = item("key 7", true, true, 9, Rational.of(6));

    @DataProvider
    public static Object[][] paths() {
        Item walk = item("walk", true, false, 0, null);
        Item bonus = item("bonus", false, false, 10, null);
        return new Object[][] {
            {"all is there", List.of(five(15), SEVEN), true, List.of(), List.of()},
            {"required work is open", List.of(five(15), SEVEN, walk), false, List.of("walk"), List.of()},
            {"optional work may stay open", List.of(five(15), SEVEN, bonus), true, List.of(), List.of()},
            {"a point short", List.of(five(14), SEVEN), false, List.of(), List.of("key 5")},
            {
                "nothing is scored",
                List.of(item("key 5", true, true, 20, null), SEVEN),
                false,
                List.of(),
                List.of("key 5")
            },
            {"a named piece isn't there", List.of(five(15)), false, List.of(), List.of("key 7")},
            {
                "worth no points",
                List.of(item("key 5", true, true, 0, Rational.ZERO), SEVEN),
                false,
                List.of(),
                List.of("key 5")
            },
            {"nothing at all", List.of(), false, List.of(), List.of("key 5", "key 7")},
        };
    }

    @Test(dataProvider = "paths")
    public void whatIsMissingOfItIsNamed(
            String why, List<Item> items, boolean complete, List<String> undone, List<String> below) {
        CompletionScheme.Path path = SCHEME.path(items);
        assertEquals(path.complete(), complete, why);
        assertEquals(path.undone().stream().map(WorkId::text).toList(), undone, why);
        assertEquals(
                path.below().stream()
                        .map(CompletionScheme.Below::work)
                        .map(WorkId::text)
                        .toList(),
                below,
                why);
    }

    /** Two thirds of nine are six, exactly: no rounding lets somebody fall short of it or slip over it. */
    @Test
    public void aThresholdIsExact() {
        assertTrue(SCHEME.path(List.of(five(15), SEVEN)).complete());
        CompletionScheme.Path short_ =
                SCHEME.path(List.of(five(15), item("key 7", true, true, 9, Rational.of(599999, 100000))));
        assertEquals(short_.below().size(), 1);
        assertEquals(short_.below().get(0).from(), Rational.of(200, 3));
        assertEquals(short_.below().get(0).percent(), Rational.of(599999, 9000));
    }

    @Test
    public void withoutAScoreItSaysNoPercent() {
        CompletionScheme.Path path = SCHEME.path(List.of(item("key 5", true, true, 20, null), SEVEN));
        assertNull(path.below().get(0).percent());
    }

    /** It has no percent of its own, however its work was scored. */
    @Test
    public void thereIsNoPercent() {
        Grade grade = SCHEME.grade(List.of());
        assertNull(grade.figure());
        assertEquals(SCHEME.gradeAsChosen(List.of(), grade), grade);
        assertTrue(new CompletionScheme(List.of()).path(List.of()).complete(), "nothing is asked for");
    }
}
