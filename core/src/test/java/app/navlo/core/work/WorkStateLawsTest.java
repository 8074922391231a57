package app.navlo.core.work;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNotNull;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertTrue;

import app.navlo.core.reason.Reason;
import app.navlo.core.reason.Sentences;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.testng.annotations.Test;

/** What holds for every life, shown on many of them. */
public class WorkStateLawsTest {
    private static final int LIVES = 4_000;

    private interface Law {
        void check(WorkItem item, List<Fact> facts, Instant now, Random random);
    }

    private static WorkState state(WorkItem item, List<Fact> facts, Instant now) {
        return WorkState.of(item, facts, GateState.OPEN, WorkState.DEFAULT_SOON, now);
    }

    private static void holdsForAll(long seed, Law law) {
        Lives lives = new Lives(seed);
        Random random = new Random(seed);
        for (int i = 0; i < LIVES; i++) {
            law.check(lives.item(), lives.facts(), lives.moment(), random);
        }
    }

    @Test
    public void theOrderOfArrivalDoesNotMatter() {
        holdsForAll(1, (item, facts, now, random) -> {
            List<Fact> shuffled = new ArrayList<>(facts);
            Collections.shuffle(shuffled, random);
            assertEquals(state(item, shuffled, now), state(item, facts, now));
        });
    }

    /** Who isn't told what was said sees the same state: only the sentence of a send-back is shorter. */
    @Test
    public void noStateHangsOnWhatWasSaid() {
        holdsForAll(8, (item, facts, now, random) -> {
            WorkState told = state(item, facts, now);
            WorkState untold =
                    state(item, facts.stream().map(Fact::withoutWords).toList(), now);
            assertEquals(
                    List.of(untold.stage(), untold.timing(), untold.move(), untold.missing(), untold.acceptance()),
                    List.of(told.stage(), told.timing(), told.move(), told.missing(), told.acceptance()));
            assertEquals(untold.redo(), told.redo());
            String sentence = Sentences.write(untold.because().stage(), ZoneId.of("Europe/Copenhagen"));
            assertFalse(sentence.contains("a page is missing") || sentence.endsWith(":"), sentence);
        });
    }

    @Test
    public void factsThatAreStillToComeAreNotKnown() {
        holdsForAll(2, (item, facts, now, random) -> {
            List<Fact> known = facts.stream()
                    .filter(fact -> !fact.stamp().at().isAfter(now))
                    .toList();
            assertEquals(state(item, known, now), state(item, facts, now));
        });
    }

    @Test
    public void untilTheNextChangeTheClockAloneChangesNothing() {
        holdsForAll(3, (item, facts, now, random) -> {
            WorkState before = state(item, facts, now);
            List<Fact> known = facts.stream()
                    .filter(fact -> !fact.stamp().at().isAfter(now))
                    .toList();
            Instant end = before.nextChange() == null ? now.plus(Duration.ofDays(60)) : before.nextChange();
            long span = Duration.between(now, end).toSeconds();
            Instant later = now.plusSeconds((long) (random.nextDouble() * span));
            WorkState after = state(item, known, later);
            assertEquals(after.stage(), before.stage());
            assertEquals(after.timing(), before.timing());
            assertEquals(after.move(), before.move());
            assertEquals(after.missing(), before.missing());
        });
    }

    @Test
    public void movesAndStagesBelongTogether() {
        holdsForAll(4, (item, facts, now, random) -> {
            WorkState state = state(item, facts, now);
            switch (state.move()) {
                case YOURS -> {
                    assertTrue(state.accepted(), state.toString());
                    assertTrue(state.toComplete()
                            || Set.of(Stage.ASSIGNED, Stage.DRAFT, Stage.SENT_BACK, Stage.RETURNED)
                                    .contains(state.stage()));
                }
                case NOT_YET -> assertEquals(state.stage(), Stage.NOT_OPEN);
                case OUT_OF_REACH -> {
                    assertFalse(state.accepted());
                    assertFalse(state.handInStands());
                }
                case TEACHERS -> assertTrue(state.stage() == Stage.TURNED_IN || !state.accepted());
                case SETTLED ->
                    assertTrue(
                            state.stage() != Stage.TURNED_IN && state.stage() != Stage.SENT_BACK || !item.required());
            }
        });
    }

    @Test
    public void excusedWorkIsNeverMissingAndAlwaysSettled() {
        holdsForAll(5, (item, facts, now, random) -> {
            WorkState state = state(item, facts, now);
            if (state.stage() == Stage.EXCUSED) {
                assertFalse(state.missing());
                assertEquals(state.move(), Turn.SETTLED);
                assertNull(state.redo());
            }
        });
    }

    @Test
    public void onTimeAndLateAreWordsForWhatWasHandedIn() {
        holdsForAll(6, (item, facts, now, random) -> {
            WorkState state = state(item, facts, now);
            boolean judged = state.timing() == Timing.ON_TIME || state.timing() == Timing.LATE;
            if (judged) {
                assertNotNull(state.handedInAt());
                assertNotNull(state.due());
                assertEquals(state.timing() == Timing.LATE, state.handedInAt().isAfter(state.due()));
            }
        });
    }

    @Test
    public void everyAnswerHasASentence() {
        ZoneId zone = ZoneId.of("Europe/Copenhagen");
        holdsForAll(7, (item, facts, now, random) -> {
            WorkState.Because because = state(item, facts, now).because();
            for (Reason reason : List.of(because.stage(), because.timing(), because.missing(), because.move())) {
                String sentence = Sentences.write(reason, zone);
                assertFalse(sentence.isBlank() || sentence.contains("{"), sentence);
            }
        });
    }

    @Test
    public void costsAheadAreInOrderAndEndWithAcceptance() {
        holdsForAll(8, (item, facts, now, random) -> {
            List<Costs.CostDate> costs = Costs.ahead(state(item, facts, now), List.of(), false, now);
            for (int i = 0; i < costs.size(); i++) {
                assertFalse(costs.get(i).at().isBefore(now));
                assertEquals(costs.get(i).endsAcceptance(), costs.get(i).limit() != null);
                assertTrue(i == 0 || !costs.get(i - 1).endsAcceptance(), costs.toString());
            }
        });
    }

    /** A ledger that grows as facts are learnt is looked at now and then; afterwards those looks are replayed. */
    @Test
    public void aReplayToAPastInstantAgreesWithWhatWasShownThen() {
        holdsForAll(9, (item, facts, now, random) -> {
            List<Fact> arriving = new ArrayList<>(facts);
            arriving.sort(Comparator.comparing(fact -> fact.stamp().learnt()));
            List<Fact> ledger = new ArrayList<>();
            Map<Instant, WorkState> shown = new LinkedHashMap<>();
            for (Fact fact : arriving) {
                Instant before = fact.stamp().learnt().minusSeconds(1);
                shown.putIfAbsent(before, state(item, Fact.learntBy(before, ledger), before));
                ledger.add(fact);
            }
            Collections.shuffle(ledger, random);
            shown.forEach((then, state) -> assertEquals(state(item, Fact.learntBy(then, ledger), then), state));
        });
    }

    @Test
    public void theFiveMovesAddUpToAllWork() {
        int[] counts = new int[Turn.values().length];
        holdsForAll(
                10,
                (item, facts, now, random) ->
                        counts[state(item, facts, now).move().ordinal()]++);
        assertEquals(Arrays.stream(counts).sum(), LIVES);
        assertTrue(Arrays.stream(counts).allMatch(count -> count > 0), Arrays.toString(counts));
    }
}
