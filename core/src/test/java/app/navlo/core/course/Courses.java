package app.navlo.core.course;

import app.navlo.core.close.GradingPeriods;
import app.navlo.core.exact.Rational;
import app.navlo.core.grade.By;
import app.navlo.core.grade.Category;
import app.navlo.core.grade.GradeTable;
import app.navlo.core.grade.PointsScheme;
import app.navlo.core.grade.Scheme;
import app.navlo.core.grade.WeightedScheme;
import app.navlo.core.id.CategoryId;
import app.navlo.core.id.CourseId;
import app.navlo.core.id.WorkId;
import app.navlo.core.policy.Base;
import app.navlo.core.policy.KeptScore;
import app.navlo.core.policy.LatePolicy;
import app.navlo.core.policy.Measure;
import app.navlo.core.policy.Penalty;
import app.navlo.core.time.Deadline;
import app.navlo.core.time.SchoolCalendar;
import app.navlo.core.work.Actor;
import app.navlo.core.work.Fact;
import app.navlo.core.work.HandInContent;
import app.navlo.core.work.Stamp;
import app.navlo.core.work.WorkItem;
import app.navlo.core.work.WorkKind;
import app.navlo.core.work.WorkState;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;

/** Courses at random: all work required, no extra credit, no score above the points possible, no highest dropped. */
public final class Courses {
    public static final Instant NOW = Instant.parse("2026-11-24T15:20:00Z");
    public static final ZoneId ZONE = ZoneId.of("Europe/Copenhagen");

    private final Random random;
    private long order;

    public Courses(long seed) {
        random = new Random(seed);
    }

    public CourseRules rules() {
        return rules(scheme(), late());
    }

    static CourseRules rules(Scheme scheme, LatePolicy late) {
        return new CourseRules(
                new CourseId("soil"),
                SchoolCalendar.weekdays(ZONE, Set.of()),
                WorkState.DEFAULT_SOON,
                late,
                null,
                null,
                scheme,
                GradeTable.NONE,
                GradingPeriods.NONE,
                false,
                6);
    }

    private LatePolicy late() {
        return new LatePolicy(
                Duration.ZERO,
                new Penalty.PerDay(Rational.of(10), null, Measure.values()[random.nextInt(3)], Base.POSSIBLE),
                null,
                random.nextBoolean() ? Duration.ofHours(random.nextInt(150)) : null);
    }

    private Scheme scheme() {
        if (random.nextInt(3) == 0) {
            return new PointsScheme();
        }
        List<Category> categories = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            categories.add(new Category(
                    new CategoryId("c" + i),
                    "",
                    Rational.of(10 + random.nextInt(40)),
                    By.values()[random.nextInt(2)],
                    random.nextInt(3),
                    0,
                    false));
        }
        return new WeightedScheme(categories);
    }

    public List<CourseWork> works() {
        List<CourseWork> works = new ArrayList<>();
        int many = 2 + random.nextInt(10);
        for (int i = 0; i < many; i++) {
            works.add(work("w" + i));
        }
        return works;
    }

    public CourseWork work(String id) {
        Rational possible = Rational.of(4 + random.nextInt(30));
        Instant due = NOW.plus(Duration.ofHours(random.nextInt(700) - 450L));
        return work(id, "c" + random.nextInt(3), possible, due, facts(possible, due));
    }

    static CourseWork work(String id, String category, Rational possible, Instant due, List<Fact> facts) {
        WorkItem item = new WorkItem(
                new WorkId(id),
                id,
                WorkKind.ASSIGNMENT,
                true,
                true,
                new WorkItem.Marking(possible, null, KeptScore.HIGHEST),
                new WorkItem.Schedule(null, Deadline.at(due), null, null, null),
                null,
                null,
                null);
        CourseWork.Place place = new CourseWork.Place("u1", new CategoryId(category), List.of(), false);
        return new CourseWork(item, place, List.of(), null, null, 60, facts);
    }

    private List<Fact> facts(Rational possible, Instant due) {
        List<Fact> facts = new ArrayList<>();
        Instant handedIn = due.plus(Duration.ofHours(random.nextInt(200) - 130L));
        if (random.nextInt(3) > 0 && handedIn.isBefore(NOW)) {
            facts.add(new Fact.HandedIn(stamp(handedIn), 1, HandInContent.DONE));
        }
        if (random.nextInt(2) == 0 && !facts.isEmpty()) {
            Rational points = possible.times(Rational.of(random.nextInt(11), 10));
            facts.add(new Fact.Scored(stamp(NOW), 1, points, random.nextInt(5) > 0, random.nextInt(5) > 0));
        }
        return facts;
    }

    Stamp stamp(Instant at) {
        return new Stamp(at, at, order++, Actor.TEACHER, "A. Person", "test");
    }
}
