package app.navlo.core.grade;

import app.navlo.core.check.Check;
import app.navlo.core.exact.Rational;
import app.navlo.core.id.CategoryId;
import app.navlo.core.id.WorkId;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.IntFunction;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * The least uniform percent on what remains that reaches a target. Drops are chosen anew for each percent, so the
 * course's figure is convex between the percents at which the highest drops change their mind; each such stretch is
 * searched from above with tangents, which ends exactly on the answer after a few of them.
 */
public final class Target {
    /**
     * @param percent the least p from which the target is reached for every higher p, 0–100; null when out of reach
     * @param atMost the course's figure at 100; null where it has none
     */
    public record Answer(
            @Nullable Rational percent,
            boolean outOfReach,
            @Nullable Rational atMost) {}

    /** Of a percent, in a whole. */
    public static final int HUNDREDTHS = 100 * 100;

    private final Scheme scheme;
    private final List<Valued> fixed;
    private final List<Valued> vary;
    private final Rational target;

    private Target(Scheme scheme, List<Valued> fixed, List<Valued> vary, Rational target) {
        this.scheme = scheme;
        this.fixed = fixed;
        this.vary = vary;
        this.target = target;
    }

    /**
     * @param fixed work with the value that it keeps
     * @param vary work that gets the same percent of its points possible; the earned points it comes with don't matter
     * @param target in the units of the course's figure, unrounded, at least 0
     */
    public static Answer reach(Scheme scheme, List<Valued> fixed, List<Valued> vary, Rational target) {
        new Check().notNegative(target, "target").orThrow();
        return new Target(scheme, List.copyOf(fixed), List.copyOf(vary), target).solve();
    }

    /**
     * The least hundredth of a percent with which a target is reached, where no line leads there: the figure may fall nowhere
     * when the percent rises; where it does, the answer is one that reaches the target.
     *
     * @param figure the course's with so many hundredths of a percent, 0 to 10,000; null where it has none
     */
    public static Answer search(Rational target, IntFunction<@Nullable Rational> figure) {
        Rational most = figure.apply(HUNDREDTHS);
        if (most == null || most.compareTo(target) < 0) {
            return new Answer(null, true, most);
        }
        int low = -1;
        int high = HUNDREDTHS;
        while (high - low > 1) {
            int middle = (low + high) >>> 1;
            Rational here = figure.apply(middle);
            if (here != null && here.compareTo(target) >= 0) {
                high = middle;
            } else {
                low = middle;
            }
        }
        return new Answer(Rational.of(high, 100), false, most);
    }

    private Answer solve() {
        Rational atMost = figure(Rational.HUNDRED);
        if (atMost == null || atMost.compareTo(target) < 0) {
            return new Answer(null, true, atMost);
        }
        List<Rational> edges = new ArrayList<>(edges());
        for (int i = edges.size() - 1; i > 0; i--) {
            Rational low = edges.get(i - 1);
            Rational high = edges.get(i);
            Stretch stretch = new Stretch(low, high);
            if (!reached(figure(high)) || !reached(stretch.figure(high))) {
                return new Answer(high, false, atMost);
            }
            if (!reached(stretch.figure(low))) {
                return new Answer(stretch.root(low, high), false, atMost);
            }
        }
        return new Answer(Rational.ZERO, false, atMost);
    }

    private boolean reached(@Nullable Rational figure) {
        return figure != null && figure.compareTo(target) >= 0;
    }

    private @Nullable Rational figure(Rational percent) {
        return scheme.grade(at(percent)).figure();
    }

    private List<Valued> at(Rational percent) {
        List<Valued> all = new ArrayList<>(fixed);
        for (Valued one : vary) {
            Rational earned = one.possible().times(percent).dividedBy(Rational.HUNDRED);
            all.add(new Valued(
                    one.id(), one.category(), one.standards(), one.possible(), one.extra(), earned, one.at()));
        }
        return all;
    }

    /** 0, 100, and between them the fixed percents that a highest drop can change its mind at. */
    private TreeSet<Rational> edges() {
        TreeSet<Rational> edges = new TreeSet<>(Set.of(Rational.ZERO, Rational.HUNDRED));
        Set<CategoryId> withHighest = scheme instanceof WeightedScheme weighted
                ? weighted.categories().stream()
                        .filter(category -> category.dropHighest() > 0)
                        .map(Category::id)
                        .collect(Collectors.toSet())
                : Set.of();
        fixed.stream()
                .filter(one -> one.category() != null && withHighest.contains(one.category()))
                .map(Valued::percent)
                .filter(percent -> percent.signum() > 0 && percent.compareTo(Rational.HUNDRED) < 0)
                .forEach(edges::add);
        return edges;
    }

    /** Percents between two edges: the highest drops are the same for all of them, and are taken out beforehand. */
    private final class Stretch {
        private final Scheme without;
        private final Set<WorkId> highest;

        Stretch(Rational low, Rational high) {
            Rational middle = low.plus(high).dividedBy(Rational.of(2));
            if (scheme instanceof WeightedScheme weighted) {
                highest = weighted.highestDropped(at(middle));
                without = weighted.withoutHighest();
            } else {
                highest = Set.of();
                without = scheme;
            }
        }

        private List<Valued> left(Rational percent) {
            return at(percent).stream()
                    .filter(one -> !highest.contains(one.id()))
                    .toList();
        }

        private @Nullable Rational figure(Rational percent) {
            return without.grade(left(percent)).figure();
        }

        /** Where the figure reaches the target: above {@code low}, where it doesn't, and up to {@code high}, where it does. */
        private Rational root(Rational low, Rational high) {
            Rational percent = high;
            while (true) {
                Grade grade = without.grade(left(percent));
                Rational above = Objects.requireNonNull(grade.figure()).minus(target);
                if (above.isZero()) {
                    return percent;
                }
                Rational tangentAtLow = without.gradeAsChosen(left(low), grade).figure();
                Rational slope = grade.figure()
                        .minus(Objects.requireNonNull(tangentAtLow))
                        .dividedBy(percent.minus(low));
                percent = percent.minus(above.dividedBy(slope));
            }
        }
    }
}
