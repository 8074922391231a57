package app.navlo.core.grade;

import app.navlo.core.exact.Rational;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/**
 * Which so many of the items to keep for the highest percent. By mean these are the highest percents. By points it is a
 * ratio of sums, and Dinkelbach's method finds it: guess the ratio r, keep the items of largest earned − r · possible,
 * take their ratio as the next guess; it only rises, and stands still at the best. A handful of rounds, each a sort.
 */
final class BestKept {
    private final By by;
    private final List<Valued> items;
    private final Rational extra;

    /** @param extra points (by mean: percents) of extra credit, which join the sum whatever is kept */
    BestKept(By by, List<Valued> items, Rational extra) {
        this.by = by;
        this.items = items;
        this.extra = extra;
    }

    /**
     * @param many from 1 to the number of items
     * @param kept receives the answer
     * @return whether no other choice is as good
     */
    boolean keep(int many, boolean[] kept) {
        if (many == items.size()) {
            Arrays.fill(kept, true);
            return true;
        }
        if (by == By.MEAN) {
            return keepLargest(items.stream().map(Valued::percent).toArray(Rational[]::new), many, kept);
        }
        Boolean only = ScaledKept.tryKeep(items, extra, many, kept);
        return only == null ? keepByPoints(many, kept) : only;
    }

    /** The plain form of {@link ScaledKept}, for numbers that don't fit. */
    boolean keepByPoints(int many, boolean[] kept) {
        Arrays.fill(kept, 0, many, true);
        Arrays.fill(kept, many, kept.length, false);
        while (true) {
            Rational ratio = ratio(kept);
            Rational[] keys = items.stream()
                    .map(item -> item.earned().minus(ratio.times(item.possible())))
                    .toArray(Rational[]::new);
            boolean only = keepLargest(keys, many, kept);
            if (ratio(kept).equals(ratio)) {
                return only;
            }
        }
    }

    private Rational ratio(boolean[] kept) {
        Rational earned = extra;
        Rational possible = Rational.ZERO;
        for (int i = 0; i < kept.length; i++) {
            if (kept[i]) {
                earned = earned.plus(items.get(i).earned());
                possible = possible.plus(items.get(i).possible());
            }
        }
        return earned.dividedBy(possible);
    }

    /** Of equal keys those that come first are kept. */
    private static boolean keepLargest(Rational[] keys, int many, boolean[] kept) {
        Integer[] order = new Integer[keys.length];
        Arrays.setAll(order, i -> i);
        Arrays.sort(order, Comparator.comparing((Integer i) -> keys[i]).reversed());
        Arrays.fill(kept, false);
        for (int i = 0; i < many; i++) {
            kept[order[i]] = true;
        }
        return !keys[order[many - 1]].equals(keys[order[many]]);
    }
}
