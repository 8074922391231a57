package app.navlo.core.plan;

import java.util.List;

/**
 * An order of jobs, laid out in the free time, and what it is worth.
 *
 * @param value what the jobs earn, and the bonuses
 */
public record Plan(List<Placed> jobs, long value) {
    public static final Plan NOTHING = new Plan(List.of(), 0);

    public Plan {
        jobs = List.copyOf(jobs);
    }

    /** A job, and the mode in which it is done, both by their place. */
    public record Chosen(int job, int mode) {}

    /** @param value that it earns, finished then */
    public record Placed(int job, int mode, long start, long finish, long value) {}

    public List<Chosen> order() {
        return jobs.stream().map(one -> new Chosen(one.job(), one.mode())).toList();
    }
}
