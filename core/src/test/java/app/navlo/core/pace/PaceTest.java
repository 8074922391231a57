package app.navlo.core.pace;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertTrue;

import app.navlo.core.exact.Rational;
import app.navlo.core.id.WorkId;
import app.navlo.core.time.SchoolCalendar;
import app.navlo.core.work.Stage;
import app.navlo.core.work.Turn;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.Test;

/** Work done against work needed. */
public class PaceTest {
    private static final ZoneId ZONE = ZoneId.of("Europe/Copenhagen");
    private static final SchoolCalendar CALENDAR = SchoolCalendar.weekdays(ZONE, Set.of(LocalDate.of(2026, 11, 26)));
    private static final LocalDate FIRST = LocalDate.of(2026, 9, 7);
    /** A Tuesday. */
    private static final Instant NOW = Instant.parse("2026-11-24T15:20:00Z");

    private static final Instant CLOSE = Instant.parse("2026-12-04T16:00:00Z");

    private final List<Paced> works = new ArrayList<>();

    private PaceTest add(int many, Stage stage, Turn move, int dueInDays, @Nullable Integer doneDaysAgo) {
        for (int i = 0; i < many; i++) {
            works.add(new Paced(
                    new WorkId("w" + works.size()),
                    "u1",
                    true,
                    30,
                    NOW.plus(Duration.ofDays(dueInDays)),
                    stage,
                    move,
                    null,
                    doneDaysAgo == null ? null : NOW.minus(Duration.ofDays(doneDaysAgo)),
                    null,
                    Rational.of(10)));
        }
        return this;
    }

    private Pace pace() {
        return Pace.of(works, CALENDAR, FIRST, CLOSE, Pace.DEFAULT_CAP, NOW);
    }

    private static PaceTest empty() {
        return new PaceTest();
    }

    @Test
    public void whatIsLeftIsSpreadOverTheSchoolDaysThatAreLeft() {
        Pace pace = empty().add(16, Stage.ASSIGNED, Turn.YOURS, 5, null).pace();
        assertEquals(pace.schoolDaysLeft(), 8, "today and the close's day count, the holiday doesn't");
        assertEquals(pace.neededPerDay(), Rational.of(2));
        assertEquals(pace.standing(), Standing.ON_PACE);
    }

    @Test
    public void somethingOverdueIsBehindHoweverMuchIsDone() {
        Pace pace = empty().add(9, Stage.RETURNED, Turn.SETTLED, 5, 3)
                .add(1, Stage.ASSIGNED, Turn.YOURS, -1, null)
                .pace();
        assertEquals(pace.standing(), Standing.BEHIND);
        assertEquals(pace.overdue(), 1);
        assertEquals(pace.lead(), 8);
    }

    @Test
    public void aheadAndWellAheadBeyondTheCap() {
        assertEquals(empty().add(6, Stage.TURNED_IN, Turn.TEACHERS, 5, 1).pace().standing(), Standing.AHEAD);
        assertEquals(empty().add(7, Stage.TURNED_IN, Turn.TEACHERS, 5, 1).pace().standing(), Standing.WELL_AHEAD);
    }

    @Test
    public void workOutOfReachIsCountedApart() {
        Pace pace = empty().add(2, Stage.ASSIGNED, Turn.OUT_OF_REACH, -9, null)
                .add(1, Stage.RETURNED, Turn.SETTLED, -9, 9)
                .pace();
        assertEquals(pace.outOfReach(), 2);
        assertEquals(pace.done() + pace.left(), 1);
        assertEquals(pace.expected(), 1);
        assertEquals(pace.standing(), Standing.ON_PACE);
        assertFalse(pace.units().get(0).complete());
    }

    @Test
    public void theRecentRateSaysWhenAllWillBeDone() {
        Pace pace = empty().add(5, Stage.RETURNED, Turn.SETTLED, -2, 4)
                .add(3, Stage.ASSIGNED, Turn.YOURS, 3, null)
                .pace();
        assertEquals(pace.recentDone(), 5);
        assertEquals(pace.ratePerDay(), Rational.of(1, 2));
        assertEquals(pace.finish(), LocalDate.of(2026, 12, 3), "six school days on, the holiday skipped");
        assertTrue(pace.inTime());
    }

    @Test
    public void withoutARateThereIsNoForecastAndWithNothingLeftNoneIsWanted() {
        assertNull(empty().add(3, Stage.ASSIGNED, Turn.YOURS, 3, null).pace().finish());
        Pace done = empty().add(3, Stage.RETURNED, Turn.SETTLED, -3, 60).pace();
        assertEquals(done.neededPerDay(), Rational.ZERO);
        assertNull(done.finish());
        assertTrue(done.units().get(0).complete());
    }

    @Test
    public void afterTheCloseNoDayIsLeft() {
        Pace pace = Pace.of(
                empty().add(1, Stage.ASSIGNED, Turn.YOURS, 5, null).works,
                CALENDAR,
                FIRST,
                NOW.minus(Duration.ofDays(9)),
                Pace.DEFAULT_CAP,
                NOW);
        assertEquals(pace.schoolDaysLeft(), 0);
        assertNull(pace.neededPerDay());
    }

    /** The line's counts are those of the pace, on its last day and today; nothing is said of what is done in days to come. */
    @Test
    public void theLineEndsWhereTheCountsDo() {
        PaceTest term = empty().add(4, Stage.RETURNED, Turn.SETTLED, -20, 22)
                .add(2, Stage.RETURNED, Turn.SETTLED, -10, null)
                .add(1, Stage.ASSIGNED, Turn.OUT_OF_REACH, -5, null)
                .add(3, Stage.ASSIGNED, Turn.YOURS, 6, null);
        List<PaceLine.Point> line = PaceLine.of(term.works, CALENDAR, FIRST, CALENDAR.dayBefore(CLOSE), NOW);
        assertEquals(line.get(0), new PaceLine.Point(FIRST, 0, 0));
        PaceLine.Point today = line.stream()
                .filter(point -> point.day().equals(CALENDAR.dayOf(NOW)))
                .findFirst()
                .orElseThrow();
        assertEquals(
                today, new PaceLine.Point(CALENDAR.dayOf(NOW), 6, 6), "a test without a hand-in was done at its due");
        PaceLine.Point last = line.get(line.size() - 1);
        assertEquals(last, new PaceLine.Point(CALENDAR.dayBefore(CLOSE), 9, null));
    }

    @Test
    public void aTermThatIsOverAsksForNothingADayAndOneThatHasntBegunForAllOfIt() {
        List<Paced> works = empty().add(4, Stage.ASSIGNED, Turn.YOURS, 5, null).works;
        Instant after = CLOSE.plus(Duration.ofDays(3));
        Pace over = Pace.of(works, CALENDAR, FIRST, CLOSE, Pace.DEFAULT_CAP, after);
        assertEquals(over.schoolDaysLeft(), 0);
        assertNull(over.neededPerDay(), "something is left and no day is");
        assertFalse(over.inTime());
        assertTrue(PaceLine.of(works, CALENDAR, FIRST, CALENDAR.dayBefore(CLOSE), after).stream()
                .allMatch(point -> Integer.valueOf(0).equals(point.done())));
        Instant before = Instant.parse("2026-08-20T10:00:00Z");
        Pace ahead = Pace.of(works, CALENDAR, FIRST, CLOSE, Pace.DEFAULT_CAP, before);
        assertEquals(ahead.standing(), Standing.ON_PACE);
        assertEquals(ahead.done() + ahead.left(), 4);
        assertNull(ahead.finish());
        assertTrue(PaceLine.of(works, CALENDAR, FIRST, CALENDAR.dayBefore(CLOSE), before).stream()
                .allMatch(point -> point.done() == null));
    }
}
