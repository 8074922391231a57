package app.navlo.core.exact;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class RationalTest {
    private static final int ROUNDS = 20_000;

    /** Small numbers, and numbers near the edge where longs stop to suffice. */
    private static BigInteger whole(Random random) {
        return switch (random.nextInt(4)) {
            case 0 -> BigInteger.valueOf(random.nextInt(41) - 20);
            case 1 -> BigInteger.valueOf(random.nextInt());
            case 2 -> BigInteger.valueOf(random.nextLong());
            default ->
                BigInteger.valueOf(Long.MAX_VALUE - random.nextInt(3))
                        .multiply(BigInteger.valueOf(random.nextInt(3) - 1));
        };
    }

    private static Rational rational(Random random) {
        BigInteger denominator = whole(random);
        return Rational.of(whole(random), denominator.signum() == 0 ? BigInteger.ONE : denominator);
    }

    @Test
    public void arithmeticAgreesWithBigIntegers() {
        Random random = new Random(11);
        for (int i = 0; i < ROUNDS; i++) {
            Rational a = rational(random);
            Rational b = rational(random);
            assertEquals(
                    a.plus(b),
                    Rational.of(
                            a.num().multiply(b.den()).add(b.num().multiply(a.den())),
                            a.den().multiply(b.den())));
            assertEquals(
                    a.times(b), Rational.of(a.num().multiply(b.num()), a.den().multiply(b.den())));
            assertEquals(a.minus(b).plus(b), a);
            assertEquals(
                    a.compareTo(b),
                    a.num().multiply(b.den()).compareTo(b.num().multiply(a.den())),
                    a + " against " + b);
            if (!b.isZero()) {
                assertEquals(a.dividedBy(b).times(b), a);
            }
        }
    }

    @Test
    public void everyValueIsInLowestTermsWithAPositiveDenominator() {
        Random random = new Random(12);
        for (int i = 0; i < ROUNDS; i++) {
            Rational value = rational(random).plus(rational(random));
            assertTrue(value.den().signum() > 0, value.toString());
            assertEquals(value.num().gcd(value.den()), BigInteger.ONE, value.toString());
        }
    }

    @Test
    public void equalValuesAreEqualHoweverTheyWereMade() {
        BigInteger huge = BigInteger.TEN.pow(40);
        assertEquals(Rational.of(huge, huge.add(huge)), Rational.of(1, 2));
        assertEquals(
                Rational.of(huge, huge.add(huge)).hashCode(),
                Rational.of(-3, -6).hashCode());
    }

    @DataProvider
    public static Object[][] texts() {
        return new Object[][] {
            {"40", "40"},
            {"135/2", "135/2"},
            {"67.5", "135/2"},
            {"-4/6", "-2/3"},
            {"0.000001", "1/1000000"},
            {"1e2", "100"},
        };
    }

    @Test(dataProvider = "texts")
    public void readsWholeNumbersFractionsAndDecimals(String text, String value) {
        assertEquals(Rational.parse(text).toString(), value);
    }

    @DataProvider
    public static Object[][] noNumbers() {
        return new Object[][] {{""}, {"one"}, {"1/0"}, {"1/"}, {"NaN"}};
    }

    @Test(dataProvider = "noNumbers")
    public void saysWhatIsNoNumber(String text) {
        IllegalArgumentException fault = expectThrows(IllegalArgumentException.class, () -> Rational.parse(text));
        assertTrue(fault.getMessage().contains("'" + text + "'"), fault.getMessage());
    }

    @Test
    public void decimalsAreTakenExactly() {
        assertEquals(Rational.of(new BigDecimal("0.1")).plus(Rational.of(new BigDecimal("0.2"))), Rational.of(3, 10));
    }

    @Test
    public void nothingIsDividedByZero() {
        expectThrows(ArithmeticException.class, () -> Rational.of(1, 0));
        expectThrows(ArithmeticException.class, () -> Rational.ONE.dividedBy(Rational.ZERO));
    }
}
