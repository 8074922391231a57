package app.navlo.core.plan;

import java.util.Arrays;

/** The tokens that the ways of all jobs cost, done or not, and whether another way can be paid for. */
final class TokenBudget {
    private final ProblemArrays c;
    private final JobModes ways;
    private final int[] spent;

    TokenBudget(ProblemArrays c, JobModes ways) {
        this.c = c;
        this.ways = ways;
        spent = new int[c.budget.length];
    }

    /** @param way by job; below 0 for none */
    void recount(int[] way) {
        Arrays.fill(spent, 0);
        for (int job = 0; job < way.length; job++) {
            change(job, -1, way[job]);
        }
    }

    void change(int job, int from, int to) {
        pay(job, from, -1);
        pay(job, to, 1);
    }

    private void pay(int job, int way, int times) {
        if (way >= 0 && ways.tokens[job][way] > 0) {
            spent[ways.bank[job][way]] += times * ways.tokens[job][way];
        }
    }

    /** Whether a job may go from one way to another. */
    boolean pays(int job, int from, int to) {
        if (ways.tokens[job][to] == 0) {
            return true;
        }
        int bank = ways.bank[job][to];
        return spent[bank] - costs(job, from, bank) + ways.tokens[job][to] <= c.budget[bank];
    }

    private int costs(int job, int way, int bank) {
        return way >= 0 && ways.tokens[job][way] > 0 && ways.bank[job][way] == bank ? ways.tokens[job][way] : 0;
    }

    /** A job that has tokens of a bank, the first from a place on; below 0 where no other has. */
    int spender(int bank, int not, int[] way, int from) {
        for (int i = 0; i < way.length; i++) {
            int job = (from + i) % way.length;
            if (job != not && costs(job, way[job], bank) > 0) {
                return job;
            }
        }
        return -1;
    }

    int spent() {
        return Arrays.stream(spent).sum();
    }
}
