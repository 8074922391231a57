package app.navlo.core.gate;

import app.navlo.core.id.WorkId;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;

/** Looks for work that waits for itself. Depth first; each piece of work and each wait is looked at once. */
final class CycleSearch {
    private final Collection<WorkId> ids;
    private final Function<WorkId, Set<WorkId>> waitsFor;
    private final Set<WorkId> cleared = new HashSet<>();
    private final List<WorkId> path = new ArrayList<>();

    CycleSearch(Collection<WorkId> ids, Function<WorkId, Set<WorkId>> waitsFor) {
        this.ids = ids;
        this.waitsFor = waitsFor;
    }

    Optional<List<WorkId>> find() {
        return ids.stream().sorted().map(this::from).flatMap(Optional::stream).findFirst();
    }

    private Optional<List<WorkId>> from(WorkId id) {
        if (path.contains(id)) {
            return Optional.of(leastFirst(path.subList(path.indexOf(id), path.size())));
        }
        if (cleared.contains(id)) {
            return Optional.empty();
        }
        path.add(id);
        for (WorkId next : waitsFor.apply(id)) {
            Optional<List<WorkId>> cycle = from(next);
            if (cycle.isPresent()) {
                return cycle;
            }
        }
        path.remove(path.size() - 1);
        cleared.add(id);
        return Optional.empty();
    }

    private static List<WorkId> leastFirst(List<WorkId> cycle) {
        WorkId least = cycle.stream().min(Comparator.naturalOrder()).orElseThrow();
        List<WorkId> turned = new ArrayList<>(cycle.subList(cycle.indexOf(least), cycle.size()));
        turned.addAll(cycle.subList(0, cycle.indexOf(least)));
        return turned;
    }
}
