package app.navlo.core.course;

import app.navlo.core.check.Check;
import app.navlo.core.exact.Rational;
import app.navlo.core.grade.GradedWork;
import app.navlo.core.grade.Reading;
import app.navlo.core.grade.Readings;
import app.navlo.core.grade.Target;
import app.navlo.core.grade.Unfolded;
import app.navlo.core.grade.Valued;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** A course as it is, or as it would be if some things were otherwise; nothing is kept. */
public final class Trial {
    /** Percents that can't be had in one stroke are found to a hundredth. */
    private static final int HUNDREDTHS = 100 * 100;

    private final CourseBook book;
    private final List<WhatIf> changes;
    private final List<Added> added;
    private final List<GradedWork> graded;

    /** Work that isn't in the course, with the points that it would bring. */
    public record Added(
            String id, @Nullable String category, List<String> standards, Rational possible, Rational points) {
        public Added {
            standards = List.copyOf(standards);
            new Check()
                    .notNegative(possible, "possible")
                    .notNegative(points, "points")
                    .orThrow();
        }

        private GradedWork graded(Instant now) {
            return new GradedWork(
                    id, category, standards, possible, false, true, points, now, null, true, false, points, points);
        }
    }

    Trial(CourseBook book, List<WhatIf> changes, List<Added> added, List<GradedWork> graded) {
        this.book = book;
        this.changes = List.copyOf(changes);
        this.added = List.copyOf(added);
        List<GradedWork> all = new ArrayList<>(graded);
        added.forEach(one -> all.add(one.graded(book.now())));
        this.graded = List.copyOf(all);
    }

    public Readings readings() {
        return Readings.of(book.rules().scheme(), book.rules().table(), graded);
    }

    /** Every reading down to its terms. */
    public Map<Reading, Unfolded> unfolded() {
        Map<Reading, Unfolded> all = new EnumMap<>(Reading.class);
        for (Reading reading : Reading.values()) {
            all.put(
                    reading,
                    Unfolded.of(reading, book.rules().scheme(), book.rules().table(), graded));
        }
        return all;
    }

    /** In the order of the course, with what was added at the end; practice and excused work isn't among them. */
    public List<GradedWork> graded() {
        return graded;
    }

    /** Required work without a final score that can still bring points: what a target varies. */
    public List<String> open() {
        return graded.stream()
                .filter(one -> one.score() == null
                        && one.required()
                        && one.most() != null
                        && one.most().signum() > 0)
                .map(GradedWork::id)
                .toList();
    }

    /**
     * The least uniform raw percent on all that is open with which a target is reached; or on one piece, the rest at what is
     * expected of it. Exact; where lateness takes something off it, to a hundredth of a percent, rounded up.
     *
     * @param one null for all that is open
     * @param target in the units of the course's figure, at least 0
     * @throws IllegalArgumentException if {@code one} isn't open
     */
    public Target.Answer reach(Rational target, @Nullable String one) {
        List<String> open = open();
        if (one != null && !open.contains(one)) {
            throw new IllegalArgumentException("work " + one + " has its score, or can't get one any more");
        }
        Set<String> vary = one == null ? Set.copyOf(open) : Set.of(one);
        List<Valued> fixed = new ArrayList<>();
        List<Valued> varied = new ArrayList<>();
        boolean late = false;
        for (GradedWork work : graded) {
            if (vary.contains(work.id())) {
                late = late || !work.possible().equals(work.most());
                varied.add(work.valued(Rational.ZERO));
            } else {
                Readings.valued(Reading.EXPECTED, work).ifPresent(fixed::add);
            }
        }
        return late ? search(target, vary) : Target.reach(book.rules().scheme(), fixed, varied, target);
    }

    /** The figure never falls when a percent rises, but where highest are dropped; there the answer is one that reaches it. */
    private Target.Answer search(Rational target, Set<String> vary) {
        Rational most = figure(HUNDREDTHS, vary);
        if (most == null || most.compareTo(target) < 0) {
            return new Target.Answer(null, true, most);
        }
        int low = -1;
        int high = HUNDREDTHS;
        while (high - low > 1) {
            int middle = (low + high) >>> 1;
            Rational figure = figure(middle, vary);
            if (figure != null && figure.compareTo(target) >= 0) {
                high = middle;
            } else {
                low = middle;
            }
        }
        return new Target.Answer(Rational.of(high, 100), false, most);
    }

    /** The expected figure with so many hundredths of a percent on everything that is open; null where there is none. */
    @Nullable
    Rational figureWith(int hundredths) {
        return figure(hundredths, Set.copyOf(open()));
    }

    private @Nullable Rational figure(int hundredths, Set<String> vary) {
        List<WhatIf> then = new ArrayList<>(changes);
        for (GradedWork work : graded) {
            if (vary.contains(work.id())) {
                Rational raw = work.possible().times(Rational.of(hundredths, HUNDREDTHS));
                then.add(new WhatIf(work.id(), raw, null, handedIn(work.id())));
            }
        }
        return book.trial(then, added).readings().of(Reading.EXPECTED).grade().figure();
    }

    /** Now, unless it is handed in already. */
    private @Nullable Instant handedIn(String work) {
        return book.finding(work).state().handInStands() ? null : book.now();
    }
}
