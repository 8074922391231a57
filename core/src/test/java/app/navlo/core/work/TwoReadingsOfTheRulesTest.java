package app.navlo.core.work;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.time.Instant;
import java.util.EnumSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.testng.annotations.Test;

/** The states are computed twice, by two pieces of code that share nothing, and must agree. */
public class TwoReadingsOfTheRulesTest {
    private static final int LIVES = 6_000;

    @Test
    public void aPlainSecondReadingOfTheRulesAgreesOnEveryLife() {
        Lives lives = new Lives(2026);
        Random random = new Random(11);
        Set<Turn> moves = EnumSet.noneOf(Turn.class);
        Set<Stage> stages = EnumSet.noneOf(Stage.class);
        int toComplete = 0;
        int stillTaken = 0;
        for (int i = 0; i < LIVES; i++) {
            WorkItem item = lives.item();
            List<Fact> facts = i % 3 == 0 ? lives.eventful() : lives.facts();
            Instant now = lives.moment();
            GateState gate = GateState.values()[Math.max(0, random.nextInt(12) - 9)];
            WorkState state = WorkState.of(item, facts, gate, WorkState.DEFAULT_SOON, now);
            PlainStates.Answer plain = PlainStates.of(item, facts, gate, WorkState.DEFAULT_SOON, now);
            assertEquals(answer(state), plain, "life " + i + " at " + now + ": " + item + facts);
            moves.add(state.move());
            stages.add(state.stage());
            toComplete += state.toComplete() ? 1 : 0;
            stillTaken += state.mayHandIn() && state.move() == Turn.SETTLED ? 1 : 0;
        }
        assertEquals(moves, EnumSet.allOf(Turn.class));
        assertEquals(stages, EnumSet.allOf(Stage.class));
        assertTrue(toComplete > 20 && stillTaken > 20, toComplete + " to complete, " + stillTaken + " still taken");
    }

    private static PlainStates.Answer answer(WorkState state) {
        Redo redo = state.redo();
        return new PlainStates.Answer(
                state.stage(),
                state.timing(),
                state.missing(),
                state.move(),
                state.mayHandIn(),
                state.toComplete(),
                state.due(),
                state.acceptance().ends(),
                state.acceptance().endedBy(),
                state.accepted(),
                state.shown().flag(),
                state.shown().differ(),
                state.handInStands(),
                state.handedInAt(),
                state.attemptsUsed(),
                redo == null ? null : redo.kind(),
                redo == null ? null : redo.due(),
                redo == null ? null : redo.timing(),
                state.score().points());
    }
}
