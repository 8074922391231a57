package app.navlo.core.grade;

import app.navlo.core.exact.Rational;
import java.math.BigInteger;
import java.util.List;

/** Points of items, all scaled by one common denominator to whole numbers; which are best to keep stays the same. */
record WholePoints(BigInteger[] earned, BigInteger[] possible, BigInteger extra) {

    static WholePoints of(List<Valued> items, Rational extra) {
        BigInteger scale = extra.den();
        for (Valued item : items) {
            scale = lcm(lcm(scale, item.earned().den()), item.possible().den());
        }
        BigInteger[] earned = new BigInteger[items.size()];
        BigInteger[] possible = new BigInteger[items.size()];
        for (int i = 0; i < earned.length; i++) {
            earned[i] = scaled(items.get(i).earned(), scale);
            possible[i] = scaled(items.get(i).possible(), scale);
        }
        return new WholePoints(earned, possible, scaled(extra, scale));
    }

    private static BigInteger lcm(BigInteger a, BigInteger b) {
        return b.equals(BigInteger.ONE) || a.mod(b).signum() == 0
                ? a
                : a.divide(a.gcd(b)).multiply(b);
    }

    private static BigInteger scaled(Rational value, BigInteger scale) {
        BigInteger den = value.den();
        return value.num().multiply(den.equals(BigInteger.ONE) ? scale : scale.divide(den));
    }

    int widestEarned() {
        return widest(earned);
    }

    int widestPossible() {
        return widest(possible);
    }

    private static int widest(BigInteger[] values) {
        int widest = 0;
        for (BigInteger value : values) {
            widest = Math.max(widest, value.bitLength());
        }
        return widest;
    }
}
