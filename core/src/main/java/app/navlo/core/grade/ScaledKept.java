package app.navlo.core.grade;

import java.math.BigInteger;
import java.util.Arrays;
import org.jspecify.annotations.Nullable;

/** {@link BestKept} by points in longs, for numbers so narrow that no sum of products overflows. */
final class ScaledKept {
    private static final int FITS = 62;

    private final long[] earned;
    private final long[] possible;
    private final long extra;

    private ScaledKept(long[] earned, long[] possible, long extra) {
        this.earned = earned;
        this.possible = possible;
        this.extra = extra;
    }

    /** As {@link BestKept#keep}; null where the numbers are too wide for this. */
    static @Nullable Boolean tryKeep(WholePoints points, int many, boolean[] kept) {
        long widest = Math.max(points.widestEarned(), points.extra().bitLength());
        int sums = Integer.SIZE - Integer.numberOfLeadingZeros(kept.length + 1);
        if (widest + points.widestPossible() + 2L * sums + 1 > FITS) {
            return null;
        }
        return new ScaledKept(
                        longs(points.earned()),
                        longs(points.possible()),
                        points.extra().longValueExact())
                .keep(many, kept);
    }

    private static long[] longs(BigInteger[] values) {
        return Arrays.stream(values).mapToLong(BigInteger::longValueExact).toArray();
    }

    private boolean keep(int many, boolean[] kept) {
        Arrays.fill(kept, 0, many, true);
        Arrays.fill(kept, many, kept.length, false);
        long[] keys = new long[kept.length];
        while (true) {
            long top = extra;
            long bottom = 0;
            for (int i = 0; i < kept.length; i++) {
                top = kept[i] ? top + earned[i] : top;
                bottom = kept[i] ? bottom + possible[i] : bottom;
            }
            long[] sorted = keys(keys, top, bottom);
            long least = sorted[sorted.length - many];
            boolean stands = sum(keys, kept) == sumOfLast(sorted, many);
            if (stands) {
                return keepFrom(least, keys, many, kept) && sorted[sorted.length - many - 1] < least;
            }
            keepFrom(least, keys, many, kept);
        }
    }

    private long[] keys(long[] keys, long top, long bottom) {
        for (int i = 0; i < keys.length; i++) {
            keys[i] = earned[i] * bottom - top * possible[i];
        }
        long[] sorted = keys.clone();
        Arrays.sort(sorted);
        return sorted;
    }

    private static long sum(long[] keys, boolean[] kept) {
        long sum = 0;
        for (int i = 0; i < keys.length; i++) {
            sum = kept[i] ? sum + keys[i] : sum;
        }
        return sum;
    }

    private static long sumOfLast(long[] sorted, int many) {
        long sum = 0;
        for (int i = sorted.length - many; i < sorted.length; i++) {
            sum = sum + sorted[i];
        }
        return sum;
    }

    /** Keeps all above {@code least}, and of those equal to it the first ones. */
    private static boolean keepFrom(long least, long[] keys, int many, boolean[] kept) {
        int equal = many;
        for (long key : keys) {
            equal -= key > least ? 1 : 0;
        }
        for (int i = 0; i < keys.length; i++) {
            kept[i] = keys[i] > least || (keys[i] == least && equal-- > 0);
        }
        return true;
    }
}
