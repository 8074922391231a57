package app.navlo.core.course;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import app.navlo.core.close.GradedReturn;
import app.navlo.core.exact.Rational;
import app.navlo.core.id.CourseId;
import app.navlo.core.policy.LatePolicy;
import app.navlo.core.work.Actor;
import app.navlo.core.work.Costs;
import app.navlo.core.work.Fact;
import app.navlo.core.work.HandInContent;
import app.navlo.core.work.Stamp;
import app.navlo.core.work.Turn;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.testng.annotations.Test;

/** What is found of each piece of work, against laws. */
public class FindingLawsTest {
    private static final int COURSES = 300;

    @Test
    public void theCostsAheadAddUpToAllThatIsLeftAndNoneIsPast() {
        for (int seed = 0; seed < COURSES; seed++) {
            Courses some = new Courses(seed);
            CourseBook book = CourseBook.of(some.rules(), some.works(), List.of(), Courses.NOW);
            book.findings().forEach(finding -> costsAddUp(finding, book.now()));
        }
    }

    @Test
    public void whatASpanKeepsIsWhatTheLatePolicyJudgesThenAndFallsStepByStep() {
        int steps = 0;
        for (int seed = 0; seed < COURSES; seed++) {
            Courses some = new Courses(seed);
            CourseBook book = CourseBook.of(some.rules(), some.works(), List.of(), Courses.NOW);
            for (WorkAssessment finding : book.findings()) {
                WorkSpan span = book.span(finding);
                steps += spanIsJudged(finding, span, some.rules());
                boolean toHandIn =
                        finding.state().move() == Turn.YOURS || finding.state().move() == Turn.NOT_YET;
                assertEquals(
                        span.ends(),
                        toHandIn ? finding.state().acceptance().ends() : null,
                        finding.id().text());
                assertTrue(span.returned() == null || !span.returned().isAfter(book.now()), span.toString());
            }
        }
        assertTrue(steps > 200, steps + " steps were judged");
    }

    /** @return how many steps there were */
    private static int spanIsJudged(WorkAssessment finding, WorkSpan span, CourseRules rules) {
        Rational possible = finding.item().marking().possible();
        Rational before = null;
        for (WorkSpan.Kept kept : span.kept()) {
            assertTrue(before == null || kept.share().compareTo(before) < 0, span.toString());
            before = kept.share();
            if (kept.until() != null && !possible.isZero()) {
                LatePolicy.Judged then =
                        finding.policy().judge(span.due(), kept.until(), possible, possible, null, rules.calendar());
                assertEquals(kept.share(), then.score().dividedBy(possible), finding.id() + " at " + kept.until());
            }
        }
        return span.kept().size();
    }

    private static void costsAddUp(WorkAssessment finding, Instant now) {
        List<LatePolicy.Step> steps = finding.steps();
        List<Costs.CostDate> costs = Costs.ahead(finding.state(), steps, false, now);
        Rational lost = Rational.sum(costs.stream().map(Costs.CostDate::lost).toList());
        boolean ends = !costs.isEmpty() && costs.get(costs.size() - 1).endsAcceptance();
        if (!steps.isEmpty() && ends) {
            assertEquals(lost, steps.get(0).score(), finding.id().text());
        }
        costs.forEach(cost -> assertTrue(!cost.at().isBefore(now) && cost.lost().signum() >= 0, costs.toString()));
    }

    @Test
    public void oneFindingIsThatOfTheWholeList() {
        Courses some = new Courses(7);
        CourseBook book = CourseBook.of(some.rules(), some.works(), List.of(), Courses.NOW);
        book.findings().forEach(finding -> assertEquals(book.finding(finding.id()), finding));
    }

    @Test
    public void aReturnIsReadFromTheFactsAndAProgramsScoreIsNone() {
        Instant at = Courses.NOW.minus(Duration.ofDays(9));
        Fact handIn = new Fact.HandedIn(stamp(at, 1, Actor.STUDENT), 1, HandInContent.TEXT);
        Fact comment = new Fact.Commented(stamp(at.plusSeconds(5), 2, Actor.TEACHER), "Soon.", true, false);
        Fact byTeacher = new Fact.Scored(stamp(at.plusSeconds(90), 3, Actor.TEACHER), 1, Rational.ONE, true, true);
        Fact byProgram = new Fact.Scored(stamp(at.plusSeconds(60), 3, Actor.SYSTEM), 1, Rational.ONE, true, true);
        Fact hidden = new Fact.Scored(stamp(at.plusSeconds(30), 3, Actor.TEACHER), 1, Rational.ONE, true, false);
        assertEquals(
                Returns.of(new CourseId("c"), List.of(byTeacher, comment, handIn, hidden), Courses.NOW),
                List.of(new GradedReturn(new CourseId("c"), at, at.plusSeconds(90))));
        assertEquals(Returns.of(new CourseId("c"), List.of(handIn, byProgram), Courses.NOW), List.of());
        assertEquals(Returns.of(new CourseId("c"), List.of(handIn, byTeacher), at), List.of());
    }

    private static Stamp stamp(Instant at, long order, Actor by) {
        return new Stamp(at, at, order, by, "A. Person", "test");
    }
}
