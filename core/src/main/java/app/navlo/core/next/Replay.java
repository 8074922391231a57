package app.navlo.core.next;

import app.navlo.core.close.SafeBy;
import app.navlo.core.course.CourseBook;
import app.navlo.core.course.CourseWork;
import app.navlo.core.course.WhatIfCourse;
import app.navlo.core.course.WorkAssessment;
import app.navlo.core.exact.Rational;
import app.navlo.core.grade.Reading;
import app.navlo.core.id.CourseId;
import app.navlo.core.id.WorkId;
import app.navlo.core.next.NextPlan.Because;
import app.navlo.core.next.NextPlan.Left;
import app.navlo.core.next.NextPlan.LeftBecause;
import app.navlo.core.next.NextPlan.Planned;
import app.navlo.core.next.NextPlanner.Sat;
import app.navlo.core.next.Task.Way;
import app.navlo.core.plan.Chances;
import app.navlo.core.plan.Plan;
import app.navlo.core.plan.Solution;
import app.navlo.core.time.Stretch;
import java.math.RoundingMode;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/** Puts a plan to the grade engine, one hand-in after the other, and says what each does to its course. */
final class Replay {
    /** Of the spread of a guess. */
    private static final int PARTS = 20;

    private static final int LEFT_OUT = -1;

    private final List<Task> duties;
    private final List<Sat> order;
    private final Choice choice;
    private final Solution solution;
    private final Map<CourseBook, List<WorkAssessment>> known;
    private final Wishes wishes;
    private final Instant now;
    /** By course, as it would be with none of the moves made. */
    private final Map<CourseBook, WhatIfCourse> undone = new LinkedHashMap<>();
    /** The same with what is handed in so far. */
    private final Map<CourseBook, WhatIfCourse> trials = new HashMap<>();
    /** Of courses by completion: what is done of all that they take, in percent, with what is handed in so far. */
    private final Map<CourseBook, Rational> completed = new HashMap<>();

    Replay(
            Map<CourseBook, List<WorkAssessment>> known,
            List<Task> duties,
            List<Sat> order,
            Choice choice,
            Solution solution,
            Wishes wishes,
            Instant now) {
        this.known = known;
        this.duties = duties;
        this.order = order;
        this.solution = solution;
        this.choice = choice;
        this.wishes = wishes;
        this.now = now;
        known.keySet()
                .forEach(book -> undone.put(
                        book,
                        Undone.undo(
                                duties.stream()
                                        .filter(duty -> duty.book() == book)
                                        .map(Task::undone)
                                        .toList(),
                                book.trial(List.of(), List.of()))));
        trials.putAll(undone);
    }

    NextPlan plan() {
        Set<WorkId> sat = order.stream().map(one -> one.duty().id()).collect(Collectors.toSet());
        List<Planned> planned = new ArrayList<>();
        Map<WorkId, Double> aMinute = new LinkedHashMap<>();
        for (Sat one : order) {
            WhatIfCourse before = Objects.requireNonNull(trials.get(one.duty().book()));
            Rational gain = gain(one);
            aMinute.put(one.duty().id(), aMinute(one.duty(), gain));
            Because because =
                    because(one, before, gain, sat, pushedBy(one.duty().id(), aMinute));
            planned.add(planned(one, gain, because));
        }
        List<Left> left = new ArrayList<>();
        for (Task duty : duties) {
            if (!sat.contains(duty.id()) && duty.yours()) {
                left.add(left(duty));
            }
        }
        known.forEach((book, findings) -> findings.stream()
                .filter(finding -> !finding.shutForGood().isEmpty())
                .forEach(finding -> left.add(shutForGood(book, finding))));
        left.sort(Comparator.comparing(Left::cost).reversed());
        return new NextPlan(
                planned,
                left,
                QuickActions.of(known, planned),
                known.keySet().stream().map(this::stake).toList(),
                share(),
                solution.withinPercent(),
                solution.proven(),
                List.of(),
                held());
    }

    private NextPlan.Share share() {
        Chances chances = choice.chances();
        return new NextPlan.Share(chances.mean(), chances.low(), chances.high());
    }

    private Held held() {
        Map<WorkId, Integer> places = new LinkedHashMap<>();
        order.forEach(one -> places.put(one.duty().id(), places.size()));
        Map<WorkId, Held.Piece> all = new LinkedHashMap<>();
        for (Plan.Chosen one : choice.order()) {
            Task duty = duties.get(one.job());
            all.put(duty.id(), Held.Piece.of(duty, one.mode(), places.getOrDefault(duty.id(), LEFT_OUT)));
        }
        for (Sat one : order) {
            int mode = one.duty().modes().indexOf(one.way());
            all.put(
                    one.duty().id(),
                    Held.Piece.of(
                            one.duty(),
                            mode,
                            Objects.requireNonNull(places.get(one.duty().id()))));
        }
        duties.forEach(duty -> all.putIfAbsent(duty.id(), Held.Piece.of(duty, 0, LEFT_OUT)));
        return new Held(List.copyOf(all.values()), false);
    }

    private Stake stake(CourseBook book) {
        CourseId course = book.rules().course();
        if (Scale.byCompletion(book)) {
            Rational done = Scale.completed(Objects.requireNonNull(known.get(book)));
            Rational all = Rational.sum(duties.stream()
                    .filter(duty -> duty.book() == book)
                    .map(Task::onTime)
                    .toList());
            return new Stake(
                    course, done, done.plus(completed.getOrDefault(book, Rational.ZERO)), done.plus(all), false);
        }
        boolean graded = book.trial(List.of(), List.of()).figure(Reading.EXPECTED) != null;
        return new Stake(
                course,
                Scale.percent(book, Objects.requireNonNull(undone.get(book))),
                Scale.percent(book, Objects.requireNonNull(trials.get(book))),
                Scale.percent(book, allAtOnce(book)),
                graded);
    }

    /** With all of it handed in now, each in the way that keeps the most; what costs nothing undone last, where it brings something. */
    private WhatIfCourse allAtOnce(CourseBook book) {
        Map<Boolean, List<Task>> here = duties.stream()
                .filter(duty -> duty.book() == book)
                .collect(Collectors.partitioningBy(Replay::hasOneWay));
        WhatIfCourse all = Undone.handIn(
                Objects.requireNonNull(here.get(true)).stream()
                        .map(Task::undone)
                        .toList(),
                now,
                Objects.requireNonNull(undone.get(book)));
        for (boolean costs : List.of(true, false)) {
            for (Task duty : Objects.requireNonNull(here.get(false))) {
                if (duty.undone().costsUndone() == costs) {
                    all = best(duty, all);
                }
            }
        }
        return all;
    }

    /** Whether handing it in now is all that there is to choose. */
    private static boolean hasOneWay(Task duty) {
        return duty.undone().costsUndone() && duty.modes().stream().allMatch(way -> way.leeway() == null);
    }

    private WhatIfCourse best(Task duty, WhatIfCourse before) {
        WhatIfCourse best = duty.undone().costsUndone() ? duty.undone().handIn(now, before) : before;
        for (Way way : duty.modes()) {
            WhatIfCourse then = way.leeway() == null
                    ? duty.undone().handIn(now, before)
                    : way.steps().isEmpty()
                            ? before
                            : duty.undone().handIn(way.steps().get(0).share(), before);
            best = Scale.percent(duty.book(), then).compareTo(Scale.percent(duty.book(), best)) > 0 ? then : best;
        }
        return best;
    }

    private static double aMinute(Task duty, Rational gain) {
        return gain.times(duty.aim().importance())
                        .toDecimal(6, RoundingMode.HALF_UP)
                        .doubleValue()
                / duty.minutes();
    }

    /** @param aMinute of all work up to this, in the plan's order */
    private static List<WorkId> pushedBy(WorkId work, Map<WorkId, Double> aMinute) {
        double ours = Objects.requireNonNull(aMinute.get(work));
        return aMinute.entrySet().stream()
                .filter(before -> before.getValue() < ours)
                .map(Map.Entry::getKey)
                .toList();
    }

    private Rational gain(Sat one) {
        Task duty = one.duty();
        CourseBook book = duty.book();
        if (Scale.byCompletion(book)) {
            completed.merge(book, duty.onTime(), Rational::plus);
            return duty.onTime();
        }
        WhatIfCourse before = Objects.requireNonNull(trials.get(book));
        WhatIfCourse after = handedIn(one, before);
        Rational gain = Scale.percent(book, after).minus(Scale.percent(book, before));
        if (gain.signum() < 0) {
            return Rational.ZERO;
        }
        trials.put(book, after);
        return gain;
    }

    /** At its expected score, less what its policy takes off then; with leeway, what is kept of it by the later due. */
    private static WhatIfCourse handedIn(Sat one, WhatIfCourse before) {
        Undone undone = one.duty().undone();
        Task.Until met = one.met();
        if (one.way().leeway() == null) {
            return undone.handIn(one.finish(), before);
        }
        return undone.handIn(met == null ? Rational.ZERO : met.share(), before);
    }

    /** In which part of all cases it is in time; what is nailed to an hour goes on from there until it is done. */
    private double chance(Sat one) {
        Task.Until met = one.met();
        if (!isNailed(one)) {
            return choice.chances().inTime().get(one.place());
        }
        if (met == null || met.by() == null) {
            return met == null ? 0 : 1;
        }
        long room = Duration.between(one.begin(), met.by()).toMinutes();
        return IntStream.range(0, PARTS)
                        .filter(i -> choice.guesses().get(one.place()).left((i + 0.5) / PARTS) <= room)
                        .count()
                / (double) PARTS;
    }

    private boolean isNailed(Sat one) {
        return one.begin().equals(wishes.nailed().get(one.duty().id()));
    }

    /** Free minutes between its end and the instant that it is in time for; null where there is none. */
    private @Nullable Long spare(Sat one) {
        Task.Until met = one.met();
        return met == null || met.by() == null
                ? null
                : Stretch.within(choice.free(), one.finish(), met.by()).stream()
                        .mapToLong(Stretch::minutes)
                        .sum();
    }

    private Planned planned(Sat one, Rational gain, Because because) {
        Task duty = one.duty();
        return new Planned(
                duty.id(),
                duty.course(),
                duty.deed(),
                duty.yours(),
                duty.minutes(),
                duty.minutesGuessed(),
                gain,
                chance(one),
                spare(one),
                one.sittings(),
                one.way().leeway(),
                because);
    }

    private Because because(Sat one, WhatIfCourse before, Rational gain, Set<WorkId> sat, List<WorkId> pushedBy) {
        Task duty = one.duty();
        List<WorkId> opens = duties.stream()
                .filter(other -> sat.contains(other.id()) && other.after().contains(duty.id()))
                .map(Task::id)
                .toList();
        Task.Until met = one.met();
        Rational loses = met == null || met.by() == null ? Rational.ZERO : loses(one, met, before, gain);
        boolean safe = met != null && met.by() != null && isSafeBy(duty, met.by());
        boolean unknown = duty.finding().policy().isAssumed() || !isWorthKnown(duty);
        boolean onTime = met != null
                && met.by() != null
                && met.by().equals(duty.finding().state().dueToCome());
        Instant at = met == null || (loses.isZero() && !safe && !unknown && !onTime) ? null : met.by();
        Instant missed = missed(one);
        if (missed != null && !wishes.ahead(duty.id()) && !isNailed(one)) {
            Because.Kind kind =
                    freeUntil(missed) < duty.minutes() ? Because.Kind.NO_TIME_BEFORE_DUE : Because.Kind.LATE_FOR_OTHERS;
            return new Because(kind, at, lostByLateness(one, missed, before, gain), opens, pushedBy, missed);
        }
        return new Because(kind(one, !opens.isEmpty(), at, loses.isZero()), at, loses, opens, pushedBy, missed);
    }

    /** The due that is still to come, by its leeway where it takes some, and that it is finished after. */
    private @Nullable Instant missed(Sat one) {
        Leeway leeway = one.way().leeway();
        Instant due = leeway == null ? one.duty().finding().state().dueToCome() : leeway.due();
        return due == null || due.isBefore(now) || !one.finish().isAfter(due) ? null : due;
    }

    private static Rational lostByLateness(Sat one, Instant due, WhatIfCourse before, Rational gain) {
        CourseBook book = one.duty().book();
        if (Scale.byCompletion(book) || one.way().leeway() != null) {
            return Rational.ZERO;
        }
        Rational onTime =
                Scale.percent(book, one.duty().undone().handIn(due, before)).minus(Scale.percent(book, before));
        return onTime.minus(gain).max(Rational.ZERO);
    }

    /** What of the gain is gone if it is handed in just after the step that it is in time for. */
    private Rational loses(Sat one, Task.Until met, WhatIfCourse before, Rational gain) {
        CourseBook book = one.duty().book();
        List<Task.Until> steps = one.way().steps();
        int next = steps.indexOf(met) + 1;
        if (next >= steps.size() || Scale.byCompletion(book)) {
            return gain;
        }
        if (steps.get(next).share().equals(met.share())) {
            return Rational.ZERO;
        }
        WhatIfCourse later = one.way().leeway() == null
                ? one.duty().undone().handIn(Objects.requireNonNull(met.by()).plusSeconds(1), before)
                : one.duty().undone().handIn(steps.get(next).share(), before);
        Rational then = Scale.percent(book, later).minus(Scale.percent(book, before));
        return gain.minus(then.max(Rational.ZERO)).max(Rational.ZERO);
    }

    private static boolean isWorthKnown(Task duty) {
        return Tasks.isWorthKnown(duty.book(), duty.finding(), duty.onTime());
    }

    private static boolean isSafeBy(Task duty, Instant at) {
        SafeBy safeBy = duty.finding().safeBy();
        return safeBy != null && safeBy.at().equals(at);
    }

    private Because.Kind kind(Sat one, boolean opens, @Nullable Instant at, boolean losesNothing) {
        Task duty = one.duty();
        if (wishes.ahead(duty.id()) || isNailed(one)) {
            return Because.Kind.WISHED;
        }
        if (opens) {
            return Because.Kind.OPENS_OTHERS;
        }
        Instant due = duty.finding().state().dueToCome();
        if (duty.finding().policy().isAssumed() && due != null && due.isBefore(now) && isWorthKnown(duty)) {
            return Because.Kind.OVERDUE_UNKNOWN;
        }
        if (at == null) {
            return Because.Kind.FITS_HERE;
        }
        if (!isWorthKnown(duty)) {
            return Because.Kind.WORTH_UNKNOWN;
        }
        if (duty.finding().policy().isAssumed() && !isSafeBy(duty, at) && duty.deed() != ActionKind.PREPARE) {
            return Because.Kind.LATE_UNKNOWN;
        }
        if (isSafeBy(duty, at)) {
            return Because.Kind.SAFE_BY;
        }
        return losesNothing ? Because.Kind.ON_TIME : Because.Kind.BEFORE_A_LOSS;
    }

    private Left left(Task duty) {
        Rational cost = duty.onTime();
        LeftBecause because = cost.signum() <= 0
                ? isWorthKnown(duty) ? LeftBecause.EARNS_NOTHING : LeftBecause.WORTH_UNKNOWN
                : couldBeDone(duty) ? LeftBecause.OTHERS_SAVE_MORE : LeftBecause.CANNOT_BE_DONE;
        return new Left(
                duty.id(), duty.course(), duty.deed(), duty.minutes(), duty.minutesGuessed(), cost, because, List.of());
    }

    private static Left shutForGood(CourseBook book, WorkAssessment finding) {
        Rational lift = finding.lift() == null ? Rational.ZERO : finding.lift();
        long minutes = finding.work().minutes();
        return new Left(
                finding.id(),
                book.rules().course(),
                ActionKind.of(finding.item(), finding.state()),
                minutes == 0 ? CourseWork.GUESSED_MINUTES : minutes,
                minutes == 0,
                lift.times(Scale.factor(book)),
                LeftBecause.SHUT_FOR_GOOD,
                List.copyOf(finding.shutForGood()));
    }

    /** Whether it alone would fit into the time before its last instant. */
    private boolean couldBeDone(Task duty) {
        return duty.modes().stream()
                .filter(way -> !way.steps().isEmpty())
                .map(way -> way.steps().get(way.steps().size() - 1).by())
                .anyMatch(last -> freeUntil(last) >= duty.minutes());
    }

    private long freeUntil(@Nullable Instant last) {
        List<Stretch> until = last == null ? choice.free() : Stretch.within(choice.free(), now, last);
        return until.stream().mapToLong(Stretch::minutes).sum();
    }
}
