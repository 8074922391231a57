package app.navlo.core.course;

import app.navlo.core.check.Check;
import app.navlo.core.exact.Rational;
import app.navlo.core.grade.GradeBreakdown;
import app.navlo.core.grade.GradedWork;
import app.navlo.core.grade.Reading;
import app.navlo.core.grade.Readings;
import app.navlo.core.grade.Scheme;
import app.navlo.core.grade.Target;
import app.navlo.core.grade.Valued;
import app.navlo.core.id.CategoryId;
import app.navlo.core.id.StandardId;
import app.navlo.core.id.WorkId;
import app.navlo.core.work.Turn;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * A course as it is, or as it would be if some things were otherwise; nothing is kept. What is expected of all other work
 * stays what it is: a score that is tried is no sign of what the rest will bring.
 */
public final class WhatIfCourse {
    private final CourseBook book;
    private final Map<WorkId, EvaluatedWork> worked;
    private final Map<WorkId, GradedWork> graded;
    private final List<Added> added;

    /** Work that isn't in the course, with the points that it would bring. */
    public record Added(
            WorkId id, @Nullable CategoryId category, List<StandardId> standards, Rational possible, Rational points) {
        public Added {
            standards = List.copyOf(standards);
            new Check()
                    .notNegative(possible, "possible")
                    .notNegative(points, "points")
                    .orThrow();
        }

        private GradedWork graded(Instant now) {
            return new GradedWork(
                    id, category, standards, possible, false, true, points, now, true, false, false, points, points);
        }
    }

    private WhatIfCourse(
            CourseBook book, Map<WorkId, EvaluatedWork> worked, Map<WorkId, GradedWork> graded, List<Added> added) {
        this.book = book;
        this.worked = worked;
        this.graded = graded;
        this.added = List.copyOf(added);
    }

    /** The course as it is, with work that isn't in it. */
    static WhatIfCourse of(CourseBook book, List<Added> added) {
        return new WhatIfCourse(book, book.worked(), book.gradedById(), added);
    }

    /**
     * The same with more that isn't so.
     *
     * @throws app.navlo.core.check.IllegalInput if a change names work that isn't in the course
     */
    public WhatIfCourse and(List<WhatIf> changes) {
        Check check = new Check();
        changes.forEach(change -> check.that(
                worked.containsKey(change.work()), "work", "is " + change.work() + ", which isn't in the course"));
        check.orThrow();
        Map<WorkId, EvaluatedWork> then = new LinkedHashMap<>(worked);
        Map<WorkId, GradedWork> values = new LinkedHashMap<>(graded);
        changes.forEach(change -> change(change, then, values));
        return new WhatIfCourse(book, then, values, added);
    }

    /**
     * The same with one piece of work as it is but for this, whatever else was said of it.
     *
     * @throws app.navlo.core.check.IllegalInput if the change names work that isn't in the course
     */
    public WhatIfCourse instead(WhatIf change) {
        return instead(List.of(change));
    }

    /**
     * The same with several pieces of work as they are but for this, whatever else was said of them.
     *
     * @throws app.navlo.core.check.IllegalInput if a change names work that isn't in the course
     */
    public WhatIfCourse instead(List<WhatIf> changes) {
        Map<WorkId, EvaluatedWork> then = new LinkedHashMap<>(worked);
        Map<WorkId, GradedWork> values = new LinkedHashMap<>(graded);
        for (WhatIf change : changes) {
            then.put(change.work(), book.one(change.work()));
            change(change, then, values);
        }
        return new WhatIfCourse(book, then, values, added);
    }

    /** The same with one piece of work as it is, whatever was said of it. */
    public WhatIfCourse asItIs(WorkId work) {
        Map<WorkId, EvaluatedWork> then = new LinkedHashMap<>(worked);
        Map<WorkId, GradedWork> values = new LinkedHashMap<>(graded);
        then.put(work, book.one(work));
        GradedWork real = book.gradedById().get(work);
        if (real == null) {
            values.remove(work);
        } else {
            values.put(work, real);
        }
        return new WhatIfCourse(book, then, values, added);
    }

    private void change(WhatIf change, Map<WorkId, EvaluatedWork> then, Map<WorkId, GradedWork> values) {
        EvaluatedWork one = apply(change, Objects.requireNonNull(then.get(change.work())));
        then.put(one.id(), one);
        graded(change, one).ifPresentOrElse(value -> values.put(one.id(), value), () -> values.remove(one.id()));
    }

    private EvaluatedWork apply(WhatIf change, EvaluatedWork one) {
        return change.apply(one, book.rules(), book.now());
    }

    /** Empty where it doesn't count then. */
    private Optional<GradedWork> graded(WhatIf change, EvaluatedWork one) {
        if (!ScoreBasis.counts(one)) {
            return Optional.empty();
        }
        GradedWork real = book.gradedById().get(one.id());
        GradedWork value = book.ledger().graded(one);
        value = real == null ? value : value.evidentAt(real.evidentAt());
        if (change.score() != null && change.score().counted()) {
            Rational points = change.score().points();
            boolean raised = real != null
                    && real.score() != null
                    && real.most() != null
                    && real.most().compareTo(points) > 0
                    && real.most().compareTo(real.score()) > 0;
            value = value.scored(points, raised ? Objects.requireNonNull(real).most() : points);
        }
        return Optional.of(value);
    }

    /** The piece of work as it is but for this; empty where it doesn't count then. */
    Optional<GradedWork> changed(WhatIf change) {
        return graded(change, apply(change, book.one(change.work())));
    }

    Scheme scheme() {
        return book.rules().scheme();
    }

    /** Many questions about single pieces of work of this course, at little more than the price of one. */
    public OneAtATime oneAtATime() {
        return new OneAtATime(this);
    }

    /** @return null where nothing counts in it */
    public @Nullable Rational figure(Reading reading) {
        List<Valued> valued = graded().stream()
                .flatMap(work -> Readings.valued(reading, work).stream())
                .toList();
        return book.rules().scheme().grade(valued).figure();
    }

    public Readings readings() {
        return Readings.of(book.rules().scheme(), book.rules().table(), graded());
    }

    /** Every reading down to its terms. */
    public Map<Reading, GradeBreakdown> unfolded() {
        Map<Reading, GradeBreakdown> all = new EnumMap<>(Reading.class);
        for (Reading reading : Reading.values()) {
            all.put(
                    reading,
                    GradeBreakdown.of(
                            reading, book.rules().scheme(), book.rules().table(), graded()));
        }
        return all;
    }

    /** In the order of the course, with what was added at the end; practice and excused work isn't among them. */
    public List<GradedWork> graded() {
        List<GradedWork> all = new ArrayList<>(graded.values());
        added.forEach(one -> all.add(one.graded(book.now())));
        return all;
    }

    /** Required work without a final score that can still get one and bring points: what a target varies. */
    public List<WorkId> open() {
        return graded.values().stream()
                .filter(one -> one.score() == null
                        && Objects.requireNonNull(worked.get(one.id())).state().move() != Turn.SETTLED
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
    public Target.Answer reach(Rational target, @Nullable WorkId one) {
        List<WorkId> open = open();
        if (one != null && !open.contains(one)) {
            throw new IllegalArgumentException("work " + one + " has its score, or can't get one any more");
        }
        Set<WorkId> vary = one == null ? Set.copyOf(open) : Set.of(one);
        List<Valued> fixed = new ArrayList<>();
        List<Valued> varied = new ArrayList<>();
        boolean late = false;
        for (GradedWork work : graded()) {
            if (vary.contains(work.id())) {
                late = late || !work.possible().equals(Objects.requireNonNull(work.most()));
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

    /** Scored as it was handed in, or handed in now. */
    private WhatIf in(GradedWork graded, Rational raw) {
        EvaluatedWork work = Objects.requireNonNull(worked.get(graded.id()));
        if (work.state().handInStands()) {
            return WhatIf.scored(graded.id(), raw, null);
        }
        Rational points = work.policy()
                .lessAssumed(
                        work.state().dueToCome(),
                        book.now(),
                        graded.possible(),
                        raw,
                        book.rules().calendar());
        return WhatIf.scored(graded.id(), points, book.now());
    }

    private @Nullable Rational figure(int hundredths, Set<WorkId> vary) {
        List<WhatIf> then = new ArrayList<>();
        for (GradedWork work : graded.values()) {
            if (vary.contains(work.id())) {
                Rational raw = work.possible().times(Rational.of(hundredths, Target.HUNDREDTHS));
                then.add(in(work, raw));
            }
        }
        return and(then).figure(Reading.EXPECTED);
    }
}
