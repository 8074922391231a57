package app.navlo.core.course;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertTrue;

import app.navlo.core.exact.Rational;
import app.navlo.core.grade.PointsScheme;
import app.navlo.core.id.WorkId;
import app.navlo.core.policy.Base;
import app.navlo.core.policy.LatePolicy;
import app.navlo.core.policy.Measure;
import app.navlo.core.policy.Penalty;
import app.navlo.core.work.Actor;
import app.navlo.core.work.Fact;
import app.navlo.core.work.Flag;
import app.navlo.core.work.HandInContent;
import app.navlo.core.work.Stamp;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.testng.annotations.Test;

/** What who looks after several students sees of one. Late work is taken for five days, at a tenth less for each day begun. */
public class GlanceTest {
    private static final Instant NOW = Courses.NOW;
    private static final LatePolicy LATE = new LatePolicy(
            Duration.ZERO,
            new Penalty.PerDay(Rational.of(10), null, Measure.SPANS_24H, Base.POSSIBLE),
            null,
            Duration.ofDays(5));

    private static Stamp days(int ago, Actor actor) {
        Instant at = NOW.minus(Duration.ofDays(ago));
        return new Stamp(at, at, 100 - ago, actor, "A. Person", "test");
    }

    private static Fact in(int daysAgo) {
        return new Fact.HandedIn(days(daysAgo, Actor.STUDENT), 1, HandInContent.DONE);
    }

    private static CourseWork work(String id, int dueInDays, Fact... facts) {
        return Courses.work(id, "", Rational.of(10), NOW.plus(Duration.ofDays(dueInDays)), List.of(facts));
    }

    private static Glance glance(CourseWork... works) {
        return glance(Glance.Span.ALL, works);
    }

    private static Glance glance(Glance.Span span, CourseWork... works) {
        return Glance.of(
                List.of(CourseBook.of(Courses.rules(new PointsScheme(), LATE), List.of(works), List.of(), NOW)),
                span,
                NOW);
    }

    @Test
    public void nothingIsNothing() {
        Glance glance = glance();
        for (Lack lack : Lack.values()) {
            assertEquals(glance.count(lack), 0, lack.name());
        }
        assertNull(glance.nextLoss());
        assertNull(glance.nextDue());
        assertEquals(glance.aboutToBeLost(), Rational.ZERO);
    }

    /** Two days late it can be had, ten days late it can't; what is handed in and flagged is neither. */
    @Test
    public void theKindsOfMissingStayApart() {
        Glance glance = glance(
                work("late", -2),
                work("over", -10),
                work("gone", -20),
                work("listed", -3, in(4), new Fact.Flagged(days(1, Actor.TEACHER), Flag.MISSING)),
                work("fine", -3, in(4)));
        assertEquals(glance.count(Lack.SAVABLE), 1);
        assertEquals(glance.count(Lack.CLOSED), 2);
        assertEquals(glance.count(Lack.LISTED), 1);
    }

    /** A teacher enters a zero for what never came: that is closed, and no hand-in that is listed as missing. */
    @Test
    public void aZeroForWhatNeverCameIsClosed() {
        Stamp entered = days(1, Actor.TEACHER);
        Glance glance = glance(work(
                "zero",
                -10,
                new Fact.Flagged(days(2, Actor.TEACHER), Flag.MISSING),
                new Fact.Scored(entered, 1, Rational.ZERO, true, true)));
        assertEquals(glance.count(Lack.CLOSED), 1);
        assertEquals(glance.count(Lack.LISTED), 0);
        Glance handedIn = glance(work(
                "zero",
                -10,
                in(11),
                new Fact.Flagged(days(2, Actor.TEACHER), Flag.MISSING),
                new Fact.Scored(entered, 1, Rational.ZERO, true, true)));
        assertEquals(handedIn.count(Lack.CLOSED), 0);
        assertEquals(handedIn.count(Lack.LISTED), 1);
    }

    /** What is due by the next close counts, and what has no due; what was due by the last one doesn't, nor what comes after. */
    @Test
    public void aGradingPeriodHoldsWhatIsDueInIt() {
        Instant last = NOW.minus(Duration.ofDays(4));
        Instant next = NOW.plus(Duration.ofDays(10));
        List<Instant> closes = List.of(next.plus(Duration.ofDays(20)), last, next, last.minus(Duration.ofDays(9)));
        Glance.Span running = Glance.Span.running(closes, NOW);
        assertEquals(running, new Glance.Span(last, next));
        CourseWork[] works = {work("before", -5), work("late", -2), work("far", 11), work("near", 9)};
        assertEquals(glance(running, works).count(Lack.SAVABLE), 1);
        assertEquals(glance(running, works).count(Lack.CLOSED), 0);
        assertEquals(glance(running, works).nextDue().work(), new WorkId("near"));
        assertEquals(glance(running, work("far", 11)).nextDue(), null);
        assertEquals(Glance.Span.running(List.of(), NOW), Glance.Span.ALL);
        assertEquals(Glance.Span.running(List.of(last), NOW), new Glance.Span(last, null));
        assertEquals(Glance.Span.running(List.of(NOW), NOW), new Glance.Span(NOW, null), "at the close it is over");
    }

    @Test
    public void theNextDueIsOfWorkThatIsStillTheStudents() {
        Glance glance = glance(work("later", 9), work("done", 1, in(1)), work("sooner", 4));
        assertEquals(glance.nextDue(), new Glance.Loss(new WorkId("sooner"), NOW.plus(Duration.ofDays(4))));
        assertNull(glance(work("done", 1, in(1))).nextDue());
    }

    /** Of two courses' worth of 20 points, what is two days late loses a tenth of its half each day: three times 5 percent. */
    @Test
    public void whatIsAboutToBeLostIsInPercentOfTheCourse() {
        Glance late = glance(work("late", -2), work("done", -9, in(10)));
        assertEquals(late.nextLoss().work(), new WorkId("late"));
        assertTrue(
                late.aboutToBeLost().compareTo(Rational.of(10)) >= 0
                        && late.aboutToBeLost().compareTo(Rational.of(50)) <= 0,
                late.toString());
        assertEquals(glance(work("far", 20)).aboutToBeLost(), Rational.ZERO);
        assertTrue(late.aboutToBeLost()
                        .compareTo(glance(work("soon", 2), work("done", -9, in(10)))
                                .aboutToBeLost())
                > 0);
    }

    @Test
    public void whatASchoolSendsBackIsCounted() {
        assertEquals(
                glance(work("back", 3, in(2), new Fact.SentBack(days(1, Actor.TEACHER), "Wrong file", null)))
                        .count(Lack.BACK),
                1);
        assertEquals(glance(work("in", 3, in(2))).count(Lack.BACK), 0);
    }

    /** Over random courses: each figure is the number of rows that the same words find, and no more is missing than there is. */
    @Test
    public void theFiguresAreThoseOfTheWorkItself() {
        for (int seed = 0; seed < 400; seed++) {
            Courses courses = new Courses(seed);
            List<CourseBook> books = new ArrayList<>();
            for (int i = 0; i < 2; i++) {
                books.add(CourseBook.of(courses.rules(), courses.works(), List.of(), NOW));
            }
            Glance glance = Glance.of(books, Glance.Span.ALL, NOW);
            List<WorkAssessment> all =
                    books.stream().flatMap(book -> book.findings().stream()).toList();
            assertEquals(
                    glance.count(Lack.SAVABLE) + glance.count(Lack.CLOSED),
                    all.stream()
                            .filter(one -> one.state().missing()
                                    && !(one.state().shown().flag() == Flag.MISSING
                                            && one.state().handInStands()))
                            .count(),
                    "seed " + seed);
            assertTrue(glance.aboutToBeLost().signum() >= 0, "seed " + seed);
            assertTrue(glance.aboutToBeLost().compareTo(Rational.of(100 * books.size())) <= 0, "seed " + seed);
            if (glance.nextLoss() == null) {
                assertEquals(glance.aboutToBeLost(), Rational.ZERO, "seed " + seed);
            } else {
                assertTrue(!glance.nextLoss().at().isBefore(NOW), "seed " + seed + " " + glance.nextLoss());
            }
        }
    }
}
