package app.navlo.core.work;

import app.navlo.core.policy.Acceptance;
import app.navlo.core.reason.Reason;
import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.Collection;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * The state of a piece of work at an instant, with the reason of each part.
 *
 * @param due the due that judges the hand-in that decides, or the one now awaited; null for none
 * @param acceptance for a hand-in made now; that it is open is no offer to hand in: ask the move
 * @param accepted whether acceptance is open now
 * @param mayHandIn whether a hand-in may be made now: it is one's own move, or optional work past its due that is still taken
 * @param toComplete whether it was flagged incomplete and what is lacking may still be handed in; it is then judged by
 *     {@code handedInAt}
 * @param extensionPending whether one was asked for since the last answer
 * @param handInStands not withdrawn, and not sent back since
 * @param handedInAt the hand-in that decides late or on time, or null
 * @param parts of a discussion; null for everything else
 * @param redo null if none was asked for or is allowed since the last return
 * @param attemptsUsed by hand-ins that stand
 * @param attemptsAllowed with those that redos brought; null for unlimited
 * @param attempts as they are on record, before any penalty
 * @param nextChange the next instant at, or just after, which the clock alone can change this; null for none
 */
public record WorkState(
        Stage stage,
        Timing timing,
        boolean missing,
        Turn move,
        @Nullable Instant due,
        Acceptance acceptance,
        boolean accepted,
        boolean mayHandIn,
        boolean toComplete,
        Shown shown,
        boolean extensionPending,
        boolean handInStands,
        @Nullable Instant handedInAt,
        @Nullable PartsDone parts,
        @Nullable Redo redo,
        int attemptsUsed,
        @Nullable Integer attemptsAllowed,
        ScoreShown score,
        Attempts attempts,
        @Nullable Instant nextChange,
        Because because) {

    /** The span before its due in which work is "due soon", where a course sets no other. */
    public static final Duration DEFAULT_SOON = Duration.ofHours(48);

    /** Whether a hand-in is, or may still be, to come from the student. */
    public boolean toHandIn() {
        return mayHandIn || move == Turn.NOT_YET;
    }

    /** The due that judges the next hand-in: of a redo its own; null for none. */
    public @Nullable Instant dueToCome() {
        return redo == null ? due : redo.due();
    }

    /** The reasons, one for each answer. */
    public record Because(Reason stage, Reason timing, Reason missing, Reason move) {}

    /**
     * Derives the state from facts. Linear in their number, but for sorting them.
     *
     * @param facts in any order; those later than {@code now} aren't known yet
     * @param gate whether a gate shuts the work now
     * @param soon the soon-span, at least 0
     */
    public static WorkState of(WorkItem item, Collection<Fact> facts, GateState gate, Duration soon, Instant now) {
        Objects.requireNonNull(now, "now");
        WorkHistory life = HistoryReplay.upTo(now, item, facts);
        Redo.Kind redoKind = Redo.kindOf(item, life);
        Acceptance acceptance = AcceptanceRule.of(item, life, redoKind);
        Clock clock = new Clock(now, soon, acceptance);

        StageRule.Answer stage = StageRule.of(item, life, gate);
        TimingRule.Answer timing = TimingRule.of(item, life, clock);
        MissingRule.Answer missing = MissingRule.of(item, life, stage.stage(), timing.timing());
        TurnRule.Answer move = TurnRule.of(item, life, stage.stage(), gate, clock, redoKind, timing.due());
        Redo redo = redo(item, life, clock, redoKind);
        return new WorkState(
                stage.stage(),
                timing.timing(),
                missing.missing(),
                move.move(),
                timing.due(),
                acceptance,
                clock.accepted(),
                move.mayHandIn(),
                move.mayHandIn() && life.toComplete(),
                Shown.of(life, timing.timing()),
                life.extensionPending(),
                life.handInStands(),
                timing.handedInAt(),
                PartsDone.of(item, life),
                redo,
                life.counted().size(),
                AcceptanceRule.attemptsAllowed(item, life),
                ScoreShown.of(item, life),
                Attempts.of(item, life),
                nextChange(item, clock, timing.due(), redo == null ? null : redo.due()),
                new Because(stage.reason(), timing.reason(), missing.reason(), move.reason()));
    }

    private static @Nullable Redo redo(WorkItem item, WorkHistory life, Clock clock, Redo.@Nullable Kind kind) {
        if (kind == null) {
            return null;
        }
        Instant due = new DueInForce(item, life).ofCurrentRound();
        Optional<WorkHistory.HandIn> handedIn = life.current().last();
        Timing timing = handedIn.isPresent()
                ? TimingRule.judged(handedIn.get().judgedAt(), due).timing()
                : TimingRule.awaited(due, clock).timing();
        return new Redo(kind, due, timing);
    }

    private static @Nullable Instant nextChange(
            WorkItem item, Clock clock, @Nullable Instant due, @Nullable Instant redoDue) {
        Instant next = sooner(item.schedule().opensAt(), null, clock);
        for (Instant edge : Arrays.asList(due, redoDue)) {
            next = sooner(edge == null ? null : edge.minus(clock.soon()), next, clock);
            next = sooner(edge, next, clock);
        }
        return sooner(clock.acceptance().ends(), next, clock);
    }

    private static @Nullable Instant sooner(@Nullable Instant edge, @Nullable Instant next, Clock clock) {
        boolean ahead = edge != null && !edge.isBefore(clock.now());
        return ahead && (next == null || Objects.requireNonNull(edge).isBefore(next)) ? edge : next;
    }
}
