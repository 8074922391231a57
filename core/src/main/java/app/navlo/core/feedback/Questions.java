package app.navlo.core.feedback;

import app.navlo.core.exact.Rational;
import java.math.BigInteger;
import java.util.List;
import java.util.OptionalInt;

/** How many questions an attempt had, as far as those that are shown tell it. */
public final class Questions {
    private Questions() {}

    /**
     * @param shown points possible of each question that is shown
     * @param possible points of the whole attempt
     * @return those shown if they are worth the whole; a multiple of them if all are worth the same and that goes into the
     *     whole; empty otherwise
     */
    public static OptionalInt inAll(List<Rational> shown, Rational possible) {
        Rational worth = Rational.sum(shown);
        if (worth.equals(possible)) {
            return OptionalInt.of(shown.size());
        }
        boolean alike = shown.stream().distinct().count() == 1 && shown.get(0).signum() > 0;
        if (!alike || worth.compareTo(possible) > 0) {
            return OptionalInt.empty();
        }
        Rational count = possible.dividedBy(shown.get(0));
        boolean isNumber = count.den().equals(BigInteger.ONE) && count.num().bitLength() < Integer.SIZE;
        return isNumber ? OptionalInt.of(count.num().intValueExact()) : OptionalInt.empty();
    }
}
