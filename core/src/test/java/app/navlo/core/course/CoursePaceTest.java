package app.navlo.core.course;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertTrue;

import app.navlo.core.exact.Rational;
import app.navlo.core.gate.Gate;
import app.navlo.core.grade.PointsScheme;
import app.navlo.core.id.WorkId;
import app.navlo.core.policy.LatePolicy;
import app.navlo.core.time.WeeklyHours;
import app.navlo.core.work.Actor;
import app.navlo.core.work.Fact;
import app.navlo.core.work.HandInContent;
import app.navlo.core.work.Stamp;
import app.navlo.core.work.Turn;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.testng.annotations.Test;

/** A course counted over its term. Now is a Tuesday, 16:20 in the course's zone; each evening has an hour from 18:00. */
public class CoursePaceTest {
    private static final Instant NOW = Courses.NOW;
    private static final LocalDate START = LocalDate.of(2026, 9, 7);
    private static final Instant CLOSE = Instant.parse("2026-12-04T16:00:00Z");
    private static final WeeklyHours EVENINGS = new WeeklyHours(Arrays.stream(DayOfWeek.values())
            .collect(Collectors.toMap(
                    Function.identity(),
                    day -> List.of(new WeeklyHours.Span(LocalTime.of(18, 0), LocalTime.of(19, 0))))));

    private static CourseWork work(String id, int dueInDays, List<Gate> gates, Fact... facts) {
        CourseWork plain = Courses.work(id, "", Rational.of(10), NOW.plus(Duration.ofDays(dueInDays)), List.of(facts));
        return new CourseWork(plain.item(), plain.place(), gates, null, null, 60, plain.facts());
    }

    private static Fact handedIn(int daysAgo) {
        Instant at = NOW.minus(Duration.ofDays(daysAgo));
        return new Fact.HandedIn(new Stamp(at, at, 1, Actor.STUDENT, "A. Person", "test"), 1, HandInContent.DONE);
    }

    private static CourseBook book(CourseWork... works) {
        CourseRules rules = Courses.rules(new PointsScheme(), LatePolicy.NONE);
        return CourseBook.of(rules, List.of(works), List.of(), NOW);
    }

    private static CoursePace pace(CourseWork... works) {
        return CoursePace.of(book(works), START, List.of(CLOSE), EVENINGS);
    }

    @Test
    public void aTermEndsWithItsLastClose() {
        Instant earlier = CLOSE.minus(Duration.ofDays(7));
        CourseBook book = book(work("a", 30, List.of()));
        assertEquals(
                CoursePace.of(book, START, List.of(earlier, CLOSE), EVENINGS).close(), CLOSE);
        assertEquals(
                CoursePace.of(book, START, List.of(CLOSE, earlier), EVENINGS).close(), CLOSE);
    }

    @Test
    public void withoutATermItRunsFromTheFirstFactToTheLastDue() {
        CoursePace pace = CoursePace.of(
                book(work("a", -3, List.of(), handedIn(12)), work("b", 9, List.of())), null, List.of(), EVENINGS);
        assertEquals(pace.close(), NOW.plus(Duration.ofDays(9)));
        assertEquals(pace.line().get(0).day(), LocalDate.of(2026, 11, 12));
    }

    @Test
    public void nothingAtAllBeginsAndEndsToday() {
        CoursePace pace = CoursePace.of(book(), null, List.of(), EVENINGS);
        assertEquals(pace.close(), NOW);
        assertEquals(pace.pace().neededMinutesPerDay(), Long.valueOf(0));
        assertTrue(pace.chains().isEmpty());
    }

    /** From Tuesday to Friday of the next week are nine school days: 3 × 60 minutes over them, rounded up. */
    @Test
    public void whatADayNeedsIsWhatIsLeftOverTheSchoolDays() {
        CoursePace pace = pace(
                work("a", 1, List.of()),
                work("b", 2, List.of()),
                work("c", 3, List.of()),
                work("d", -1, List.of(), handedIn(2)));
        assertEquals(pace.pace().schoolDaysLeft(), 9);
        assertEquals(pace.pace().neededMinutesPerDay(), Long.valueOf(20));
    }

    /** 60 minutes and twice a guess of 30 over nine school days; what is only done in class takes none. */
    @Test
    public void whatNobodyHasSaidIsGuessedAsThePlanDoes() {
        CoursePace pace = pace(
                work("a", 1, List.of()),
                effort(work("b", 2, List.of()), 0),
                effort(work("c", 3, List.of()), 0),
                effort(work("d", -1, List.of(), handedIn(2)), 0));
        assertEquals(pace.guessed(), 2);
        assertEquals(pace.pace().neededMinutesPerDay(), Long.valueOf(14));
    }

    private static CourseWork effort(CourseWork work, long minutes) {
        return new CourseWork(
                work.item(), work.place(), work.gates(), work.late(), work.ownPercent(), minutes, work.facts());
    }

    @Test
    public void whereNoDayIsLeftNothingIsSaidOfADay() {
        CoursePace pace =
                CoursePace.of(book(work("a", -1, List.of())), START, List.of(NOW.minus(Duration.ofHours(1))), EVENINGS);
        assertEquals(pace.pace().schoolDaysLeft(), 0);
        assertNull(pace.pace().neededMinutesPerDay());
        assertNull(pace.pace().neededPerDay());
    }

    /** b waits for a; both take an hour, and b's due is on Friday at 16:20: b on Thursday evening, a on Wednesday. */
    @Test
    public void aChainIsBegunEarlyEnoughForItsEnd() {
        CoursePace pace = pace(work("a", 20, List.of()), work("b", 3, List.of(new Gate.Done(new WorkId("a")))));
        PaceChain chain = pace.chains().get(0);
        assertEquals(chain.to(), new WorkId("b"));
        assertTrue(chain.possible());
        assertEquals(
                chain.links(),
                List.of(
                        new PaceChain.Link(new WorkId("a"), 1, evening("2026-11-25"), evening("2026-11-26"), false),
                        new PaceChain.Link(
                                new WorkId("b"), 0, evening("2026-11-26"), NOW.plus(Duration.ofDays(3)), false)));
    }

    /** What opens by a score waits for the teacher: three school days as long as nothing is known of them. */
    @Test
    public void aGateByScoreLeavesTimeToGrade() {
        CoursePace pace = pace(
                work("a", 20, List.of()), work("b", 10, List.of(new Gate.Percent(new WorkId("a"), Rational.of(80)))));
        PaceChain.Link first = pace.chains().get(0).links().get(0);
        assertTrue(first.graded());
        Instant second = pace.chains().get(0).links().get(1).startBy();
        assertTrue(Duration.between(first.handInBy(), second).compareTo(Duration.ofDays(3)) >= 0, first + " " + second);
    }

    @Test
    public void aChainTooLongForItsDueIsNotPossible() {
        CoursePace pace = pace(
                work("a", 20, List.of()),
                work("b", 20, List.of(new Gate.Done(new WorkId("a")))),
                work("c", 1, List.of(new Gate.Done(new WorkId("b")))));
        assertEquals(pace.chains().size(), 1, "b only leads to c");
        assertFalse(pace.chains().get(0).possible());
        assertEquals(pace.chains().get(0).shutBy(), Set.of());
    }

    @Test
    public void whatIsOpenAlreadyIsNoChain() {
        CoursePace pace =
                pace(work("a", -1, List.of(), handedIn(2)), work("b", 3, List.of(new Gate.Done(new WorkId("a")))));
        assertTrue(pace.chains().isEmpty());
    }

    @Test
    public void theMostUrgentChainComesFirst() {
        CoursePace pace = pace(
                work("a", 30, List.of()),
                work("late", 9, List.of(new Gate.Done(new WorkId("a")))),
                work("soon", 4, List.of(new Gate.Done(new WorkId("a")))));
        assertEquals(
                pace.chains().stream().map(PaceChain::to).toList(), List.of(new WorkId("soon"), new WorkId("late")));
    }

    /** Over random courses: the counts are those of the work itself, however it is graded. */
    @Test
    public void theCountsAddUpToTheWorkOfTheCourse() {
        for (int seed = 0; seed < 300; seed++) {
            Courses courses = new Courses(seed);
            CourseBook book = CourseBook.of(courses.rules(), courses.works(), List.of(), NOW);
            CoursePace pace = CoursePace.of(book, START, List.of(CLOSE), EVENINGS);
            Map<Boolean, Long> reach = book.findings().stream()
                    .collect(Collectors.partitioningBy(
                            one -> one.state().move() == Turn.OUT_OF_REACH, Collectors.counting()));
            assertEquals(pace.pace().required(), reach.get(false).intValue(), "seed " + seed);
            assertEquals(pace.pace().outOfReach(), reach.get(true).intValue(), "seed " + seed);
            Long minutes = pace.pace().neededMinutesPerDay();
            long days = pace.pace().schoolDaysLeft();
            assertTrue(
                    minutes != null
                            && minutes * days >= pace.pace().left() * 60L
                            && (minutes - 1) * days < Math.max(1, pace.pace().left() * 60L),
                    "seed " + seed);
        }
    }

    private static Instant evening(String day) {
        return LocalDate.parse(day).atTime(18, 0).atZone(Courses.ZONE).toInstant();
    }
}
