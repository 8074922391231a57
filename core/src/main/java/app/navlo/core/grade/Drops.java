package app.navlo.core.grade;

import app.navlo.core.exact.Rational;
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
public record Drops(@Nullable Rational percent, Set<String> dropped, boolean only) {
    public Drops {
        dropped = Set.copyOf(dropped);
    }

    /** Cost: a sort where the highest are dropped, and a handful of sorts where the lowest are. */
    public static Drops choose(By by, int lowest, int highest, List<Valued> items) {
        List<Valued> extra = items.stream().filter(Valued::extra).toList();
        List<Valued> plain = items.stream().filter(item -> !item.extra()).toList();
        if (plain.isEmpty()) {
            return new Drops(null, Set.of(), true);
        }
        int high = Math.min(highest, plain.size() - 1);
        Comparator<Valued> highestFirst = high == 0 ? (a, b) -> 0 : highestFirst(plain);
        List<Valued> left = plain.stream().sorted(highestFirst).toList();
        List<Valued> dropped = new ArrayList<>(left.subList(0, high));
        List<Valued> rest = left.subList(high, left.size());
        boolean[] keep = new boolean[rest.size()];
        int many = rest.size() - Math.min(lowest, rest.size() - 1);
        boolean only = new BestKept(by, rest, sum(by, extra)).keep(many, keep);
        List<Valued> kept = new ArrayList<>();
        for (int i = 0; i < keep.length; i++) {
            (keep[i] ? kept : dropped).add(rest.get(i));
        }
        boolean onlyHigh =
                high == 0 || kept.stream().noneMatch(item -> highestFirst.compare(item, left.get(high - 1)) == 0);
        return new Drops(percent(by, kept, extra), ids(dropped), only && onlyHigh);
    }

    /** Those that go as the highest, before any lowest. */
    static Set<String> highest(int highest, List<Valued> items) {
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
        if (kept.isEmpty()) {
            return null;
        }
        Rational earned = sum(by, kept).plus(sum(by, extra));
        if (by == By.MEAN) {
            return earned.dividedBy(Rational.of(kept.size()));
        }
        Rational possible = Rational.ZERO;
        for (Valued item : kept) {
            possible = possible.plus(item.possible());
        }
        return earned.times(Rational.HUNDRED).dividedBy(possible);
    }

    private static Rational sum(By by, List<Valued> items) {
        Rational sum = Rational.ZERO;
        for (Valued item : items) {
            sum = sum.plus(by == By.MEAN ? item.percent() : item.earned());
        }
        return sum;
    }

    private static Set<String> ids(List<Valued> items) {
        Set<String> ids = new HashSet<>();
        items.forEach(item -> ids.add(item.id()));
        return ids;
    }
}
