package app.navlo.core.next;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;

/** What waits for what, by place. A wait that would go round in a circle isn't taken in. */
final class Waiting {
    private final List<List<Integer>> after = new ArrayList<>();
    /** For each, all that it has to be done before, however far on. */
    private final BitSet[] leadsTo;

    Waiting(int jobs) {
        leadsTo = new BitSet[jobs];
        for (int i = 0; i < jobs; i++) {
            after.add(new ArrayList<>());
            leadsTo[i] = new BitSet(jobs);
        }
    }

    List<Integer> after(int job) {
        return after.get(job);
    }

    /** Has {@code then} wait for {@code first}, unless that waits for it. */
    void add(int first, int then) {
        if (first == then || leadsTo[then].get(first) || after.get(then).contains(first)) {
            return;
        }
        after.get(then).add(first);
        for (int i = 0; i < leadsTo.length; i++) {
            if (i == first || leadsTo[i].get(first)) {
                leadsTo[i].or(leadsTo[then]);
                leadsTo[i].set(then);
            }
        }
    }
}
