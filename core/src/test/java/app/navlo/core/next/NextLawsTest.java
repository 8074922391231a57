package app.navlo.core.next;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import app.navlo.core.course.CourseBook;
import app.navlo.core.course.Courses;
import app.navlo.core.course.Finding;
import app.navlo.core.course.WhatIf;
import app.navlo.core.exact.Rational;
import app.navlo.core.grade.Reading;
import app.navlo.core.next.NextPlan.Left;
import app.navlo.core.next.NextPlan.Planned;
import app.navlo.core.time.Stretch;
import app.navlo.core.time.WeeklyHours;
import app.navlo.core.work.Move;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.testng.annotations.Test;

/** What holds of every plan of a student's moves, on courses at random. */
public class NextLawsTest {
    private static final int COURSES = 60;
    private static final Instant NOW = Courses.NOW;
    private static final List<Stretch> FREE = hours(16, 17).free(NOW, NOW.plus(Duration.ofDays(4)), Courses.ZONE);

    private static WeeklyHours hours(int from, int to) {
        Map<DayOfWeek, List<WeeklyHours.Span>> spans = new EnumMap<>(DayOfWeek.class);
        for (DayOfWeek day : DayOfWeek.values()) {
            spans.put(day, List.of(new WeeklyHours.Span(LocalTime.of(from, 0), LocalTime.of(to, 0))));
        }
        return new WeeklyHours(spans);
    }

    private static List<CourseBook> books(int seed) {
        Courses courses = new Courses(seed);
        CourseBook one = CourseBook.of(courses.rules(), courses.works(), List.of(), NOW);
        List<app.navlo.core.course.CourseWork> more =
                IntStream.range(0, 6).mapToObj(i -> courses.work("x" + i)).toList();
        return List.of(one, CourseBook.of(courses.rules(), more, List.of(), NOW));
    }

    private static List<Finding> yours(List<CourseBook> books) {
        return books.stream()
                .flatMap(book -> book.findings().stream())
                .filter(finding -> finding.state().move() == Move.YOURS)
                .toList();
    }

    @Test
    public void everyPieceThatIsYoursIsPlannedOrLeftOutAndNoneTwice() {
        int planned = 0;
        int left = 0;
        for (int seed = 0; seed < COURSES; seed++) {
            List<CourseBook> books = books(seed);
            NextPlan plan = NextPlanner.plan(books, FREE, Wishes.NONE, NOW);
            List<String> said = Stream.concat(
                            plan.planned().stream().filter(Planned::yours).map(Planned::work),
                            plan.left().stream().map(Left::work))
                    .sorted()
                    .toList();
            assertEquals(said, yours(books).stream().map(Finding::id).sorted().toList(), "course " + seed);
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
                    NextPlanner.plan(books(seed), FREE, Wishes.NONE, NOW).planned()) {
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
            NextPlan plan = NextPlanner.plan(books, FREE, Wishes.NONE, NOW);
            for (CourseBook book : books) {
                Map<String, Planned> here = plan.planned().stream()
                        .filter(planned -> book.has(planned.work()))
                        .collect(Collectors.toMap(Planned::work, planned -> planned));
                List<WhatIf> nothing = new ArrayList<>();
                List<WhatIf> all = new ArrayList<>();
                for (Finding finding : yours(List.of(book))) {
                    nothing.add(WhatIf.score(finding.id(), Rational.ZERO));
                    Planned planned = here.get(finding.id());
                    all.add(
                            planned == null
                                    ? WhatIf.score(finding.id(), Rational.ZERO)
                                    : new WhatIf(
                                            finding.id(),
                                            finding.expectedPercent()
                                                    .times(finding.item()
                                                            .marking()
                                                            .possible())
                                                    .dividedBy(Rational.HUNDRED),
                                            null,
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
            NextPlan free = NextPlanner.plan(books, FREE, Wishes.NONE, NOW);
            if (free.planned().size() < 2) {
                continue;
            }
            String last = free.planned().get(free.planned().size() - 1).work();
            String first = free.planned().get(0).work();
            NextPlan wished = NextPlanner.plan(books, FREE, new Wishes(List.of(last), Map.of(first, tomorrow)), NOW);
            assertTrue(wished.wishesCost() >= 0);
            assertTrue(wished.value() <= free.value(), "a wish can't save more than was proven to be best");
            Set<String> planned = wished.planned().stream().map(Planned::work).collect(Collectors.toSet());
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

    @Test
    public void withoutFreeTimeAllIsLeftOutWithItsCost() {
        NextPlan plan = NextPlanner.plan(books(3), List.of(), Wishes.NONE, NOW);
        assertEquals(plan.planned(), List.of());
        assertEquals(plan.left().size(), yours(books(3)).size());
        plan.left().forEach(left -> assertTrue(left.cost().signum() >= 0));
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
        List<Stretch> free = hours(1, 4).free(before, before.plus(Duration.ofHours(25)), Courses.ZONE);
        assertEquals(free.get(0).minutes(), 240, "the night in which an hour comes twice");
        assertEquals(
                hours(16, 19).free(NOW, NOW.plus(Duration.ofHours(1)), Courses.ZONE),
                List.of(new Stretch(NOW, NOW.plus(Duration.ofHours(1)))));
        assertEquals(hours(16, 19).free(NOW, NOW, Courses.ZONE), List.of());
    }
}
