package app.navlo.core.next;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertTrue;

import app.navlo.core.close.GradingPeriods;
import app.navlo.core.course.CourseBook;
import app.navlo.core.course.CourseRules;
import app.navlo.core.course.CourseWork;
import app.navlo.core.course.WhatIfCourse;
import app.navlo.core.course.WorkAssessment;
import app.navlo.core.exact.Rational;
import app.navlo.core.grade.GradeTable;
import app.navlo.core.grade.PointsScheme;
import app.navlo.core.grade.Reading;
import app.navlo.core.id.CourseId;
import app.navlo.core.id.WorkId;
import app.navlo.core.next.NextPlan.Because.Kind;
import app.navlo.core.next.NextPlan.Planned;
import app.navlo.core.policy.KeptScore;
import app.navlo.core.policy.LatePolicy;
import app.navlo.core.time.Deadline;
import app.navlo.core.time.SchoolCalendar;
import app.navlo.core.time.Stretch;
import app.navlo.core.work.Actor;
import app.navlo.core.work.Costs;
import app.navlo.core.work.Fact;
import app.navlo.core.work.HandInContent;
import app.navlo.core.work.Stamp;
import app.navlo.core.work.WorkItem;
import app.navlo.core.work.WorkKind;
import app.navlo.core.work.WorkState;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Set;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** A course whose late rule nobody has set: the due counts, beyond it an assumption serves, and scores stay what they are. */
public class UnknownLateTest {
    private static final Instant NOW = Instant.parse("2026-11-24T15:20:00Z");
    private static final ZoneId ZONE = ZoneId.of("Europe/Copenhagen");
    private static final List<Stretch> FREE = List.of(
            new Stretch(NOW, NOW.plus(Duration.ofHours(3))),
            new Stretch(
                    NOW.plus(Duration.ofDays(12)), NOW.plus(Duration.ofDays(12).plusHours(6))));

    private static Instant in(long days) {
        return NOW.plus(Duration.ofDays(days));
    }

    private static CourseBook book(CourseWork... works) {
        CourseRules rules = new CourseRules(
                new CourseId("life drawing"),
                SchoolCalendar.weekdays(ZONE, Set.of()),
                WorkState.DEFAULT_SOON,
                LatePolicy.UNKNOWN,
                null,
                null,
                new PointsScheme(),
                GradeTable.NONE,
                GradingPeriods.NONE,
                false,
                6);
        return CourseBook.of(rules, List.of(works), List.of(), NOW);
    }

    private static CourseWork work(String id, long points, Instant due, List<Fact> facts) {
        WorkItem item = new WorkItem(
                new WorkId(id),
                id,
                WorkKind.ASSIGNMENT,
                true,
                true,
                new WorkItem.Marking(Rational.of(points), null, KeptScore.HIGHEST),
                new WorkItem.Schedule(null, due == null ? null : Deadline.at(due), null, null, null, null),
                null,
                null,
                null);
        return new CourseWork(item, CourseWork.Place.NOWHERE, List.of(), null, null, 60, facts);
    }

    private static Stamp stamp(Instant at, long order, Actor by) {
        return new Stamp(at, at, order, by, "", "test");
    }

    @DataProvider
    public static Object[][] assumed() {
        return new Object[][] {
            {0L, "100"}, {1L, "80"}, {24L, "80"}, {25L, "70"}, {72L, "60"}, {168L, "20"}, {169L, "0"}, {2000L, "0"},
        };
    }

    @Test(dataProvider = "assumed")
    public void twentyPercentAtTheDueTenMoreEachDayForSevenDays(long hours, String kept) {
        LatePolicy.Judged judged = LatePolicy.UNKNOWN.judge(
                NOW,
                NOW.plus(Duration.ofHours(hours)),
                Rational.HUNDRED,
                Rational.HUNDRED,
                null,
                SchoolCalendar.weekdays(ZONE, Set.of()));
        assertEquals(judged.score(), Rational.parse(kept));
    }

    @Test
    public void theDueIsTheOnlyInstantAtWhichSomethingIsSaidToBeLost() {
        WorkAssessment finding = book(work("essay", 20, in(3), List.of())).finding(new WorkId("essay"));
        List<Costs.CostDate> costs =
                Costs.ahead(finding.state(), finding.steps(), finding.policy().isAssumed(), NOW);
        assertEquals(costs.size(), 1);
        assertEquals(costs.get(0).at(), in(3));
        assertTrue(costs.get(0).unknown());
        assertFalse(costs.get(0).endsAcceptance());
    }

    @Test
    public void nothingIsTakenOffAScoreThatThereIs() {
        List<Fact> facts = List.of(
                new Fact.HandedIn(stamp(in(-3), 1, Actor.STUDENT), 1, HandInContent.DONE),
                new Fact.Scored(stamp(in(-1), 2, Actor.TEACHER), 1, Rational.of(18), null, true, true));
        WorkAssessment finding = book(work("essay", 20, in(-5), facts)).finding(new WorkId("essay"));
        assertEquals(finding.outcome().kept(), Rational.of(18));
    }

    @DataProvider
    public static Object[][] sittings() {
        return new Object[][] {
            // 60 minutes of work, in at 16:20; 90 % are expected.
            {Duration.ofMinutes(60), "90"},
            {Duration.ofMinutes(59), "70"},
            {Duration.ofMinutes(-30), "70"},
            {Duration.ofHours(-23), "70"},
            {Duration.ofHours(-24), "60"},
            {Duration.ofDays(-5), "20"},
        };
    }

    /** What the plan counts, it shows: as the gain of the move, as what it keeps, and as what all of it would bring. */
    @Test(dataProvider = "sittings")
    public void whatIsDoneAfterItsDueGainsWhatTheAssumptionLeaves(Duration ahead, String kept) {
        CourseBook book = book(graded(), work("essay", 20, NOW.plus(ahead), List.of()));
        NextPlan plan = NextPlanner.plan(List.of(book), Circumstances.of(FREE), NOW);
        Planned essay = plan.planned().get(0);
        assertEquals(essay.work(), new WorkId("essay"));
        Rational without = plan.stakes().get(0).none();
        assertEquals(without, Rational.of(45));
        assertEquals(essay.gain(), Rational.parse(kept).dividedBy(Rational.of(2)));
        assertEquals(plan.stakes().get(0).planned(), without.plus(essay.gain()));
        boolean late = !ahead.isNegative() && ahead.compareTo(Duration.ofMinutes(60)) < 0;
        assertEquals(essay.because().missed(), late ? NOW.plus(ahead) : null);
        assertEquals(essay.because().kind() == Kind.NO_TIME_BEFORE_DUE, late);
        assertEquals(essay.because().kind() == Kind.OVERDUE_UNKNOWN, ahead.isNegative());
        assertTrue(!late || essay.because().loses().equals(Rational.of(10)), "what being late costs");
    }

    /** Both are due in an hour, and there is an hour: what is worth less is late, and it is said for what. */
    @Test
    public void ofTwoThatDontFitTheLesserIsLateForTheOther() {
        CourseBook book = book(
                work("small", 5, NOW.plus(Duration.ofHours(1)), List.of()),
                work("big", 50, NOW.plus(Duration.ofHours(1)), List.of()));
        List<Stretch> hours = List.of(
                new Stretch(NOW, NOW.plus(Duration.ofHours(1))), new Stretch(in(1), in(1).plus(Duration.ofHours(1))));
        NextPlan plan = NextPlanner.plan(List.of(book), Circumstances.of(hours), NOW);
        Planned big = plan.planned().get(0);
        Planned small = plan.planned().get(1);
        assertEquals(big.work(), new WorkId("big"));
        assertNull(big.because().missed());
        assertEquals(small.because().kind(), Kind.LATE_FOR_OTHERS);
        assertEquals(small.because().missed(), NOW.plus(Duration.ofHours(1)));
        assertTrue(small.because().loses().signum() > 0, "it loses what being late is assumed to cost");
    }

    /** With its score of 90 % it says what is expected of the others. */
    private static CourseWork graded() {
        return work(
                "graded",
                20,
                in(-9),
                List.of(
                        new Fact.HandedIn(stamp(in(-10), 1, Actor.STUDENT), 1, HandInContent.DONE),
                        new Fact.Scored(stamp(in(-8), 2, Actor.TEACHER), 1, Rational.of(18), null, true, true)));
    }

    /** What a goal needs is asked by the same rule as what can be had at most. */
    @Test
    public void aGoalCountsWhatIsLateAsTheReadingsDo() {
        CourseBook book = book(graded(), work("essay", 20, in(-1), List.of()));
        WhatIfCourse asItIs = book.trial(List.of(), List.of());
        assertEquals(asItIs.figure(Reading.EXPECTED), Rational.of(80));
        assertEquals(asItIs.reach(Rational.of(75), null).percent(), Rational.of(80));
        assertEquals(asItIs.reach(Rational.of(80), null).percent(), Rational.of(90));
        assertEquals(asItIs.reach(Rational.of(86), null).atMost(), Rational.of(85));
        assertTrue(asItIs.reach(Rational.of(86), null).outOfReach());
        assertTrue(Carry.to(Rational.of(80), book, List.of(), List.of()).isPresent());
        assertTrue(Carry.to(Rational.of(81), book, List.of(), List.of()).isEmpty());
    }

    @Test
    public void workWithoutPointsIsPlannedBeforeItsDueAndByDue() {
        CourseBook book = book(
                work("far", 0, in(9), List.of()),
                work("near", 0, in(2), List.of()),
                work("a sketch", 0, null, List.of()),
                work("nearer", 0, in(1), List.of()));
        NextPlan plan = NextPlanner.plan(List.of(book), Circumstances.of(FREE), NOW);
        List<String> order =
                plan.planned().stream().map(Planned::work).map(WorkId::text).toList();
        assertEquals(order.subList(0, 3), List.of("nearer", "near", "far"));
        plan.planned().forEach(planned -> {
            Instant due = book.finding(planned.work()).state().dueToCome();
            assertTrue(due == null || !planned.finish().isAfter(due), planned.work() + " is behind its due");
            assertEquals(planned.gain(), Rational.ZERO, "what steers the plan is no gain");
        });
    }
}
