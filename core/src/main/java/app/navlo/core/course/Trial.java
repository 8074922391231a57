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
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** A course as it is, or as it would be if some things were otherwise; nothing is kept. */
public final class Trial {
    private final CourseBook book;
    private final Map<String, Worked> worked;
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

    Trial(CourseBook book, Map<String, Worked> worked, List<Added> added) {
        this.book = book;
        this.worked = worked;
        this.added = List.copyOf(added);
        Ledger ledger = new Ledger(worked.values(), book.rules(), book.now());
        List<GradedWork> all = new ArrayList<>();
        worked.values().stream().filter(Ledger::counts).forEach(one -> all.add(ledger.graded(one)));
        added.forEach(one -> all.add(one.graded(book.now())));
        this.graded = List.copyOf(all);
    }

    /**
     * The same with more that isn't so.
     *
     * @throws app.navlo.core.check.IllegalInput if a change names work that isn't in the course
     */
    public Trial and(List<WhatIf> changes) {
        return new Trial(book, WhatIf.apply(changes, worked, book.rules(), book.now()), added);
    }

    /**
     * The same with one piece of work as it is but for this, whatever else was said of it.
     *
     * @throws app.navlo.core.check.IllegalInput if the change names work that isn't in the course
     */
    public Trial instead(WhatIf change) {
        Map<String, Worked> others = new LinkedHashMap<>(worked);
        others.put(change.work(), book.one(change.work()));
        return new Trial(book, WhatIf.apply(List.of(change), others, book.rules(), book.now()), added);
    }

    /** @return null where nothing counts in it */
    public @Nullable Rational figure(Reading reading) {
        List<Valued> valued = graded.stream()
                .flatMap(work -> Readings.valued(reading, work).stream())
                .toList();
        return book.rules().scheme().grade(valued).figure();
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
        return late
                ? Target.search(target, hundredths -> figure(hundredths, vary))
                : Target.reach(book.rules().scheme(), fixed, varied, target);
    }

    /** The expected figure with so many hundredths of a percent on everything that is open; null where there is none. */
    @Nullable
    Rational figureWith(int hundredths) {
        return figure(hundredths, Set.copyOf(open()));
    }

    private @Nullable Rational figure(int hundredths, Set<String> vary) {
        List<WhatIf> then = new ArrayList<>();
        for (GradedWork work : graded) {
            if (vary.contains(work.id())) {
                Rational raw = work.possible().times(Rational.of(hundredths, Target.HUNDREDTHS));
                boolean in = worked.get(work.id()).state().handInStands();
                then.add(new WhatIf(work.id(), raw, null, in ? null : book.now()));
            }
        }
        return and(then).figure(Reading.EXPECTED);
    }
}
