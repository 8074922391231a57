package app.navlo.core.next;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertTrue;

import app.navlo.core.close.GradingPeriods;
import app.navlo.core.course.CourseBook;
import app.navlo.core.course.CourseRules;
import app.navlo.core.course.CourseWork;
import app.navlo.core.course.WorkAssessment;
import app.navlo.core.exact.Rational;
import app.navlo.core.grade.GradeTable;
import app.navlo.core.grade.PointsScheme;
import app.navlo.core.id.CourseId;
import app.navlo.core.id.WorkId;
import app.navlo.core.leeway.Bar;
import app.navlo.core.leeway.ExtensionRule;
import app.navlo.core.leeway.TokenRule;
import app.navlo.core.next.NextPlan.Planned;
import app.navlo.core.policy.Base;
import app.navlo.core.policy.KeptScore;
import app.navlo.core.policy.LatePolicy;
import app.navlo.core.policy.Measure;
import app.navlo.core.policy.Penalty;
import app.navlo.core.time.SchoolCalendar;
import app.navlo.core.time.Stretch;
import app.navlo.core.work.Stage;
import app.navlo.core.work.Timing;
import app.navlo.core.work.Turn;
import app.navlo.core.work.WorkItem;
import app.navlo.core.work.WorkKind;
import app.navlo.core.work.WorkState;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Set;
import org.testng.annotations.Test;

/** Work that happens at a time: its start counts, it bears no penalty and has no leeway, and preparing for it is the move. */
public class AppointmentsTest {
    private static final Instant NOW = Instant.parse("2026-11-24T15:20:00Z");
    private static final Stretch EXAM =
            new Stretch(Instant.parse("2026-12-03T09:00:00Z"), Instant.parse("2026-12-03T10:30:00Z"));
    private static final List<Stretch> FREE = List.of(
            new Stretch(NOW, NOW.plus(Duration.ofHours(4))),
            new Stretch(EXAM.endExclusive(), EXAM.endExclusive().plus(Duration.ofHours(4))));

    private static CourseBook book(WorkKind kind, long minutes, Rational preparing, Instant now) {
        LatePolicy late = new LatePolicy(
                Duration.ZERO,
                new Penalty.PerDay(Rational.of(10), null, Measure.SPANS_24H, Base.POSSIBLE),
                null,
                Duration.ofHours(72));
        CourseRules rules = new CourseRules(
                new CourseId("soil"),
                SchoolCalendar.weekdays(ZoneId.of("Europe/Copenhagen"), Set.of()),
                WorkState.DEFAULT_SOON,
                late,
                ExtensionRule.DEFAULT,
                new TokenRule(2, Duration.ofHours(24), 1, Duration.ofHours(24)),
                new PointsScheme(),
                GradeTable.NONE,
                GradingPeriods.NONE,
                false,
                6);
        WorkItem exam = new WorkItem(
                new WorkId("exam"),
                "Test 2",
                kind,
                true,
                true,
                new WorkItem.Marking(Rational.of(40), null, KeptScore.HIGHEST),
                new WorkItem.Schedule(null, null, null, null, null, EXAM),
                null,
                null,
                null);
        CourseWork work =
                new CourseWork(exam, CourseWork.Place.NOWHERE, List.of(), null, null, minutes, preparing, List.of());
        return CourseBook.of(rules, List.of(work), List.of(), now);
    }

    private static CourseBook book(Instant now) {
        return book(WorkKind.TEST, 90, CourseWork.USUAL_PREPARING, now);
    }

    @Test
    public void itsStartIsWhatCountsAndItIsOverFromThenOn() {
        WorkAssessment before = book(NOW).finding(new WorkId("exam"));
        assertEquals(before.state().due(), EXAM.start());
        assertEquals(before.state().timing(), Timing.AHEAD);
        assertEquals(before.state().move(), Turn.YOURS);
        WorkAssessment after = book(EXAM.endExclusive()).finding(new WorkId("exam"));
        assertEquals(after.state().stage(), Stage.TURNED_IN);
        assertEquals(after.state().timing(), Timing.ON_TIME);
        assertFalse(after.state().missing());
    }

    @Test
    public void nothingIsLostByLatenessAndNothingCanBeMoved() {
        WorkAssessment exam = book(NOW).finding(new WorkId("exam"));
        assertNull(exam.penalty());
        assertEquals(exam.steps(), List.of());
        assertNull(exam.state().acceptance().ends(), "the cut-off of late work says nothing of it");
        assertEquals(exam.extension().bars(), List.of(Bar.IN_CLASS));
        assertEquals(exam.tokens().bars(), List.of(Bar.IN_CLASS));
        assertNull(exam.safeBy());
    }

    @Test
    public void preparingIsTheMoveWorthHalfOfItAndDueAtItsStart() {
        CourseBook book = book(NOW);
        NextPlan plan = NextPlanner.plan(List.of(book), Circumstances.of(FREE), NOW);
        Planned prepare = plan.planned().get(0);
        assertEquals(prepare.deed(), ActionKind.PREPARE);
        assertEquals(prepare.gain(), book.finding(new WorkId("exam")).impact().dividedBy(Rational.of(2)));
        assertEquals(prepare.because().at(), EXAM.start());
        assertTrue(prepare.finish().isBefore(EXAM.start()));
        assertEquals(prepare.because().loses(), prepare.gain(), "after it has begun nothing can be prepared");
    }

    @Test
    public void whatPreparingBringsIsTheStudentsToSay() {
        CourseBook much = book(WorkKind.TEST, 90, Rational.of(80), NOW);
        NextPlan plan = NextPlanner.plan(List.of(much), Circumstances.of(FREE), NOW);
        assertEquals(
                plan.planned().get(0).gain(),
                much.finding(new WorkId("exam")).impact().times(Rational.of(8, 10)));
        CourseBook nothing = book(WorkKind.TEST, 90, Rational.ZERO, NOW);
        assertEquals(
                NextPlanner.plan(List.of(nothing), Circumstances.of(FREE), NOW).planned(), List.of());
    }

    @Test
    public void nobodyPreparesForADayOutUnlessSomebodySaysSo() {
        assertEquals(moves(book(WorkKind.ASSIGNMENT, 0, CourseWork.USUAL_PREPARING, NOW)), 0);
        assertEquals(moves(book(WorkKind.ASSIGNMENT, 30, CourseWork.USUAL_PREPARING, NOW)), 1);
        assertEquals(moves(book(WorkKind.TEST, 0, CourseWork.USUAL_PREPARING, NOW)), 1);
        assertEquals(moves(book(EXAM.start())), 0, "it has begun");
    }

    private static int moves(CourseBook book) {
        NextPlan plan = NextPlanner.plan(List.of(book), Circumstances.of(List.of()), book.now());
        return plan.planned().size() + plan.left().size();
    }
}
