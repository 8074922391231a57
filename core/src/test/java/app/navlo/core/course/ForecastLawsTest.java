package app.navlo.core.course;

import static app.navlo.core.course.OddCourses.expected;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertTrue;

import app.navlo.core.exact.Rational;
import app.navlo.core.grade.GradedWork;
import app.navlo.core.grade.Reading;
import app.navlo.core.grade.Readings;
import app.navlo.core.id.WorkId;
import app.navlo.core.work.Turn;
import java.util.List;
import org.testng.annotations.Test;

/** One forecast: what is tried, what a piece is worth and what is expected are the same question to the same engine. */
public class ForecastLawsTest {
    private static final int COURSES = 400;

    private interface Law {
        void check(CourseBook book, WorkAssessment finding, GradedWork values, Rational before);
    }

    private static void holdsForEveryPiece(Law law) {
        for (int seed = 0; seed < COURSES; seed++) {
            CourseBook book = new OddCourses(seed).book("c");
            Rational before = expected(book.trial(List.of(), List.of()));
            if (before == null) {
                continue;
            }
            for (WorkAssessment finding : book.findings()) {
                GradedWork values = finding.graded();
                if (values != null) {
                    law.check(book, finding, values, before);
                }
            }
        }
    }

    private static Rational with(CourseBook book, WhatIf change) {
        return expected(book.trial(List.of(change), List.of()));
    }

    @Test
    public void typingWhatIsExpectedOfAPieceChangesNothing() {
        int[] typed = new int[1];
        holdsForEveryPiece((book, finding, values, before) -> {
            boolean counts = Readings.valued(Reading.EXPECTED, values).isPresent();
            if (counts) {
                assertEquals(with(book, WhatIf.counts(finding.id(), values.expected())), before, finding.toString());
                typed[0]++;
            }
        });
        assertTrue(typed[0] > 2 * COURSES, typed[0] + " typed");
    }

    @Test
    public void typingAZeroCostsExactlyTheImpact() {
        int[] costly = new int[1];
        holdsForEveryPiece((book, finding, values, before) -> {
            Rational then = with(book, WhatIf.counts(finding.id(), Rational.ZERO));
            assertEquals(before.minus(then), finding.impact(), finding.toString());
            costly[0] += finding.impact().signum() > 0 ? 1 : 0;
        });
        assertTrue(costly[0] > COURSES, costly[0] + " cost something");
    }

    @Test
    public void liftingAPieceBringsExactlyWhatItSays() {
        int[] lifted = new int[1];
        holdsForEveryPiece((book, finding, values, before) -> {
            if (finding.lift() != null) {
                Rational then = with(book, WhatIf.counts(finding.id(), finding.raised()));
                assertEquals(then.minus(before), finding.lift(), finding.toString());
                lifted[0]++;
            }
        });
        assertTrue(lifted[0] > 40, lifted[0] + " could be lifted");
    }

    /** However many are tried at once, the rest is expected to bring what it was. */
    @Test
    public void whatIsTriedIsNoSignOfWhatTheRestWillBring() {
        holdsForEveryPiece((book, finding, values, before) -> {
            WhatIfCourse tried = book.trial(List.of(WhatIf.counts(finding.id(), Rational.ONE)), List.of());
            for (GradedWork other : tried.graded()) {
                if (!other.id().equals(finding.id())) {
                    assertEquals(other, book.gradedById().get(other.id()));
                }
            }
        });
    }

    @Test
    public void aPieceCanBeSetBackToAsItIs() {
        holdsForEveryPiece((book, finding, values, before) -> {
            WhatIfCourse tried = book.trial(List.of(WhatIf.counts(finding.id(), Rational.ONE)), List.of());
            assertEquals(expected(tried.asItIs(finding.id())), before);
        });
    }

    @Test
    public void workThatIsShutForGoodBringsNothingAndSaysWhatWouldOpenIt() {
        int[] shut = new int[1];
        for (int seed = 0; seed < COURSES; seed++) {
            CourseBook book = new OddCourses(seed).book("c");
            WhatIfCourse asItIs = book.trial(List.of(), List.of());
            for (WorkAssessment finding : book.findings()) {
                if (finding.shutForGood().isEmpty()) {
                    continue;
                }
                assertEquals(finding.state().move(), Turn.OUT_OF_REACH);
                assertNull(finding.safeBy());
                assertTrue(!finding.extension().may() && !finding.tokens().may());
                assertTrue(!asItIs.open().contains(finding.id()), "no target");
                for (WorkId root : finding.shutForGood()) {
                    assertNotEquals(book.finding(root).state().move(), Turn.YOURS, "it could still be done: " + root);
                }
                if (finding.graded() != null) {
                    assertEquals(finding.graded().expected(), Rational.ZERO);
                    assertTrue(finding.graded().most() == null
                            || finding.graded().most().isZero());
                    shut[0]++;
                }
            }
        }
        assertTrue(shut[0] > 10, shut[0] + " shut for good");
    }
}
