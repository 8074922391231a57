package app.navlo.core.exact;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.expectThrows;

import java.math.BigInteger;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.testng.annotations.Test;

/** Sums and percents that take a short cut, against those that don't. */
public class SumTest {
    private static final int ROUNDS = 4_000;

    private static Rational some(Random random) {
        long top = random.nextInt(5) == 0 ? random.nextLong() : random.nextInt(400) - 100L;
        long bottom = random.nextInt(6) == 0 ? random.nextLong() | 1 : 1 + random.nextInt(60);
        return Rational.of(BigInteger.valueOf(top), BigInteger.valueOf(bottom));
    }

    @Test
    public void aSumIsWhatAddingOneAfterAnotherGives() {
        Random random = new Random(31);
        for (int i = 0; i < ROUNDS; i++) {
            List<Rational> values = new ArrayList<>();
            Rational slow = Rational.ZERO;
            for (int k = random.nextInt(12); k > 0; k--) {
                Rational value = some(random);
                values.add(value);
                slow = slow.plus(value);
            }
            assertEquals(Rational.sum(values), slow, values.toString());
        }
    }

    @Test
    public void aPercentIsAHundredTimesTheShare() {
        Random random = new Random(32);
        for (int i = 0; i < ROUNDS; i++) {
            Rational part = some(random);
            Rational whole = some(random);
            if (!whole.isZero()) {
                assertEquals(part.percentOf(whole), part.times(Rational.HUNDRED).dividedBy(whole));
            }
        }
    }

    @Test
    public void aPercentOfNothingIsRefused() {
        expectThrows(ArithmeticException.class, () -> Rational.ONE.percentOf(Rational.ZERO));
    }

    @Test
    public void anEmptySumIsZero() {
        assertEquals(Rational.sum(List.of()), Rational.ZERO);
    }
}
