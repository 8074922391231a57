package app.navlo.core.next;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import app.navlo.core.course.CourseBook;
import app.navlo.core.course.CourseRules;
import app.navlo.core.course.CourseWork;
import app.navlo.core.course.Courses;
import app.navlo.core.course.WhatIf;
import app.navlo.core.course.WorkAssessment;
import app.navlo.core.exact.Rational;
import app.navlo.core.gate.Gate;
import app.navlo.core.grade.Reading;
import app.navlo.core.id.CourseId;
import app.navlo.core.id.WorkId;
import app.navlo.core.leeway.ExtensionRule;
import app.navlo.core.leeway.TokenRule;
import app.navlo.core.next.NextPlan.Left;
import app.navlo.core.next.NextPlan.Planned;
import app.navlo.core.time.Availability;
import app.navlo.core.time.Deadline;
import app.navlo.core.time.Stretch;
import app.navlo.core.time.WeeklyHours;
import app.navlo.core.work.Turn;
import app.navlo.core.work.WorkItem;
import java.math.RoundingMode;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.Test;

/** What holds of every plan of a student's moves, on courses at random. */
public class NextLawsTest {
    private static final int COURSES = 60;
    private static final Instant NOW = Courses.NOW;
    private static final List<Stretch> FREE = free(16, 17, NOW, Duration.ofDays(4));

    private static WeeklyHours hours(int from, int to) {
        Map<DayOfWeek, List<WeeklyHours.Span>> spans = new EnumMap<>(DayOfWeek.class);
        for (DayOfWeek day : DayOfWeek.values()) {
            spans.put(day, List.of(new WeeklyHours.Span(LocalTime.of(from, 0), LocalTime.of(to, 0))));
        }
        return new WeeklyHours(spans);
    }

    private static List<Stretch> free(int from, int to, Instant start, Duration length) {
        return Availability.of(hours(from, to), Courses.ZONE).sittings(start, start.plus(length));
    }

    private static List<CourseBook> books(int seed) {
        Courses courses = new Courses(seed);
        CourseBook one = CourseBook.of(courses.rules(), courses.works(), List.of(), NOW);
        List<CourseWork> more =
                IntStream.range(0, 6).mapToObj(i -> courses.work("x" + i)).toList();
        return List.of(one, CourseBook.of(rules("plants", courses.rules(), null), more, List.of(), NOW));
    }

    private static CourseRules rules(String course, CourseRules like, @Nullable ExtensionRule extension) {
        return new CourseRules(
                new CourseId(course),
                like.calendar(),
                like.soon(),
                like.late(),
                extension,
                extension == null ? null : new TokenRule(2, Duration.ofHours(24), 2, Duration.ofHours(48)),
                like.scheme(),
                like.table(),
                like.periods(),
                like.ordered(),
                like.paceCap());
    }

    private static List<WorkAssessment> yours(List<CourseBook> books) {
        return books.stream()
                .flatMap(book -> book.findings().stream())
                .filter(finding -> finding.state().move() == Turn.YOURS)
                .toList();
    }

    @Test
    public void everyPieceThatIsYoursIsPlannedOrLeftOutAndNoneTwice() {
        int planned = 0;
        int left = 0;
        for (int seed = 0; seed < COURSES; seed++) {
            List<CourseBook> books = books(seed);
            NextPlan plan = NextPlanner.plan(books, Circumstances.of(FREE), NOW);
            List<WorkId> said = Stream.concat(
                            plan.planned().stream().filter(Planned::yours).map(Planned::work),
                            plan.left().stream().map(Left::work))
                    .sorted()
                    .toList();
            assertEquals(
                    said, yours(books).stream().map(WorkAssessment::id).sorted().toList(), "course " + seed);
            planned += plan.planned().size();
            left += plan.left().size();
        }
        assertTrue(planned > COURSES && left > 10, planned + " planned, " + left + " left out");
    }

    @Test
    public void sittingsAreAsLongAsTheWorkLieInFreeTimeAndNeverOverlap() {
        for (int seed = 0; seed < COURSES; seed++) {
            Instant last = NOW;
            for (Planned planned :
                    NextPlanner.plan(books(seed), Circumstances.of(FREE), NOW).planned()) {
                long minutes = 0;
                for (Stretch sitting : planned.sittings()) {
                    assertFalse(sitting.start().isBefore(last), "overlap in course " + seed);
                    assertTrue(
                            FREE.stream()
                                    .anyMatch(free -> !sitting.start().isBefore(free.start())
                                            && !sitting.endExclusive().isAfter(free.endExclusive())),
                            sitting + " isn't free");
                    minutes += sitting.minutes();
                    last = sitting.endExclusive();
                }
                assertEquals(minutes, planned.minutes());
            }
        }
    }

    /** The gains shown add up to what the reading moves by, if all of it is handed in when it is planned to be. */
    @Test
    public void theGainsOfACourseAddUpToWhatItsReadingMovesBy() {
        int compared = 0;
        for (int seed = 0; seed < COURSES; seed++) {
            List<CourseBook> books = books(seed);
            NextPlan plan = NextPlanner.plan(books, Circumstances.of(FREE), NOW);
            for (CourseBook book : books) {
                Map<WorkId, Planned> here = plan.planned().stream()
                        .filter(planned -> book.has(planned.work()))
                        .collect(Collectors.toMap(Planned::work, planned -> planned));
                List<WhatIf> nothing = new ArrayList<>();
                List<WhatIf> all = new ArrayList<>();
                for (WorkAssessment finding : yours(List.of(book))) {
                    nothing.add(WhatIf.counts(finding.id(), Rational.ZERO));
                    Planned planned = here.get(finding.id());
                    all.add(
                            planned == null
                                    ? WhatIf.counts(finding.id(), Rational.ZERO)
                                    : WhatIf.scored(
                                            finding.id(),
                                            finding.expectedPercent()
                                                    .times(finding.item()
                                                            .marking()
                                                            .possible())
                                                    .dividedBy(Rational.HUNDRED),
                                            planned.finish()));
                }
                if (!nothing.isEmpty()) {
                    Rational sum = Rational.sum(
                            here.values().stream().map(Planned::gain).toList());
                    assertEquals(sum, expected(book, all).minus(expected(book, nothing)), "course " + seed);
                    compared++;
                }
            }
        }
        assertTrue(compared > COURSES / 2, "too few have anything to do: " + compared);
    }

    private static Rational expected(CourseBook book, List<WhatIf> changes) {
        return book.whatIf(changes).of(Reading.EXPECTED).grade().figure();
    }

    @Test
    public void whatIsWishedFirstIsFirstAndWhatIsPutOffWaitsAndTheWishHasItsPrice() {
        Instant tomorrow = NOW.plus(Duration.ofHours(30));
        int moved = 0;
        for (int seed = 0; seed < COURSES; seed++) {
            List<CourseBook> books = books(seed);
            NextPlan free = NextPlanner.plan(books, Circumstances.of(FREE), NOW);
            if (free.planned().size() < 2) {
                continue;
            }
            WorkId last = free.planned().get(free.planned().size() - 1).work();
            WorkId first = free.planned().get(0).work();
            NextPlan wished = NextPlanner.plan(
                    books,
                    Circumstances.of(FREE).with(new Wishes(List.of(last), Map.of(first, tomorrow), Map.of())),
                    NOW);
            for (int i = 0; i < wished.prices().size(); i++) {
                assertEquals(
                        wished.prices().get(i).fall(),
                        free.stakes().get(i).kept().minus(wished.stakes().get(i).kept()),
                        "a price is the fall of what the headline shows");
            }
            assertEquals(wished.prices().size(), books.size());
            Set<WorkId> planned = wished.planned().stream().map(Planned::work).collect(Collectors.toSet());
            if (planned.contains(last)) {
                assertEquals(wished.planned().get(0).work(), last);
                moved++;
            }
            wished.planned().stream()
                    .filter(one -> one.work().equals(first))
                    .forEach(one -> assertFalse(one.sittings().get(0).start().isBefore(tomorrow)));
        }
        assertTrue(moved > 10, "only " + moved);
    }

    /** What is wished first may wait for work that would itself have to wait for a later wish. */
    @Test
    public void wishesForWorkThatWaitsForOtherWorkNeverGoRoundInACircle() {
        CourseWork opener = open("opener", List.of());
        CourseWork gated = open("gated", List.of(new Gate.Done(new WorkId("opener"))));
        CourseWork other = open("other", List.of());
        CourseBook book = CourseBook.of(new Courses(1).rules(), List.of(opener, gated, other), List.of(), NOW);
        for (List<WorkId> first : List.of(
                ids("gated", "other"),
                ids("other", "gated"),
                ids("gated", "opener"),
                ids("gated", "opener", "other"))) {
            NextPlan plan = NextPlanner.plan(
                    List.of(book), Circumstances.of(FREE).with(new Wishes(first, Map.of(), Map.of())), NOW);
            List<WorkId> order = plan.planned().stream().map(Planned::work).toList();
            assertEquals(order.size(), 3, "planned " + order + " for " + first);
            assertTrue(
                    order.indexOf(new WorkId("opener")) < order.indexOf(new WorkId("gated")), order + " for " + first);
            assertTrue(order.indexOf(first.get(0)) <= order.indexOf(new WorkId("other")), order + " for " + first);
        }
    }

    private static List<WorkId> ids(String... texts) {
        return Arrays.stream(texts).map(WorkId::new).toList();
    }

    private static CourseWork open(String id, List<Gate> gates) {
        CourseWork plain = new Courses(2).work(id);
        WorkItem item = plain.item();
        WorkItem.Schedule schedule =
                new WorkItem.Schedule(null, Deadline.at(NOW.plus(Duration.ofDays(3))), null, null, null);
        return new CourseWork(
                new WorkItem(new WorkId(id), id, item.kind(), true, true, item.marking(), schedule, null, null, null),
                plain.place(),
                gates,
                null,
                null,
                30,
                List.of());
    }

    @Test
    public void withoutFreeTimeAllIsLeftOutWithItsCost() {
        NextPlan plan = NextPlanner.plan(books(3), Circumstances.of(List.of()), NOW);
        assertEquals(plan.planned(), List.of());
        assertEquals(plan.left().size(), yours(books(3)).size());
        assertTrue(plan.left().stream().anyMatch(left -> left.cost().signum() > 0), "nothing costs anything");
        assertEquals(
                plan.left().stream().map(Left::cost).toList(),
                plan.left().stream()
                        .map(Left::cost)
                        .sorted((one, other) -> other.compareTo(one))
                        .toList());
    }

    @Test
    public void freeHoursAreWhatTheClockOnTheWallSaysAlsoWhenItIsChanged() {
        Instant before = Instant.parse("2026-10-24T22:00:00Z");
        List<Stretch> free = free(1, 4, before, Duration.ofHours(25));
        assertEquals(free.get(0).minutes(), 240, "the night in which an hour comes twice");
        assertEquals(free(16, 19, NOW, Duration.ofHours(1)), List.of(new Stretch(NOW, NOW.plus(Duration.ofHours(1)))));
        assertEquals(free(16, 19, NOW, Duration.ZERO), List.of());
    }

    /** Whatever is moved before whatever: it comes out so, or it would go round in a circle. */
    @Test
    public void whatIsMovedUpComesBeforeWhatItWasMovedBefore() {
        int moved = 0;
        for (int seed = 0; seed < COURSES; seed++) {
            List<CourseBook> books = books(seed);
            List<WorkId> order = works(NextPlanner.plan(books, Circumstances.of(FREE), NOW));
            if (order.size() < 3) {
                continue;
            }
            WorkId up = order.get(order.size() - 1);
            WorkId other = order.get(0);
            Wishes wishes = new Wishes(List.of(), Map.of(), Map.of(up, other, other, up));
            List<WorkId> circle =
                    works(NextPlanner.plan(books, Circumstances.of(FREE).with(wishes), NOW));
            assertTrue(circle.size() > 0, "a circle of wishes in course " + seed);
            NextPlan plan = NextPlanner.plan(
                    books, Circumstances.of(FREE).with(new Wishes(List.of(), Map.of(), Map.of(up, other))), NOW);
            List<WorkId> now = works(plan);
            if (now.contains(up) && now.contains(other)) {
                assertTrue(now.indexOf(up) < now.indexOf(other), "course " + seed + ": " + now);
                moved++;
            }
        }
        assertTrue(moved > COURSES / 3, moved + " of " + COURSES + " moved up");
    }

    private static List<WorkId> works(NextPlan plan) {
        return plan.planned().stream().map(Planned::work).toList();
    }

    /** In little time, the course that matters more gets the greater part of it. */
    @Test
    public void whatMattersMoreIsPlannedRather() {
        int more = 0;
        int less = 0;
        List<Stretch> little = free(16, 17, NOW, Duration.ofDays(2));
        for (int seed = 0; seed < COURSES; seed++) {
            List<CourseBook> books = books(seed);
            CourseBook second = books.get(1);
            Aim much = new Aim(Rational.of(4), null);
            Aim little4 = new Aim(Rational.of(1, 4), null);
            long high = minutes(
                    NextPlanner.plan(
                            books,
                            Circumstances.of(little)
                                    .withAims(Map.of(second.rules().course(), much)),
                            NOW),
                    second);
            long low = minutes(
                    NextPlanner.plan(
                            books,
                            Circumstances.of(little)
                                    .withAims(Map.of(second.rules().course(), little4)),
                            NOW),
                    second);
            more += high > low ? 1 : 0;
            less += high < low ? 1 : 0;
        }
        assertTrue(more > 5 && more > 5 * less, more + " times more, " + less + " times less");
    }

    private static long minutes(NextPlan plan, CourseBook book) {
        return plan.planned().stream()
                .filter(planned -> book.has(planned.work()))
                .mapToLong(Planned::minutes)
                .sum();
    }

    /** What comes before a move though it brings less a minute is named, and nothing else is. */
    @Test
    public void whatPushesAMoveDownComesBeforeItAndBringsLessAMinute() {
        int pushed = 0;
        for (int seed = 0; seed < COURSES; seed++) {
            NextPlan plan = NextPlanner.plan(books(seed), Circumstances.of(FREE), NOW);
            Map<WorkId, Double> before = new LinkedHashMap<>();
            for (Planned planned : plan.planned()) {
                double here = aMinute(planned);
                List<WorkId> less = before.entrySet().stream()
                        .filter(one -> one.getValue() < here)
                        .map(Map.Entry::getKey)
                        .toList();
                assertEquals(planned.because().pushedBy(), less, planned.work() + " in course " + seed);
                before.put(planned.work(), here);
                pushed += less.size();
            }
        }
        assertTrue(pushed > 20, pushed + " pushed");
    }

    private static double aMinute(Planned planned) {
        return planned.gain().toDecimal(6, RoundingMode.HALF_UP).doubleValue() / planned.minutes();
    }

    /** Free hours begin and end on whole minutes, whatever the seconds are at which a plan is made. */
    @Test
    public void theSecondsOfNowTakeNothingFromTheFreeHours() {
        for (int seed = 0; seed < COURSES; seed++) {
            List<CourseBook> books = books(seed);
            List<Stretch> tomorrow = FREE.subList(1, FREE.size());
            NextPlan sharp = NextPlanner.plan(books, Circumstances.of(tomorrow), NOW);
            NextPlan odd = NextPlanner.plan(books, Circumstances.of(tomorrow), NOW.plusSeconds(17));
            assertEquals(odd.planned(), sharp.planned(), "course " + seed);
        }
    }

    @Test
    public void everyAskAndEveryTokenOfThePlanIsAnErrandOfItsOwn() {
        int asked = 0;
        for (int seed = 0; seed < COURSES; seed++) {
            Courses courses = new Courses(seed);
            CourseRules lenient = rules("plants", courses.rules(), ExtensionRule.DEFAULT);
            CourseBook book = CourseBook.of(lenient, courses.works(), List.of(), NOW);
            NextPlan plan = NextPlanner.plan(List.of(book), Circumstances.of(FREE), NOW);
            List<WorkId> wanted = plan.planned().stream()
                    .filter(planned -> planned.leeway() != null)
                    .map(Planned::work)
                    .sorted()
                    .toList();
            List<WorkId> told = plan.errands().stream()
                    .filter(errand -> errand.leeway() != null)
                    .map(QuickAction::work)
                    .sorted()
                    .toList();
            assertEquals(told, wanted);
            asked += wanted.size();
        }
        assertTrue(asked > 0, "no course wants leeway");
    }
}
