package app.navlo.core.gate;

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
    private final Collection<String> ids;
    private final Function<String, Set<String>> waitsFor;
    private final Set<String> cleared = new HashSet<>();
    private final List<String> path = new ArrayList<>();

    CycleSearch(Collection<String> ids, Function<String, Set<String>> waitsFor) {
        this.ids = ids;
        this.waitsFor = waitsFor;
    }

    Optional<List<String>> find() {
        return ids.stream().sorted().map(this::from).flatMap(Optional::stream).findFirst();
    }

    private Optional<List<String>> from(String id) {
        if (path.contains(id)) {
            return Optional.of(leastFirst(path.subList(path.indexOf(id), path.size())));
        }
        if (cleared.contains(id)) {
            return Optional.empty();
        }
        path.add(id);
        for (String next : waitsFor.apply(id)) {
            Optional<List<String>> cycle = from(next);
            if (cycle.isPresent()) {
                return cycle;
            }
        }
        path.remove(path.size() - 1);
        cleared.add(id);
        return Optional.empty();
    }

    private static List<String> leastFirst(List<String> cycle) {
        String least = cycle.stream().min(Comparator.naturalOrder()).orElseThrow();
        List<String> turned = new ArrayList<>(cycle.subList(cycle.indexOf(least), cycle.size()));
        turned.addAll(cycle.subList(0, cycle.indexOf(least)));
        return turned;
    }
}
