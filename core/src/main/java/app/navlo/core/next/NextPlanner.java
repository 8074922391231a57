package app.navlo.core.next;

import app.navlo.core.course.CourseBook;
import app.navlo.core.course.WorkAssessment;
import app.navlo.core.next.NextPlan.Price;
import app.navlo.core.plan.Plan;
import app.navlo.core.plan.PlanProblem;
import app.navlo.core.plan.SearchBudget;
import app.navlo.core.plan.Solution;
import app.navlo.core.plan.Solver;
import app.navlo.core.plan.WholeSittings;
import app.navlo.core.time.Stretch;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Plans a student's moves into the free time. */
public final class NextPlanner {
    /** A job isn't begun for fewer minutes than these before the time is up, if it needn't be. */
    private static final long WORTH_BEGINNING = 15;

    private final Circumstances with;
    private final Instant now;
    private final List<Task> duties;
    private final List<CourseBook> books;
    private final Map<CourseBook, List<WorkAssessment>> known = new LinkedHashMap<>();

    private NextPlanner(Collection<CourseBook> books, Circumstances with, Instant now) {
        this.books = List.copyOf(books);
        this.books.forEach(book -> known.put(book, book.findings()));
        this.with = with;
        this.now = now;
        duties = Tasks.of(known, with.aims(), now);
    }

    /** @param books of all courses, at {@code now} */
    public static NextPlan plan(Collection<CourseBook> books, Circumstances with, Instant now) {
        NextPlanner planner = new NextPlanner(books, with, now);
        NextPlan plan = planner.plan(with.wishes(), with.held());
        return with.wishes().equals(Wishes.NONE) ? plan : plan.with(prices(planner.plan(Wishes.NONE, null), plan));
    }

    private NextPlan plan(Wishes wishes, @Nullable Held held) {
        TaskProblem tasks = new TaskProblem(duties, books, wishes, now);
        PlanProblem problem = tasks.in(with.free());
        Solution solution = Solver.solve(problem, SearchBudget.quick(duties.size()));
        Choice choice = new Chooser(duties, tasks, problem, with).choose(solution.plan(), held);
        Plan order = WholeSittings.of(choice.plan(), choice.problem(), WORTH_BEGINNING);
        long value = choice.plan().value();
        boolean proven = solution.proven()
                && choice.problem() == problem
                && solution.plan().value() == value;
        Solution said = new Solution(choice.plan(), Math.max(solution.bound(), value), proven);
        return new Replay(known, duties, sittings(order, choice, tasks), choice, said, wishes, now).plan();
    }

    private static List<Price> prices(NextPlan unwished, NextPlan wished) {
        List<Price> prices = new ArrayList<>();
        for (int i = 0; i < wished.stakes().size(); i++) {
            Stake with = wished.stakes().get(i);
            prices.add(new Price(
                    Objects.requireNonNull(with.course()),
                    unwished.stakes().get(i).planned().minus(with.planned())));
        }
        return prices;
    }

    /**
     * A job with the stretches in which it is worked on.
     *
     * @param place of the task among all
     */
    record Sat(int place, Task duty, Task.Way way, List<Stretch> sittings) {
        Instant begin() {
            return sittings.get(0).start();
        }

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

    /** In the order in which they are begun. */
    private List<Sat> sittings(Plan plan, Choice choice, TaskProblem tasks) {
        List<Sat> sat = new ArrayList<>();
        for (Plan.Placed placed : plan.jobs()) {
            Task duty = duties.get(placed.job());
            Instant from = tasks.base().plus(Duration.ofMinutes(placed.start()));
            Instant until = tasks.base().plus(Duration.ofMinutes(placed.finish()));
            List<Stretch> sittings = Stretch.joined(Stretch.within(choice.free(), from, until));
            sat.add(new Sat(placed.job(), duty, duty.modes().get(placed.mode()), sittings));
        }
        for (int i = 0; i < duties.size(); i++) {
            Optional<Stretch> there = tasks.nailed(i);
            if (there.isPresent()) {
                Task duty = duties.get(i);
                sat.add(new Sat(i, duty, duty.modes().get(0), List.of(there.get())));
            }
        }
        sat.sort(Comparator.comparing(Sat::begin));
        return sat;
    }
}
