package app.navlo.core.work;

import java.time.Duration;
import java.time.Instant;
import java.util.Collection;
import java.util.Comparator;
import java.util.Optional;

/** What a student may do with a piece of work now: hand it in, record it, post, take it back. */
public final class HandInRules {
    private HandInRules() {}

    /** The attempt that a hand-in now belongs to, from 1. What completes an attempt belongs to it. */
    public static int attempt(WorkState state) {
        return state.toComplete() ? Math.max(1, state.attemptsUsed()) : state.attemptsUsed() + 1;
    }

    /** What a hand-in is called that holds nothing but the student's word. */
    public static HandInContent ownWord(WorkKind kind) {
        return kind.byAttempts() ? HandInContent.ATTEMPT : HandInContent.DONE;
    }

    /** Whether it can be handed in whole, now. */
    public static boolean mayHandIn(WorkItem item, WorkState state) {
        return state.mayHandIn() && item.expectsHandIn() && item.parts() == null;
    }

    /** Whether it can be recorded that it was handed in elsewhere: it goes elsewhere, and nothing of it is with the teacher. */
    public static boolean mayRecord(WorkItem item, WorkState state) {
        return item.expectsHandIn()
                && item.parts() == null
                && !item.kind().byAttempts()
                && (state.mayHandIn() || state.move() == Turn.OUT_OF_REACH);
    }

    /** Whether a post or a reply is taken now. */
    public static boolean mayPost(WorkItem item, WorkState state) {
        return item.parts() != null
                && state.accepted()
                && state.stage() != Stage.NOT_OPEN
                && state.stage() != Stage.EXCUSED;
    }

    /** Whether a hand-in at {@code at} would be late by the clock. Exactly at the due is on time; what completes isn't judged. */
    public static boolean wouldBeLate(WorkState state, Instant at) {
        Instant due = state.dueToCome();
        return !state.toComplete() && due != null && at.isAfter(due);
    }

    /** Whether what stands is with the teacher and can be taken back. An attempt that was sat can't. */
    public static boolean mayWithdraw(WorkState state, Collection<Fact> facts, Instant now) {
        return state.stage() == Stage.TURNED_IN
                && standing(state, facts, now)
                        .filter(handIn -> handIn.content() != HandInContent.ATTEMPT)
                        .isPresent();
    }

    /** The hand-in that is with the teacher or was returned last; empty where none stands. */
    public static Optional<Fact.HandedIn> standing(WorkState state, Collection<Fact> facts, Instant now) {
        return state.handInStands() ? last(facts, now) : Optional.empty();
    }

    /** The hand-in made last by {@code now}, whatever became of it. */
    public static Optional<Fact.HandedIn> last(Collection<Fact> facts, Instant now) {
        return facts.stream()
                .filter(fact -> !fact.stamp().at().isAfter(now))
                .filter(Fact.HandedIn.class::isInstance)
                .map(Fact.HandedIn.class::cast)
                .max(Comparator.comparing(Fact::stamp, Stamp.CHRONOLOGICAL));
    }

    /** Whether something came of the work between {@code at} and {@code now} that a hand-in at {@code at} would contradict. */
    public static boolean wentOnSince(Collection<Fact> facts, Instant at, Instant now) {
        return facts.stream()
                .filter(fact ->
                        fact.stamp().at().isAfter(at) && !fact.stamp().at().isAfter(now))
                .anyMatch(fact -> fact instanceof Fact.HandedIn
                        || fact instanceof Fact.SentBack
                        || fact instanceof Fact.Returned
                        || fact instanceof Fact.Scored);
    }

    /** How the work stood at {@code at}, its gates left aside. */
    public static WorkState then(WorkItem item, Collection<Fact> facts, Duration soon, Instant at) {
        return WorkState.of(item, facts, GateState.OPEN, soon, at);
    }
}
