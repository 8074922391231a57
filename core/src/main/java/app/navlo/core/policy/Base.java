package app.navlo.core.policy;

import app.navlo.core.exact.Rational;

/** What a late penalty is a percent of. */
public enum Base {
    POSSIBLE {
        @Override
        Rational of(Rational possible, Rational earned, Rational earnedByDue) {
            return possible;
        }
    },
    EARNED {
        @Override
        Rational of(Rational possible, Rational earned, Rational earnedByDue) {
            return earned;
        }
    },
    /** Only the points that were earned after the due. */
    AFTER_DUE {
        @Override
        Rational of(Rational possible, Rational earned, Rational earnedByDue) {
            return earned.minus(earnedByDue).max(Rational.ZERO);
        }
    };

    abstract Rational of(Rational possible, Rational earned, Rational earnedByDue);

    /** Points lost at so many percent; never more than the base itself where that is what was earned. */
    Rational loss(Rational percent, Rational possible, Rational earned, Rational earnedByDue) {
        Rational base = of(possible, earned, earnedByDue);
        Rational loss = base.times(percent).dividedBy(Rational.HUNDRED);
        return this == POSSIBLE ? loss : loss.min(base);
    }
}
