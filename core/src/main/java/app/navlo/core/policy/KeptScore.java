package app.navlo.core.policy;

import app.navlo.core.exact.Rational;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** Which score stands when several attempts have one. */
public enum KeptScore {
    HIGHEST,
    LATEST,
    FIRST,
    MEAN;

    /**
     * @param scores in the order of the attempts
     * @return empty if there are none
     */
    public Optional<Rational> pick(List<Rational> scores) {
        if (scores.isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(
                switch (this) {
                    case HIGHEST ->
                        scores.stream().max(Comparator.naturalOrder()).orElseThrow();
                    case LATEST -> scores.get(scores.size() - 1);
                    case FIRST -> scores.get(0);
                    case MEAN ->
                        scores.stream().reduce(Rational.ZERO, Rational::plus).dividedBy(Rational.of(scores.size()));
                });
    }
}
