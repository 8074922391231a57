package app.navlo.bench.term;

import app.navlo.bench.term.MadeTerm.Work;
import app.navlo.core.plan.Foresight;
import app.navlo.core.plan.Guess;
import app.navlo.core.plan.Plan;
import app.navlo.core.plan.PlanProblem;
import app.navlo.core.plan.PlanProblem.Bonus;
import app.navlo.core.plan.PlanProblem.Job;
import app.navlo.core.plan.PlanProblem.Mode;
import app.navlo.core.plan.PlanProblem.Slot;
import app.navlo.core.plan.PlanProblem.Step;
import app.navlo.core.plan.SearchBudget;
import app.navlo.core.plan.Solver;
import app.navlo.core.plan.SturdyOrder;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.ToDoubleFunction;

/** The plan, made anew whenever something happens: from what is thought, or by who knows what everything takes. */
final class Planned implements Student.Rule {
    private static final int HORIZON_DAYS = 21;
    private static final int HUNDRED = 100;
    private static final long PASS_BONUS = 500;
    private static final int STEPS = 1_500;
    private static final int STEPS_OF_WHO_KNOWS = 12_000;
    private static final int ROUNDS = 20;

    private final boolean knows;

    /** @param knows what everything really takes: nobody does, and no plan from guesses comes to more than a little beyond */
    Planned(boolean knows) {
        this.knows = knows;
    }

    @Override
    public int next(Student student, double now, double end) {
        return new Moment(student, now, (int) Math.round(end - now))
                .order().stream().filter(i -> student.can(i, now)).findFirst().orElse(-1);
    }

    /** What lies ahead of a student at an instant, as a problem of jobs and minutes. */
    private final class Moment {
        private final Student student;
        private final double from;
        private final int minutes;
        private final List<Integer> open = new ArrayList<>();
        private final Map<Integer, Integer> places = new HashMap<>();

        Moment(Student student, double from, int minutes) {
            this.student = student;
            this.from = from;
            this.minutes = minutes;
            for (int i = 0; i < student.works.size(); i++) {
                Work work = student.works.get(i);
                boolean soon = work.opens() <= from + HORIZON_DAYS * MadeTerm.DAY;
                boolean gate =
                        work.after() < 0 || student.finished(work.after()) > 0 || places.containsKey(work.after());
                if (student.finished(i) == 0 && soon && gate && student.worth(i, from) > 0) {
                    places.put(i, open.size());
                    open.add(i);
                }
            }
        }

        List<Integer> order() {
            PlanProblem problem = new PlanProblem(
                    slots(), banks(), open.stream().map(this::job).toList(), bonuses());
            int steps = knows ? STEPS_OF_WHO_KNOWS : STEPS;
            Plan found =
                    Solver.solve(problem, new SearchBudget(steps, 0, ROUNDS)).plan();
            ToDoubleFunction<Integer> aMinute = job -> student.worth(open.get(job), from) / left(open.get(job));
            List<Plan.Chosen> order = knows
                    ? found.order()
                    : SturdyOrder.of(
                            found,
                            problem,
                            new Foresight(
                                    problem, open.stream().map(this::guess).toList(), SturdyOrder.cases(open.size())),
                            aMinute,
                            List.of());
            return order.stream().map(one -> open.get(one.job())).toList();
        }

        private int left(int i) {
            double real = student.works.get(i).real() - student.spent(i);
            return knows ? (int) Math.max(1, Math.ceil(real)) : student.left(i);
        }

        private Guess guess(int i) {
            return new Guess(student.thought(i), student.spread(i), student.spent(i));
        }

        private List<Slot> slots() {
            List<Slot> slots = new ArrayList<>();
            if (minutes > 0) {
                slots.add(new Slot(0, minutes));
            }
            int last = (int) Math.min(MadeTerm.DAYS, from / MadeTerm.DAY + HORIZON_DAYS);
            for (int day = (int) (from / MadeTerm.DAY) + 1; day < last; day++) {
                long start = (long) (MadeTerm.evening(day) - from);
                slots.add(new Slot(start, start + MadeTerm.minutes(day)));
            }
            return slots;
        }

        private List<Integer> banks() {
            List<Integer> banks = new ArrayList<>();
            for (int course = 0; course < student.term.courses; course++) {
                banks.add(student.tokens(course));
            }
            return banks;
        }

        private Job job(int i) {
            Work work = student.works.get(i);
            Integer before = places.get(work.after());
            double opens = work.after() >= 0 && before == null ? student.opens(i) : work.opens();
            List<Mode> modes = new ArrayList<>();
            modes.add(new Mode(work.course(), 0, steps(i, student.added(i))));
            if (student.tokens(work.course()) > 0 && !work.atItsTime()) {
                modes.add(new Mode(work.course(), 1, steps(i, student.added(i) + MadeTerm.DAY)));
            }
            return new Job(
                    "w" + i,
                    left(i),
                    (long) Math.ceil(opens - from),
                    before == null ? List.of() : List.of(before),
                    before == null ? 0 : work.lag(),
                    modes);
        }

        /** A step a day of lateness, as long as it is taken. */
        private List<Step> steps(int i, int added) {
            Work work = student.works.get(i);
            List<Step> steps = new ArrayList<>();
            int due = work.due() + added;
            int last = Math.min(Math.max(due, work.due() + work.accepted()), work.graded());
            int by = due;
            while (true) {
                int until = Math.min(by, last);
                long value = Math.round(HUNDRED * work.worth(until, added));
                boolean later = steps.isEmpty() || steps.get(steps.size() - 1).by() < (long) (until - from);
                if (until > from && value > 0 && later) {
                    steps.add(new Step((long) (until - from), value));
                }
                if (by >= last) {
                    return steps;
                }
                by += MadeTerm.DAY;
            }
        }

        private List<Bonus> bonuses() {
            List<Bonus> bonuses = new ArrayList<>();
            for (int course = 0; course < student.term.courses; course++) {
                double possible = 0;
                List<Integer> jobs = new ArrayList<>();
                for (int place = 0; place < open.size(); place++) {
                    if (student.works.get(open.get(place)).course() == course) {
                        jobs.add(place);
                        possible += student.worth(open.get(place), from);
                    }
                }
                long need = Math.round(HUNDRED * (MadeTerm.PASS - student.sure(course)));
                if (need > 0 && need <= HUNDRED * possible) {
                    bonuses.add(new Bonus(jobs, need, PASS_BONUS));
                }
            }
            return bonuses;
        }
    }
}
