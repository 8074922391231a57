package app.navlo.core.work;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import app.navlo.core.exact.Rational;
import app.navlo.core.id.WorkId;
import app.navlo.core.policy.KeptScore;
import app.navlo.core.time.Deadline;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class HandInRulesTest {
    private static final Instant NOW = Instant.parse("2026-11-26T15:20:00Z");
    private static final Instant DUE = NOW.plus(Duration.ofHours(4));

    private static WorkItem item(WorkKind kind, boolean expectsHandIn, WorkItem.@Nullable Parts parts) {
        return new WorkItem(
                new WorkId("1"),
                "Key 7",
                kind,
                true,
                expectsHandIn,
                new WorkItem.Marking(Rational.of(20), null, KeptScore.HIGHEST),
                new WorkItem.Schedule(NOW.minus(Duration.ofDays(9)), Deadline.at(DUE), null, null, null),
                null,
                parts,
                null);
    }

    private static Stamp at(long hours, long order) {
        Instant then = NOW.plus(Duration.ofHours(hours));
        return new Stamp(then, then, order, Actor.STUDENT, "Mira", "by hand");
    }

    private static WorkState state(WorkItem item, Fact... facts) {
        return HandInRules.then(item, List.of(facts), WorkState.DEFAULT_SOON, NOW);
    }

    private static final WorkItem.Parts PARTS = new WorkItem.Parts(1, 2);

    /** Kind, whether it expects a hand-in, parts; may hand in, record, post. */
    @DataProvider
    public static Object[][] untouched() {
        return new Object[][] {
            {WorkKind.ASSIGNMENT, true, null, true, true, false},
            {WorkKind.PROJECT, true, null, true, true, false},
            {WorkKind.QUIZ, true, null, true, false, false},
            {WorkKind.TEST, true, null, true, false, false},
            {WorkKind.DISCUSSION, true, PARTS, false, false, true},
            {WorkKind.DISCUSSION, true, null, true, true, false},
            {WorkKind.TEST, false, null, false, false, false},
        };
    }

    @Test(dataProvider = "untouched")
    public void whatMayBeDoneIsSaidByKind(
            WorkKind kind,
            boolean expectsHandIn,
            WorkItem.@Nullable Parts parts,
            boolean handIn,
            boolean record,
            boolean post) {
        WorkItem item = item(kind, expectsHandIn, parts);
        WorkState state = state(item);
        assertEquals(HandInRules.mayHandIn(item, state), handIn, "hand in");
        assertEquals(HandInRules.mayRecord(item, state), record, "record");
        assertEquals(HandInRules.mayPost(item, state), post, "post");
        assertFalse(HandInRules.mayWithdraw(state, List.of(), NOW), "nothing stands");
    }

    @Test
    public void anExcusedDiscussionTakesNoPost() {
        WorkItem item = item(WorkKind.DISCUSSION, true, PARTS);
        assertFalse(HandInRules.mayPost(item, state(item, new Fact.Excused(at(-1, 1), true))));
    }

    @Test
    public void whatIsWithTheTeacherIsTakenBackAndASatAttemptIsNot() {
        WorkItem essay = item(WorkKind.ASSIGNMENT, true, null);
        Fact.HandedIn files = new Fact.HandedIn(at(-2, 1), 1, HandInContent.FILES);
        assertTrue(HandInRules.mayWithdraw(state(essay, files), List.of(files), NOW));
        assertFalse(HandInRules.mayRecord(essay, state(essay, files)), "it is with the teacher");

        WorkItem quiz = item(WorkKind.QUIZ, true, null);
        Fact.HandedIn sat = new Fact.HandedIn(at(-2, 1), 1, HandInRules.ownWord(quiz.kind()));
        assertEquals(sat.content(), HandInContent.ATTEMPT);
        assertFalse(HandInRules.mayWithdraw(state(quiz, sat), List.of(sat), NOW));

        Fact returned = new Fact.Returned(at(-1, 2), null);
        assertFalse(HandInRules.mayWithdraw(state(essay, files, returned), List.of(files, returned), NOW));
    }

    /** The rows may come in any order; what happened last stands. */
    @Test
    public void whatWasHandedInLastStandsWhateverTheOrderOfTheRows() {
        WorkItem item = item(WorkKind.ASSIGNMENT, true, null);
        Fact.HandedIn later = new Fact.HandedIn(at(-2, 1), 2, HandInContent.TEXT);
        Fact.HandedIn recordedAfterwards = new Fact.HandedIn(at(-5, 2), 1, HandInContent.DONE);
        Fact.HandedIn tomorrow = new Fact.HandedIn(at(20, 3), 3, HandInContent.DONE);
        List<Fact> facts = List.of(later, recordedAfterwards, tomorrow);
        assertEquals(
                HandInRules.standing(state(item, later, recordedAfterwards), facts, NOW)
                        .orElseThrow(),
                later);
    }

    @Test
    public void nothingStandsThatWasWithdrawn() {
        WorkItem item = item(WorkKind.ASSIGNMENT, true, null);
        Fact.HandedIn handedIn = new Fact.HandedIn(at(-2, 1), 1, HandInContent.TEXT);
        Fact withdrawn = new Fact.Withdrawn(at(-1, 2));
        List<Fact> facts = List.of(handedIn, withdrawn);
        assertTrue(HandInRules.standing(state(item, handedIn, withdrawn), facts, NOW)
                .isEmpty());
    }

    @Test
    public void whatCompletesAnAttemptBelongsToIt() {
        WorkItem item = item(WorkKind.ASSIGNMENT, true, null);
        assertEquals(HandInRules.attempt(state(item)), 1);
        Fact.HandedIn first = new Fact.HandedIn(at(-9, 1), 1, HandInContent.FILES);
        assertEquals(HandInRules.attempt(state(item, first)), 2);
        Fact incomplete = new Fact.Flagged(at(-3, 2), Flag.INCOMPLETE);
        assertEquals(HandInRules.attempt(state(item, first, incomplete)), 1);
    }

    /** What a hand-in on paper at -4 h would contradict. */
    @DataProvider
    public static Object[][] since() {
        return new Object[][] {
            {new Fact.HandedIn(at(-3, 1), 1, HandInContent.TEXT), true},
            {new Fact.SentBack(at(-3, 1), "a page is missing", null), true},
            {new Fact.Scored(at(-3, 1), 1, Rational.of(9), true, true), true},
            {new Fact.Scored(at(-5, 1), 1, Rational.of(9), true, true), false},
            {new Fact.Scored(at(3, 1), 1, Rational.of(9), true, true), false},
            {new Fact.ReadMarked(at(-3, 1)), false},
            {new Fact.Commented(at(-3, 1), "Bring it on Monday", true, false, false), false},
        };
    }

    @Test(dataProvider = "since")
    public void paperIsOfATimeAfterWhichNothingCameOfIt(Fact fact, boolean wentOn) {
        Instant then = NOW.minus(Duration.ofHours(4));
        assertEquals(HandInRules.wentOnSince(List.of(fact), then, NOW), wentOn);
    }
}
