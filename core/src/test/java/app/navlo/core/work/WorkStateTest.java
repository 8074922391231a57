package app.navlo.core.work;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import app.navlo.core.exact.Rational;
import app.navlo.core.id.WorkId;
import app.navlo.core.policy.KeptScore;
import app.navlo.core.time.Deadline;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.Test;

/** Rules that the shared cases leave to us, each by an example. */
public class WorkStateTest {
    private static final Instant DUE = Instant.parse("2026-11-20T14:00:00Z");

    private static WorkItem item(boolean expectsHandIn, @Nullable Deadline closesAt, WorkItem.@Nullable Parts parts) {
        return new WorkItem(
                new WorkId("w"),
                "Work",
                WorkKind.ASSIGNMENT,
                true,
                expectsHandIn,
                new WorkItem.Marking(Rational.of(20), null, KeptScore.HIGHEST),
                new WorkItem.Schedule(null, Deadline.at(DUE), closesAt, null, null),
                null,
                parts,
                null);
    }

    private static Stamp at(Instant at) {
        return new Stamp(at, at, 0, Actor.STUDENT, "Mira", "test");
    }

    private static WorkState state(WorkItem item, Instant now, Fact... facts) {
        return WorkState.of(item, List.of(facts), GateState.OPEN, WorkState.DEFAULT_SOON, now);
    }

    @Test
    public void workThatExpectsNoHandInCountsAsDoneAtItsDue() {
        WorkItem inClass = item(false, null, null);
        assertEquals(state(inClass, DUE.minusSeconds(1)).move(), Turn.YOURS);
        WorkState done = state(inClass, DUE);
        assertEquals(done.stage(), Stage.TURNED_IN);
        assertEquals(done.timing(), Timing.ON_TIME);
        assertEquals(done.move(), Turn.TEACHERS);
        assertFalse(done.missing());
    }

    @Test
    public void itIsReturnedOnceItIsScored() {
        Fact score = new Fact.Scored(at(DUE.plusSeconds(3600)), 1, Rational.of(17), true, true);
        WorkState scored = state(item(false, null, null), DUE.plusSeconds(7200), score);
        assertEquals(scored.stage(), Stage.RETURNED);
        assertEquals(scored.move(), Turn.SETTLED);
    }

    @Test
    public void aGrantedDueLiftsTheCloseUpToIt() {
        WorkItem closing = item(true, Deadline.at(DUE), null);
        Instant granted = DUE.plus(Duration.ofDays(2));
        WorkState state = state(
                closing,
                DUE.plusSeconds(60),
                new Fact.ExtensionGranted(at(DUE.minusSeconds(60)), Deadline.at(granted)));
        assertTrue(state.accepted());
        assertEquals(state.acceptance().ends(), granted);
    }

    @Test
    public void morePostsThanWantedDoNotStandInForReplies() {
        WorkItem discussion = item(true, null, new WorkItem.Parts(1, 1));
        Instant at = DUE.minusSeconds(600);
        WorkState state = state(
                discussion,
                DUE,
                new Fact.Posted(at(at), Fact.Posted.Part.POST),
                new Fact.Posted(at(at.plusSeconds(60)), Fact.Posted.Part.POST));
        assertEquals(state.stage(), Stage.DRAFT);
        assertEquals(state.parts(), new PartsDone(1, 2, 0, 1));
    }

    @Test
    public void aHiddenScoreIsNeverShown() {
        Fact handIn = new Fact.HandedIn(at(DUE.minusSeconds(60)), 1, HandInContent.FILES);
        Fact hidden = new Fact.Scored(at(DUE), 1, Rational.of(19), true, false);
        WorkState state = state(item(true, null, null), DUE.plusSeconds(60), handIn, hidden);
        assertEquals(state.score(), new ScoreShown(ScoreShown.Mark.HIDDEN, null));
        assertEquals(state.stage(), Stage.TURNED_IN);
    }

    @Test
    public void aProvisionalScoreIsShownWithItsMark() {
        Fact handIn = new Fact.HandedIn(at(DUE.minusSeconds(60)), 1, HandInContent.FILES);
        Fact soFar = new Fact.Scored(at(DUE), 1, Rational.of(9), false, true);
        WorkState state = state(item(true, null, null), DUE.plusSeconds(60), handIn, soFar);
        assertEquals(state.score(), new ScoreShown(ScoreShown.Mark.PROVISIONAL, Rational.of(9)));
    }

    @Test
    public void ofTwoFactsAtOneInstantTheirOrderDecides() {
        Instant now = DUE.minusSeconds(60);
        Fact handIn = new Fact.HandedIn(new Stamp(now, now, 1, Actor.STUDENT, "Mira", "test"), 1, HandInContent.DONE);
        Fact withdrawal = new Fact.Withdrawn(new Stamp(now, now, 2, Actor.STUDENT, "Mira", "test"));
        assertEquals(state(item(true, null, null), now, withdrawal, handIn).stage(), Stage.DRAFT);
    }

    @Test
    public void aDueBeforeItOpensIsRefused() {
        IllegalArgumentException fault = expectThrows(
                IllegalArgumentException.class,
                () -> new WorkItem.Schedule(DUE.plusSeconds(1), Deadline.at(DUE), null, null, null));
        assertTrue(fault.getMessage().contains("before it opens"), fault.getMessage());
    }
}
