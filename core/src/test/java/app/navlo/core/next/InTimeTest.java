package app.navlo.core.next;

import static org.testng.Assert.assertEquals;
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
import app.navlo.core.policy.KeptScore;
import app.navlo.core.policy.LatePolicy;
import app.navlo.core.time.Deadline;
import app.navlo.core.time.SchoolCalendar;
import app.navlo.core.time.Stretch;
import app.navlo.core.work.WorkItem;
import app.navlo.core.work.WorkKind;
import app.navlo.core.work.WorkState;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.Test;

/** Small work isn't planned for after its due where all of it fits before, whatever it is worth, or nobody knows. */
public class InTimeTest {
    private static final Instant NOW = Instant.parse("2026-12-02T08:05:00Z");
    private static final Instant CLOSE = Instant.parse("2026-12-23T23:59:00Z");
    private static final LocalDate TODAY = LocalDate.of(2026, 12, 2);
    private static final int TERMS = 40;
    private static final long SMALL = 30;

    private static CourseBook book(String course, List<CourseWork> works) {
        CourseRules rules = new CourseRules(
                new CourseId(course),
                SchoolCalendar.weekdays(ZoneId.of("Europe/London"), Set.of()),
                WorkState.DEFAULT_SOON,
                LatePolicy.UNKNOWN,
                null,
                null,
                new PointsScheme(),
                GradeTable.NONE,
                GradingPeriods.NONE,
                false,
                6);
        return CourseBook.of(rules, works, List.of(), NOW);
    }

    private static CourseWork work(String id, long points, long minutes, @Nullable Instant due) {
        WorkItem item = new WorkItem(
                new WorkId(id),
                id,
                WorkKind.ASSIGNMENT,
                true,
                true,
                new WorkItem.Marking(Rational.of(points), null, KeptScore.HIGHEST),
                new WorkItem.Schedule(null, due == null ? null : Deadline.at(due), null, null, CLOSE, null),
                null,
                null,
                null);
        return new CourseWork(item, CourseWork.Place.NOWHERE, List.of(), null, null, minutes, List.of());
    }

    private static CourseWork work(String id, long points, long minutes, String due) {
        return work(id, points, minutes, Instant.parse(due));
    }

    /** Two hours in the afternoon of a school day, three at a weekend. */
    private static List<Stretch> free() {
        return IntStream.range(0, 19)
                .mapToObj(TODAY::plusDays)
                .map(day -> {
                    boolean weekend = day.getDayOfWeek().compareTo(DayOfWeek.FRIDAY) > 0;
                    Instant from = day.atTime(weekend ? 10 : 16, 0).toInstant(ZoneOffset.UTC);
                    return new Stretch(from, from.plus(Duration.ofHours(weekend ? 3 : 2)));
                })
                .toList();
    }

    private static Circumstances hours() {
        List<Stretch> over = free().stream()
                .map(one -> new Stretch(one.endExclusive(), one.endExclusive().plus(Duration.ofMinutes(15))))
                .toList();
        return Circumstances.of(free()).spilling(over);
    }

    private static List<String> smallAndLate(NextPlan plan) {
        return plan.planned().stream()
                .filter(planned ->
                        planned.minutes() <= SMALL && planned.because().missed() != null)
                .map(planned -> planned.work().text())
                .toList();
    }

    /** A problem set that nobody has said the worth of, due tonight, before two large ones that are due at the weekend. */
    @Test
    public void whatNobodyKnowsTheWorthOfIsHandedInByItsDue() {
        CourseBook physics = book(
                "physics",
                List.of(
                        work("problem set", 0, 30, "2026-12-03T00:00:00Z"),
                        work("report", 50, 180, "2026-12-06T00:00:00Z"),
                        work("quiz", 4, 30, "2026-12-07T00:00:00Z")));
        CourseBook english = book(
                "english",
                List.of(
                        work("essay", 65, 300, "2026-12-07T00:00:00Z"),
                        work("log 1", 50, 30, "2026-12-08T00:00:00Z"),
                        work("log 2", 5, 30, "2026-12-08T00:00:00Z")));
        NextPlan plan = NextPlanner.plan(List.of(physics, english), hours(), NOW);
        assertEquals(smallAndLate(plan), List.of());
        assertEquals(plan.planned().size(), 6, "all of it is planned");
    }

    /** Each piece is due at the end of a day by which, earliest due first, it is done with a fifth of the time to spare. */
    private static List<CourseBook> term(Random random) {
        List<CourseWork> some = new ArrayList<>();
        List<CourseWork> others = new ArrayList<>();
        long minutes = 0;
        long[] points = {0, 0, 4, 5, 50, 65};
        for (int i = 0; i < 12; i++) {
            long effort = random.nextInt(4) == 0 ? 120 + 60L * random.nextInt(6) : 30;
            minutes += effort;
            CourseWork work =
                    work("work " + i, points[random.nextInt(points.length)], effort, dayAfter(minutes * 5 / 4, random));
            (random.nextBoolean() ? some : others).add(work);
        }
        return List.of(book("some", some), book("others", others));
    }

    private static @Nullable Instant dayAfter(long minutes, Random random) {
        long left = minutes;
        for (Stretch stretch : free()) {
            left -= Duration.between(stretch.start(), stretch.endExclusive()).toMinutes();
            if (left <= 0) {
                return stretch.start()
                        .truncatedTo(java.time.temporal.ChronoUnit.DAYS)
                        .plus(Duration.ofDays(1 + random.nextInt(2)));
            }
        }
        return null;
    }

    @Test
    public void inTermsInWhichAllOfItFits() {
        List<String> found = new ArrayList<>();
        for (int seed = 0; seed < TERMS; seed++) {
            NextPlan plan = NextPlanner.plan(term(new Random(seed)), hours(), NOW);
            if (!smallAndLate(plan).isEmpty()) {
                found.add(seed + ": " + smallAndLate(plan));
            }
        }
        assertTrue(found.isEmpty(), found.size() + " of " + TERMS + " plans have small work late: " + found);
    }
}
