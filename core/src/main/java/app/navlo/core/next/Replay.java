package app.navlo.core.next;

import app.navlo.core.close.SafeBy;
import app.navlo.core.course.CourseBook;
import app.navlo.core.course.Finding;
import app.navlo.core.course.Trial;
import app.navlo.core.course.WhatIf;
import app.navlo.core.exact.Rational;
import app.navlo.core.next.NextPlan.Because;
import app.navlo.core.next.NextPlan.Left;
import app.navlo.core.next.NextPlan.LeftBecause;
import app.navlo.core.next.NextPlan.Planned;
import app.navlo.core.next.NextPlanner.Sat;
import app.navlo.core.plan.Solution;
import app.navlo.core.time.Stretch;
import java.math.RoundingMode;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** Puts a plan to the grade engine, one hand-in after the other, and says what each does to its course. */
final class Replay {
    private final List<Duty> duties;
    private final List<Sat> order;
    private final Solution solution;
    private final Map<CourseBook, List<Finding>> known;
    private final List<Stretch> free;
    private final Wishes wishes;
    private final Instant now;
    private final long wishesCost;
    /** By course, as it would be with what is handed in so far; at first all that may be planned is undone. */
    private final Map<CourseBook, Trial> trials = new HashMap<>();

    Replay(
            Map<CourseBook, List<Finding>> known,
            List<Duty> duties,
            List<Sat> order,
            Solution solution,
            List<Stretch> free,
            Wishes wishes,
            Instant now,
            long wishesCost) {
        this.known = known;
        this.duties = duties;
        this.order = order;
        this.solution = solution;
        this.free = free;
        this.wishes = wishes;
        this.now = now;
        this.wishesCost = wishesCost;
        Map<CourseBook, List<WhatIf>> undone = new HashMap<>();
        for (Duty duty : duties) {
            List<WhatIf> here = undone.computeIfAbsent(duty.book(), book -> new ArrayList<>());
            if (duty.finding().state().redo() == null && duty.finding().work().counted()) {
                here.add(WhatIf.score(duty.id(), Rational.ZERO));
            }
        }
        undone.forEach((book, changes) -> trials.put(book, book.trial(changes, List.of())));
    }

    NextPlan plan() {
        Set<String> sat = order.stream().map(one -> one.duty().id()).collect(Collectors.toSet());
        List<Planned> planned = new ArrayList<>();
        Map<String, Double> aMinute = new LinkedHashMap<>();
        for (Sat one : order) {
            Rational gain = gain(one);
            aMinute.put(one.duty().id(), aMinute(one.duty(), gain));
            planned.add(planned(one, gain, because(one, sat, pushedBy(one.duty().id(), aMinute))));
        }
        List<Left> left = new ArrayList<>();
        for (Duty duty : duties) {
            if (!sat.contains(duty.id()) && duty.yours()) {
                left.add(left(duty));
            }
        }
        left.sort(Comparator.comparing(Left::cost).reversed());
        return new NextPlan(
                planned,
                left,
                Errands.of(known, planned),
                solution.plan().value(),
                solution.withinPercent(),
                solution.proven(),
                wishesCost);
    }

    private static double aMinute(Duty duty, Rational gain) {
        return gain.times(duty.aim().importance())
                        .toDecimal(6, RoundingMode.HALF_UP)
                        .doubleValue()
                / duty.minutes();
    }

    /** @param aMinute of all work up to this, in the plan's order */
    private static List<String> pushedBy(String work, Map<String, Double> aMinute) {
        return aMinute.entrySet().stream()
                .filter(before -> before.getValue() < aMinute.get(work))
                .map(Map.Entry::getKey)
                .toList();
    }

    private Rational gain(Sat one) {
        Duty duty = one.duty();
        CourseBook book = duty.book();
        if (Scale.byCompletion(book)) {
            return duty.onTime();
        }
        if (!duty.finding().work().counted()) {
            return Rational.ZERO;
        }
        Trial before = trials.get(book);
        Trial after = before.instead(handedIn(one));
        Rational gain = Scale.percent(book, after).minus(Scale.percent(book, before));
        if (duty.finding().state().redo() != null && gain.signum() < 0) {
            return Rational.ZERO;
        }
        trials.put(book, after);
        return gain;
    }

    /** At its expected score, less what its policy takes off then; with leeway, what is kept of it by the later due. */
    private static WhatIf handedIn(Sat one) {
        Rational raw = Duties.raw(one.duty().finding());
        if (one.way().leeway() == null) {
            return new WhatIf(one.duty().id(), raw, null, one.finish());
        }
        Duty.Until met = one.met();
        return WhatIf.score(one.duty().id(), met == null ? Rational.ZERO : raw.times(met.share()));
    }

    private static Planned planned(Sat one, Rational gain, Because because) {
        Duty duty = one.duty();
        return new Planned(
                duty.id(),
                duty.course(),
                duty.deed(),
                duty.yours(),
                duty.minutes(),
                duty.minutesGuessed(),
                gain,
                one.sittings(),
                one.way().leeway(),
                because);
    }

    private Because because(Sat one, Set<String> sat, List<String> pushedBy) {
        Duty duty = one.duty();
        List<String> opens = duties.stream()
                .filter(other -> sat.contains(other.id()) && other.after().contains(duty.id()))
                .map(Duty::id)
                .toList();
        Duty.Until met = one.met();
        long later = next(one.way(), met);
        long loses = met == null ? 0 : unweighed(duty, met.value() - later);
        Instant at = met == null || loses == 0 ? null : met.by();
        return new Because(kind(duty, !opens.isEmpty(), at), at, loses, opens, pushedBy);
    }

    private static long unweighed(Duty duty, long value) {
        return Rational.of(value)
                .dividedBy(duty.aim().importance())
                .toDecimal(0, RoundingMode.HALF_UP)
                .longValueExact();
    }

    private Because.Kind kind(Duty duty, boolean opens, @Nullable Instant at) {
        if (wishes.ahead(duty.id())) {
            return Because.Kind.WISHED;
        }
        if (opens) {
            return Because.Kind.OPENS_OTHERS;
        }
        if (at == null) {
            return Because.Kind.FITS_HERE;
        }
        SafeBy safeBy = duty.finding().safeBy();
        return safeBy != null && safeBy.at().equals(at) ? Because.Kind.SAFE_BY : Because.Kind.BEFORE_A_LOSS;
    }

    private static long next(Duty.Way way, Duty.@Nullable Until met) {
        int place = met == null ? -1 : way.steps().indexOf(met);
        return place >= 0 && place + 1 < way.steps().size()
                ? way.steps().get(place + 1).value()
                : 0;
    }

    private Left left(Duty duty) {
        Rational cost = cost(duty);
        LeftBecause because = cost.signum() <= 0
                ? LeftBecause.EARNS_NOTHING
                : couldBeDone(duty) ? LeftBecause.OTHERS_SAVE_MORE : LeftBecause.CANNOT_BE_DONE;
        return new Left(duty.id(), duty.course(), duty.deed(), duty.minutes(), duty.minutesGuessed(), cost, because);
    }

    /** What it would add to the plan if it were handed in now. */
    private Rational cost(Duty duty) {
        if (Scale.byCompletion(duty.book())) {
            return duty.onTime();
        }
        if (!duty.finding().work().counted()) {
            return Rational.ZERO;
        }
        Trial trial = trials.get(duty.book());
        Trial then = trial.instead(new WhatIf(duty.id(), Duties.raw(duty.finding()), null, now));
        return Scale.percent(duty.book(), then)
                .minus(Scale.percent(duty.book(), trial))
                .max(Rational.ZERO);
    }

    /** Whether it alone would fit into the time before its last instant. */
    private boolean couldBeDone(Duty duty) {
        return duty.modes().stream()
                .filter(way -> !way.steps().isEmpty())
                .map(way -> way.steps().get(way.steps().size() - 1).by())
                .anyMatch(last -> freeUntil(last) >= duty.minutes());
    }

    private long freeUntil(@Nullable Instant last) {
        List<Stretch> until = last == null ? free : Stretch.within(free, now, last);
        return until.stream().mapToLong(Stretch::minutes).sum();
    }
}
