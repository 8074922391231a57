package app.navlo.core.course;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import app.navlo.core.exact.Rational;
import app.navlo.core.grade.PointsScheme;
import app.navlo.core.grade.Reading;
import app.navlo.core.grade.Readings;
import app.navlo.core.work.Fact;
import app.navlo.core.work.HandInContent;
import app.navlo.core.work.Stage;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.Test;

/**
 * What holds between readings. These are laws for required work without extra credit, scores above the points possible,
 * or highest drops: with any of those, a full mark can lower a percent, and an order between readings need not hold.
 */
public class ReadingLawsTest {
    private static final int COURSES = 500;

    private interface Law {
        void check(Courses courses, CourseRules rules, List<CourseWork> works, CourseBook book);
    }

    private static void holdsForAll(long seed, Law law) {
        Courses courses = new Courses(seed);
        for (int i = 0; i < COURSES; i++) {
            CourseRules rules = courses.rules();
            List<CourseWork> works = courses.works();
            law.check(courses, rules, works, book(rules, works));
        }
    }

    private static CourseBook book(CourseRules rules, List<CourseWork> works) {
        return CourseBook.of(rules, works, List.of(), Courses.NOW);
    }

    private static @Nullable Rational figure(Readings readings, Reading reading) {
        return readings.of(reading).grade().figure();
    }

    private static void notAbove(@Nullable Rational low, @Nullable Rational high, Object of) {
        assertTrue(low == null || high == null || low.compareTo(high) <= 0, low + " above " + high + " in " + of);
    }

    @Test
    public void floorExpectedCeilingAreInOrder() {
        holdsForAll(1, (courses, rules, works, book) -> {
            notAbove(figure(book.readings(), Reading.FLOOR), figure(book.readings(), Reading.EXPECTED), works);
            notAbove(figure(book.readings(), Reading.EXPECTED), figure(book.readings(), Reading.CEILING), works);
        });
    }

    @Test
    public void zerosNeverRaiseAReading() {
        holdsForAll(2, (courses, rules, works, book) -> {
            notAbove(figure(book.readings(), Reading.WITH_ZEROS), figure(book.readings(), Reading.SO_FAR), works);
            notAbove(figure(book.readings(), Reading.FLOOR), figure(book.readings(), Reading.WORK_AHEAD), works);
        });
    }

    @Test
    public void aFullScoreMoreNeverLowersAnyReading() {
        holdsForAll(3, (courses, rules, works, book) -> {
            Rational possible = Rational.of(17);
            Fact handedIn = new Fact.HandedIn(courses.stamp(Courses.NOW.minusSeconds(99_000)), 1, HandInContent.DONE);
            Fact scored = new Fact.Scored(courses.stamp(Courses.NOW), 1, possible, true, true);
            List<CourseWork> more = new ArrayList<>(works);
            more.add(Courses.work("more", "c1", possible, Courses.NOW.minusSeconds(9_000), List.of(handedIn, scored)));
            Readings after = book(rules, more).readings();
            for (Reading reading : List.of(Reading.SO_FAR, Reading.WITH_ZEROS, Reading.WORK_AHEAD, Reading.FLOOR)) {
                notAbove(figure(book.readings(), reading), figure(after, reading), works);
            }
        });
    }

    @Test
    public void excusingTheWorstOfACategoryNeverLowersIt() {
        holdsForAll(4, (courses, rules, works, book) -> {
            Optional<WorkAssessment> worst = book.findings().stream()
                    .filter(one -> one.outcome().kept() != null && one.graded() != null)
                    .filter(one -> inCategory(book, one) > 1)
                    .min(Comparator.comparing(one ->
                            one.outcome().kept().dividedBy(one.item().marking().possible())));
            worst.ifPresent(one -> notAbove(
                    figure(book.readings(), Reading.WORK_AHEAD),
                    figure(book.whatIf(List.of(WhatIf.excused(one.id()))), Reading.WORK_AHEAD),
                    works));
        });
    }

    /** Scored work of the same category; for a course by points, of the course. */
    private static long inCategory(CourseBook book, WorkAssessment of) {
        return book.findings().stream()
                .filter(one -> one.outcome().kept() != null && one.graded() != null)
                .filter(one -> book.rules().scheme() instanceof PointsScheme
                        || of.work()
                                .place()
                                .category()
                                .equals(one.work().place().category()))
                .count();
    }

    @Test
    public void whatIfWithNoChangeIsTheReading() {
        holdsForAll(5, (courses, rules, works, book) -> assertEquals(book.whatIf(List.of()), book.readings()));
    }

    @Test
    public void whatIfIsWhatTheReadingWouldBeIfItWereSo() {
        holdsForAll(6, (courses, rules, works, book) -> {
            CourseWork one = works.get(0);
            Rational points = one.item().marking().possible().times(Rational.of(3, 5));
            List<Fact> facts = new ArrayList<>(one.facts());
            facts.add(new Fact.Scored(courses.stamp(Courses.NOW), 1, points, true, true));
            List<CourseWork> so = new ArrayList<>(works);
            so.set(0, one.with(facts));
            Readings tried = book.whatIf(List.of(WhatIf.scored(one.id(), points, null)));
            Readings real = book(rules, so).readings();
            for (Reading reading : Reading.values()) {
                if (reading != Reading.EXPECTED) {
                    assertEquals(
                            tried.of(reading), real.of(reading), "a real score also says what to expect of the rest");
                }
            }
        });
    }

    @Test
    public void theImpactOfAPieceIsWhatItsScoreWouldMove() {
        holdsForAll(7, (courses, rules, works, book) -> book.findings().stream()
                .filter(one -> one.impact() != null && one.state().stage() != Stage.RETURNED)
                .forEach(one -> assertTrue(one.impact().signum() >= 0, one.toString())));
    }

    @Test
    public void aPastDayIsShownAsItWasThen() {
        holdsForAll(8, (courses, rules, works, book) -> {
            List<CourseWork> known = new ArrayList<>();
            for (CourseWork work : works) {
                known.add(work.with(Fact.learntBy(Courses.NOW.minusSeconds(60), work.facts())));
            }
            CourseBook then = CourseBook.of(rules, known, List.of(), Courses.NOW.minusSeconds(60));
            CourseBook replayed = CourseBook.of(rules, works, List.of(), Courses.NOW.minusSeconds(60));
            assertEquals(replayed.readings(), then.readings());
        });
    }
}
