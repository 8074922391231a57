package app.navlo.core.course;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import app.navlo.core.close.GradedReturn;
import app.navlo.core.course.TwoRecords.Advice;
import app.navlo.core.course.TwoRecords.Difference;
import app.navlo.core.course.TwoRecords.Explained;
import app.navlo.core.course.TwoRecords.Kind;
import app.navlo.core.exact.Rational;
import app.navlo.core.grade.PointsScheme;
import app.navlo.core.id.CourseId;
import app.navlo.core.id.WorkId;
import app.navlo.core.policy.Base;
import app.navlo.core.policy.LatePolicy;
import app.navlo.core.policy.Measure;
import app.navlo.core.policy.Penalty;
import app.navlo.core.reason.Input;
import app.navlo.core.reconcile.RecordEntry;
import app.navlo.core.time.Deadline;
import app.navlo.core.work.Fact;
import app.navlo.core.work.HandInContent;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What a gradebook says otherwise than the course's site: a tenth of the points possible goes with each day late. */
public class TwoRecordsTest {
    private static final Instant NOW = Courses.NOW;
    private static final Rational POSSIBLE = Rational.of(20);
    private static final LatePolicy A_TENTH_A_DAY = new LatePolicy(
            Duration.ZERO,
            new Penalty.PerDay(Rational.of(10), null, Measure.SPANS_24H, Base.POSSIBLE),
            null,
            Duration.ofDays(9));

    private final Courses courses = new Courses(1);

    private static Instant ago(long days) {
        return NOW.minus(Duration.ofDays(days));
    }

    private Fact handedIn(Instant at) {
        return new Fact.HandedIn(courses.stamp(at), 1, HandInContent.DONE);
    }

    private Fact scored(long points) {
        return new Fact.Scored(courses.stamp(ago(1)), 1, Rational.of(points), true, true);
    }

    private static RecordEntry record(@Nullable Instant due, @Nullable Rational points, boolean missing) {
        return new RecordEntry("r", null, "Soil lab", due, null, points, missing);
    }

    private static List<Difference> compare(
            Instant due, List<Fact> facts, List<GradedReturn> returns, RecordEntry other) {
        CourseWork lab = Courses.work("lab", "c0", POSSIBLE, due, facts);
        CourseWork essay = Courses.work("essay", "c0", POSSIBLE, NOW.plus(Duration.ofDays(9)), List.of());
        CourseBook book =
                CourseBook.of(Courses.rules(new PointsScheme(), A_TENTH_A_DAY), List.of(lab, essay), returns, NOW);
        return TwoRecords.compare(book, book.finding(new WorkId("lab")), other);
    }

    private static Difference one(Instant due, List<Fact> facts, RecordEntry other) {
        List<Difference> all = compare(due, facts, List.of(), other);
        assertEquals(all.size(), 1, all.toString());
        return all.get(0);
    }

    @Test
    public void recordsThatSayTheSameDifferInNothing() {
        List<Fact> facts = List.of(handedIn(ago(5)), scored(18));
        assertEquals(compare(ago(4), facts, List.of(), record(ago(4), Rational.of(18), false)), List.of());
        assertEquals(compare(ago(4), facts, List.of(), record(null, null, false)), List.of());
        assertEquals(compare(ago(4), List.of(), List.of(), record(ago(4), null, true)), List.of(), "missing in both");
    }

    /** One system ends a day at 23:59, another at midnight. */
    @Test
    public void aMinuteIsNoDifference() {
        RecordEntry minute = record(ago(4).plusSeconds(60), null, false);
        assertEquals(compare(ago(4), List.of(), List.of(), minute), List.of());
        assertEquals(
                one(ago(4), List.of(), record(ago(4).plusSeconds(61), null, false))
                        .kind(),
                Kind.DUES_DIFFER);
    }

    /** Without a known rhythm nine in ten are graded within three school days. */
    @Test
    public void whatWasTurnedInAndIsMissingThereIsWaitedForUntilItShouldHaveSettled() {
        Difference fresh = one(ago(2), List.of(handedIn(ago(1))), record(ago(2), null, true));
        assertEquals(fresh.kind(), Kind.TURNED_IN_BUT_MISSING);
        assertEquals(fresh.advice().rule(), Advice.WAIT_FOR_THE_SCORE);
        Difference old = one(ago(15), List.of(handedIn(ago(14))), record(ago(15), null, true));
        assertEquals(old.advice().rule(), Advice.SHOW_RECEIPT);
        assertEquals(old.advice().inputs().get("points"), new Input.Exact(old.points()));
        assertTrue(old.points().signum() > 0 && old.stake().signum() > 0, old.toString());
    }

    /** Five returns, each on a Thursday: what is handed in today waits for this one. */
    @Test
    public void withARhythmTheNextGradingDayIsSaid() {
        List<GradedReturn> thursdays = new ArrayList<>();
        for (int week = 1; week <= 5; week++) {
            Instant thursday = Instant.parse("2026-11-26T12:00:00Z").minus(Duration.ofDays(7L * week));
            thursdays.add(new GradedReturn(new CourseId("soil"), thursday.minus(Duration.ofDays(6)), thursday));
        }
        List<Difference> all = compare(ago(2), List.of(handedIn(ago(1))), thursdays, record(ago(2), null, true));
        assertEquals(all.get(0).advice().rule(), Advice.WAIT);
        assertEquals(all.get(0).advice().inputs().get("day"), new Input.Word("Thu 26 Nov"));
    }

    @Test
    public void aScoreWithoutThePenaltyIsExplainedByTheRuleAndNothingHangsOnIt() {
        List<Fact> late = List.of(handedIn(ago(2)), scored(18));
        Difference without = one(ago(4), late, record(ago(4), Rational.of(18), false));
        assertEquals(without.kind(), Kind.SCORES_DIFFER);
        assertEquals(without.explained(), Explained.PENALTY);
        assertEquals(without.advice().rule(), Advice.BY_RULE);
        assertTrue(without.points().isZero() && without.stake().isZero());
        assertEquals(
                compare(ago(4), late, List.of(), record(ago(4), Rational.of(14), false)),
                List.of(),
                "two days late cost four points");
    }

    /** Where the other side has a later due, that says why it takes nothing off: it is said once. */
    @Test
    public void aScoreThatFollowsFromAnotherDueIsNotSaidBesideIt() {
        Difference due = one(ago(4), List.of(handedIn(ago(2)), scored(18)), record(ago(1), Rational.of(18), false));
        assertEquals(due.kind(), Kind.DUES_DIFFER);
        assertEquals(due.points(), Rational.of(4), "what the two days cost");
        assertEquals(due.advice().rule(), Advice.ASK);
    }

    @Test
    public void anotherScoreIsAskedAboutWithWhatHangsOnIt() {
        Difference other = one(ago(4), List.of(handedIn(ago(5)), scored(18)), record(ago(4), Rational.of(13), false));
        assertEquals(other.kind(), Kind.SCORES_DIFFER);
        assertEquals(other.explained(), null);
        assertEquals(other.points(), Rational.of(5));
        assertEquals(other.advice().inputs().get("points"), new Input.Exact(Rational.of(5)));
        assertTrue(other.stake().signum() > 0, "it moves the course");
    }

    @DataProvider
    public Object[][] moved() {
        Deadline later = Deadline.at(NOW.plus(Duration.ofDays(2)));
        return new Object[][] {
            {List.of(new Fact.ExtensionGranted(courses.stamp(ago(3)), later)), Explained.EXTENSION},
            {List.of(new Fact.TokenUsed(courses.stamp(ago(5)), Duration.ofDays(3))), Explained.TOKENS},
            {
                List.of(handedIn(ago(5)), new Fact.SentBack(courses.stamp(ago(3)), "No sources", later)),
                Explained.GIVEN_DUE
            },
        };
    }

    /** There the due stands as it was assigned; here it is later. */
    @Test(dataProvider = "moved")
    public void aDueThatWasMovedHereSaysWhatTheOtherSideDoesNotKnow(List<Fact> facts, Explained explained) {
        Difference due = one(ago(4), facts, record(ago(4), null, false));
        assertEquals(due.kind(), Kind.DUES_DIFFER);
        assertEquals(due.explained(), explained);
    }

    @Test
    public void aDueThatNothingExplainsIsSaidWithoutAReason() {
        Difference due = one(ago(4), List.of(), record(ago(6), null, false));
        assertEquals(due.explained(), null);
        assertTrue(due.points().compareTo(Rational.of(4)) == 0, "two days more of lateness: " + due.points());
        Difference early = one(ago(4), List.of(handedIn(ago(8))), record(ago(6), null, false));
        assertEquals(early.advice().rule(), Advice.NOTHING, "in time for both");
    }
}
