package app.navlo.core.signal;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNotNull;
import static org.testng.Assert.assertTrue;

import app.navlo.core.close.GradingPeriods;
import app.navlo.core.course.CourseBook;
import app.navlo.core.course.CourseRules;
import app.navlo.core.course.CourseWork;
import app.navlo.core.exact.Rational;
import app.navlo.core.gate.Gate;
import app.navlo.core.grade.GradeTable;
import app.navlo.core.grade.PointsScheme;
import app.navlo.core.id.CourseId;
import app.navlo.core.id.WorkId;
import app.navlo.core.leeway.ExtensionRule;
import app.navlo.core.policy.Base;
import app.navlo.core.policy.KeptScore;
import app.navlo.core.policy.LatePolicy;
import app.navlo.core.policy.Measure;
import app.navlo.core.policy.Penalty;
import app.navlo.core.policy.RedoRule;
import app.navlo.core.reason.Sentences;
import app.navlo.core.reconcile.RecordEntry;
import app.navlo.core.time.Deadline;
import app.navlo.core.time.SchoolCalendar;
import app.navlo.core.work.Actor;
import app.navlo.core.work.Fact;
import app.navlo.core.work.Flag;
import app.navlo.core.work.HandInContent;
import app.navlo.core.work.Stamp;
import app.navlo.core.work.WorkItem;
import app.navlo.core.work.WorkKind;
import app.navlo.core.work.WorkState;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** Each signal both ways: raised by the facts that call for it, and gone when it was dealt with. */
public class SignalsTest {
    private static final ZoneId ZONE = ZoneId.of("Europe/Copenhagen");
    private static final Instant NOW = Instant.parse("2026-11-24T15:20:00Z");
    private static final Rational POSSIBLE = Rational.of(20);

    private List<Fact> facts;
    private Instant due;
    private WorkKind kind;
    private WorkItem.Parts parts;
    private RedoRule redo;
    private Integer attempts;
    private List<CourseWork> others;
    private List<Gate> gates;
    private Instant wroteAt;
    private List<Around.OtherRecord> records;

    @BeforeMethod
    public void nothingYet() {
        facts = new ArrayList<>();
        due = NOW.plus(Duration.ofHours(5));
        kind = WorkKind.ASSIGNMENT;
        parts = null;
        redo = null;
        attempts = null;
        others = new ArrayList<>();
        gates = List.of();
        wroteAt = null;
        records = new ArrayList<>();
    }

    private static Instant ago(int hours) {
        return NOW.minus(Duration.ofHours(hours));
    }

    private Stamp stamp(Actor by, int hoursAgo) {
        Instant at = ago(hoursAgo);
        return new Stamp(at, at, facts.size(), by, by == Actor.TEACHER ? "H. Tarn" : "Mira", "test");
    }

    private Stamp teacher(int hoursAgo) {
        return stamp(Actor.TEACHER, hoursAgo);
    }

    private Stamp student(int hoursAgo) {
        return stamp(Actor.STUDENT, hoursAgo);
    }

    private void handedIn(int hoursAgo) {
        facts.add(new Fact.HandedIn(student(hoursAgo), 1, HandInContent.TEXT));
    }

    private void scored(int points, int hoursAgo) {
        facts.add(new Fact.Scored(teacher(hoursAgo), 1, Rational.of(points), true, true));
    }

    private void said(String words, int hoursAgo) {
        facts.add(new Fact.Commented(teacher(hoursAgo), words, true, false));
    }

    private CourseWork work(String id, List<Fact> life, List<Gate> waits) {
        WorkItem item = new WorkItem(
                new WorkId(id),
                id,
                kind,
                true,
                true,
                new WorkItem.Marking(POSSIBLE, Rational.of(60), KeptScore.HIGHEST),
                new WorkItem.Schedule(null, Deadline.at(due), null, null, null),
                attempts,
                parts,
                redo);
        return new CourseWork(item, CourseWork.Place.NOWHERE, waits, null, null, 60, life);
    }

    private CourseBook book() {
        LatePolicy late = new LatePolicy(
                Duration.ZERO,
                new Penalty.PerDay(Rational.of(10), null, Measure.SPANS_24H, Base.POSSIBLE),
                null,
                Duration.ofHours(72));
        CourseRules rules = new CourseRules(
                new CourseId("soil"),
                SchoolCalendar.weekdays(ZONE, Set.of()),
                WorkState.DEFAULT_SOON,
                late,
                ExtensionRule.DEFAULT,
                null,
                new PointsScheme(),
                GradeTable.NONE,
                GradingPeriods.NONE,
                false,
                6);
        List<CourseWork> works = new ArrayList<>(others);
        works.add(work("w", facts, gates));
        return CourseBook.of(rules, works, List.of(), NOW);
    }

    private List<Signal> signals() {
        CourseBook book = book();
        return Signals.of(
                book, book.finding(new WorkId("w")), new Around(wroteAt, records, title -> "the work " + title));
    }

    private void raises(SignalKind... wanted) {
        List<Signal> found = signals();
        assertEquals(found.stream().map(Signal::kind).toList(), List.of(wanted), facts.toString());
        for (Signal signal : found) {
            String sentence = Sentences.write(signal.reason(), ZONE);
            assertFalse(sentence.isBlank() || sentence.contains("{"), sentence);
            assertFalse(signal.since().isAfter(NOW), "it arose in the future");
        }
    }

    private void putAside(SignalKind which) {
        facts.add(new Fact.PutAside(student(0), which.name()));
    }

    @Test
    public void aDraftNearItsDueIsRaisedUntilItIsHandedInAndStaysWhileItIsLate() {
        facts.add(new Fact.DraftStarted(student(3)));
        raises(SignalKind.DRAFT_DUE);
        assertEquals(signals().get(0).until(), due);
        assertTrue(signals().get(0).stake().signum() > 0, "the whole of it hangs on that");
        due = ago(14);
        raises(SignalKind.ASKING_ENDS, SignalKind.DRAFT_OVERDUE);
        handedIn(0);
        raises();
        facts.clear();
        facts.add(new Fact.DraftStarted(student(3)));
        due = NOW.plus(Duration.ofHours(49));
        raises();
    }

    @Test
    public void aDraftThatIsPutAsideIsRaisedAgainOnceItIsLate() {
        facts.add(new Fact.DraftStarted(student(30)));
        facts.add(new Fact.PutAside(student(1), SignalKind.DRAFT_DUE.name()));
        raises();
        due = ago(0).minusSeconds(60);
        raises(SignalKind.DRAFT_OVERDUE);
    }

    @Test
    public void aDiscussionWithSomeOfItsPostsSaysHowMany() {
        kind = WorkKind.DISCUSSION;
        parts = new WorkItem.Parts(1, 3);
        facts.add(new Fact.Posted(student(5), Fact.Posted.Part.POST));
        raises(SignalKind.PARTS_DUE);
        assertTrue(Sentences.write(signals().get(0).reason(), ZONE).startsWith("1 of 4 posts"));
        for (int i = 0; i < 3; i++) {
            facts.add(new Fact.Posted(student(2), Fact.Posted.Part.REPLY));
        }
        raises();
    }

    @Test
    public void theEndOfAskingIsRaisedForLateWorkUntilItIsAskedFor() {
        due = ago(20);
        raises(SignalKind.ASKING_ENDS);
        assertTrue(signals().get(0).stake().signum() > 0);
        facts.add(new Fact.ExtensionAsked(student(0)));
        raises();
        facts.clear();
        due = ago(37);
        raises();
        due = NOW.plus(Duration.ofHours(5));
        raises();
    }

    @Test
    public void whatIsFlaggedIncompleteIsAskedForUntilItIsAdded() {
        due = ago(30);
        handedIn(40);
        facts.add(new Fact.Flagged(teacher(10), Flag.INCOMPLETE));
        raises(SignalKind.INCOMPLETE);
        assertNotNull(signals().get(0).stake());
        handedIn(1);
        raises();
    }

    @Test
    public void aSendBackSaysWhyUntilItIsHandedInAgain() {
        handedIn(20);
        facts.add(new Fact.SentBack(teacher(5), "no scale on the drawing", null));
        raises(SignalKind.SENT_BACK);
        assertTrue(Sentences.write(signals().get(0).reason(), ZONE).contains("no scale"));
        handedIn(1);
        raises();
    }

    @Test
    public void aRedoAskedForAndOneThatIsAllowedGoWhenItIsDone() {
        handedIn(30);
        facts.add(new Fact.Returned(teacher(20), new Fact.RedoAsked(null)));
        raises(SignalKind.REDO_ASKED);
        handedIn(1);
        raises();
        nothingYet();
        redo = new RedoRule(null, false);
        handedIn(30);
        scored(11, 20);
        raises(SignalKind.BELOW_PASS_REDO_ALLOWED);
        facts.clear();
        handedIn(30);
        scored(12, 20);
        raises();
    }

    @Test
    public void aRedoThatWaitsForTheTeachersWordIsOfferedUntilItIsAskedFor() {
        redo = new RedoRule(null, true);
        handedIn(30);
        scored(5, 20);
        raises(SignalKind.REOPENING_OFFERED);
        wroteAt = ago(10);
        raises();
        wroteAt = null;
        facts.add(new Fact.Reopened(teacher(2)));
        raises(SignalKind.BELOW_PASS_REDO_ALLOWED);
    }

    @Test
    public void aQuestionStandsUntilItIsAnswered() {
        handedIn(30);
        said("How did you measure the slope?", 20);
        raises(SignalKind.QUESTION);
        facts.add(new Fact.Commented(student(3), "With the level.", true, false));
        raises();
        facts.clear();
        handedIn(30);
        said("Where is the scale? I measured it off the spade.", 20);
        raises();
        facts.add(new Fact.Commented(teacher(10), "Come to my hour.", true, false, true));
        raises(SignalKind.QUESTION);
        putAside(SignalKind.QUESTION);
        raises();
    }

    @Test
    public void aZeroWithoutAWordAndAZeroWithOneAreNotTheSame() {
        handedIn(30);
        scored(0, 20);
        raises(SignalKind.ZERO_WITHOUT_FEEDBACK);
        assertTrue(signals().get(0).stake().signum() > 0, "lifting it would bring something");
        said("Nothing of this is yours.", 19);
        raises(SignalKind.ZERO_WITH_COMMENT);
        wroteAt = ago(1);
        raises();
        facts.clear();
        wroteAt = null;
        handedIn(30);
        facts.add(new Fact.Scored(teacher(20), 1, Rational.ZERO, true, false));
        raises();
    }

    @Test
    public void aFlagThatContradictsTheReceiptIsRaisedUntilItIsWrittenAbout() {
        handedIn(30);
        facts.add(new Fact.Flagged(teacher(20), Flag.LATE));
        raises(SignalKind.FLAGGED_LATE);
        assertEquals(signals().get(0).stake(), Rational.of(10), "a day at ten percent of all there is");
        wroteAt = ago(1);
        raises();
        wroteAt = null;
        facts.add(new Fact.Flagged(teacher(2), Flag.CLEARED));
        raises();
        facts.add(new Fact.Flagged(teacher(1), Flag.MISSING));
        raises(SignalKind.FLAGGED_MISSING);
    }

    @Test
    public void aFlagThatIsOlderThanTheHandInIsGivenTimeToSettle() {
        due = ago(60);
        facts.add(new Fact.Flagged(teacher(50), Flag.MISSING));
        handedIn(40);
        raises();
        facts.set(1, new Fact.HandedIn(student(49 + 24 * 6), 1, HandInContent.TEXT));
        due = ago(61 + 24 * 6);
        facts.set(0, new Fact.Flagged(teacher(50 + 24 * 6), Flag.MISSING));
        raises(SignalKind.FLAGGED_MISSING);
    }

    @Test
    public void theAnswerToARequestIsToldUntilItIsUsedOrSeen() {
        due = ago(14);
        facts.add(new Fact.ExtensionAsked(student(8)));
        facts.add(new Fact.ExtensionDeclined(teacher(3)));
        raises(SignalKind.ASKING_ENDS, SignalKind.EXTENSION_DECLINED);
        putAside(SignalKind.EXTENSION_DECLINED);
        raises(SignalKind.ASKING_ENDS);
        facts.clear();
        facts.add(new Fact.ExtensionAsked(student(8)));
        facts.add(new Fact.ExtensionGranted(teacher(3), Deadline.at(NOW.plus(Duration.ofDays(3)))));
        raises(SignalKind.EXTENSION_GRANTED);
        handedIn(1);
        raises();
        facts.clear();
        facts.add(new Fact.ExtensionAsked(student(8)));
        facts.add(new Fact.ExtensionGranted(stamp(Actor.SYSTEM, 8), Deadline.at(NOW.plus(Duration.ofDays(3)))));
        raises();
    }

    @Test
    public void aDueThatWasMovedEarlierIsToldAndALaterOneIsNot() {
        due = NOW.plus(Duration.ofDays(5));
        Deadline before = Deadline.at(NOW.plus(Duration.ofDays(9)));
        facts.add(new Fact.DueMoved(teacher(4), before, Deadline.at(due)));
        raises(SignalKind.DUE_EARLIER);
        putAside(SignalKind.DUE_EARLIER);
        raises();
        facts.clear();
        facts.add(new Fact.DueMoved(teacher(4), Deadline.at(due), before));
        raises();
    }

    @Test
    public void workThatIsShutForGoodNamesWhatShutsIt() {
        Instant soon = due;
        due = ago(24 * 9);
        others.add(work("plate", List.of(), List.of()));
        due = soon;
        gates = List.of(new Gate.Done(new WorkId("plate")));
        raises(SignalKind.SHUT_FOR_GOOD);
        Signal signal = signals().get(0);
        assertEquals(signal.about(), List.of(new WorkId("plate")));
        assertTrue(Sentences.write(signal.reason(), ZONE).contains("the work plate"));
        assertTrue(signal.stake().signum() > 0, "what opening it would bring");
        wroteAt = ago(1);
        raises();
    }

    private RecordEntry record(@Nullable Instant dueThere, @Nullable Integer points, boolean missing) {
        return new RecordEntry("b", null, "w", dueThere, null, points == null ? null : Rational.of(points), missing);
    }

    @Test
    public void twoRecordsAreASignalOnlyWherePointsHangOnThem() {
        due = ago(60);
        handedIn(50);
        scored(15, 20);
        records.add(new Around.OtherRecord("the gradebook", ago(5), record(ago(40), 15, false)));
        raises(SignalKind.RECORDS_DIFFER);
        assertTrue(
                Sentences.write(signals().get(0).reason(), ZONE).contains("2 points"),
                Sentences.write(signals().get(0).reason(), ZONE));
        wroteAt = ago(1);
        raises();
        wroteAt = null;
        records.set(0, new Around.OtherRecord("the gradebook", ago(5), record(ago(58), 13, false)));
        raises();
        records.set(0, new Around.OtherRecord("the gradebook", ago(5), record(due, 9, false)));
        raises(SignalKind.RECORDS_DIFFER);
    }

    @Test
    public void excusedWorkAsksForNothing() {
        facts.add(new Fact.DraftStarted(student(3)));
        facts.add(new Fact.Excused(teacher(1), true));
        raises();
    }
}
