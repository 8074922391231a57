package app.navlo.core.next;

import app.navlo.core.course.CourseBook;
import app.navlo.core.course.WorkAssessment;
import app.navlo.core.exact.Rational;
import app.navlo.core.grade.GradeTable;
import app.navlo.core.grade.Reading;
import app.navlo.core.next.NextPlan.Price;
import app.navlo.core.plan.GreatestFirst;
import app.navlo.core.plan.Layout;
import app.navlo.core.plan.Plan;
import app.navlo.core.plan.PlanProblem;
import app.navlo.core.plan.PlanProblem.Bonus;
import app.navlo.core.plan.PlanProblem.Job;
import app.navlo.core.plan.PlanProblem.Mode;
import app.navlo.core.plan.PlanProblem.Slot;
import app.navlo.core.plan.PlanProblem.Step;
import app.navlo.core.plan.SearchBudget;
import app.navlo.core.plan.Solution;
import app.navlo.core.plan.Solver;
import app.navlo.core.plan.WholeSittings;
import app.navlo.core.time.Stretch;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/** Plans a student's moves into the free time. */
public final class NextPlanner {
    /** What reaching the lowest letter, or one above it, is worth besides the points: in hundredths of a course percent. */
    private static final long PASS = 500;

    private static final double A_HAIR = 1e-9;

    private static final long LETTER = 100;
    /** Reaching what one has set oneself. */
    private static final long TARGET = 300;

    /** A job isn't begun for fewer minutes than these before the time is up, if it needn't be. */
    private static final long WORTH_BEGINNING = 15;

    private final List<Task> duties;
    private final Map<String, Integer> places = new HashMap<>();
    private final List<CourseBook> books;
    private final Map<CourseBook, List<WorkAssessment>> known = new LinkedHashMap<>();
    private final List<Stretch> free;
    /** The whole minute that minutes are counted from: hours are free and works are due on whole minutes. */
    private final Instant base;

    private NextPlanner(Collection<CourseBook> books, List<Stretch> free, Map<String, Aim> aims, Instant now) {
        this.books = List.copyOf(books);
        this.books.forEach(book -> known.put(book, book.findings()));
        this.free = free;
        this.base = now.truncatedTo(ChronoUnit.MINUTES);
        duties = Tasks.of(known, aims, now);
        for (int i = 0; i < duties.size(); i++) {
            places.put(duties.get(i).id(), i);
        }
    }

    /**
     * @param books of all courses, at {@code now}
     * @param free time from now on, in order and disjoint
     * @param aims by course; usual where there is none
     */
    public static NextPlan plan(
            Collection<CourseBook> books, List<Stretch> free, Wishes wishes, Map<String, Aim> aims, Instant now) {
        NextPlanner planner = new NextPlanner(books, free, aims, now);
        NextPlan plan = planner.plan(wishes, now);
        return wishes.equals(Wishes.NONE) ? plan : plan.with(prices(planner.plan(Wishes.NONE, now), plan));
    }

    private NextPlan plan(Wishes wishes, Instant now) {
        PlanProblem problem = problem(wishes);
        Solution solution = Solver.solve(problem, SearchBudget.quick(duties.size()));
        Plan order = WholeSittings.of(
                GreatestFirst.of(solution.plan(), new Layout(problem), this::valueAMinute), problem, WORTH_BEGINNING);
        return new Replay(known, duties, sittings(order), solution, free, wishes, now).plan();
    }

    private static List<Price> prices(NextPlan unwished, NextPlan wished) {
        List<Price> prices = new ArrayList<>();
        for (int i = 0; i < wished.stakes().size(); i++) {
            Stake with = wished.stakes().get(i);
            prices.add(
                    new Price(with.course(), unwished.stakes().get(i).planned().minus(with.planned())));
        }
        return prices;
    }

    private PlanProblem problem(Wishes wishes) {
        List<Slot> slots = free.stream()
                .map(stretch -> new Slot(up(stretch.start()), down(stretch.endExclusive())))
                .filter(slot -> slot.start() < slot.endExclusive())
                .toList();
        Waiting waiting = waiting(wishes);
        List<Job> jobs = new ArrayList<>();
        List<Bonus> bonuses = new ArrayList<>();
        for (Task duty : duties) {
            jobs.add(job(duty, wishes, waiting));
        }
        for (CourseBook book : books) {
            bonuses.addAll(bonuses(book));
        }
        return new PlanProblem(slots, banks(), jobs, bonuses);
    }

    /** Which of the jobs a piece of work is. */
    private int place(String work) {
        return Objects.requireNonNull(places.get(work));
    }

    private List<Integer> banks() {
        return books.stream().map(CourseBook::tokensLeft).toList();
    }

    private Job job(Task duty, Wishes wishes, Waiting waiting) {
        Instant release = duty.release();
        Instant wished = wishes.notBefore().get(duty.id());
        release = wished != null && (release == null || wished.isAfter(release)) ? wished : release;
        return new Job(
                duty.id(),
                duty.minutes(),
                release == null ? 0 : up(release),
                waiting.after(place(duty.id())),
                duty.lagMinutes(),
                duty.modes().stream().map(way -> mode(duty, way)).toList());
    }

    /**
     * What is wished first comes before all other work, and what is wished before something before that. Work that waits
     * for a teacher to grade other work waits for nothing else: its wait would begin with the last of them.
     */
    private Waiting waiting(Wishes wishes) {
        Waiting waiting = new Waiting(duties.size());
        for (Task duty : duties) {
            duty.after().forEach(before -> waiting.add(place(before), place(duty.id())));
        }
        List<String> known = wishes.first().stream().filter(places::containsKey).toList();
        for (int i = 0; i < known.size(); i++) {
            for (int j = i + 1; j < known.size(); j++) {
                wait(waiting, known.get(i), known.get(j));
            }
        }
        wishes.before().forEach((first, then) -> wait(waiting, first, then));
        for (String first : known) {
            duties.forEach(duty -> wait(waiting, first, duty.id()));
        }
        return waiting;
    }

    private void wait(Waiting waiting, String first, String then) {
        Integer before = places.get(first);
        Integer after = places.get(then);
        if (before != null && after != null && duties.get(after).lagMinutes() == 0) {
            waiting.add(before, after);
        }
    }

    private Mode mode(Task duty, Task.Way way) {
        List<Step> steps = new ArrayList<>();
        for (Task.Until until : way.steps()) {
            long by = until.by() == null ? Long.MAX_VALUE / 4 : down(until.by());
            long last = steps.isEmpty()
                    ? Long.MIN_VALUE
                    : steps.get(steps.size() - 1).by();
            long worth = steps.isEmpty()
                    ? until.value()
                    : Math.min(until.value(), steps.get(steps.size() - 1).value());
            if (by > last) {
                steps.add(new Step(by, worth));
            }
        }
        return new Mode(
                books.indexOf(duty.book()),
                way.leeway() == null ? 0 : way.leeway().tokens(),
                steps);
    }

    /** What is short of a boundary of the grade table, and of the target, if nothing of this is done. */
    private List<Bonus> bonuses(CourseBook book) {
        List<Integer> jobs = IntStream.range(0, duties.size())
                .filter(i -> duties.get(i).book() == book)
                .filter(i -> duties.get(i).onTime().signum() > 0)
                .boxed()
                .toList();
        Rational figure = book.readings().of(Reading.EXPECTED).grade().figure();
        List<GradeTable.Row> rows = book.rules().table().rows();
        if (jobs.isEmpty() || figure == null) {
            return List.of();
        }
        Aim aim = duties.get(jobs.get(0)).aim();
        Rational weight = Scale.factor(book).times(aim.importance());
        long possible = jobs.stream().mapToLong(i -> most(duties.get(i))).sum();
        long floor = Scale.hundredths(figure.times(weight))
                - jobs.stream()
                        .filter(i -> duties.get(i).finding().outcome().kept() == null)
                        .mapToLong(i -> most(duties.get(i)))
                        .sum();
        List<Bonus> bonuses = new ArrayList<>();
        Map<Rational, Long> lines = new LinkedHashMap<>();
        for (int r = 0; r < rows.size(); r++) {
            lines.put(rows.get(r).from(), r == rows.size() - 1 ? PASS : LETTER);
        }
        if (aim.target() != null) {
            lines.merge(aim.target(), TARGET, Long::sum);
        }
        lines.forEach((from, bonus) -> {
            long need = Scale.hundredths(from.times(weight)) - floor;
            if (need > 0 && need <= possible) {
                bonuses.add(
                        new Bonus(jobs, need, Scale.hundredths(aim.importance().times(Rational.of(bonus, 100)))));
            }
        });
        return bonuses;
    }

    /** Of what is worth the same, what is due first comes first: in that order the duties stand. */
    private double valueAMinute(int job) {
        return (double) most(duties.get(job)) / duties.get(job).minutes() - job * A_HAIR;
    }

    private static long most(Task duty) {
        return duty.modes().get(0).steps().stream()
                .mapToLong(Task.Until::value)
                .max()
                .orElse(0);
    }

    private long up(Instant at) {
        Duration ahead = Duration.between(base, at);
        return ahead.isNegative()
                ? Math.min(0, ahead.toMinutes())
                : ahead.plusMinutes(1).minusNanos(1).toMinutes();
    }

    private long down(Instant at) {
        return Math.floorDiv(Duration.between(base, at).toSeconds(), 60);
    }

    /** A job with the stretches in which it is worked on. */
    record Sat(Task duty, Task.Way way, List<Stretch> sittings) {
        Instant finish() {
            return sittings.get(sittings.size() - 1).endExclusive();
        }

        /** The step that it is in time for; null where it is too late for all. */
        Task.@Nullable Until met() {
            return way.steps().stream()
                    .filter(until -> until.by() == null || !finish().isAfter(until.by()))
                    .findFirst()
                    .orElse(null);
        }
    }

    private List<Sat> sittings(Plan plan) {
        List<Sat> sat = new ArrayList<>();
        for (Plan.Placed placed : plan.jobs()) {
            Task duty = duties.get(placed.job());
            Instant from = base.plus(Duration.ofMinutes(placed.start()));
            Instant until = base.plus(Duration.ofMinutes(placed.finish()));
            List<Stretch> sittings = Stretch.joined(Stretch.within(free, from, until));
            sat.add(new Sat(duty, duty.modes().get(placed.mode()), sittings));
        }
        return sat;
    }
}
