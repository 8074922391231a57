package app.navlo.core.grade;

import app.navlo.core.check.Check;
import app.navlo.core.exact.Rational;
import app.navlo.core.id.CategoryId;
import app.navlo.core.id.WorkId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Weighted categories: Σ weight · percent over those that have something counted, divided by their Σ weight. An empty
 * category so gives its weight up to the others in proportion. An extra-credit category adds weight · percent on top.
 */
public record WeightedScheme(List<Category> categories) implements Scheme {
    public WeightedScheme {
        categories = List.copyOf(categories);
        Set<CategoryId> ids = new HashSet<>();
        Check check = new Check().that(!categories.isEmpty(), "categories", "is empty; name at least one");
        for (int i = 0; i < categories.size(); i++) {
            CategoryId id = categories.get(i).id();
            check.that(ids.add(id), "categories[" + i + "].id", "is '" + id + "' a second time; each needs its own");
        }
        check.that(
                categories.isEmpty()
                        || categories.stream()
                                .anyMatch(c -> !c.extra() && c.weight().signum() > 0),
                "categories",
                "give no weight; at least one that isn't extra credit needs a weight above 0");
        check.orThrow();
    }

    @Override
    public Grade grade(List<Valued> work) {
        List<List<Valued>> parted = parted(work);
        return total(parted, drops(parted));
    }

    private List<Drops> drops(List<List<Valued>> parted) {
        List<Drops> drops = new ArrayList<>();
        for (int i = 0; i < categories.size(); i++) {
            drops.add(drops(categories.get(i), parted.get(i)));
        }
        return drops;
    }

    private static Drops drops(Category category, List<Valued> items) {
        return Drops.choose(category.by(), category.dropLowest(), category.dropHighest(), items);
    }

    /** Only the category of what changed is looked at anew. */
    @Override
    public Regrade regrade(List<Valued> work) {
        List<List<Valued>> parted = parted(work);
        List<Drops> drops = drops(parted);
        return changed -> {
            List<Drops> then = new ArrayList<>(drops);
            for (int i = 0; i < categories.size(); i++) {
                if (categories.get(i).id().equals(changed.category())) {
                    then.set(i, drops(categories.get(i), Scheme.with(changed, parted.get(i))));
                }
            }
            return figure(then);
        };
    }

    @Override
    public Grade gradeAsChosen(List<Valued> work, Grade chosen) {
        List<List<Valued>> parted = parted(work);
        List<Drops> drops = new ArrayList<>();
        for (int i = 0; i < categories.size(); i++) {
            Set<WorkId> dropped = chosen.parts().get(i).dropped();
            List<Valued> items = parted.get(i);
            List<Valued> extra = items.stream().filter(Valued::extra).toList();
            List<Valued> kept = items.stream()
                    .filter(item -> !item.extra() && !dropped.contains(item.id()))
                    .toList();
            drops.add(new Drops(Drops.percent(categories.get(i).by(), kept, extra), dropped, true));
        }
        return total(parted, drops);
    }

    /** Over all categories: what goes as the highest, before any lowest. */
    Set<WorkId> highestDropped(List<Valued> work) {
        Set<WorkId> ids = new HashSet<>();
        List<List<Valued>> parted = parted(work);
        for (int i = 0; i < parted.size(); i++) {
            ids.addAll(Drops.highest(categories.get(i).dropHighest(), parted.get(i)));
        }
        return ids;
    }

    WeightedScheme withoutHighest() {
        return new WeightedScheme(categories.stream()
                .map(c -> new Category(c.id(), c.name(), c.weight(), c.by(), c.dropLowest(), 0, c.extra()))
                .toList());
    }

    /** The work of each category, in the order of the categories. */
    private List<List<Valued>> parted(List<Valued> work) {
        Map<CategoryId, List<Valued>> byId = new HashMap<>();
        List<List<Valued>> parted = new ArrayList<>();
        for (Category category : categories) {
            List<Valued> mine = new ArrayList<>();
            byId.put(category.id(), mine);
            parted.add(mine);
        }
        for (Valued one : work) {
            List<Valued> mine = byId.get(one.category());
            if (mine != null) {
                mine.add(one);
            }
        }
        return parted;
    }

    private Grade total(List<List<Valued>> parted, List<Drops> drops) {
        int counted = parted.stream().mapToInt(List::size).sum();
        return new Grade(figure(drops), counted, parts(parted, drops, weights(drops)), List.of());
    }

    /** The sum of the weights of those that have something counted, extra credit aside. */
    private Rational weights(List<Drops> drops) {
        Rational weights = Rational.ZERO;
        for (int i = 0; i < drops.size(); i++) {
            boolean counts =
                    drops.get(i).percent() != null && !categories.get(i).extra();
            weights = counts ? weights.plus(categories.get(i).weight()) : weights;
        }
        return weights;
    }

    private @Nullable Rational figure(List<Drops> drops) {
        Rational sum = Rational.ZERO;
        Rational onTop = Rational.ZERO;
        for (int i = 0; i < drops.size(); i++) {
            Category category = categories.get(i);
            Rational percent = drops.get(i).percent();
            if (percent == null) {
                continue;
            }
            Rational weighed = category.weight().times(percent);
            if (category.extra()) {
                onTop = onTop.plus(weighed.dividedBy(Rational.HUNDRED));
            } else {
                sum = sum.plus(weighed);
            }
        }
        Rational weights = weights(drops);
        return weights.isZero() ? null : sum.dividedBy(weights).plus(onTop);
    }

    private List<Grade.Part> parts(List<List<Valued>> parted, List<Drops> drops, Rational weights) {
        List<Grade.Part> parts = new ArrayList<>();
        for (int i = 0; i < drops.size(); i++) {
            Category category = categories.get(i);
            Drops chosen = drops.get(i);
            parts.add(new Grade.Part(
                    category.id(),
                    category.name(),
                    chosen.percent(),
                    chosen.percent() == null ? null : share(category, weights),
                    chosen.dropped(),
                    chosen.only(),
                    parted.get(i).size()));
        }
        return parts;
    }

    private static @Nullable Rational share(Category category, Rational weights) {
        if (category.extra()) {
            return category.weight();
        }
        return weights.isZero()
                ? Rational.ZERO
                : category.weight().times(Rational.HUNDRED).dividedBy(weights);
    }
}
