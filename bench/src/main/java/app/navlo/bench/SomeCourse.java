package app.navlo.bench;

import app.navlo.core.close.GradingPeriods;
import app.navlo.core.course.CourseBook;
import app.navlo.core.course.CourseRules;
import app.navlo.core.course.CourseWork;
import app.navlo.core.exact.Rational;
import app.navlo.core.grade.By;
import app.navlo.core.grade.Category;
import app.navlo.core.grade.GradeTable;
import app.navlo.core.grade.Valued;
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

/** A course at random, the same for the same seed: four weighted categories, drops, 10 % a day. */
final class SomeCourse {
    static final Instant NOW = Instant.parse("2026-11-24T15:20:00Z");
    private static final ZoneId ZONE = ZoneId.of("Europe/Copenhagen");
    private static final int CATEGORIES = 4;
    private static final int TERM_HOURS = 2_400;
    private static final int AHEAD_HOURS = 500;

    private final Random random;
    private long order;

    SomeCourse(long seed) {
        random = new Random(seed);
    }

    /** A piece of work and what happened to it. */
    record Life(WorkItem item, List<Fact> facts) {}

    Life life(String id, int facts) {
        Instant due = NOW.minus(Duration.ofHours(random.nextInt(TERM_HOURS) - AHEAD_HOURS));
        WorkItem item = new WorkItem(
                new WorkId(id),
                id,
                WorkKind.ASSIGNMENT,
                true,
                true,
                new WorkItem.Marking(Rational.of(10 + random.nextInt(40)), Rational.of(60), KeptScore.HIGHEST),
                new WorkItem.Schedule(null, Deadline.at(due), null, null, null),
                null,
                null,
                null);
        List<Fact> happened = new ArrayList<>();
        for (int i = 0; i < facts; i++) {
            happened.add(fact(due.plus(Duration.ofMinutes(i - facts)), 1 + i / 4, i % 4));
        }
        return new Life(item, happened);
    }

    private Fact fact(Instant at, int attempt, int turn) {
        Stamp stamp = new Stamp(at, at, order++, Actor.TEACHER, "A. Person", "bench");
        return switch (turn) {
            case 0 -> new Fact.DraftStarted(stamp);
            case 1 -> new Fact.HandedIn(stamp, attempt, HandInContent.FILES);
            case 2 -> new Fact.Scored(stamp, attempt, Rational.of(random.nextInt(20), 2), true, true);
            default -> new Fact.Commented(stamp, "Look again.", true, false);
        };
    }

    CourseBook book(int works) {
        List<Category> categories = new ArrayList<>();
        for (int i = 0; i < CATEGORIES; i++) {
            categories.add(
                    new Category(new CategoryId("c" + i), "c" + i, Rational.of(25), By.values()[i % 2], 1, 0, false));
        }
        LatePolicy late = new LatePolicy(
                Duration.ZERO,
                new Penalty.PerDay(Rational.of(10), null, Measure.SPANS_24H, Base.POSSIBLE),
                null,
                Duration.ofDays(7));
        CourseRules rules = new CourseRules(
                new CourseId("course"),
                SchoolCalendar.weekdays(ZONE, Set.of()),
                WorkState.DEFAULT_SOON,
                late,
                null,
                null,
                new WeightedScheme(categories),
                GradeTable.NONE,
                GradingPeriods.NONE,
                false,
                6);
        List<CourseWork> all = new ArrayList<>();
        for (int i = 0; i < works; i++) {
            Life life = life("w" + i, 4 * random.nextInt(4));
            CourseWork.Place place = new CourseWork.Place("u", new CategoryId("c" + i % CATEGORIES), List.of(), false);
            all.add(new CourseWork(life.item(), place, List.of(), null, null, 60, life.facts()));
        }
        return CourseBook.of(rules, all, List.of(), NOW);
    }

    List<Valued> items(int many) {
        List<Valued> items = new ArrayList<>();
        for (int i = 0; i < many; i++) {
            int possible = 5 + random.nextInt(95);
            items.add(Valued.of(
                    new WorkId("i" + i),
                    null,
                    Rational.of(possible),
                    false,
                    Rational.of(random.nextInt(2 * possible), 2)));
        }
        return items;
    }
}
