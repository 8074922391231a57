package app.navlo.core.check;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.fail;

import app.navlo.core.close.GradingPeriods;
import app.navlo.core.exact.Rational;
import app.navlo.core.feedback.Rubric;
import app.navlo.core.gate.CourseGates;
import app.navlo.core.gate.Gate;
import app.navlo.core.gate.Gated;
import app.navlo.core.grade.By;
import app.navlo.core.grade.Category;
import app.navlo.core.grade.GradeTable;
import app.navlo.core.grade.Standard;
import app.navlo.core.grade.StandardMethod;
import app.navlo.core.grade.StandardsScheme;
import app.navlo.core.grade.WeightedScheme;
import app.navlo.core.id.CategoryId;
import app.navlo.core.id.StandardId;
import app.navlo.core.id.WorkId;
import app.navlo.core.leeway.ExtensionRule;
import app.navlo.core.leeway.TokenRule;
import app.navlo.core.policy.Base;
import app.navlo.core.policy.LatePolicy;
import app.navlo.core.policy.Penalty;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What is refused at the door, and the field that is named. */
public class DoorTest {
    private static final Rational MINUS = Rational.of(-1);
    private static final Instant NOON = Instant.parse("2026-11-24T12:00:00Z");

    private interface Build {
        Object build();
    }

    private static Gated waiting(String id, String forWork) {
        return new Gated(
                new WorkId(id), "u1", true, false, false, false, null, List.of(new Gate.Done(new WorkId(forWork))));
    }

    private static Category category(String id, long weight) {
        return new Category(new CategoryId(id), id, Rational.of(weight), By.POINTS, 0, 0, false);
    }

    private static Object[] row(String field, String word, Build build) {
        return new Object[] {field, word, build};
    }

    @DataProvider
    public static Object[][] illegal() {
        LatePolicy plain = LatePolicy.NONE;
        return new Object[][] {
            row("weight", "-1", () -> category("labs", -1)),
            row("categories", "weight", () -> new WeightedScheme(List.of(category("labs", 0)))),
            row(
                    "categories[1].id",
                    "labs",
                    () -> new WeightedScheme(List.of(category("labs", 1), category("labs", 2)))),
            row("dropLowest", "-2", () -> new Category(new CategoryId("a"), "a", Rational.ONE, By.MEAN, -2, 0, false)),
            row("gates", "a waits for b", () -> CourseGates.of(List.of(waiting("a", "b"), waiting("b", "a")), false)),
            row("gates of a", "nowhere", () -> CourseGates.of(List.of(waiting("a", "nowhere")), false)),
            row("due", "last grading close", () -> {
                new GradingPeriods(List.of(new GradingPeriods.Period("autumn", NOON))).checkDue(NOON.plusSeconds(1));
                return "";
            }),
            row(
                    "periods[1].close",
                    "order",
                    () -> new GradingPeriods(
                            List.of(new GradingPeriods.Period("one", NOON), new GradingPeriods.Period("two", NOON)))),
            row(
                    "rows",
                    "21",
                    () -> new Rubric(
                            List.of(new Rubric.Row("all", List.of(new Rubric.Level("full", "", Rational.of(21))))),
                            Rational.of(20),
                            false)),
            row("grace", "below 0", () -> new LatePolicy(Duration.ofMinutes(-1), plain.penalty(), null, null)),
            row("floorPercent", "101", () -> new LatePolicy(Duration.ZERO, plain.penalty(), Rational.of(101), null)),
            row("percent", "-1", () -> new Penalty.Flat(MINUS, Base.EARNED)),
            row(
                    "lengthDays",
                    "0",
                    () -> new ExtensionRule(
                            null, Duration.ZERO, 0, 1, ExtensionRule.Answered.TEACHER, 0, Rational.ZERO)),
            row("span", "some time", () -> new TokenRule(3, Duration.ZERO, 1, Duration.ZERO)),
            row(
                    "noneBelow",
                    "end at 4",
                    () -> new StandardsScheme(
                            List.of(new Standard(new StandardId("soil"), "Soil", StandardMethod.LATEST)),
                            Rational.of(5))),
            row(
                    "rows[1].from",
                    "second time",
                    () -> new GradeTable(
                            List.of(new GradeTable.Row("A", Rational.of(90)), new GradeTable.Row("B", Rational.of(90))),
                            null)),
        };
    }

    @Test(dataProvider = "illegal")
    public void illegalInputIsRefusedWithItsFieldAndWhy(String field, String word, Build build) {
        try {
            build.build();
            fail("it was let in");
        } catch (IllegalInput e) {
            assertEquals(e.problems().get(0).field(), field);
            assertTrue(e.getMessage().contains(word), e.getMessage());
        }
    }

    @Test
    public void everyProblemIsSaidAtOnce() {
        try {
            new ExtensionRule(null, Duration.ofHours(-1), 0, -1, ExtensionRule.Answered.TEACHER, -1, MINUS);
            fail("it was let in");
        } catch (IllegalInput e) {
            assertEquals(
                    e.problems().stream().map(Problem::field).toList(),
                    List.of("after", "lengthDays", "limit", "tokens", "penaltyPercent"));
        }
    }

    @Test
    public void aPartsProblemsAreFoundUnderItsName() {
        Check check = new Check().part("labs", () -> category("labs", -1));
        assertThrows(IllegalInput.class, check::orThrow);
    }
}
