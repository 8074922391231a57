package app.navlo.core.plan;

import app.navlo.core.plan.Plan.Chosen;
import app.navlo.core.plan.PlanProblem.Bonus;
import app.navlo.core.plan.PlanProblem.Job;
import app.navlo.core.plan.PlanProblem.Mode;
import app.navlo.core.plan.PlanProblem.Slot;
import app.navlo.core.plan.PlanProblem.Step;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;

/** Small random problems with everything in them, and the best there is of each by trying all. */
final class SomeProblems {
    private static final int HORIZON = 160;

    private SomeProblems() {}

    static PlanProblem random(Random random, int n) {
        List<Slot> slots = new ArrayList<>();
        long at = random.nextInt(6);
        while (at < HORIZON) {
            long end = at + 5 + random.nextInt(30);
            slots.add(new Slot(at, end));
            at = end + random.nextInt(20);
        }
        List<Job> jobs = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            List<Integer> after = i > 0 && random.nextInt(3) == 0 ? List.of(random.nextInt(i)) : List.of();
            List<Mode> modes = new ArrayList<>();
            modes.add(new Mode(0, random.nextInt(8) == 0 ? 1 : 0, steps(random)));
            if (random.nextInt(2) == 0) {
                modes.add(new Mode(random.nextInt(2), random.nextInt(3), steps(random)));
            }
            jobs.add(new Job(
                    "j" + i,
                    1 + random.nextInt(30),
                    random.nextInt(90) - 50,
                    after,
                    random.nextInt(2) * random.nextInt(40),
                    modes));
        }
        List<Integer> some = IntStream.range(0, n)
                .filter(i -> random.nextInt(2) == 0)
                .boxed()
                .toList();
        return new PlanProblem(
                slots,
                List.of(random.nextInt(3), 1),
                jobs,
                List.of(new Bonus(some, 1 + random.nextInt(80), 60), new Bonus(List.of(0), 20, 5)));
    }

    /** One chain with lags, of which the last jobs earn most, and a bonus for what its second half earns. */
    static PlanProblem chained(Random random, int n) {
        List<Job> jobs = new ArrayList<>();
        long by = 20;
        for (int i = 0; i < n; i++) {
            by += random.nextInt(40);
            List<Step> steps = List.of(new Step(by, 20L + 10 * i), new Step(by + 30, 5L + 5 * i));
            List<Integer> after = i == 0 ? List.of() : List.of(i - 1);
            jobs.add(new Job(
                    "j" + i,
                    5 + random.nextInt(20),
                    random.nextInt(60) - 40,
                    after,
                    random.nextInt(2) * random.nextInt(25),
                    List.of(new Mode(0, 0, steps), new Mode(0, 1, List.of(new Step(by + 60, 20L + 10 * i))))));
        }
        List<Integer> half = IntStream.range(n / 2, n).boxed().toList();
        return new PlanProblem(
                List.of(new Slot(0, 40), new Slot(55, 90), new Slot(90, HORIZON)),
                List.of(random.nextInt(2)),
                jobs,
                List.of(new Bonus(half, 25, 80)));
    }

    /** Four pass lines over halves of the jobs, each worth more than a job. */
    static PlanProblem ofManyLines(Random random, int n) {
        PlanProblem some = random(random, n);
        List<Bonus> lines = new ArrayList<>();
        for (int line = 0; line < 4; line++) {
            List<Integer> jobs = IntStream.range(0, n)
                    .filter(i -> random.nextInt(2) == 0)
                    .boxed()
                    .toList();
            lines.add(new Bonus(jobs, 10 + random.nextInt(90), 40 + random.nextInt(80)));
        }
        return new PlanProblem(some.slots(), some.banks(), some.jobs(), lines);
    }

    private static List<Step> steps(Random random) {
        List<Step> steps = new ArrayList<>();
        long by = random.nextInt(70) - 10;
        long value = 10 + random.nextInt(50);
        for (int s = random.nextInt(4); s > 0 && value > 0; s--) {
            steps.add(new Step(by, value));
            by += 1 + random.nextInt(50);
            value -= random.nextInt(20);
        }
        return steps;
    }

    /** Every set, order and mode. */
    static long best(PlanProblem problem) {
        return best(
                problem,
                new Layout(problem),
                new ArrayList<>(),
                new boolean[problem.jobs().size()]);
    }

    private static long best(PlanProblem problem, Layout layout, List<Chosen> order, boolean[] in) {
        Plan plan = layout.of(order).orElse(null);
        if (plan == null) {
            return -1;
        }
        long best = plan.value();
        for (int job = 0; job < in.length; job++) {
            for (int m = 0; !in[job] && m < problem.jobs().get(job).modes().size(); m++) {
                in[job] = true;
                order.add(new Chosen(job, m));
                best = Math.max(best, best(problem, layout, order, in));
                order.remove(order.size() - 1);
                in[job] = false;
            }
        }
        return best;
    }
}
