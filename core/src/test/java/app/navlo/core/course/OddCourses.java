package app.navlo.core.course;

import app.navlo.core.close.GradingPeriods;
import app.navlo.core.exact.Rational;
import app.navlo.core.gate.Gate;
import app.navlo.core.grade.By;
import app.navlo.core.grade.Category;
import app.navlo.core.grade.GradeTable;
import app.navlo.core.grade.PointsScheme;
import app.navlo.core.grade.Reading;
import app.navlo.core.grade.Scheme;
import app.navlo.core.grade.Standard;
import app.navlo.core.grade.StandardMethod;
import app.navlo.core.grade.StandardsScheme;
import app.navlo.core.grade.WeightedScheme;
import app.navlo.core.id.CategoryId;
import app.navlo.core.id.CourseId;
import app.navlo.core.id.StandardId;
import app.navlo.core.id.WorkId;
import app.navlo.core.leeway.ExtensionRule;
import app.navlo.core.leeway.TokenRule;
import app.navlo.core.policy.Base;
import app.navlo.core.policy.KeptScore;
import app.navlo.core.policy.LatePolicy;
import app.navlo.core.policy.Measure;
import app.navlo.core.policy.Penalty;
import app.navlo.core.policy.RedoRule;
import app.navlo.core.time.Deadline;
import app.navlo.core.time.SchoolCalendar;
import app.navlo.core.time.Stretch;
import app.navlo.core.work.Actor;
import app.navlo.core.work.Fact;
import app.navlo.core.work.Flag;
import app.navlo.core.work.HandInContent;
import app.navlo.core.work.Stamp;
import app.navlo.core.work.WorkItem;
import app.navlo.core.work.WorkKind;
import app.navlo.core.work.WorkState;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Courses at random in which anything goes: every scheme, drops at both ends, extra credit, optional work and practice, gates,
 * redos, attempts, flags, appointments, closes and leeway.
 */
public final class OddCourses {
    public static final Instant NOW = Courses.NOW;

    private final Random random;
    private long order;

    public OddCourses(long seed) {
        random = new Random(seed);
    }

    private boolean oneIn(int many) {
        return random.nextInt(many) == 0;
    }

    public CourseBook book(String course) {
        return book(rules(course), works(course), NOW);
    }

    public static CourseBook book(CourseRules rules, List<CourseWork> works, Instant now) {
        return CourseBook.of(rules, works, List.of(), now);
    }

    public CourseRules rules(String course) {
        Instant close = oneIn(3) ? NOW.plus(Duration.ofHours(random.nextInt(500))) : null;
        boolean lenient = oneIn(3);
        return new CourseRules(
                new CourseId(course),
                SchoolCalendar.weekdays(Courses.ZONE, Set.of()),
                WorkState.DEFAULT_SOON,
                late(),
                lenient ? ExtensionRule.DEFAULT : null,
                lenient ? new TokenRule(3, Duration.ofHours(24), 2, Duration.ofHours(48)) : null,
                scheme(),
                GradeTable.NONE,
                close == null
                        ? GradingPeriods.NONE
                        : new GradingPeriods(List.of(new GradingPeriods.Period("A", close))),
                oneIn(8),
                6);
    }

    private LatePolicy late() {
        Base base = Base.values()[random.nextInt(Base.values().length)];
        return new LatePolicy(
                Duration.ZERO,
                new Penalty.PerDay(Rational.of(10), null, Measure.values()[random.nextInt(3)], base),
                oneIn(3) ? Rational.of(30) : null,
                oneIn(2) ? Duration.ofHours(random.nextInt(250)) : null);
    }

    private Scheme scheme() {
        if (oneIn(3)) {
            return new PointsScheme();
        }
        if (oneIn(2)) {
            List<Standard> standards = new ArrayList<>();
            for (int i = 0; i < 3; i++) {
                standards.add(new Standard(new StandardId("c" + i), "", StandardMethod.values()[random.nextInt(4)]));
            }
            return new StandardsScheme(standards, null);
        }
        List<Category> categories = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            Rational weight = Rational.of(10 + random.nextInt(40));
            By by = By.values()[random.nextInt(2)];
            categories.add(new Category(
                    new CategoryId("c" + i), "", weight, by, random.nextInt(3), random.nextInt(2), i == 2 && oneIn(3)));
        }
        return new WeightedScheme(categories);
    }

    public List<CourseWork> works(String course) {
        List<CourseWork> works = new ArrayList<>();
        int many = 3 + random.nextInt(9);
        for (int i = 0; i < many; i++) {
            works.add(work(course + i, gates(course, i)));
        }
        return works;
    }

    private List<Gate> gates(String course, int i) {
        if (i == 0 || !oneIn(4)) {
            return List.of();
        }
        String before = course + random.nextInt(i);
        return List.of(
                oneIn(2) ? new Gate.Done(new WorkId(before)) : new Gate.Percent(new WorkId(before), Rational.of(60)));
    }

    private CourseWork work(String id, List<Gate> gates) {
        Rational possible = Rational.of(4 + random.nextInt(30));
        Instant due = NOW.plus(Duration.ofHours(random.nextInt(700) - 450L));
        Stretch appointment = oneIn(8) ? new Stretch(due, due.plus(Duration.ofHours(2))) : null;
        WorkItem item = new WorkItem(
                new WorkId(id),
                id,
                WorkKind.values()[random.nextInt(WorkKind.values().length)],
                !oneIn(6),
                !oneIn(8),
                new WorkItem.Marking(
                        possible,
                        oneIn(2) ? Rational.of(60) : null,
                        KeptScore.values()[random.nextInt(KeptScore.values().length)]),
                new WorkItem.Schedule(
                        null,
                        oneIn(10) ? null : Deadline.at(due),
                        oneIn(6) ? Deadline.at(due.plus(Duration.ofHours(random.nextInt(300)))) : null,
                        null,
                        null,
                        appointment),
                oneIn(3) ? Integer.valueOf(1 + random.nextInt(3)) : null,
                null,
                oneIn(3) ? new RedoRule(null, oneIn(2)) : null);
        String part = "c" + random.nextInt(3);
        CourseWork.Place place =
                new CourseWork.Place("u1", new CategoryId(part), List.of(new StandardId(part)), oneIn(10));
        Rational own = oneIn(6) ? Rational.of(random.nextInt(101)) : null;
        return new CourseWork(item, place, gates, null, own, 15 + random.nextInt(90), facts(possible, due));
    }

    private List<Fact> facts(Rational possible, Instant due) {
        List<Fact> facts = new ArrayList<>();
        Instant handedIn = due.plus(Duration.ofHours(random.nextInt(200) - 130L));
        if (!oneIn(3) && handedIn.isBefore(NOW)) {
            facts.add(new Fact.HandedIn(stamp(handedIn), 1, HandInContent.DONE));
        }
        Instant later = handedIn.plus(Duration.ofHours(random.nextInt(60)));
        if (later.isAfter(NOW)) {
            return facts;
        }
        if (oneIn(2)) {
            Rational points = possible.times(Rational.of(random.nextInt(11), 10));
            facts.add(new Fact.Scored(stamp(later), 1, points, !oneIn(5), !oneIn(5)));
        }
        if (oneIn(6)) {
            facts.add(new Fact.Flagged(stamp(later), Flag.values()[random.nextInt(Flag.values().length)]));
        }
        if (oneIn(10)) {
            facts.add(new Fact.Returned(stamp(later), oneIn(2) ? new Fact.RedoAsked(null) : null));
        }
        if (oneIn(14)) {
            facts.add(new Fact.Excused(stamp(later), true));
        }
        if (oneIn(14)) {
            facts.add(new Fact.SentBack(stamp(later), "a page is missing", null));
        }
        return facts;
    }

    private Stamp stamp(Instant at) {
        return new Stamp(at, at, order++, Actor.TEACHER, "A. Person", "test");
    }

    /** @return null where nothing counts */
    public static @Nullable Rational expected(WhatIfCourse trial) {
        return trial.figure(Reading.EXPECTED);
    }
}
