package app.navlo.core.plan;

import app.navlo.core.plan.PlanProblem.Slot;
import java.util.List;

/**
 * Free time without its gaps: minute {@code p} of it is the p-th free minute. Work that goes on through the slots is a
 * plain stretch here.
 */
final class FreeTime {
    private final long[] starts;
    private final long[] ends;
    /** Free minutes before each slot, and after the last. */
    private final long[] before;

    FreeTime(List<Slot> slots) {
        int n = slots.size();
        starts = new long[n];
        ends = new long[n];
        before = new long[n + 1];
        for (int i = 0; i < n; i++) {
            starts[i] = slots.get(i).start();
            ends[i] = slots.get(i).endExclusive();
            before[i + 1] = before[i] + ends[i] - starts[i];
        }
    }

    /** All there is. */
    long minutes() {
        return before[before.length - 1];
    }

    /** How many free minutes lie before an instant. */
    long until(long wall) {
        int slot = firstEndingAfter(wall);
        return slot == starts.length ? minutes() : before[slot] + Math.max(0, wall - starts[slot]);
    }

    private int firstEndingAfter(long wall) {
        int low = 0;
        int high = ends.length;
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (ends[middle] <= wall) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        return low;
    }

    /** When work that begins with free minute {@code p} starts. @param p below {@link #minutes()} */
    long startAt(long p) {
        int slot = slotOf(p);
        return starts[slot] + p - before[slot];
    }

    /** When work that uses up the first {@code p} free minutes is finished: at a slot's end, where it fills the slot. */
    long finishAt(long p) {
        int slot = slotOf(p - 1);
        return starts[slot] + p - before[slot];
    }

    /** The slot that holds free minute {@code p}. */
    private int slotOf(long p) {
        int low = 0;
        int high = starts.length - 1;
        while (low < high) {
            int middle = (low + high + 1) >>> 1;
            if (before[middle] <= p) {
                low = middle;
            } else {
                high = middle - 1;
            }
        }
        return low;
    }
}
