package app.navlo.core.next;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import app.navlo.core.course.CourseBook;
import app.navlo.core.course.CourseRules;
import app.navlo.core.course.CourseWork;
import app.navlo.core.course.OddCourses;
import app.navlo.core.course.WhatIf;
import app.navlo.core.course.WhatIfCourse;
import app.navlo.core.course.WorkAssessment;
import app.navlo.core.exact.Rational;
import app.navlo.core.grade.WeightedScheme;
import app.navlo.core.id.CourseId;
import app.navlo.core.next.NextPlan.Left;
import app.navlo.core.next.NextPlan.LeftBecause;
import app.navlo.core.next.NextPlan.Planned;
import app.navlo.core.next.NextPlan.Price;
import app.navlo.core.time.Availability;
import app.navlo.core.time.Stretch;
import app.navlo.core.time.WeeklyHours;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.testng.annotations.Test;

/** What hangs on the moves of a term, on courses in which anything goes: one sum, whatever asks for it. */
public class StakesTest {
    private static final int TERMS = 120;
    private static final Instant NOW = OddCourses.NOW;
    private static final Duration AHEAD = Duration.ofDays(21);

    private record Term(List<CourseRules> rules, List<List<CourseWork>> works) {
        static Term of(int seed) {
            List<CourseRules> rules = new ArrayList<>();
            List<List<CourseWork>> works = new ArrayList<>();
            for (String course : List.of("a", "b", "c")) {
                OddCourses odd = new OddCourses(31L * seed + course.charAt(0));
                rules.add(odd.rules(course));
                works.add(odd.works(course));
            }
            return new Term(rules, works);
        }

        List<CourseBook> books(Instant now) {
            List<CourseBook> books = new ArrayList<>();
            for (int i = 0; i < rules.size(); i++) {
                books.add(OddCourses.book(rules.get(i), works.get(i), now));
            }
            return books;
        }
    }

    /** Where the highest are dropped, a better score can lower a category. */
    private static boolean oddlyDropped(Term term, CourseId course) {
        return term.rules().stream()
                .filter(rules -> rules.course().equals(course))
                .anyMatch(rules -> rules.scheme() instanceof WeightedScheme weighted
                        && weighted.categories().stream().anyMatch(category -> category.dropHighest() > 0));
    }

    /** Optional work counts only once it is handed in, and so brings more where the rest has lost. */
    private static boolean optional(List<CourseWork> works) {
        return works.stream().anyMatch(work -> !work.item().required());
    }

    private static List<Stretch> free(Instant now) {
        List<WeeklyHours.Span> evening = List.of(new WeeklyHours.Span(LocalTime.of(16, 0), LocalTime.of(18, 30)));
        WeeklyHours week = new WeeklyHours(
                Arrays.stream(DayOfWeek.values()).collect(Collectors.toMap(Function.identity(), day -> evening)));
        return Availability.of(week, ZoneId.of("Europe/Copenhagen")).sittings(now, NOW.plus(AHEAD));
    }

    private static NextPlan plan(List<CourseBook> books, Wishes wishes, Instant now) {
        return NextPlanner.plan(books, Circumstances.of(free(now)).with(wishes), now);
    }

    private static Rational gains(NextPlan plan, CourseId course) {
        return Rational.sum(plan.planned().stream()
                .filter(planned -> planned.course().equals(course))
                .map(Planned::gain)
                .toList());
    }

    @Test
    public void theGainsOfACourseAreWhatTheHeadlineSaysOfItAndNoPlanKeepsMoreThanThereIs() {
        int some = 0;
        for (int seed = 0; seed < TERMS; seed++) {
            Term term = Term.of(seed);
            NextPlan plan = plan(term.books(NOW), Wishes.NONE, NOW);
            for (Stake stake : plan.stakes()) {
                assertEquals(gains(plan, stake.course()), stake.kept(), "term " + seed + " " + stake.course());
                assertTrue(
                        oddlyDropped(term, stake.course()) || stake.all().compareTo(stake.planned()) >= 0,
                        "term " + seed + " " + stake);
                some += stake.kept().signum() > 0 ? 1 : 0;
            }
            Stake mean = Stake.mean(plan.stakes());
            long counted = plan.stakes().stream().filter(Stake::inMean).count();
            assertEquals(
                    mean.kept().times(Rational.of(Math.max(1, counted))),
                    Rational.sum(plan.stakes().stream()
                            .filter(Stake::inMean)
                            .map(Stake::kept)
                            .toList()));
        }
        assertTrue(some > TERMS, some + " courses in which a move gains anything");
    }

    /** Whoever tries in Standing what the plan says, all of it at once, sees what the plan says. */
    @Test
    public void theReadingShowsWhatThePlanSaysWhenAllOfItComesTrue() {
        int compared = 0;
        for (int seed = 0; seed < TERMS; seed++) {
            List<CourseBook> books = Term.of(seed).books(NOW);
            NextPlan plan = plan(books, Wishes.NONE, NOW);
            for (int i = 0; i < books.size(); i++) {
                CourseBook book = books.get(i);
                List<Planned> here = plan.planned().stream()
                        .filter(planned -> book.has(planned.work()))
                        .toList();
                boolean plain = here.stream()
                        .allMatch(planned -> planned.leeway() == null
                                && planned.gain().signum() > 0
                                && planned.deed() != ActionKind.REDO
                                && planned.deed() != ActionKind.COMPLETE);
                if (!plain || here.isEmpty()) {
                    continue;
                }
                WhatIfCourse tried = book.trial(List.of(), List.of());
                for (Task duty : Tasks.of(Map.of(book, book.findings()), Map.of(), NOW)) {
                    tried = undone(duty.finding(), tried);
                }
                for (Planned planned : here) {
                    tried = done(book.finding(planned.work()), planned, tried);
                }
                assertEquals(Scale.percent(book, tried), plan.stakes().get(i).planned(), "term " + seed);
                compared++;
            }
        }
        assertTrue(compared > TERMS / 2, compared + " compared");
    }

    private static WhatIfCourse undone(WorkAssessment finding, WhatIfCourse trial) {
        boolean counted = finding.outcome().kept() == null
                && finding.graded() != null
                && (finding.item().required()
                        || finding.graded().extra()
                        || finding.graded().awaited());
        if (!counted) {
            return trial;
        }
        boolean appointed = finding.item().schedule().appointment() != null;
        Rational left = appointed ? finding.graded().expected().dividedBy(Rational.of(2)) : Rational.ZERO;
        return trial.and(List.of(WhatIf.counts(finding.id(), left)));
    }

    private static WhatIfCourse done(WorkAssessment finding, Planned planned, WhatIfCourse trial) {
        if (planned.deed() == ActionKind.PREPARE) {
            return trial.and(
                    List.of(WhatIf.counts(finding.id(), finding.graded().expected())));
        }
        Rational raw = finding.expectedPercent()
                .times(finding.item().marking().possible())
                .dividedBy(Rational.HUNDRED);
        return trial.and(List.of(WhatIf.scored(finding.id(), raw, planned.finish())));
    }

    /** A wish costs what the headline falls by, course by course, and nothing else is called its price. */
    @Test
    public void aPriceIsTheFallOfTheSameSum() {
        for (int seed = 0; seed < TERMS; seed++) {
            List<CourseBook> books = Term.of(seed).books(NOW);
            NextPlan free = plan(books, Wishes.NONE, NOW);
            assertEquals(free.prices(), List.of());
            if (free.planned().isEmpty()) {
                continue;
            }
            Planned first = free.planned().get(0);
            Wishes later = new Wishes(List.of(), Map.of(first.work(), NOW.plus(Duration.ofDays(4))), Map.of());
            NextPlan wished = plan(books, later, NOW);
            for (int i = 0; i < books.size(); i++) {
                Price price = wished.prices().get(i);
                Stake before = free.stakes().get(i);
                Stake after = wished.stakes().get(i);
                assertEquals(before.none(), after.none(), "what is wished changes nothing of what stands");
                assertEquals(price.fall(), gains(free, price.course()).minus(gains(wished, price.course())));
            }
        }
    }

    @Test
    public void whatIsLeftOutCostsWhatAZeroThereWould() {
        int left = 0;
        for (int seed = 0; seed < TERMS; seed++) {
            List<CourseBook> books = Term.of(seed).books(NOW);
            NextPlan plan = NextPlanner.plan(books, Circumstances.of(List.of()), NOW);
            for (CourseBook book : books) {
                for (Left one :
                        plan.left().stream().filter(l -> book.has(l.work())).toList()) {
                    WorkAssessment finding = book.finding(one.work());
                    boolean plain = finding.outcome().kept() == null
                            && finding.impact() != null
                            && finding.item().required()
                            && finding.item().schedule().appointment() == null;
                    if (one.because() == LeftBecause.SHUT_FOR_GOOD) {
                        assertFalse(one.shutBy().isEmpty());
                    } else if (plain) {
                        assertEquals(one.cost(), finding.impact().times(Scale.factor(book)), finding.toString());
                        left++;
                    }
                }
            }
        }
        assertTrue(left > TERMS, left + " left out");
    }

    /** While nobody does anything and only time goes by, what can still be kept falls or stays. */
    @Test
    public void whatCanStillBeKeptNeverGrowsByWaiting() {
        Random random = new Random(5);
        int fell = 0;
        for (int seed = 0; seed < TERMS; seed++) {
            Term term = Term.of(seed);
            Instant now = NOW;
            List<Rational> before = null;
            for (int step = 0; step < 8; step++) {
                List<Rational> most = plan(term.books(now), Wishes.NONE, now).stakes().stream()
                        .map(Stake::most)
                        .toList();
                for (int i = 0; before != null && i < most.size(); i++) {
                    if (oddlyDropped(term, term.rules().get(i).course())
                            || optional(term.works().get(i))) {
                        continue;
                    }
                    assertTrue(
                            most.get(i).compareTo(before.get(i)) <= 0,
                            "term " + seed + ", course " + i + " at " + now + ": " + before.get(i) + " then "
                                    + most.get(i));
                    fell += most.get(i).compareTo(before.get(i)) < 0 ? 1 : 0;
                }
                before = most;
                now = now.plus(Duration.ofMinutes(1 + random.nextInt(3 * 24 * 60)));
            }
        }
        assertTrue(fell > TERMS / 4, fell + " times it fell");
    }
}
