package app.navlo.core.grade;

import app.navlo.core.exact.Rational;
import app.navlo.core.id.WorkId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** All required work done, and named pieces of work at or above their threshold. It has no percent. */
public record CompletionScheme(List<Threshold> thresholds) implements Scheme {
    public CompletionScheme {
        thresholds = List.copyOf(thresholds);
    }

    /** @param earned kept points; null while there is no score */
    public record Item(
            WorkId id,
            boolean required,
            boolean done,
            Rational possible,
            @Nullable Rational earned) {
        @Nullable
        Rational percent() {
            return earned == null || possible.isZero()
                    ? null
                    : earned.times(Rational.HUNDRED).dividedBy(possible);
        }
    }

    /** @param percent null while there is no score */
    public record Below(WorkId work, @Nullable Rational percent, Rational from) {}

    /** @param undone required work that isn't done */
    public record Path(boolean complete, List<WorkId> undone, List<Below> below) {}

    public Path path(List<Item> items) {
        Map<WorkId, Item> byId = items.stream().collect(Collectors.toMap(Item::id, Function.identity()));
        List<WorkId> undone = items.stream()
                .filter(item -> item.required() && !item.done())
                .map(Item::id)
                .toList();
        List<Below> below = new ArrayList<>();
        for (Threshold threshold : thresholds) {
            Item item = byId.get(threshold.work());
            Rational percent = item == null ? null : item.percent();
            if (percent == null || percent.compareTo(threshold.percent()) < 0) {
                below.add(new Below(threshold.work(), percent, threshold.percent()));
            }
        }
        return new Path(undone.isEmpty() && below.isEmpty(), undone, below);
    }

    @Override
    public Grade grade(List<Valued> work) {
        return new Grade(null, work.size(), List.of(), List.of());
    }

    @Override
    public Grade gradeAsChosen(List<Valued> work, Grade chosen) {
        return grade(work);
    }
}
