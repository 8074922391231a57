package app.navlo.core.grade;

import app.navlo.core.exact.Rational;
import app.navlo.core.id.WorkId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Which items of a category are dropped: the highest percents first, then those that leave the best percent. At least
 * one item is always kept, and extra credit is never dropped, though it weighs in what is best.
 *
 * @param percent of what is kept, 0–100 and above; null when nothing or only extra credit counts
 * @param only whether dropping other items would leave a lower percent
 */
public record Drops(@Nullable Rational percent, Set<WorkId> dropped, boolean only) {
    public Drops {
        dropped = Set.copyOf(dropped);
    }

    /** Cost: a sort where the highest are dropped, and a handful of sorts where the lowest are. */
    public static Drops choose(By by, int lowest, int highest, List<Valued> items) {
        List<Valued> extra = new ArrayList<>();
        List<Valued> plain = new ArrayList<>();
        items.forEach(item -> (item.extra() ? extra : plain).add(item));
        if (plain.isEmpty()) {
            return new Drops(null, Set.of(), true);
        }
        int high = Math.min(highest, plain.size() - 1);
        if (high == 0 && lowest == 0) {
            return new Drops(percent(by, plain, extra), Set.of(), true);
        }
        Comparator<Valued> highestFirst = high == 0 ? (a, b) -> 0 : highestFirst(plain);
        List<Valued> left =
                high == 0 ? plain : plain.stream().sorted(highestFirst).toList();
        List<Valued> dropped = new ArrayList<>(left.subList(0, high));
        List<Valued> rest = left.subList(high, left.size());
        boolean[] keep = new boolean[rest.size()];
        int many = rest.size() - Math.min(lowest, rest.size() - 1);
        Rational more = sum(by, extra);
        List<Rational> worths = worths(by, rest);
        boolean only = by == By.MEAN
                ? BestKept.keepLargest(worths.toArray(Rational[]::new), many, keep)
                : BestKept.byPoints(rest, more, many, keep);
        List<Valued> kept = new ArrayList<>();
        List<Rational> keptWorths = new ArrayList<>();
        for (int i = 0; i < keep.length; i++) {
            (keep[i] ? kept : dropped).add(rest.get(i));
            if (keep[i]) {
                keptWorths.add(worths.get(i));
            }
        }
        boolean onlyHigh =
                high == 0 || kept.stream().noneMatch(item -> highestFirst.compare(item, left.get(high - 1)) == 0);
        return new Drops(percent(by, kept, Rational.sum(keptWorths).plus(more)), ids(dropped), only && onlyHigh);
    }

    /** Those that go as the highest, before any lowest. */
    static Set<WorkId> highest(int highest, List<Valued> items) {
        List<Valued> plain = items.stream().filter(item -> !item.extra()).toList();
        int high = Math.max(0, Math.min(highest, plain.size() - 1));
        return ids(plain.stream().sorted(highestFirst(plain)).limit(high).toList());
    }

    /** By percent; ties by points possible, the larger first. */
    private static Comparator<Valued> highestFirst(List<Valued> items) {
        Map<Valued, Rational> percents = new IdentityHashMap<>();
        items.forEach(item -> percents.put(item, item.percent()));
        return Comparator.<Valued, Rational>comparing(percents::get)
                .thenComparing(Valued::possible)
                .reversed();
    }

    /** The percent of a category when just these items are kept; null when only extra credit is. */
    static @Nullable Rational percent(By by, List<Valued> kept, List<Valued> extra) {
        return kept.isEmpty() ? null : percent(by, kept, sum(by, kept).plus(sum(by, extra)));
    }

    private static Rational percent(By by, List<Valued> kept, Rational earned) {
        if (by == By.MEAN) {
            return earned.dividedBy(Rational.of(kept.size()));
        }
        List<Rational> possible = new ArrayList<>(kept.size());
        kept.forEach(item -> possible.add(item.possible()));
        return earned.percentOf(Rational.sum(possible));
    }

    private static Rational sum(By by, List<Valued> items) {
        return items.isEmpty() ? Rational.ZERO : Rational.sum(worths(by, items));
    }

    /** What each adds to the sum: its points, or by mean its percent. */
    private static List<Rational> worths(By by, List<Valued> items) {
        List<Rational> worths = new ArrayList<>(items.size());
        items.forEach(item -> worths.add(by == By.MEAN ? item.percent() : item.earned()));
        return worths;
    }

    private static Set<WorkId> ids(List<Valued> items) {
        Set<WorkId> ids = new HashSet<>();
        items.forEach(item -> ids.add(item.id()));
        return ids;
    }
}
