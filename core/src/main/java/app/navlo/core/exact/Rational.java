package app.navlo.core.exact;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.math.RoundingMode;
import java.util.Collection;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * An exact fraction in lowest terms with a positive denominator. Immutable, compared by value.
 *
 * <p>Kept in two {@code long}s while they suffice and in {@link BigInteger}s beyond that; the answer is the same either
 * way, only the speed differs.
 */
public final class Rational implements Comparable<Rational> {
    public static final Rational ZERO = new Rational(0, 1);
    public static final Rational ONE = new Rational(1, 1);
    public static final Rational HUNDRED = new Rational(100, 1);

    private static final BigInteger SMALLEST_LONG = BigInteger.valueOf(Long.MIN_VALUE);

    private final long numerator;
    private final long denominator;
    /** Null while the two longs hold the value. */
    private final BigInteger @Nullable [] wide;

    private Rational(long numerator, long denominator) {
        this.numerator = numerator;
        this.denominator = denominator;
        this.wide = null;
    }

    private Rational(BigInteger numerator, BigInteger denominator) {
        this.numerator = 0;
        this.denominator = 0;
        this.wide = new BigInteger[] {numerator, denominator};
    }

    public static Rational of(long whole) {
        return whole == 0 ? ZERO : whole == 1 ? ONE : of(whole, 1);
    }

    /** @throws ArithmeticException if {@code denominator} is 0 */
    public static Rational of(long numerator, long denominator) {
        if (denominator == 0) {
            throw new ArithmeticException("the denominator is 0");
        }
        if (numerator == Long.MIN_VALUE || denominator == Long.MIN_VALUE) {
            return of(BigInteger.valueOf(numerator), BigInteger.valueOf(denominator));
        }
        long common = gcd(Math.abs(numerator), Math.abs(denominator));
        long sign = denominator < 0 ? -1 : 1;
        return new Rational(sign * (numerator / common), sign * (denominator / common));
    }

    /** @throws ArithmeticException if {@code denominator} is 0 */
    public static Rational of(BigInteger numerator, BigInteger denominator) {
        if (denominator.signum() == 0) {
            throw new ArithmeticException("the denominator is 0");
        }
        BigInteger common = numerator.gcd(denominator);
        if (denominator.signum() < 0) {
            common = common.negate();
        }
        BigInteger n = numerator.divide(common);
        BigInteger d = denominator.divide(common);
        boolean fits = fits(n) && fits(d);
        return fits ? new Rational(n.longValue(), d.longValue()) : new Rational(n, d);
    }

    /** One form for each value: whatever fits into longs that can be negated is kept in them. */
    private static boolean fits(BigInteger value) {
        return value.bitLength() < Long.SIZE && !value.equals(SMALLEST_LONG);
    }

    /** The exact value of a finite decimal. */
    public static Rational of(BigDecimal decimal) {
        return decimal.scale() <= 0
                ? of(decimal.toBigIntegerExact(), BigInteger.ONE)
                : of(decimal.unscaledValue(), BigInteger.TEN.pow(decimal.scale()));
    }

    /**
     * Reads a whole number ({@code "40"}), a fraction ({@code "135/2"}) or a finite decimal ({@code "67.5"}).
     *
     * @throws IllegalArgumentException if the text is none of these; the message quotes it
     */
    public static Rational parse(String text) {
        try {
            int slash = text.indexOf('/');
            return slash < 0
                    ? of(new BigDecimal(text.strip()))
                    : of(
                            new BigInteger(text.substring(0, slash).strip()),
                            new BigInteger(text.substring(slash + 1).strip()));
        } catch (ArithmeticException | NumberFormatException e) {
            throw new IllegalArgumentException("'" + text + "' is not a number: write it like 40, 67.5 or 135/2", e);
        }
    }

    public Rational plus(Rational other) {
        if (wide == null && other.wide == null) {
            Rational sum = narrowPlus(other);
            if (sum != null) {
                return sum;
            }
        }
        return of(num().multiply(other.den()).add(other.num().multiply(den())), den().multiply(other.den()));
    }

    /** Null where the longs don't suffice. */
    private @Nullable Rational narrowPlus(Rational other) {
        long common = denominator == other.denominator ? denominator : gcd(denominator, other.denominator);
        long mine = other.denominator / common;
        long theirs = denominator / common;
        if (overflows(numerator, mine) || overflows(other.numerator, theirs) || overflows(denominator, mine)) {
            return null;
        }
        long a = numerator * mine;
        long b = other.numerator * theirs;
        long sum = a + b;
        boolean overflow = ((a ^ sum) & (b ^ sum)) < 0;
        return overflow ? null : of(sum, denominator * mine);
    }

    /** Sums up with one reduction at the end, which is what makes it faster than adding one after another. */
    public static Rational sum(Collection<Rational> values) {
        Rational narrow = narrowSum(values);
        if (narrow != null) {
            return narrow;
        }
        BigInteger common = BigInteger.ONE;
        for (Rational value : values) {
            BigInteger den = value.den();
            common = common.mod(den).signum() == 0
                    ? common
                    : common.divide(common.gcd(den)).multiply(den);
        }
        BigInteger sum = BigInteger.ZERO;
        for (Rational value : values) {
            sum = sum.add(value.num().multiply(common.divide(value.den())));
        }
        return of(sum, common);
    }

    private static @Nullable Rational narrowSum(Collection<Rational> values) {
        long common = 1;
        for (Rational value : values) {
            if (value.wide != null) {
                return null;
            }
            long more = value.denominator / gcd(common, value.denominator);
            if (overflows(common, more)) {
                return null;
            }
            common *= more;
        }
        long sum = 0;
        for (Rational value : values) {
            long scale = common / value.denominator;
            if (overflows(value.numerator, scale)) {
                return null;
            }
            long scaled = value.numerator * scale;
            long next = sum + scaled;
            if (((sum ^ next) & (scaled ^ next)) < 0) {
                return null;
            }
            sum = next;
        }
        return of(sum, common);
    }

    private static boolean overflows(long a, long b) {
        long product = a * b;
        return Math.multiplyHigh(a, b) != product >> (Long.SIZE - 1) || product == Long.MIN_VALUE;
    }

    public Rational minus(Rational other) {
        return plus(other.negate());
    }

    public Rational times(Rational other) {
        if (wide == null && other.wide == null) {
            long a = gcd(Math.abs(numerator), other.denominator);
            long b = gcd(Math.abs(other.numerator), denominator);
            long left = numerator / a;
            long right = other.numerator / b;
            long below = denominator / b;
            long otherBelow = other.denominator / a;
            if (!overflows(left, right) && !overflows(below, otherBelow)) {
                return left * right == 0 ? ZERO : new Rational(left * right, below * otherBelow);
            }
        }
        return of(num().multiply(other.num()), den().multiply(other.den()));
    }

    /** @throws ArithmeticException if {@code other} is 0 */
    public Rational dividedBy(Rational other) {
        return times(other.inverse());
    }

    /**
     * This as a percent of {@code whole}: 100 · this / whole.
     *
     * @throws ArithmeticException if {@code whole} is 0
     */
    public Rational percentOf(Rational whole) {
        if (wide == null && whole.wide == null && whole.numerator != 0) {
            long left = numerator * HUNDRED.numerator;
            boolean narrow = !overflows(numerator, HUNDRED.numerator)
                    && !overflows(left, whole.denominator)
                    && !overflows(denominator, whole.numerator);
            if (narrow) {
                return of(left * whole.denominator, denominator * whole.numerator);
            }
        }
        return times(HUNDRED).dividedBy(whole);
    }

    /** @throws ArithmeticException if this is 0 */
    public Rational inverse() {
        return wide == null ? of(denominator, numerator) : of(den(), num());
    }

    public Rational negate() {
        return wide == null ? new Rational(-numerator, denominator) : of(num().negate(), den());
    }

    public Rational max(Rational other) {
        return compareTo(other) >= 0 ? this : other;
    }

    public Rational min(Rational other) {
        return compareTo(other) <= 0 ? this : other;
    }

    /** −1, 0 or 1. */
    public int signum() {
        return wide == null ? Long.signum(numerator) : wide[0].signum();
    }

    public boolean isZero() {
        return signum() == 0;
    }

    public BigInteger num() {
        return wide == null ? BigInteger.valueOf(numerator) : wide[0];
    }

    public BigInteger den() {
        return wide == null ? BigInteger.valueOf(denominator) : wide[1];
    }

    /** The nearest decimal with {@code scale} places; exact only if the value has no more. */
    public BigDecimal toDecimal(int scale, RoundingMode rounding) {
        return new BigDecimal(num()).divide(new BigDecimal(den()), scale, rounding);
    }

    @Override
    public int compareTo(Rational other) {
        if (wide == null && other.wide == null) {
            if (denominator == other.denominator) {
                return Long.compare(numerator, other.numerator);
            }
            long high = Math.multiplyHigh(numerator, other.denominator);
            long otherHigh = Math.multiplyHigh(other.numerator, denominator);
            return high != otherHigh
                    ? Long.compare(high, otherHigh)
                    : Long.compareUnsigned(numerator * other.denominator, other.numerator * denominator);
        }
        return num().multiply(other.den()).compareTo(other.num().multiply(den()));
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Rational that
                && (wide == null) == (that.wide == null)
                && (wide == null
                        ? numerator == that.numerator && denominator == that.denominator
                        : num().equals(that.num()) && den().equals(that.den()));
    }

    @Override
    public int hashCode() {
        return wide == null ? Objects.hash(numerator, denominator) : Objects.hash(wide[0], wide[1]);
    }

    /** A whole number or a fraction in lowest terms: {@code "40"}, {@code "135/2"}. */
    @Override
    public String toString() {
        return den().equals(BigInteger.ONE) ? num().toString() : num() + "/" + den();
    }

    /** By halving, which a machine does faster than dividing. Neither is negative; of two zeros it is 1. */
    private static long gcd(long a, long b) {
        if (a == 1 || b == 1) {
            return 1;
        }
        if (a == 0 || b == 0) {
            return a + b == 0 ? 1 : a + b;
        }
        int twos = Long.numberOfTrailingZeros(a | b);
        long odd = a >> Long.numberOfTrailingZeros(a);
        long rest = b;
        while (rest != 0) {
            rest >>= Long.numberOfTrailingZeros(rest);
            long less = Math.min(odd, rest);
            rest = Math.abs(rest - odd);
            odd = less;
        }
        return odd << twos;
    }
}
