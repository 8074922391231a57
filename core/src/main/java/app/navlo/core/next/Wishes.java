package app.navlo.core.next;

import app.navlo.core.id.WorkId;
import java.time.Instant;
import java.util.List;
import java.util.Map;

/**
 * What the student wants of the plan, whatever it costs.
 *
 * @param first work that comes before all other, in this order
 * @param notBefore work that isn't begun before an instant
 * @param before work, each with other work that isn't begun before it is done
 * @param nailed work that is done from an instant on, whatever else would be; past once its minutes are over
 */
public record Wishes(
        List<WorkId> first, Map<WorkId, Instant> notBefore, Map<WorkId, WorkId> before, Map<WorkId, Instant> nailed) {
    public static final Wishes NONE = new Wishes(List.of(), Map.of(), Map.of());

    public Wishes(List<WorkId> first, Map<WorkId, Instant> notBefore, Map<WorkId, WorkId> before) {
        this(first, notBefore, before, Map.of());
    }

    public Wishes {
        first = first.stream().distinct().toList();
        notBefore = Map.copyOf(notBefore);
        before = Map.copyOf(before);
        nailed = Map.copyOf(nailed);
    }

    /** Whether anything was wished of the place of this work. */
    boolean ahead(WorkId work) {
        return first.contains(work) || before.containsKey(work);
    }
}
