package app.navlo.core.grade;

import app.navlo.core.exact.Rational;
import java.math.BigInteger;
import java.util.Arrays;
import java.util.List;

/**
 * Which so many of the items to keep for the highest percent. By mean these are the highest percents. By points it is a
 * ratio of sums, and Dinkelbach's method finds it: guess the ratio r, keep the items of largest earned − r · possible,
 * take their ratio as the next guess; it only rises, and stands still at the best. A handful of rounds, each a sort.
 */
final class BestKept {
    private BestKept() {}

    /**
     * @param extra points of extra credit, which join the sum whatever is kept
     * @param many from 1 to the number of items
     * @param kept receives the answer
     * @return whether no other choice is as good
     */
    static boolean byPoints(List<Valued> items, Rational extra, int many, boolean[] kept) {
        if (many == items.size()) {
            Arrays.fill(kept, true);
            return true;
        }
        WholePoints points = WholePoints.of(items, extra);
        Boolean only = ScaledKept.tryKeep(points, many, kept);
        return only == null ? keepByPoints(points, many, kept) : only;
    }

    /** The plain form of {@link ScaledKept}, for numbers of any width. */
    static boolean keepByPoints(WholePoints points, int many, boolean[] kept) {
        Arrays.fill(kept, 0, many, true);
        Arrays.fill(kept, many, kept.length, false);
        BigInteger[] keys = new BigInteger[kept.length];
        while (true) {
            BigInteger top = points.extra().add(sum(points.earned(), kept));
            BigInteger bottom = sum(points.possible(), kept);
            for (int i = 0; i < keys.length; i++) {
                keys[i] = points.earned()[i].multiply(bottom).subtract(points.possible()[i].multiply(top));
            }
            BigInteger before = sum(keys, kept);
            boolean only = keepLargest(keys, many, kept);
            if (sum(keys, kept).equals(before)) {
                return only;
            }
        }
    }

    private static BigInteger sum(BigInteger[] values, boolean[] kept) {
        BigInteger sum = BigInteger.ZERO;
        for (int i = 0; i < kept.length; i++) {
            sum = kept[i] ? sum.add(values[i]) : sum;
        }
        return sum;
    }

    /**
     * Of equal keys those that come first are kept.
     *
     * @return whether no other choice is as good
     */
    static <T extends Comparable<T>> boolean keepLargest(T[] keys, int many, boolean[] kept) {
        if (many == keys.length) {
            Arrays.fill(kept, true);
            return true;
        }
        Integer[] order = new Integer[keys.length];
        Arrays.setAll(order, i -> i);
        Arrays.sort(order, (a, b) -> keys[b].compareTo(keys[a]));
        Arrays.fill(kept, false);
        for (int i = 0; i < many; i++) {
            kept[order[i]] = true;
        }
        return !keys[order[many - 1]].equals(keys[order[many]]);
    }
}
