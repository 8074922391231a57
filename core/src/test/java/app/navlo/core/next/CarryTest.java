package app.navlo.core.next;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import app.navlo.core.course.CourseBook;
import app.navlo.core.course.CourseRules;
import app.navlo.core.course.CourseWork;
import app.navlo.core.course.Courses;
import app.navlo.core.course.WhatIf;
import app.navlo.core.course.WorkAssessment;
import app.navlo.core.exact.Rational;
import app.navlo.core.grade.Reading;
import app.navlo.core.id.WorkId;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.testng.annotations.Test;

/** Which work carries a course to a target, where there is too much of it to try every choice. */
public class CarryTest {
    private static final int COURSES = 12;
    private static final int MANY = 40;
    private static final Rational FOUR_FIFTHS = Rational.of(4, 5);

    /** A course at random with much work, each piece of an effort of its own. */
    private static CourseBook book(int seed) {
        Random random = new Random(seed);
        Courses courses = new Courses(seed);
        CourseRules rules = courses.rules();
        List<CourseWork> works = new ArrayList<>();
        for (int i = 0; i < MANY; i++) {
            CourseWork one = courses.work("w" + i);
            works.add(new CourseWork(
                    one.item(), one.place(), List.of(), null, null, 10 + random.nextInt(200), one.facts()));
        }
        return CourseBook.of(rules, works, List.of(), Courses.NOW);
    }

    private static List<WorkId> open(CourseBook book) {
        return book.trial(List.of(), List.of()).open();
    }

    /** Where the course comes to with what is done as it is expected, and all other open work at zero. */
    private static Rational figure(CourseBook book, Set<WorkId> done) {
        List<WhatIf> then = new ArrayList<>();
        for (WorkId id : open(book)) {
            WorkAssessment finding = book.finding(id);
            Rational raw = finding.expectedPercent()
                    .times(finding.item().marking().possible())
                    .dividedBy(Rational.HUNDRED);
            then.add(
                    done.contains(id)
                            ? WhatIf.scored(id, raw, finding.state().handInStands() ? null : Courses.NOW)
                            : WhatIf.counts(id, Rational.ZERO));
        }
        Rational figure = book.trial(then, List.of()).figure(Reading.EXPECTED);
        return figure == null ? Rational.ZERO : figure;
    }

    /** Four fifths of what all of it brings. */
    private static Rational target(CourseBook book) {
        return figure(book, Set.copyOf(open(book))).times(FOUR_FIFTHS);
    }

    private static boolean reaches(CourseBook book, Set<WorkId> done) {
        return figure(book, done).compareTo(target(book)) >= 0;
    }

    private static Set<WorkId> ids(List<Carry.Piece> pieces) {
        return pieces.stream().map(Carry.Piece::work).collect(Collectors.toCollection(HashSet::new));
    }

    /** What is named is enough, and without any one piece of it it isn't; the efforts are the ones that the work has. */
    @Test
    public void whatIsNamedIsEnoughAndNothingOfItCanBeSpared() {
        int carried = 0;
        for (int seed = 0; seed < COURSES; seed++) {
            CourseBook book = book(seed);
            assertTrue(open(book).size() > 10, open(book).size() + " open");
            List<Carry.Piece> carry =
                    Carry.to(target(book), book, List.of(), List.of()).orElseThrow();
            Set<WorkId> chosen = ids(carry);
            assertTrue(open(book).containsAll(chosen), "only what is open: " + chosen);
            assertTrue(reaches(book, chosen), "course " + seed);
            for (Carry.Piece piece : carry) {
                Set<WorkId> without = new HashSet<>(chosen);
                without.remove(piece.work());
                assertTrue(!reaches(book, without), "course " + seed + " without " + piece.work());
                assertEquals(piece.minutes(), book.finding(piece.work()).work().minutes());
            }
            carried += chosen.isEmpty() ? 0 : 1;
        }
        assertTrue(carried > COURSES / 2, carried + " carried by work");
    }

    /** It is no more than doing the work in the order of the course until that is enough. */
    @Test
    public void itTakesNoMoreEffortThanDoingTheWorkInOrder() {
        int less = 0;
        for (int seed = 0; seed < COURSES; seed++) {
            CourseBook book = book(seed);
            Set<WorkId> inOrder = new HashSet<>();
            long minutes = 0;
            for (WorkId id : open(book)) {
                if (!reaches(book, inOrder)) {
                    inOrder.add(id);
                    minutes += book.finding(id).work().minutes();
                }
            }
            long least = Carry.to(target(book), book, List.of(), List.of()).orElseThrow().stream()
                    .mapToLong(Carry.Piece::minutes)
                    .sum();
            assertTrue(least <= minutes, "course " + seed + ": " + least + " against " + minutes + " in order");
            less += least < minutes ? 1 : 0;
        }
        assertTrue(less > COURSES / 2, less + " take less");
    }

    /** What was changed on trial counts as it was said, and is no work that could be chosen. */
    @Test
    public void whatIsOnTrialCountsAsItWasSaid() {
        CourseBook book = book(1);
        List<Carry.Piece> carry =
                Carry.to(target(book), book, List.of(), List.of()).orElseThrow();
        WorkId first = carry.get(0).work();
        List<WhatIf> full = List.of(
                WhatIf.counts(first, book.finding(first).item().marking().possible()));
        List<Carry.Piece> then = Carry.to(target(book), book, full, List.of()).orElseThrow();
        assertTrue(!ids(then).contains(first), "it has its score");
        assertEquals(Carry.to(Rational.of(101), book, List.of(), List.of()), Optional.empty());
        assertEquals(Carry.to(Rational.ZERO, book, List.of(), List.of()).map(List::size), Optional.of(0));
    }
}
