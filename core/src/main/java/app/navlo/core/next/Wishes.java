package app.navlo.core.next;

import java.time.Instant;
import java.util.List;
import java.util.Map;

/**
 * What the student wants of the plan, whatever it costs.
 *
 * @param first work that comes before all other, in this order
 * @param notBefore work that isn't begun before an instant
 */
public record Wishes(List<String> first, Map<String, Instant> notBefore) {
    public static final Wishes NONE = new Wishes(List.of(), Map.of());

    public Wishes {
        first = first.stream().distinct().toList();
        notBefore = Map.copyOf(notBefore);
    }
}
