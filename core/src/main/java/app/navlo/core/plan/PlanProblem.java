package app.navlo.core.plan;

import app.navlo.core.check.Check;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Jobs, the free time that they may go into, and what each is worth by when. Times are minutes from now, values are whole.
 * Jobs name each other by their place in the list.
 *
 * @param slots free time, ascending and disjoint; two may touch
 * @param banks how many tokens each bank has
 */
public record PlanProblem(List<Slot> slots, List<Integer> banks, List<Job> jobs, List<Bonus> bonuses) {
    /** @param start at least 0 */
    public record Slot(long start, long endExclusive) {}

    /** Finished at or before {@code by} is worth {@code value}. @param by can be past */
    public record Step(long by, long value) {}

    /**
     * One way to do a job.
     *
     * @param bank whose tokens it costs, by its place; any where it costs none
     * @param tokens spent whether it earns or not
     * @param steps ascending in {@code by}, never rising in value; after the last, or with none, it earns 0
     */
    public record Mode(int bank, int tokens, List<Step> steps) {
        public Mode {
            steps = List.copyOf(steps);
        }

        /** What it earns when it is finished then. Logarithmic in the number of steps. */
        public long valueAt(long finish) {
            int low = 0;
            int high = steps.size();
            while (low < high) {
                int middle = (low + high) >>> 1;
                if (steps.get(middle).by() < finish) {
                    low = middle + 1;
                } else {
                    high = middle;
                }
            }
            return low == steps.size() ? 0 : steps.get(low).value();
        }
    }

    /**
     * @param effort minutes of work, at least 1
     * @param release can't start before; often past
     * @param after jobs that must be finished first
     * @param lag wall minutes that must pass after the last of those finishes
     */
    public record Job(String id, long effort, long release, List<Integer> after, long lag, List<Mode> modes) {
        public Job {
            after = List.copyOf(after);
            modes = List.copyOf(modes);
        }
    }

    /** If what its jobs earn adds up to at least {@code need}, {@code bonus} is added. */
    public record Bonus(List<Integer> jobs, long need, long bonus) {
        public Bonus {
            jobs = jobs.stream().distinct().toList();
        }
    }

    /** @throws app.navlo.core.check.IllegalInput naming everything that doesn't fit */
    public PlanProblem {
        slots = List.copyOf(slots);
        banks = List.copyOf(banks);
        jobs = List.copyOf(jobs);
        bonuses = List.copyOf(bonuses);
        Check check = new Check();
        checkSlots(check, slots);
        for (int i = 0; i < banks.size(); i++) {
            check.notNegative(banks.get(i), "banks[" + i + "]");
        }
        for (int i = 0; i < jobs.size(); i++) {
            checkJob(check, "jobs[" + i + "]", jobs.get(i), jobs.size(), banks.size());
        }
        for (int i = 0; i < bonuses.size(); i++) {
            checkBonus(check, "bonuses[" + i + "]", bonuses.get(i), jobs.size());
        }
        check.orThrow();
        checkCircles(jobs);
    }

    private static void checkSlots(Check check, List<Slot> slots) {
        long before = 0;
        for (int i = 0; i < slots.size(); i++) {
            Slot slot = slots.get(i);
            String field = "slots[" + i + "]";
            check.that(slot.start() >= before, field + ".start", "lies before the end of the slot before it, or now")
                    .that(slot.endExclusive() > slot.start(), field + ".end", "isn't after its start");
            before = slot.endExclusive();
        }
    }

    private static void checkJob(Check check, String field, Job job, int jobs, int banks) {
        check.atLeast(1, job.effort(), field + ".effort").notNegative(job.lag(), field + ".lag");
        job.after()
                .forEach(one -> check.that(
                        one >= 0 && one < jobs, field + ".after", "names job " + one + ", which isn't there"));
        for (int m = 0; m < job.modes().size(); m++) {
            Mode mode = job.modes().get(m);
            String at = field + ".modes[" + m + "]";
            check.notNegative(mode.tokens(), at + ".tokens")
                    .that(
                            mode.tokens() == 0 || (mode.bank() >= 0 && mode.bank() < banks),
                            at + ".bank",
                            "names bank " + mode.bank() + ", which isn't there");
            for (int s = 0; s < mode.steps().size(); s++) {
                Step step = mode.steps().get(s);
                check.notNegative(step.value(), at + ".steps[" + s + "].value");
                check.that(
                        s == 0
                                || (mode.steps().get(s - 1).by() < step.by()
                                        && mode.steps().get(s - 1).value() >= step.value()),
                        at + ".steps[" + s + "]",
                        "isn't later than the step before it, or is worth more");
            }
        }
    }

    private static void checkBonus(Check check, String field, Bonus bonus, int jobs) {
        check.atLeast(1, bonus.need(), field + ".need").notNegative(bonus.bonus(), field + ".bonus");
        bonus.jobs()
                .forEach(one -> check.that(
                        one >= 0 && one < jobs, field + ".jobs", "names job " + one + ", which isn't there"));
    }

    /** Jobs that wait for each other in a circle can never be done. */
    private static void checkCircles(List<Job> jobs) {
        Map<Integer, Boolean> done = new HashMap<>();
        Check check = new Check();
        for (int i = 0; i < jobs.size(); i++) {
            check.that(ends(jobs, i, done, new HashSet<>()), "jobs[" + i + "].after", "leads back to itself");
        }
        check.orThrow();
    }

    private static boolean ends(List<Job> jobs, int job, Map<Integer, Boolean> done, Set<Integer> path) {
        Boolean known = done.get(job);
        if (known != null) {
            return known;
        }
        if (!path.add(job)) {
            return false;
        }
        boolean ends = jobs.get(job).after().stream().allMatch(before -> ends(jobs, before, done, path));
        path.remove(job);
        done.put(job, ends);
        return ends;
    }
}
