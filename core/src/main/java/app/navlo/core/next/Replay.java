package app.navlo.core.next;

import app.navlo.core.close.SafeBy;
import app.navlo.core.course.CourseBook;
import app.navlo.core.course.WhatIf;
import app.navlo.core.exact.Rational;
import app.navlo.core.next.NextPlan.Because;
import app.navlo.core.next.NextPlan.Left;
import app.navlo.core.next.NextPlan.LeftBecause;
import app.navlo.core.next.NextPlan.Planned;
import app.navlo.core.next.NextPlanner.Sat;
import app.navlo.core.plan.Solution;
import app.navlo.core.time.Stretch;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** Puts a plan to the grade engine, one hand-in after the other, and says what each does to its course. */
final class Replay {
    private final List<Duty> duties;
    private final List<Sat> order;
    private final Solution solution;
    private final List<Stretch> free;
    private final Wishes wishes;
    private final Instant now;
    private final long wishesCost;
    /** By course: what isn't so, for each piece of work that may be planned; at first all of it undone. */
    private final Map<CourseBook, Map<String, WhatIf>> otherwise = new HashMap<>();

    private final Map<CourseBook, Rational> percent = new HashMap<>();

    Replay(
            List<Duty> duties,
            List<Sat> order,
            Solution solution,
            List<Stretch> free,
            Wishes wishes,
            Instant now,
            long wishesCost) {
        this.duties = duties;
        this.order = order;
        this.solution = solution;
        this.free = free;
        this.wishes = wishes;
        this.now = now;
        this.wishesCost = wishesCost;
        for (Duty duty : duties) {
            Map<String, WhatIf> course = otherwise.computeIfAbsent(duty.book(), book -> new LinkedHashMap<>());
            if (duty.finding().state().redo() == null && duty.finding().work().counted()) {
                course.put(duty.id(), WhatIf.score(duty.id(), Rational.ZERO));
            }
        }
        otherwise.forEach((book, changes) -> percent.put(book, percent(book, changes)));
    }

    private static Rational percent(CourseBook book, Map<String, WhatIf> changes) {
        return Scale.percent(book, List.copyOf(changes.values()));
    }

    NextPlan plan() {
        Set<String> sat = Duties.ids(order.stream().map(Sat::duty).toList());
        List<Planned> planned = new ArrayList<>();
        for (Sat one : order) {
            planned.add(planned(one, gain(one), sat));
        }
        List<Left> left = new ArrayList<>();
        for (Duty duty : duties) {
            if (!sat.contains(duty.id()) && duty.yours()) {
                left.add(left(duty));
            }
        }
        left.sort(Comparator.comparing(Left::cost).reversed());
        return new NextPlan(
                planned, left, solution.plan().value(), solution.withinPercent(), solution.proven(), wishesCost);
    }

    private Rational gain(Sat one) {
        Duty duty = one.duty();
        CourseBook book = duty.book();
        if (Scale.byCompletion(book)) {
            return Scale.completes(book, duty.finding()) ? Scale.shareOfCompletion(book) : Rational.ZERO;
        }
        if (!duty.finding().work().counted()) {
            return Rational.ZERO;
        }
        Map<String, WhatIf> changes = otherwise.get(book);
        changes.put(duty.id(), handedIn(one));
        Rational before = percent.get(book);
        Rational after = percent(book, changes);
        if (duty.finding().state().redo() != null && after.compareTo(before) < 0) {
            changes.remove(duty.id());
            return Rational.ZERO;
        }
        percent.put(book, after);
        return after.minus(before);
    }

    /** At its expected score, less what its policy takes off then; with leeway, what is kept of it by the later due. */
    private static WhatIf handedIn(Sat one) {
        Instant finish = one.sittings().get(one.sittings().size() - 1).endExclusive();
        Rational raw = Duties.raw(one.duty().finding());
        if (one.way().leeway() == null) {
            return new WhatIf(one.duty().id(), raw, null, finish);
        }
        Rational share = one.way().steps().stream()
                .filter(until -> until.by() == null || !finish.isAfter(until.by()))
                .map(Duty.Until::share)
                .findFirst()
                .orElse(Rational.ZERO);
        return WhatIf.score(one.duty().id(), raw.times(share));
    }

    private Planned planned(Sat one, Rational gain, Set<String> sat) {
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
                because(one, sat));
    }

    private Because because(Sat one, Set<String> sat) {
        Duty duty = one.duty();
        Instant finish = one.sittings().get(one.sittings().size() - 1).endExclusive();
        List<String> opens = duties.stream()
                .filter(other -> sat.contains(other.id()) && other.after().contains(duty.id()))
                .map(Duty::id)
                .toList();
        Duty.Until met = met(one.way(), finish);
        long later = next(one.way(), met);
        long loses = met == null ? 0 : met.value() - later;
        Instant at = met == null || loses == 0 ? null : met.by();
        return new Because(kind(duty, !opens.isEmpty(), at), at, loses, opens);
    }

    private Because.Kind kind(Duty duty, boolean opens, @Nullable Instant at) {
        if (wishes.first().contains(duty.id())) {
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

    private static Duty.@Nullable Until met(Duty.Way way, Instant finish) {
        return way.steps().stream()
                .filter(until -> until.by() == null || !finish.isAfter(until.by()))
                .findFirst()
                .orElse(null);
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
            return Scale.completes(duty.book(), duty.finding()) ? Scale.shareOfCompletion(duty.book()) : Rational.ZERO;
        }
        if (!duty.finding().work().counted()) {
            return Rational.ZERO;
        }
        Map<String, WhatIf> changes = new LinkedHashMap<>(otherwise.get(duty.book()));
        changes.put(duty.id(), new WhatIf(duty.id(), Duties.raw(duty.finding()), null, now));
        return percent(duty.book(), changes).minus(percent.get(duty.book())).max(Rational.ZERO);
    }

    /** Whether it alone would fit into the time before its last instant. */
    private boolean couldBeDone(Duty duty) {
        return duty.modes().stream()
                .filter(way -> !way.steps().isEmpty())
                .map(way -> way.steps().get(way.steps().size() - 1).by())
                .anyMatch(last -> freeUntil(last) >= duty.minutes());
    }

    private long freeUntil(@Nullable Instant last) {
        long minutes = 0;
        for (Stretch stretch : free) {
            Instant end = last == null || stretch.endExclusive().isBefore(last) ? stretch.endExclusive() : last;
            minutes += stretch.start().isBefore(end)
                    ? Duration.between(stretch.start(), end).toMinutes()
                    : 0;
        }
        return minutes;
    }
}
