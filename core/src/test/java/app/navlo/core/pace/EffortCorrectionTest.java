package app.navlo.core.pace;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.expectThrows;

import app.navlo.core.check.IllegalInput;
import app.navlo.core.exact.Rational;
import app.navlo.core.id.CourseId;
import app.navlo.core.pace.EffortCorrection.Done;
import app.navlo.core.work.WorkKind;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class EffortCorrectionTest {
    private static List<Done> done(String course, WorkKind kind, int... saidAndSpent) {
        return IntStream.range(0, saidAndSpent.length / 2)
                .mapToObj(i -> new Done(new CourseId(course), kind, saidAndSpent[2 * i], saidAndSpent[2 * i + 1]))
                .toList();
    }

    @DataProvider
    public static Object[][] factors() {
        return new Object[][] {
            {"two pieces say nothing", new int[] {60, 120, 60, 120}, null},
            {"three do", new int[] {60, 120, 60, 120, 60, 120}, Rational.of(2)},
            {"a tenth more is no difference", new int[] {100, 110, 100, 110, 100, 110}, null},
            {"a tenth less is none", new int[] {100, 90, 100, 90, 100, 90}, null},
            {"in twentieths", new int[] {60, 80, 60, 80, 60, 83}, Rational.of(135, 100)},
            {"less long, too", new int[] {60, 30, 60, 40, 60, 20}, Rational.of(1, 2)},
            {"long pieces weigh more than short ones", new int[] {10, 40, 10, 40, 180, 180}, Rational.of(13, 10)},
            {"four at most", new int[] {10, 100, 10, 100, 10, 100}, Rational.of(4)},
            {"a quarter at least", new int[] {100, 1, 100, 1, 100, 1}, Rational.of(1, 4)},
        };
    }

    @Test(dataProvider = "factors")
    public void theFactorIsWhatWasSpentOverWhatWasSaid(String how, int[] saidAndSpent, Rational factor) {
        List<EffortCorrection> corrections = EffortCorrection.of(done("a", WorkKind.QUIZ, saidAndSpent));
        assertEquals(
                corrections.stream().map(EffortCorrection::factor).toList(),
                factor == null ? List.of() : List.of(factor),
                how);
    }

    @Test
    public void eachKindInEachCourseIsCorrectedByItsOwnLastTen() {
        List<Done> all = new ArrayList<>(done("a", WorkKind.QUIZ, 10, 40, 10, 40, 10, 40));
        for (int i = 0; i < 10; i++) {
            all.addAll(done("a", WorkKind.QUIZ, 10, 20));
        }
        all.addAll(done("b", WorkKind.QUIZ, 10, 10, 10, 10, 10, 10));
        all.addAll(done("a", WorkKind.PROJECT, 10, 30, 10, 30, 10, 30));
        List<EffortCorrection> corrections = EffortCorrection.of(all);
        assertEquals(
                corrections,
                List.of(
                        new EffortCorrection(new CourseId("a"), WorkKind.QUIZ, 10, 100, 200),
                        new EffortCorrection(new CourseId("a"), WorkKind.PROJECT, 3, 30, 90)));
        assertEquals(corrections.get(0).minutes(45), 90);
        assertEquals(corrections.get(0).minutes(46), 90, "in steps of five");
        assertEquals(corrections.get(0).minutes(1), 5, "at least one step");
    }

    @Test
    public void whatIsSpentIsTakenOffButSomethingIsAlwaysLeft() {
        assertEquals(EffortCorrection.left(60, 0), 60);
        assertEquals(EffortCorrection.left(60, 20), 40);
        assertEquals(EffortCorrection.left(60, 58), 6);
        assertEquals(EffortCorrection.left(60, 500), 6);
        assertEquals(EffortCorrection.left(20, 19), 5);
        assertEquals(EffortCorrection.left(3, 2), 3);
    }

    @Test
    public void timeThatCannotHaveBeenSpentIsRefused() {
        assertEquals(
                expectThrows(IllegalInput.class, () -> new Done(new CourseId("a"), WorkKind.QUIZ, 0, 0))
                        .problems()
                        .size(),
                2);
    }
}
