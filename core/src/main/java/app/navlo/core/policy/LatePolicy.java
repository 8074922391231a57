package app.navlo.core.policy;

import app.navlo.core.check.Check;
import app.navlo.core.exact.Rational;
import app.navlo.core.reason.Reason;
import app.navlo.core.time.SchoolCalendar;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * The late policy of a course; an item may have its own instead.
 *
 * @param grace after the due, in which nothing is lost; zero for none
 * @param floorPercent the penalty never takes a score below this share of the points possible, 0–100; null for none
 * @param cutoff elapsed time after the due for which late work is taken, at least until grace ends; null for no limit
 */
public record LatePolicy(
        Duration grace,
        Penalty penalty,
        @Nullable Rational floorPercent,
        @Nullable Duration cutoff) {
    /** Late or not, all points count, and there is no cut-off. */
    public static final LatePolicy NONE = new LatePolicy(Duration.ZERO, new Penalty.None(), null, null);

    /** Nobody has said what lateness costs, nor for how long late work is taken. */
    public static final LatePolicy UNKNOWN = new LatePolicy(Duration.ZERO, new Penalty.Assumed(), null, null);

    /** A penalty without a cap or floor reaches zero at last; one too small to do so in ten years is cut. */
    private static final int MOST_STEPS = 4_000;

    public LatePolicy {
        new Check()
                .notNegative(grace, "grace")
                .percent(floorPercent, "floorPercent")
                .notNegative(cutoff, "cutoff")
                .orThrow();
    }

    /**
     * What lateness does to one raw score.
     *
     * @param late after the due, grace or not
     * @param withinGrace late, but inside the grace
     * @param days charged by a per-day policy, 0 when nothing is charged; null for other kinds
     * @param penaltyPercent after the cap; may exceed 100; 0 when nothing is charged
     * @param score what is kept
     * @param lost raw score less what is kept
     */
    public record Judged(
            boolean late,
            boolean withinGrace,
            @Nullable Long days,
            Rational penaltyPercent,
            Rational score,
            Rational lost,
            Reason reason) {}

    /**
     * @param handedIn by this instant the score is kept; null for always
     */
    public record Step(@Nullable Instant handedIn, Rational score) {}

    /** Whether what it says of lateness is assumed, because nobody has said. */
    public boolean isAssumed() {
        return penalty instanceof Penalty.Assumed;
    }

    /** By which scores are counted that there are: what is only assumed takes nothing off them. */
    public LatePolicy ofScores() {
        return isAssumed() ? new LatePolicy(grace, new Penalty.None(), floorPercent, cutoff) : this;
    }

    /**
     * Points of a hand-in that is still to come, less what is only assumed to come off them: what a policy says for certain it
     * takes off by itself when they are scored.
     *
     * @param due in force, or null for none
     */
    public Rational lessAssumed(
            @Nullable Instant due, Instant handedIn, Rational possible, Rational earned, SchoolCalendar calendar) {
        return isAssumed() ? kept(due, handedIn, possible, earned, calendar) : earned;
    }

    /** How long after the due a hand-in is taken: a cut-off shorter than the grace ends with it. Null for no limit. */
    public @Nullable Duration takenFor() {
        return cutoff == null || cutoff.compareTo(grace) >= 0 ? cutoff : grace;
    }

    /**
     * @param due in force, or null for none: then nothing is late
     * @param earned raw points; may exceed {@code possible}
     * @param earnedByDue the part of {@code earned} that stood at the due; null for nothing of it
     */
    public Judged judge(
            @Nullable Instant due,
            Instant handedIn,
            Rational possible,
            Rational earned,
            @Nullable Rational earnedByDue,
            SchoolCalendar calendar) {
        boolean late = due != null && handedIn.isAfter(due);
        boolean withinGrace =
                late && !handedIn.isAfter(Objects.requireNonNull(due).plus(grace));
        if (!late || withinGrace) {
            Long days = penalty instanceof Penalty.PerDay || isAssumed() ? Long.valueOf(0) : null;
            return new Judged(late, withinGrace, days, Rational.ZERO, earned, Rational.ZERO, free(due, withinGrace));
        }
        Long days = days(Objects.requireNonNull(due), handedIn, calendar);
        Rational percent = percent(days);
        Rational score = score(percent, possible, earned, earnedByDue);
        Reason reason = isAssumed()
                ? Reason.of(LateRule.ASSUMED).with("percent", percent)
                : because(days, percent, earned, score);
        return new Judged(true, false, days, percent, score, earned.minus(score), reason);
    }

    private @Nullable Long days(Instant due, Instant handedIn, SchoolCalendar calendar) {
        if (isAssumed()) {
            return Measure.SPANS_24H.days(due, handedIn, calendar);
        }
        return penalty instanceof Penalty.PerDay perDay
                ? Long.valueOf(perDay.measure().days(due, handedIn, calendar))
                : null;
    }

    private Rational score(Rational percent, Rational possible, Rational earned, @Nullable Rational earnedByDue) {
        Rational byDue = earnedByDue == null ? Rational.ZERO : earnedByDue;
        return earned.minus(loss(percent, possible, earned, byDue)).max(floor(possible, earned));
    }

    /** What {@link #judge} says is kept, without its reason. */
    private Rational kept(
            @Nullable Instant due, Instant handedIn, Rational possible, Rational earned, SchoolCalendar calendar) {
        return due == null || !handedIn.isAfter(due.plus(grace))
                ? earned
                : score(percent(days(due, handedIn, calendar)), possible, earned, null);
    }

    private Rational percent(@Nullable Long days) {
        if (isAssumed() && days != null) {
            return Penalty.Assumed.percentAfter(days);
        }
        if (penalty instanceof Penalty.PerDay perDay && days != null) {
            return perDay.percentAfter(days);
        }
        return penalty instanceof Penalty.Flat flat ? flat.percent() : Rational.ZERO;
    }

    private Rational loss(Rational percent, Rational possible, Rational earned, Rational earnedByDue) {
        if (isAssumed()) {
            return Base.POSSIBLE.loss(percent, possible, earned, earnedByDue);
        }
        if (penalty instanceof Penalty.PerDay perDay) {
            return perDay.base().loss(percent, possible, earned, earnedByDue);
        }
        return penalty instanceof Penalty.Flat flat
                ? flat.base().loss(percent, possible, earned, earnedByDue)
                : Rational.ZERO;
    }

    /** Never below zero, and a floor never raises a raw score. */
    private Rational floor(Rational possible, Rational earned) {
        Rational floor = floorPercent == null
                ? Rational.ZERO
                : floorPercent.times(possible).dividedBy(Rational.HUNDRED);
        return earned.min(floor.max(Rational.ZERO));
    }

    private Reason free(@Nullable Instant due, boolean withinGrace) {
        return due == null
                ? Reason.of(LateRule.NO_DUE)
                : withinGrace
                        ? Reason.of(LateRule.WITHIN_GRACE).with("grace", grace)
                        : Reason.of(LateRule.ON_TIME).with("due", due);
    }

    private static Reason because(@Nullable Long days, Rational percent, Rational earned, Rational score) {
        Rational lost = earned.minus(score);
        if (lost.isZero()) {
            return Reason.of(LateRule.NOTHING_LOST).with("earned", earned);
        }
        Reason reason = days == null
                ? Reason.of(LateRule.FLAT)
                : Reason.of(LateRule.PER_DAY).with("days", days);
        return reason.with("percent", percent)
                .with("earned", earned)
                .with("lost", lost)
                .with("score", score);
    }

    /**
     * What is kept of a raw score, by when it is handed in: the first step holds from {@code from} on, each ends at the
     * last instant at which its score is kept, the last one at {@code ends}. Scores fall strictly.
     *
     * @param due in force, or null
     * @param ends of acceptance, or null for none
     * @return empty if {@code ends} is before {@code from}
     */
    public List<Step> steps(
            @Nullable Instant due,
            Rational possible,
            Rational earned,
            Instant from,
            @Nullable Instant ends,
            SchoolCalendar calendar) {
        List<Step> steps = new ArrayList<>();
        if (ends != null && ends.isBefore(from)) {
            return steps;
        }
        Rational kept = kept(due, from, possible, earned, calendar);
        Iterator<Instant> edges =
                edges(due, mostPercent(possible, earned), calendar).iterator();
        while (edges.hasNext()) {
            Instant edge = edges.next();
            if (ends != null && !edge.isBefore(ends)) {
                break;
            }
            Rational after = kept(due, edge.plusNanos(1), possible, earned, calendar);
            if (!edge.isBefore(from) && after.compareTo(kept) < 0) {
                steps.add(new Step(edge, kept));
                kept = after;
            }
        }
        steps.add(new Step(ends, kept));
        return steps;
    }

    /** The percent at which all is lost; above 100 where more was earned than was possible. */
    private static Rational mostPercent(Rational possible, Rational earned) {
        return possible.isZero()
                ? Rational.HUNDRED
                : earned.times(Rational.HUNDRED).dividedBy(possible).max(Rational.HUNDRED);
    }

    /** The instants after which more can be lost. */
    private List<Instant> edges(@Nullable Instant due, Rational most, SchoolCalendar calendar) {
        List<Instant> edges = new ArrayList<>();
        if (due == null || penalty instanceof Penalty.None) {
            return edges;
        }
        edges.add(due.plus(grace));
        if (isAssumed()) {
            Iterator<Instant> days = Measure.SPANS_24H.steps(due, calendar);
            for (long day = 0; Penalty.Assumed.percentAfter(day).compareTo(Rational.HUNDRED) < 0; day++) {
                Instant edge = days.next();
                if (edge.isAfter(edges.get(0))) {
                    edges.add(edge);
                }
            }
        }
        if (penalty instanceof Penalty.PerDay perDay) {
            Iterator<Instant> days = perDay.measure().steps(due, calendar);
            for (long day = 0;
                    day < MOST_STEPS
                            && perDay.stillRising(day)
                            && perDay.percentAfter(day).compareTo(most) < 0;
                    day++) {
                Instant edge = days.next();
                if (edge.isAfter(edges.get(0))) {
                    edges.add(edge);
                }
            }
        }
        return edges;
    }
}
