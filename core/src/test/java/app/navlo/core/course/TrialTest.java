package app.navlo.core.course;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import app.navlo.core.check.IllegalInput;
import app.navlo.core.close.GradingPeriods;
import app.navlo.core.exact.Rational;
import app.navlo.core.grade.By;
import app.navlo.core.grade.Category;
import app.navlo.core.grade.GradeBreakdown;
import app.navlo.core.grade.GradedWork;
import app.navlo.core.grade.PointsScheme;
import app.navlo.core.grade.Reading;
import app.navlo.core.grade.Scheme;
import app.navlo.core.grade.Target;
import app.navlo.core.grade.WeightedScheme;
import app.navlo.core.id.CategoryId;
import app.navlo.core.id.WorkId;
import app.navlo.core.next.Carry;
import app.navlo.core.policy.LatePolicy;
import app.navlo.core.work.Fact;
import app.navlo.core.work.HandInContent;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.testng.annotations.Test;

/** What would be if, and every reading down to its terms, on courses at random and on odd ones. */
public class TrialTest {
    private static final int COURSES = 80;
    private static final Instant NOW = Courses.NOW;

    private static CourseBook book(int seed) {
        Courses courses = new Courses(seed);
        return CourseBook.of(courses.rules(), courses.works(), List.of(), NOW);
    }

    /** Added up by hand from what is shown, every figure comes out. */
    @Test
    public void theTermsOfEveryReadingAddUpToItsFigure() {
        int checked = 0;
        for (int seed = 0; seed < COURSES; seed++) {
            CourseBook book = book(seed);
            Map<Reading, GradeBreakdown> unfolded =
                    book.trial(List.of(), List.of()).unfolded();
            for (Reading reading : Reading.values()) {
                GradeBreakdown one = unfolded.get(reading);
                assertEquals(one.answer(), book.readings().of(reading), "course " + seed + " " + reading);
                Rational sum = Rational.ZERO;
                for (GradeBreakdown.Part part : one.parts()) {
                    assertPart(part, "course " + seed + " " + reading);
                    if (part.figure() != null && part.weight() != null) {
                        sum = sum.plus(part.weight().times(part.figure()).dividedBy(Rational.HUNDRED));
                    }
                }
                boolean weighted = book.rules().scheme() instanceof WeightedScheme;
                if (weighted && one.answer().grade().figure() != null) {
                    assertEquals(sum, one.answer().grade().figure(), "course " + seed + " " + reading);
                    checked++;
                }
            }
        }
        assertTrue(checked > COURSES, checked + " figures");
    }

    private static void assertPart(GradeBreakdown.Part part, String where) {
        Rational earned = Rational.ZERO;
        Rational possible = Rational.ZERO;
        for (GradeBreakdown.Term term : part.terms()) {
            if (!term.dropped()) {
                earned = earned.plus(
                        part.by() == By.MEAN
                                ? term.earned().times(Rational.HUNDRED).dividedBy(term.possible())
                                : term.earned());
                possible = possible.plus(part.by() == By.MEAN ? Rational.ONE : term.possible());
            }
        }
        assertEquals(part.earned(), earned, where);
        assertEquals(part.possible(), possible, where);
        if (part.figure() != null) {
            Rational by = part.by() == By.MEAN ? Rational.ONE : Rational.HUNDRED;
            assertEquals(part.figure(), earned.times(by).dividedBy(possible), where);
        }
    }

    /** With the percent that is said a target is reached, and with a little less it isn't. */
    @Test
    public void theLeastPercentReachesTheTargetAndLessDoesNot() {
        int reached = 0;
        int out = 0;
        for (int seed = 0; seed < COURSES; seed++) {
            CourseBook book = book(seed);
            WhatIfCourse trial = book.trial(List.of(), List.of());
            for (int target = 40; target <= 90; target += 25) {
                Target.Answer answer = trial.reach(Rational.of(target), null);
                if (answer.percent() == null) {
                    out++;
                    continue;
                }
                assertTrue(
                        figure(book, trial.open(), answer.percent()).compareTo(Rational.of(target)) >= 0,
                        "course " + seed + " target " + target + " with " + answer.percent());
                Rational less = answer.percent().minus(Rational.of(2, 100));
                if (less.signum() > 0) {
                    assertTrue(
                            figure(book, trial.open(), less).compareTo(Rational.of(target)) < 0,
                            "course " + seed + " target " + target + " with " + less + " already");
                    reached++;
                }
            }
        }
        assertTrue(reached > 20 && out > 20, reached + " reached, " + out + " out of reach");
    }

    private static Rational figure(CourseBook book, List<WorkId> open, Rational percent) {
        List<WhatIf> then = new ArrayList<>();
        for (GradedWork work : book.trial(List.of(), List.of()).graded()) {
            if (open.contains(work.id())) {
                Rational raw = work.possible().times(percent).dividedBy(Rational.HUNDRED);
                boolean in = book.finding(work.id()).state().handInStands();
                then.add(WhatIf.scored(work.id(), raw, in ? null : NOW));
            }
        }
        Rational figure = book.trial(then, List.of())
                .readings()
                .of(Reading.EXPECTED)
                .grade()
                .figure();
        return figure == null ? Rational.ZERO : figure;
    }

    @Test
    public void aTargetOnOnePieceVariesThatAloneAndOnlyWhatIsOpen() {
        CourseBook book = points(list(10, null, 10, 8));
        WhatIfCourse trial = book.trial(List.of(), List.of());
        assertEquals(trial.open(), List.of(new WorkId("w0")));
        assertEquals(trial.reach(Rational.of(75), new WorkId("w0")).percent(), Rational.of(70));
        expectThrows(IllegalArgumentException.class, () -> trial.reach(Rational.of(75), new WorkId("w1")));
    }

    /** The pieces that would carry a target are the fewest minutes that do, by trying every choice of them. */
    @Test
    public void noOtherChoiceOfWorkCarriesATargetWithLessEffort() {
        int carried = 0;
        for (int seed = 0; seed < COURSES; seed++) {
            CourseBook book = book(seed);
            List<WorkId> open = book.trial(List.of(), List.of()).open();
            if (open.size() > 7 || open.isEmpty()) {
                continue;
            }
            Rational target = Rational.of(60);
            Optional<List<Carry.Piece>> carry = Carry.to(target, book, List.of(), List.of());
            int least = IntStream.range(0, 1 << open.size())
                    .filter(choice -> reaches(book, open, choice, target))
                    .map(Integer::bitCount)
                    .min()
                    .orElse(-1);
            assertEquals(carry.map(List::size).orElse(-1).intValue(), least, "course " + seed);
            carried += least > 0 ? 1 : 0;
        }
        assertTrue(carried > 5, carried + " carried by work");
    }

    private static boolean reaches(CourseBook book, List<WorkId> open, int choice, Rational target) {
        List<WhatIf> then = new ArrayList<>();
        for (int i = 0; i < open.size(); i++) {
            WorkAssessment finding = book.finding(open.get(i));
            Rational raw = finding.expectedPercent()
                    .times(finding.item().marking().possible())
                    .dividedBy(Rational.HUNDRED);
            boolean done = (choice >> i & 1) == 1;
            Instant handedIn = finding.state().handInStands() ? null : NOW;
            then.add(done ? WhatIf.scored(open.get(i), raw, handedIn) : WhatIf.counts(open.get(i), Rational.ZERO));
        }
        Rational figure = book.trial(then, List.of())
                .readings()
                .of(Reading.EXPECTED)
                .grade()
                .figure();
        return figure != null && figure.compareTo(target) >= 0;
    }

    private static Integer[] list(Integer... possibleAndPoints) {
        return possibleAndPoints;
    }

    /** A course by points; a null is work without a score. */
    private static CourseBook points(Integer... possibleAndPoints) {
        return course(new PointsScheme(), "", possibleAndPoints);
    }

    private static CourseBook course(Scheme scheme, String category, Integer... possibleAndPoints) {
        Courses courses = new Courses(1);
        List<CourseWork> works = new ArrayList<>();
        for (int i = 0; i < possibleAndPoints.length; i += 2) {
            List<Fact> facts = new ArrayList<>();
            if (possibleAndPoints[i + 1] != null) {
                facts.add(new Fact.HandedIn(courses.stamp(NOW.minus(Duration.ofDays(3))), 1, HandInContent.DONE));
                facts.add(new Fact.Scored(
                        courses.stamp(NOW.minus(Duration.ofDays(1))),
                        1,
                        Rational.of(possibleAndPoints[i + 1]),
                        true,
                        true));
            }
            works.add(Courses.work(
                    "w" + i / 2,
                    category.isEmpty() ? "c" + i / 2 : category,
                    Rational.of(possibleAndPoints[i]),
                    NOW.plus(Duration.ofDays(possibleAndPoints[i + 1] == null ? 5 : -2)),
                    facts));
        }
        return CourseBook.of(Courses.rules(scheme, LatePolicy.NONE), works, List.of(), NOW);
    }

    private static WeightedScheme categories(int many, int weight, int dropLowest) {
        return new WeightedScheme(IntStream.range(0, many)
                .mapToObj(i -> new Category(
                        new CategoryId("c" + i), "C" + i, Rational.of(weight), By.POINTS, dropLowest, 0, false))
                .toList());
    }

    private static GradeBreakdown soFar(CourseBook book) {
        return book.trial(List.of(), List.of()).unfolded().get(Reading.SO_FAR);
    }

    @Test
    public void oddCoursesHaveTheirFiguresOrNone() {
        assertNull(soFar(points(list(10, null, 20, null))).answer().grade().figure(), "nothing scored yet");
        CourseBook one = points(list(10, 5));
        assertNull(
                one.trial(List.of(WhatIf.excused(new WorkId("w0"))), List.of())
                        .readings()
                        .of(Reading.SO_FAR)
                        .grade()
                        .figure(),
                "all excused");
        GradeBreakdown dropped = soFar(course(categories(1, 100, 9), "c0", 10, 1, 10, 9, 10, 4));
        assertEquals(dropped.answer().grade().figure(), Rational.of(90), "everything dropped but one");
        assertEquals(
                dropped.parts().get(0).terms().stream()
                        .filter(GradeBreakdown.Term::dropped)
                        .count(),
                2);
        GradeBreakdown uneven = soFar(course(categories(2, 30, 0), "", 10, 10, 10, 5));
        assertEquals(uneven.answer().grade().figure(), Rational.of(75), "weights that add up to 60");
        assertEquals(uneven.parts().get(0).weight(), Rational.of(50));
        Integer[] hundred = new Integer[200];
        for (int i = 0; i < 200; i += 2) {
            hundred[i] = 10;
            hundred[i + 1] = i % 20 / 2;
        }
        GradeBreakdown many = soFar(course(categories(100, 1, 0), "", hundred));
        assertEquals(many.parts().size(), 100);
        assertEquals(many.answer().grade().figure(), Rational.of(45), "a hundred categories");
    }

    @Test
    public void addedWorkCountsAndNothingBelowZeroIsTaken() {
        CourseBook book = points(list(10, 5));
        WhatIfCourse.Added added =
                new WhatIfCourse.Added(new WorkId("new 1"), null, List.of(), Rational.of(30), Rational.of(30));
        WhatIfCourse with = book.trial(List.of(), List.of(added));
        assertEquals(with.readings().of(Reading.SO_FAR).grade().figure(), Rational.of(3500, 40));
        assertEquals(book.readings().of(Reading.SO_FAR).grade().figure(), Rational.of(50), "nothing is kept");
        assertFalse(with.open().contains(new WorkId("new 1")), "it has its score");
        expectThrows(IllegalInput.class, () -> WhatIf.counts(new WorkId("w0"), Rational.of(-1)));
        expectThrows(
                IllegalInput.class,
                () -> new WhatIfCourse.Added(new WorkId("new 1"), null, List.of(), Rational.of(-1), Rational.of(-1)));
        expectThrows(
                IllegalInput.class,
                () -> book.trial(List.of(WhatIf.counts(new WorkId("elsewhere"), Rational.ONE)), List.of()));
    }

    /** With the percent that is said the mean of two courses is reached, and with a little less it isn't. */
    @Test
    public void theMeanOfATermIsReachedWithTheLeastPercentOnAllThatIsOpen() {
        int reached = 0;
        for (int seed = 0; seed < 30; seed++) {
            List<CourseBook> books = List.of(book(seed), book(seed + 100));
            Target.Answer answer = MeanTarget.reach(Rational.of(60), books);
            if (answer.percent() == null || answer.percent().compareTo(Rational.ONE) < 0) {
                continue;
            }
            assertTrue(mean(books, answer.percent()).compareTo(Rational.of(60)) >= 0, "terms " + seed);
            assertTrue(
                    mean(books, answer.percent().minus(Rational.of(1, 50))).compareTo(Rational.of(60)) < 0,
                    "terms " + seed);
            reached++;
        }
        assertTrue(reached > 3, reached + " reached");
    }

    private static Rational mean(List<CourseBook> books, Rational percent) {
        return Rational.sum(books.stream()
                        .map(book ->
                                figure(book, book.trial(List.of(), List.of()).open(), percent))
                        .toList())
                .dividedBy(Rational.of(books.size()));
    }

    /** After the close what has no score counts 0 in every reading that counts it, and no target can be worked for. */
    @Test
    public void inATermThatIsOverNothingIsOpenAndInOneThatHasntBegunAllIs() {
        List<CourseWork> works = List.of(
                Courses.work("w0", "c0", Rational.of(10), NOW.minus(Duration.ofDays(9)), List.of()),
                Courses.work("w1", "c0", Rational.of(10), NOW.minus(Duration.ofDays(8)), List.of()));
        CourseRules plain = Courses.rules(new PointsScheme(), LatePolicy.NONE);
        CourseRules closed = new CourseRules(
                plain.course(),
                plain.calendar(),
                plain.soon(),
                plain.late(),
                null,
                null,
                plain.scheme(),
                plain.table(),
                new GradingPeriods(List.of(new GradingPeriods.Period("Autumn", NOW.minus(Duration.ofDays(1))))),
                false,
                6);
        WhatIfCourse over = CourseBook.of(closed, works, List.of(), NOW).trial(List.of(), List.of());
        assertEquals(over.open(), List.of());
        assertEquals(over.readings().of(Reading.CEILING).grade().figure(), Rational.ZERO);
        assertTrue(over.reach(Rational.of(50), null).outOfReach());
        Instant before = NOW.minus(Duration.ofDays(40));
        WhatIfCourse ahead = CourseBook.of(plain, works, List.of(), before).trial(List.of(), List.of());
        assertEquals(ahead.open(), List.of(new WorkId("w0"), new WorkId("w1")));
        assertNull(ahead.readings().of(Reading.SO_FAR).grade().figure());
        assertEquals(ahead.reach(Rational.of(50), null).percent(), Rational.of(50));
        assertEquals(ahead.readings().of(Reading.CEILING).grade().figure(), Rational.HUNDRED);
    }

    /** Asked one at a time of a course that is graded once, each answer is that of the course graded anew. */
    @Test
    public void oneAtATimeSaysTheSameAsTheWholeCourse() {
        int checked = 0;
        int moved = 0;
        for (int seed = 0; seed < COURSES; seed++) {
            CourseBook book = book(seed);
            WhatIfCourse asItIs = book.trial(List.of(), List.of());
            OneAtATime single = asItIs.oneAtATime();
            assertEquals(single.asItIs(), asItIs.figure(Reading.EXPECTED), "course " + seed);
            for (WorkAssessment finding : book.findings()) {
                for (WhatIf change : List.of(
                        WhatIf.counts(finding.id(), Rational.ZERO),
                        WhatIf.counts(finding.id(), Rational.of(7, 2)),
                        WhatIf.scored(finding.id(), Rational.of(9), NOW),
                        WhatIf.scored(finding.id(), Rational.of(4), null))) {
                    Rational whole = asItIs.instead(change).figure(Reading.EXPECTED);
                    assertEquals(single.with(change), whole, "course " + seed + " " + change);
                    moved += whole != null && !whole.equals(single.asItIs()) ? 1 : 0;
                    checked++;
                }
            }
        }
        assertTrue(checked > 1_500 && moved > checked / 4, checked + " checked, " + moved + " moved");
    }
}
