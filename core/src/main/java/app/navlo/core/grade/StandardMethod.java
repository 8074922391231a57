package app.navlo.core.grade;

import app.navlo.core.exact.Rational;
import java.util.Comparator;
import java.util.List;

/** How a standard's rating comes from its evidence, in the order in which it was given. */
public enum StandardMethod {
    LATEST {
        @Override
        public Rational rate(List<Rational> evidence) {
            return evidence.get(evidence.size() - 1);
        }
    },
    HIGHEST {
        @Override
        public Rational rate(List<Rational> evidence) {
            return evidence.stream().max(Comparator.naturalOrder()).orElseThrow();
        }
    },
    MEAN {
        @Override
        public Rational rate(List<Rational> evidence) {
            return evidence.stream().reduce(Rational.ZERO, Rational::plus).dividedBy(Rational.of(evidence.size()));
        }
    },
    /** r ← 0.65 · new + 0.35 · r, beginning at the first rating. */
    DECAYING {
        @Override
        public Rational rate(List<Rational> evidence) {
            Rational rating = evidence.get(0);
            for (Rational next : evidence.subList(1, evidence.size())) {
                rating = NEW_SHARE.times(next).plus(OLD_SHARE.times(rating));
            }
            return rating;
        }
    };

    private static final Rational NEW_SHARE = Rational.of(65, 100);
    private static final Rational OLD_SHARE = Rational.of(35, 100);

    /** @param evidence ratings 0–4, at least one */
    public abstract Rational rate(List<Rational> evidence);
}
