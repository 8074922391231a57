package app.navlo.core.course;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import app.navlo.core.exact.Rational;
import app.navlo.core.work.Turn;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.testng.annotations.Test;

/** A student at a glance, over courses in which anything goes: it says the same until it says that the clock may change it. */
public class GlanceLawsTest {
    private static final Instant NOW = OddCourses.NOW;
    private static final int STUDENTS = 400;
    private static final int COURSES = 3;
    private static final int LOOKS = 8;
    private static final Duration FAR = Duration.ofDays(60);

    /** What is stored of a student, to be looked at whenever. */
    private record Stored(List<CourseRules> rules, List<List<CourseWork>> works) {
        static Stored of(long seed) {
            Stored stored = new Stored(new ArrayList<>(), new ArrayList<>());
            for (int i = 0; i < COURSES; i++) {
                OddCourses some = new OddCourses(seed * COURSES + i);
                stored.rules.add(some.rules("course" + i));
                stored.works.add(some.works("course" + i));
            }
            return stored;
        }

        List<CourseBook> books(Instant now) {
            List<CourseBook> books = new ArrayList<>();
            for (int i = 0; i < rules.size(); i++) {
                books.add(OddCourses.book(rules.get(i), works.get(i), now));
            }
            return books;
        }

        Glance glance(Instant now) {
            return Glance.of(books(now), Glance.Span.ALL, now);
        }
    }

    private static Map<Lack, Integer> whatTheClockShows(Glance glance) {
        Map<Lack, Integer> lacks = new EnumMap<>(glance.lacks());
        // How long is usual follows the days that pass, and is looked at again by the hour.
        lacks.remove(Lack.UNGRADED_LONG);
        return lacks;
    }

    @Test
    public void nothingChangesBeforeItIsSaidTo() {
        int looked = 0;
        int changed = 0;
        for (long seed = 0; seed < STUDENTS; seed++) {
            Random random = new Random(seed);
            Stored student = Stored.of(seed);
            // Now and then on the hour, at which dues lie.
            Instant now = seed % 4 == 0 ? NOW : NOW.plus(Duration.ofMinutes(random.nextInt(20 * 24 * 60)));
            Glance glance = student.glance(now);
            Instant end = glance.changesAt() == null ? now.plus(FAR) : glance.changesAt();
            long minutes = Duration.between(now, end).toMinutes();
            for (int i = 0; i < LOOKS && minutes > 0; i++) {
                Instant then = i == 0
                        ? now.plusNanos(1)
                        : now.plus(Duration.ofMinutes((long) (random.nextDouble() * minutes)));
                Glance later = student.glance(then);
                String what = seed + " at " + then + ", seen at " + now + ", to change at " + end;
                assertEquals(whatTheClockShows(later), whatTheClockShows(glance), what);
                assertEquals(later.nextLoss(), glance.nextLoss(), what);
                assertEquals(later.nextDue(), glance.nextDue(), what);
                assertEquals(later.aboutToBeLost(), glance.aboutToBeLost(), what);
                looked++;
            }
            if (glance.changesAt() != null
                    && !student.glance(end.plusSeconds(1)).equals(glance)) {
                changed++;
            }
        }
        assertTrue(looked > STUDENTS, looked + " looks");
        assertTrue(changed > STUDENTS / 4, "what is said to change often does: " + changed);
    }

    /** Each kind of lack is a count of work, the kinds of missing of one piece exclude each other, and nobody loses less than nothing. */
    @Test
    public void theKindsOfMissingExcludeEachOther() {
        for (long seed = 0; seed < STUDENTS; seed++) {
            Stored student = Stored.of(seed);
            Glance glance = student.glance(NOW);
            int all = 0;
            for (CourseBook book : student.books(NOW)) {
                all += book.findings().size();
                for (WorkAssessment finding : book.findings()) {
                    List<Lack> missing = Lack.of(finding).stream()
                            .filter(lack -> lack == Lack.SAVABLE || lack == Lack.CLOSED || lack == Lack.LISTED)
                            .toList();
                    assertTrue(missing.size() <= 1, finding.id() + " is " + missing);
                    boolean yours = finding.state().move() == Turn.YOURS;
                    assertTrue(
                            !missing.contains(Lack.SAVABLE) || yours,
                            finding.id().text());
                }
            }
            for (Lack lack : Lack.values()) {
                assertTrue(glance.count(lack) >= 0 && glance.count(lack) <= all, lack.name());
            }
            assertTrue(glance.aboutToBeLost().compareTo(Rational.ZERO) >= 0, seed + " loses " + glance);
            assertTrue(glance.nextLoss() == null || !glance.nextLoss().at().isBefore(NOW), "no loss is past");
            assertTrue(glance.nextDue() == null || glance.nextDue().at().isAfter(NOW), "a due is ahead");
        }
    }

    /** What is due in a span is counted in it and in no other; the spans between closes and the whole add up. */
    @Test
    public void theSpansOfATermAddUpToTheWhole() {
        for (long seed = 0; seed < STUDENTS / 4; seed++) {
            Stored student = Stored.of(seed);
            Instant close = NOW.plus(Duration.ofHours(seed));
            List<CourseBook> books = student.books(NOW);
            Glance before = Glance.of(books, new Glance.Span(null, close), NOW);
            Glance after = Glance.of(books, new Glance.Span(close, null), NOW);
            Glance undated = Glance.of(books, new Glance.Span(close, close), NOW);
            Glance whole = Glance.of(books, Glance.Span.ALL, NOW);
            for (Lack lack : Lack.values()) {
                assertEquals(
                        before.count(lack) + after.count(lack) - undated.count(lack),
                        whole.count(lack),
                        lack + " of " + seed);
            }
        }
    }
}
