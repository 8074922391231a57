package app.navlo.core.next;

import app.navlo.core.course.CourseBook;
import app.navlo.core.exact.Rational;
import app.navlo.core.grade.GradeTable;
import app.navlo.core.grade.Reading;
import app.navlo.core.plan.Effort;
import app.navlo.core.plan.GreatestFirst;
import app.navlo.core.plan.Layout;
import app.navlo.core.plan.Plan;
import app.navlo.core.plan.PlanProblem;
import app.navlo.core.plan.PlanProblem.Bonus;
import app.navlo.core.plan.PlanProblem.Job;
import app.navlo.core.plan.PlanProblem.Mode;
import app.navlo.core.plan.PlanProblem.Slot;
import app.navlo.core.plan.PlanProblem.Step;
import app.navlo.core.plan.Solution;
import app.navlo.core.plan.Solver;
import app.navlo.core.time.Stretch;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/** Plans a student's moves into the free time. */
public final class NextPlanner {
    /** What reaching the lowest letter, or one above it, is worth besides the points: in hundredths of a course percent. */
    private static final long PASS = 500;

    private static final long LETTER = 100;

    private final List<Duty> duties;
    private final Map<String, Integer> places = new HashMap<>();
    private final List<CourseBook> books;
    private final List<Stretch> free;
    private final Instant now;

    private NextPlanner(Collection<CourseBook> books, List<Stretch> free, Instant now) {
        this.books = List.copyOf(books);
        this.free = free;
        this.now = now;
        duties = Duties.of(books, now);
        for (int i = 0; i < duties.size(); i++) {
            places.put(duties.get(i).id(), i);
        }
    }

    /**
     * @param books of all courses, at {@code now}
     * @param free time from now on, in order and disjoint
     */
    public static NextPlan plan(Collection<CourseBook> books, List<Stretch> free, Wishes wishes, Instant now) {
        NextPlanner planner = new NextPlanner(books, free, now);
        Effort effort = Effort.quick(planner.duties.size());
        PlanProblem problem = planner.problem(wishes);
        Solution solution = Solver.solve(problem, effort);
        Plan order = GreatestFirst.of(solution.plan(), new Layout(problem), planner::valueAMinute);
        long cost = wishes.equals(Wishes.NONE)
                ? 0
                : Math.max(
                        0,
                        Solver.solve(planner.problem(Wishes.NONE), effort)
                                        .plan()
                                        .value()
                                - solution.plan().value());
        return new Replay(planner.duties, planner.sittings(order), solution, free, wishes, now, cost).plan();
    }

    private PlanProblem problem(Wishes wishes) {
        List<Slot> slots = free.stream()
                .map(stretch -> new Slot(up(stretch.start()), down(stretch.endExclusive())))
                .filter(slot -> slot.start() < slot.endExclusive())
                .toList();
        List<Integer> first = wishes.first().stream()
                .filter(places::containsKey)
                .map(places::get)
                .toList();
        List<Job> jobs = new ArrayList<>();
        List<Bonus> bonuses = new ArrayList<>();
        for (Duty duty : duties) {
            jobs.add(job(duty, wishes, first));
        }
        for (CourseBook book : books) {
            bonuses.addAll(bonuses(book));
        }
        return new PlanProblem(slots, banks(), jobs, bonuses);
    }

    private List<Integer> banks() {
        return books.stream().map(CourseBook::tokensLeft).toList();
    }

    private Job job(Duty duty, Wishes wishes, List<Integer> first) {
        int place = places.get(duty.id());
        List<Integer> after =
                new ArrayList<>(duty.after().stream().map(places::get).toList());
        int rank = first.indexOf(place);
        if (duty.lagMinutes() == 0) {
            List<Integer> before = rank < 0 ? first : first.subList(0, rank);
            before.stream()
                    .filter(one -> !after.contains(one) && !leadsTo(place, one))
                    .forEach(after::add);
        }
        Instant release = duty.release();
        Instant wished = wishes.notBefore().get(duty.id());
        release = wished != null && (release == null || wished.isAfter(release)) ? wished : release;
        return new Job(
                duty.id(),
                duty.minutes(),
                release == null ? 0 : up(release),
                after,
                duty.lagMinutes(),
                duty.modes().stream().map(way -> mode(duty, way)).toList());
    }

    /** Whether work must be done before another, so that it can't be made to wait for it. */
    private boolean leadsTo(int first, int later) {
        return duties.get(later).after().stream()
                .map(places::get)
                .anyMatch(before -> before == first || leadsTo(first, before));
    }

    private Mode mode(Duty duty, Duty.Way way) {
        List<Step> steps = new ArrayList<>();
        for (Duty.Until until : way.steps()) {
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

    /** What is short of a boundary of the grade table if nothing of this is done. */
    private List<Bonus> bonuses(CourseBook book) {
        List<Integer> jobs = IntStream.range(0, duties.size())
                .filter(i -> duties.get(i).book() == book)
                .boxed()
                .toList();
        Rational figure = book.readings().of(Reading.EXPECTED).grade().figure();
        List<GradeTable.Row> rows = book.rules().table().rows();
        if (jobs.isEmpty() || figure == null || rows.isEmpty()) {
            return List.of();
        }
        long possible = jobs.stream().mapToLong(i -> most(duties.get(i))).sum();
        long floor = Scale.hundredths(figure.times(Scale.factor(book)))
                - jobs.stream()
                        .filter(i -> duties.get(i).finding().state().redo() == null)
                        .mapToLong(i -> most(duties.get(i)))
                        .sum();
        List<Bonus> bonuses = new ArrayList<>();
        for (int r = 0; r < rows.size(); r++) {
            long from = Scale.hundredths(rows.get(r).from().times(Scale.factor(book)));
            long need = from - floor;
            if (need > 0 && need <= possible) {
                bonuses.add(new Bonus(jobs, need, r == rows.size() - 1 ? PASS : LETTER));
            }
        }
        return bonuses;
    }

    private double valueAMinute(int job) {
        return (double) most(duties.get(job)) / duties.get(job).minutes();
    }

    private static long most(Duty duty) {
        return duty.modes().get(0).steps().stream()
                .mapToLong(Duty.Until::value)
                .max()
                .orElse(0);
    }

    private long up(Instant at) {
        Duration ahead = Duration.between(now, at);
        return ahead.isNegative()
                ? Math.min(0, ahead.toMinutes())
                : ahead.plusMinutes(1).minusNanos(1).toMinutes();
    }

    private long down(Instant at) {
        return Math.floorDiv(Duration.between(now, at).toSeconds(), 60);
    }

    /** A job with the stretches in which it is worked on. */
    record Sat(Duty duty, Duty.Way way, List<Stretch> sittings) {}

    private List<Sat> sittings(Plan plan) {
        List<Sat> sat = new ArrayList<>();
        for (Plan.Placed placed : plan.jobs()) {
            Duty duty = duties.get(placed.job());
            Instant from = now.plus(Duration.ofMinutes(placed.start()));
            Instant until = now.plus(Duration.ofMinutes(placed.finish()));
            List<Stretch> sittings = new ArrayList<>();
            for (Stretch stretch : free) {
                Instant start = stretch.start().isAfter(from) ? stretch.start() : from;
                Instant end = stretch.endExclusive().isBefore(until) ? stretch.endExclusive() : until;
                if (start.isBefore(end)) {
                    join(sittings, new Stretch(start, end));
                }
            }
            sat.add(new Sat(duty, duty.modes().get(placed.mode()), sittings));
        }
        return sat;
    }

    private static void join(List<Stretch> sittings, Stretch next) {
        @Nullable Stretch last = sittings.isEmpty() ? null : sittings.get(sittings.size() - 1);
        if (last != null && !last.endExclusive().isBefore(next.start())) {
            sittings.set(sittings.size() - 1, new Stretch(last.start(), next.endExclusive()));
        } else {
            sittings.add(next);
        }
    }
}
