package app.navlo.core.plan;

import java.util.Arrays;

/** The earliest that each job can begin, if nothing but what it waits for is done before it. */
final class EarliestStarts {
    private final ProblemArrays c;
    private final long[] head;
    private final boolean[][] ancestors;

    EarliestStarts(ProblemArrays c) {
        this.c = c;
        head = new long[c.n];
        Arrays.fill(head, -1);
        ancestors = new boolean[c.n][];
    }

    /** In free minutes; beyond all of them for a job that can never begin. */
    long[] head() {
        long[] ends = new long[c.n];
        for (int job = 0; job < c.n; job++) {
            visit(job, ends);
        }
        return head;
    }

    private void visit(int job, long[] ends) {
        if (head[job] >= 0) {
            return;
        }
        ancestors[job] = new boolean[c.n];
        long work = 0;
        long after = 0;
        boolean never = false;
        for (int first : c.after[job]) {
            visit(first, ends);
            ancestors[job][first] = true;
            never |= ends[first] > c.minutes;
            after = Math.max(after, ends[first]);
            for (int other = 0; other < c.n; other++) {
                ancestors[job][other] |= ancestors[first][other];
            }
        }
        for (int other = 0; other < c.n; other++) {
            work += ancestors[job][other] ? c.effort[other] : 0;
        }
        head[job] = never ? c.minutes + 1 : c.start(job, Math.max(after, work), ends);
        ends[job] = head[job] + c.effort[job];
    }
}
