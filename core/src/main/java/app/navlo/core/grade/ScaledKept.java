package app.navlo.core.grade;

import app.navlo.core.exact.Rational;
import java.math.BigInteger;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** {@link BestKept} by points in whole numbers: everything scaled by one common denominator, every overflow noticed. */
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
    static @Nullable Boolean tryKeep(List<Valued> items, Rational extra, int many, boolean[] kept) {
        try {
            BigInteger scale = extra.den();
            for (Valued item : items) {
                scale = lcm(lcm(scale, item.earned().den()), item.possible().den());
            }
            long[] earned = new long[items.size()];
            long[] possible = new long[items.size()];
            for (int i = 0; i < earned.length; i++) {
                earned[i] = scaled(items.get(i).earned(), scale);
                possible[i] = scaled(items.get(i).possible(), scale);
            }
            return new ScaledKept(earned, possible, scaled(extra, scale)).keep(many, kept);
        } catch (ArithmeticException tooWide) {
            return null;
        }
    }

    private static BigInteger lcm(BigInteger a, BigInteger b) {
        BigInteger lcm = b.equals(BigInteger.ONE) ? a : a.divide(a.gcd(b)).multiply(b);
        if (lcm.bitLength() > FITS) {
            throw new ArithmeticException("the common denominator is too wide");
        }
        return lcm;
    }

    private static long scaled(Rational value, BigInteger scale) {
        return value.num().multiply(scale.divide(value.den())).longValueExact();
    }

    private boolean keep(int many, boolean[] kept) {
        Arrays.fill(kept, 0, many, true);
        Arrays.fill(kept, many, kept.length, false);
        long[] keys = new long[kept.length];
        while (true) {
            long top = extra;
            long bottom = 0;
            for (int i = 0; i < kept.length; i++) {
                top = kept[i] ? Math.addExact(top, earned[i]) : top;
                bottom = kept[i] ? Math.addExact(bottom, possible[i]) : bottom;
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
            keys[i] = Math.subtractExact(Math.multiplyExact(earned[i], bottom), Math.multiplyExact(top, possible[i]));
        }
        long[] sorted = keys.clone();
        Arrays.sort(sorted);
        return sorted;
    }

    private static long sum(long[] keys, boolean[] kept) {
        long sum = 0;
        for (int i = 0; i < keys.length; i++) {
            sum = kept[i] ? Math.addExact(sum, keys[i]) : sum;
        }
        return sum;
    }

    private static long sumOfLast(long[] sorted, int many) {
        long sum = 0;
        for (int i = sorted.length - many; i < sorted.length; i++) {
            sum = Math.addExact(sum, sorted[i]);
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
