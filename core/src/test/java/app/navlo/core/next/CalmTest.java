package app.navlo.core.next;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;

import app.navlo.core.close.GradingPeriods;
import app.navlo.core.course.CourseBook;
import app.navlo.core.course.CourseRules;
import app.navlo.core.course.CourseWork;
import app.navlo.core.exact.Rational;
import app.navlo.core.grade.GradeTable;
import app.navlo.core.grade.PointsScheme;
import app.navlo.core.id.CourseId;
import app.navlo.core.id.WorkId;
import app.navlo.core.leeway.ExtensionRule;
import app.navlo.core.next.NextPlan.Planned;
import app.navlo.core.policy.Base;
import app.navlo.core.policy.KeptScore;
import app.navlo.core.policy.LatePolicy;
import app.navlo.core.policy.Measure;
import app.navlo.core.policy.Penalty;
import app.navlo.core.time.Deadline;
import app.navlo.core.time.SchoolCalendar;
import app.navlo.core.time.Stretch;
import app.navlo.core.work.WorkItem;
import app.navlo.core.work.WorkKind;
import app.navlo.core.work.WorkState;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.Test;

/** A plan that holds, ends that are soft, and hours that moves are nailed to. */
public class CalmTest {
    private static final Instant NOW = Instant.parse("2026-11-24T15:20:00Z");
    private static final int HOUR = 60;

    private record Piece(String id, long minutes, int points, Duration due) {}

    private static final List<Piece> WEEK = List.of(
            new Piece("hand-in", 10, 20, Duration.ofMinutes(100)),
            new Piece("essay", 240, 100, Duration.ofHours(68)),
            new Piece("sheet", 45, 15, Duration.ofHours(30)),
            new Piece("key", 35, 25, Duration.ofHours(50)),
            new Piece("plate", 90, 30, Duration.ofHours(52)),
            new Piece("report", 120, 60, Duration.ofHours(74)));

    /** Four hours today, two on each of the next days. */
    private static List<Stretch> free(Instant now) {
        Instant start = Instant.parse("2026-11-24T15:30:00Z");
        List<Stretch> all = new ArrayList<>();
        all.add(new Stretch(start, start.plus(Duration.ofHours(4))));
        for (int day = 1; day <= 4; day++) {
            Instant from = start.plus(Duration.ofDays(day));
            all.add(new Stretch(from, from.plus(Duration.ofHours(2))));
        }
        return Stretch.within(all, now, start.plus(Duration.ofDays(10)));
    }

    private static CourseBook book(List<Piece> pieces, Instant now) {
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
                (ExtensionRule) null,
                null,
                new PointsScheme(),
                GradeTable.NONE,
                GradingPeriods.NONE,
                false,
                6);
        List<CourseWork> works = pieces.stream().map(CalmTest::work).toList();
        return CourseBook.of(rules, works, List.of(), now);
    }

    private static CourseWork work(Piece piece) {
        WorkItem item = new WorkItem(
                new WorkId(piece.id()),
                piece.id(),
                WorkKind.ASSIGNMENT,
                true,
                true,
                new WorkItem.Marking(Rational.of(piece.points()), null, KeptScore.HIGHEST),
                new WorkItem.Schedule(null, new Deadline.At(NOW.plus(piece.due())), null, null, null, null),
                null,
                null,
                null);
        return new CourseWork(
                item, CourseWork.Place.NOWHERE, List.of(), null, null, piece.minutes(), Rational.of(50), List.of());
    }

    private static NextPlan plan(Instant now, @Nullable Held held) {
        return plan(WEEK, now, Circumstances.of(free(now)).holding(held));
    }

    private static NextPlan plan(List<Piece> pieces, Instant now, Circumstances with) {
        return NextPlanner.plan(List.of(book(pieces, now)), with, now);
    }

    private static List<String> order(NextPlan plan) {
        return plan.planned().stream().map(Planned::work).map(WorkId::text).toList();
    }

    private static Instant minute(int minutes) {
        return NOW.plus(Duration.ofMinutes(minutes));
    }

    @Test
    public void whileOnlyMinutesPassTheOrderStays() {
        NextPlan plan = plan(NOW, null);
        int changes = 0;
        for (int minute = 1; minute <= HOUR; minute++) {
            NextPlan next = plan(minute(minute), plan.held());
            assertEquals(order(next).get(0), order(plan).get(0), "the first move at minute " + minute);
            changes += order(next).equals(order(plan)) ? 0 : 1;
            plan = next;
        }
        assertTrue(changes <= 3, changes + " changes in an idle hour");
    }

    /** The week twice over: half of it is left out, and has its place all the same. */
    private static List<Piece> crowded() {
        List<Piece> all = new ArrayList<>(WEEK);
        for (Piece piece : WEEK) {
            Duration later = piece.due().plus(Duration.ofHours(3));
            all.add(new Piece(piece.id() + " again", piece.minutes() + 15, piece.points() - 5, later));
        }
        return all;
    }

    @Test
    public void aPlanThatHoldsForgetsNothingOfWhatWasChosen() {
        NextPlan plan = plan(crowded(), NOW, Circumstances.of(free(NOW)));
        assertTrue(plan.held().planned().size() < crowded().size(), "something is left out");
        assertEquals(plan.held().planned().stream().map(WorkId::text).toList(), order(plan), "as it is begun");
        List<Boolean> isPlanned =
                plan.held().pieces().stream().map(Held.Piece::isPlanned).toList();
        assertTrue(
                isPlanned.indexOf(false) < isPlanned.lastIndexOf(true),
                "what is left out stands where it would be done, not after all else: " + plan.held());
        int held = 0;
        for (int minute = 0; minute <= HOUR; minute += 5) {
            Instant now = minute(minute);
            NextPlan next = plan(crowded(), now, Circumstances.of(free(now)).holding(plan.held()));
            if (next.turned(plan.held()).isEmpty() && order(next).equals(order(plan))) {
                held++;
                assertEquals(
                        next.held(), plan.held(), "also in which place what is left out stands, at minute " + minute);
            }
            assertEquals(next.held().pieces().size(), crowded().size());
            plan = next;
        }
        assertTrue(held > 8, "it holds most of the hour: " + held);
    }

    /** Two plans of the same hour, one made anew and one that holds, are worth nearly the same. */
    @Test
    public void aPlanThatHoldsIsWorthWhatItWasWhenItWasMade() {
        NextPlan plan = plan(crowded(), NOW, Circumstances.of(free(NOW)));
        double made = plan.share().mean();
        Instant later = minute(5);
        double holds = plan(crowded(), later, Circumstances.of(free(later)).holding(plan.held()))
                .share()
                .mean();
        assertEquals(holds, made, 0.02, "five free minutes didn't pass: the hours begin at 15:30");
    }

    @Test
    public void whatIsPlannedIsToldAsItIsBegunWhereverItStands() {
        Held held = new Held(
                List.of(
                        new Held.Piece(new WorkId("second"), 1, 0, 1),
                        new Held.Piece(new WorkId("left"), 2, 0, -1),
                        new Held.Piece(new WorkId("first"), 1, 1, 0)),
                false);
        assertEquals(held.planned(), List.of(new WorkId("first"), new WorkId("second")));
        assertTrue(held.afterAChange().changed());
        assertEquals(held.afterAChange().pieces(), held.pieces());
    }

    /** As its due comes nearer and the essay fits no more to the minute, the small one isn't given up. */
    @Test
    public void theHandInStaysFirstAtEachMinuteUntilItsDue() {
        for (int minute = 0; minute < 88; minute++) {
            assertEquals(order(plan(minute(minute), null)).get(0), "hand-in", "made anew at minute " + minute);
        }
    }

    @Test
    public void theSameMinuteHasTheSamePlan() {
        NextPlan first = plan(NOW, null);
        assertEquals(order(plan(minute(20), first.held())), order(plan(minute(20), first.held())));
    }

    @Test
    public void whatIsDoneGoesAndTheRestStays() {
        NextPlan plan = plan(NOW, null);
        String done = order(plan).get(0);
        List<Piece> rest =
                WEEK.stream().filter(piece -> !piece.id().equals(done)).toList();
        Held held = plan.held().afterAChange();
        NextPlan next =
                plan(rest, minute(15), Circumstances.of(free(minute(15))).holding(held));
        assertEquals(order(next), order(plan).subList(1, order(plan).size()));
        assertTrue(next.turned(held).isEmpty(), "nothing that would have to be said");
    }

    @Test
    public void whatMovesUpIsSaidAndWhatFallsOut() {
        NextPlan plan = plan(NOW, null);
        List<Piece> urgent = new ArrayList<>(WEEK);
        urgent.add(new Piece("urgent", 20, 60, Duration.ofMinutes(60)));
        Held held = plan.held().afterAChange();
        NextPlan next =
                plan(urgent, minute(15), Circumstances.of(free(minute(15))).holding(held));
        assertEquals(order(next).get(0), "urgent");
        assertTrue(
                next.turned(held)
                        .map(NextPlan.Turn::work)
                        .map(WorkId::text)
                        .filter("urgent"::equals)
                        .isEmpty(),
                "what is new has moved nowhere");
        List<Stretch> little = List.of(new Stretch(minute(15), minute(45)));
        NextPlan small = plan(WEEK, minute(15), Circumstances.of(little).holding(held));
        assertTrue(small.turned(held).isPresent());
        assertFalse(order(small).containsAll(order(plan)));
    }

    @Test
    public void anHourThatAMoveIsNailedToHolds() {
        Instant hour = Instant.parse("2026-11-25T15:45:00Z");
        Wishes nailed = new Wishes(List.of(), Map.of(), Map.of(), Map.of(new WorkId("plate"), hour));
        NextPlan plan = plan(WEEK, NOW, Circumstances.of(free(NOW)).with(nailed));
        Planned plate = plan.planned().stream()
                .filter(one -> one.work().text().equals("plate"))
                .findFirst()
                .orElseThrow();
        assertEquals(plate.sittings(), List.of(new Stretch(hour, hour.plus(Duration.ofMinutes(90)))));
        assertEquals(plate.because().kind(), NextPlan.Because.Kind.WISHED);
        for (Planned other : plan.planned()) {
            for (Stretch sitting : other.sittings()) {
                boolean apart = !sitting.endExclusive().isAfter(hour)
                        || !sitting.start().isBefore(plate.finish())
                        || other == plate;
                assertTrue(apart, other.work() + " in " + sitting);
            }
        }
        assertEquals(plan.prices().size(), 1, "its price is said");
    }

    /** Free hours or not, it is the student's word; once its minutes are over it is planned like all other work. */
    @Test
    public void aNailHoldsOutsideFreeHoursAndIsForgottenOnceItIsPast() {
        Instant night = Instant.parse("2026-11-25T22:00:00Z");
        Wishes nailed = new Wishes(List.of(), Map.of(), Map.of(), Map.of(new WorkId("sheet"), night));
        NextPlan plan = plan(WEEK, NOW, Circumstances.of(free(NOW)).with(nailed));
        assertTrue(plan.planned().stream()
                .anyMatch(one -> one.work().text().equals("sheet")
                        && one.sittings().get(0).start().equals(night)));
        Instant after = night.plus(Duration.ofHours(2));
        NextPlan later = plan(WEEK, after, Circumstances.of(free(after)).with(nailed));
        assertTrue(later.planned().stream()
                .filter(one -> one.work().text().equals("sheet"))
                .noneMatch(one -> one.sittings().get(0).start().equals(night)));
    }

    /** Ten minutes more than the evening has: over its end it comes in time, and what isn't worth it doesn't. */
    @Test
    public void aSittingRunsOverTheEndWhereThatSavesEnough() {
        Stretch evening = new Stretch(NOW, minute(60));
        Stretch over = new Stretch(minute(60), minute(75));
        List<Stretch> free = List.of(evening, new Stretch(minute(1_440), minute(1_500)));
        List<Piece> tight = List.of(
                new Piece("due tonight", 70, 50, Duration.ofMinutes(80)),
                new Piece("worth little", 40, 1, Duration.ofDays(9)));
        NextPlan hard = plan(tight, NOW, Circumstances.of(free));
        NextPlan soft = plan(tight, NOW, Circumstances.of(free).spilling(List.of(over)));
        assertEquals(order(soft).get(0), "due tonight");
        assertEquals(soft.planned().get(0).finish(), minute(70));
        assertTrue(hard.planned().stream()
                .filter(one -> one.work().text().equals("due tonight"))
                .allMatch(one -> one.finish().isAfter(minute(1_000))));
        assertTrue(Stake.mean(soft.stakes())
                        .planned()
                        .compareTo(Stake.mean(hard.stakes()).planned())
                > 0);
        List<Piece> roomy = List.of(new Piece("due in a week", 70, 50, Duration.ofDays(7)));
        NextPlan unhurried = plan(roomy, NOW, Circumstances.of(free).spilling(List.of(over)));
        assertNotEquals(unhurried.planned().get(0).finish(), minute(70), "nothing is saved by it");
    }

    @Test
    public void howSureItIsFollowsTheRoom() {
        NextPlan plan = plan(NOW, null);
        assertTrue(plan.share().low() <= plan.share().mean()
                && plan.share().mean() <= plan.share().high());
        for (Planned one : plan.planned()) {
            assertTrue(one.chance() >= 0 && one.chance() <= 1, one.toString());
            assertTrue(one.spare() == null || one.spare() >= 0);
        }
        List<Piece> tight = List.of(new Piece("tight", 200, 50, Duration.ofMinutes(215)));
        List<Piece> roomy = List.of(new Piece("roomy", 20, 50, Duration.ofMinutes(215)));
        Circumstances evening = Circumstances.of(free(NOW));
        assertTrue(plan(tight, NOW, evening).planned().get(0).chance() < 0.7);
        assertTrue(plan(roomy, NOW, evening).planned().get(0).chance() > 0.95);
    }

    @Test
    public void anotherOrderIsSaidWithWhatItCosts() {
        NextPlan plan = plan(NOW, null);
        assertEquals(Instead.of(plan, plan), new Instead(Rational.ZERO, List.of(), List.of()));
        Wishes essayFirst = new Wishes(List.of(new WorkId("essay")), Map.of(), Map.of());
        NextPlan other = plan(WEEK, NOW, Circumstances.of(free(NOW)).with(essayFirst));
        Instead instead = Instead.of(plan, other);
        assertTrue(instead.losers().stream()
                .anyMatch(loser -> loser.work().text().equals("hand-in")
                        && NOW.plus(Duration.ofMinutes(100)).equals(loser.missed())));
        assertTrue(instead.fall().signum() > 0);
        assertEquals(
                instead.fall(),
                plan.stakes().get(0).planned().minus(other.stakes().get(0).planned()));
    }

    @Test
    public void manyPiecesArePlannedToo() {
        List<Piece> many = IntStream.range(0, 400)
                .mapToObj(i -> new Piece("p" + i, 10 + i % 50, 5 + i % 7, Duration.ofHours(5 + i)))
                .toList();
        NextPlan plan = plan(many, NOW, Circumstances.of(free(NOW)));
        assertEquals(plan.planned().size() + plan.left().size(), 400);
    }
}
