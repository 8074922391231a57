package app.navlo.bench;

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
import app.navlo.core.plan.Solver;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;

/**
 * A made-up student over the last six weeks before a close, the same for the same seed whatever rule is followed: six
 * courses, efforts that aren't what was thought, days on which nothing is done, teachers with a grading day.
 */
final class TermStudent {
    static final int DAYS = 42;
    private static final int COURSES = 6;
    private static final int DAY = 24 * 60;
    private static final int EVENING = 17 * 60;
    private static final int WEEKDAY_MINUTES = 120;
    private static final int WEEKEND_MINUTES = 180;
    private static final double MISSED_DAY = 0.15;
    /** Of the logarithm of real effort over what was thought. */
    private static final double SPREAD = 0.45;
    /** Of a course that is decided before, and what it brought. */
    private static final double DECIDED = 0.4;

    private static final int LATE_PERCENT_A_DAY = 10;
    static final double PASS = 60;
    private static final long PASS_BONUS = 500;
    private static final int HORIZON_DAYS = 14;
    private static final int HUNDRED = 100;
    private static final SearchBudget EFFORT = new SearchBudget(12_000, 0, 20);

    /** Which work to do next. */
    enum Rule {
        PLAN("the plan, made anew every day"),
        EARLIEST_DUE("earliest due first"),
        MOST_POINTS("most points first"),
        OLDEST_MISSING("oldest missing first"),
        POINTS_A_MINUTE("points a minute");

        final String words;

        Rule(String words) {
            this.words = words;
        }
    }

    /** @param accepted days after the due for which it is taken late */
    private record Work(
            int course,
            int opens,
            int due,
            int accepted,
            double weight,
            double score,
            int thought,
            int real,
            int after,
            int graded) {
        /** What it brings of the course's hundred if it is finished at that minute, and graded before the close. */
        double worth(double minute) {
            double last = Math.min(due + (double) accepted * DAY, graded);
            if (minute > last) {
                return 0;
            }
            double late = Math.max(0, Math.ceil((minute - due) / DAY));
            return weight * score * Math.max(0, HUNDRED - LATE_PERCENT_A_DAY * late) / HUNDRED;
        }
    }

    /** @param missing pieces of work that were never handed in */
    record Outcome(double percent, int passed, int missing) {}

    private final List<Work> works = new ArrayList<>();
    private final double[] before = new double[COURSES];
    private final boolean[] missed = new boolean[DAYS];
    private final double[] spent;
    private final double[] finished;

    TermStudent(long seed) {
        Random random = new Random(seed);
        for (int course = 0; course < COURSES; course++) {
            course(course, random);
        }
        for (int day = 0; day < DAYS; day++) {
            missed[day] = random.nextDouble() < MISSED_DAY;
        }
        spent = new double[works.size()];
        finished = new double[works.size()];
    }

    private void course(int course, Random random) {
        before[course] = DECIDED * (45 + random.nextInt(45));
        int lastGrading = DAYS - 1 - random.nextInt(7);
        int many = 7 + random.nextInt(6);
        double[] share = random.doubles(many, 1, 6).toArray();
        double sum = 0;
        for (double one : share) {
            sum += one;
        }
        for (int i = 0; i < many; i++) {
            int due = ((i + 1) * DAYS / many) * DAY - random.nextInt(3) * DAY;
            int thought = 5 * (6 + random.nextInt(36));
            int real = (int) Math.max(5, thought * Math.exp(SPREAD * random.nextGaussian()));
            boolean gated = i > 0 && random.nextInt(5) == 0;
            works.add(new Work(
                    course,
                    Math.max(0, due - (7 + random.nextInt(7)) * DAY),
                    due,
                    random.nextInt(7),
                    (1 - DECIDED) * HUNDRED * share[i] / sum,
                    0.6 + 0.4 * random.nextDouble(),
                    thought,
                    real,
                    gated ? works.size() - 1 : -1,
                    lastGrading * DAY));
        }
    }

    Outcome follow(Rule rule) {
        for (int day = 0; day < DAYS; day++) {
            if (!missed[day]) {
                sit(rule, day * DAY + EVENING, minutes(day));
            }
        }
        double[] percent = before.clone();
        int missing = 0;
        for (int i = 0; i < works.size(); i++) {
            Work work = works.get(i);
            percent[work.course()] += finished[i] > 0 ? work.worth(finished[i]) : 0;
            missing += finished[i] > 0 ? 0 : 1;
        }
        double sum = 0;
        int passed = 0;
        for (double one : percent) {
            sum += one;
            passed += one >= PASS ? 1 : 0;
        }
        return new Outcome(sum / COURSES, passed, missing);
    }

    private static int minutes(int day) {
        return day % 7 >= 5 ? WEEKEND_MINUTES : WEEKDAY_MINUTES;
    }

    private void sit(Rule rule, double from, int minutes) {
        List<Integer> order = rule == Rule.PLAN ? planned(from, minutes) : List.of();
        double now = from;
        double end = from + minutes;
        while (now < end) {
            int next = rule == Rule.PLAN ? first(order, now) : choose(rule, now);
            if (next < 0) {
                return;
            }
            double left = works.get(next).real() - spent[next];
            double worked = Math.min(left, end - now);
            spent[next] += worked;
            now += worked;
            if (spent[next] >= works.get(next).real() - 1e-9) {
                finished[next] = now;
            }
        }
    }

    private boolean can(int i, double now) {
        Work work = works.get(i);
        boolean opened = work.after() < 0 || finished[work.after()] > 0;
        return finished[i] == 0 && opened && work.opens() <= now && work.worth(now + left(i)) > 0;
    }

    /** What is thought to be left of it: at least a tenth of what was thought at first. */
    private int left(int i) {
        int thought = works.get(i).thought();
        return (int) Math.max(Math.max(1, thought / 10), thought - spent[i]);
    }

    private int first(List<Integer> order, double now) {
        return order.stream().filter(i -> can(i, now)).findFirst().orElse(-1);
    }

    private int choose(Rule rule, double now) {
        Comparator<Integer> by =
                switch (rule) {
                    case EARLIEST_DUE ->
                        Comparator.comparing(i -> works.get(i).due() < now
                                ? works.get(i).due() + (double) DAYS * DAY
                                : works.get(i).due());
                    case MOST_POINTS -> Comparator.comparing(i -> -works.get(i).worth(now + left(i)));
                    case OLDEST_MISSING ->
                        Comparator.comparing(i -> (double) works.get(i).due());
                    case POINTS_A_MINUTE ->
                        Comparator.comparing(i -> -works.get(i).worth(now + left(i)) / left(i));
                    case PLAN -> throw new IllegalArgumentException("the plan is asked for its order");
                };
        List<Integer> all = new ArrayList<>();
        for (int i = 0; i < works.size(); i++) {
            if (can(i, now)) {
                all.add(i);
            }
        }
        return all.stream().min(by).orElse(-1);
    }

    private List<Integer> planned(double from, int minutes) {
        List<Slot> slots = new ArrayList<>();
        slots.add(new Slot(0, minutes));
        for (int day = (int) (from / DAY) + 1; day < Math.min(DAYS, from / DAY + HORIZON_DAYS); day++) {
            long start = (long) (day * DAY + EVENING - from);
            slots.add(new Slot(start, start + minutes(day)));
        }
        List<Integer> open = new ArrayList<>();
        Map<Integer, Integer> places = new HashMap<>();
        for (int i = 0; i < works.size(); i++) {
            Work work = works.get(i);
            boolean soon = work.opens() <= from + HORIZON_DAYS * DAY;
            boolean gate = work.after() < 0 || finished[work.after()] > 0 || places.containsKey(work.after());
            if (finished[i] == 0 && soon && gate && work.worth(from) > 0) {
                places.put(i, open.size());
                open.add(i);
            }
        }
        List<Job> jobs = open.stream().map(i -> job(i, from, places)).toList();
        PlanProblem problem = new PlanProblem(slots, List.of(), jobs, bonuses(open, from));
        Plan plan = GreatestFirst.of(
                Solver.solve(problem, EFFORT).plan(),
                new Layout(problem),
                job -> works.get(open.get(job)).worth(from) / left(open.get(job)));
        return plan.jobs().stream().map(placed -> open.get(placed.job())).toList();
    }

    private Job job(int i, double from, Map<Integer, Integer> places) {
        Work work = works.get(i);
        List<Step> steps = new ArrayList<>();
        int last = Math.min(work.due() + work.accepted() * DAY, work.graded());
        for (int by = work.due(); ; by += DAY) {
            int until = Math.min(by, last);
            long value = Math.round(HUNDRED * work.worth(until));
            if (until > from && (steps.isEmpty() || steps.get(steps.size() - 1).by() < (long) (until - from))) {
                steps.add(new Step((long) (until - from), value));
            }
            if (by >= last) {
                break;
            }
        }
        Integer before = places.get(work.after());
        return new Job(
                "w" + i,
                left(i),
                (long) (work.opens() - from),
                before == null ? List.of() : List.of(before),
                0,
                List.of(new Mode(0, 0, steps)));
    }

    private List<Bonus> bonuses(List<Integer> open, double from) {
        List<Bonus> bonuses = new ArrayList<>();
        for (int course = 0; course < COURSES; course++) {
            int which = course;
            double sure = before[course];
            double possible = 0;
            List<Integer> jobs = new ArrayList<>();
            for (int i = 0; i < works.size(); i++) {
                sure += works.get(i).course() == which && finished[i] > 0
                        ? works.get(i).worth(finished[i])
                        : 0;
            }
            for (int place = 0; place < open.size(); place++) {
                if (works.get(open.get(place)).course() == which) {
                    jobs.add(place);
                    possible += works.get(open.get(place)).worth(from);
                }
            }
            long need = Math.round(HUNDRED * (PASS - sure));
            if (need > 0 && need <= HUNDRED * possible) {
                bonuses.add(new Bonus(jobs, need, PASS_BONUS));
            }
        }
        return bonuses;
    }
}
