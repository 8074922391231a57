package app.navlo.core.next;

import app.navlo.core.id.WorkId;
import app.navlo.core.plan.Chances;
import app.navlo.core.plan.Foresight;
import app.navlo.core.plan.Guess;
import app.navlo.core.plan.Layout;
import app.navlo.core.plan.Plan;
import app.navlo.core.plan.Plan.Chosen;
import app.navlo.core.plan.PlanProblem;
import app.navlo.core.plan.SturdyOrder;
import app.navlo.core.time.Stretch;
import java.math.RoundingMode;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * Chooses among orders by what they are worth on average, since efforts are guesses: what the solver found, what brings most a
 * minute, and the plan that holds. Then lets sittings run over the end of free hours where that saves more than the minutes are
 * worth.
 */
final class Chooser {
    private static final double A_HAIR = 1e-9;
    /** A plan that holds is turned over where that saves at least so much more of what is at stake. */
    private static final double WORTH_TURNING = 0.01;
    /** The same once something has happened. */
    private static final double WORTH_CHANGING = 0.0025;

    /** Of so many moves at the head the order is looked at once more. */
    private static final int FRONT = 12;

    /** Whether one is better is asked of so many times the cases by which it was chosen, and of others. */
    private static final int TWICE = 2;
    /** So much may be lost for doing first what loses soon. */
    private static final double LITTLE = 0.001;

    private static final Duration AT_HAND = Duration.ofHours(36);

    private final List<Task> duties;
    private final TaskProblem tasks;
    private final PlanProblem problem;
    private final Circumstances with;
    private final List<Guess> guesses;

    Chooser(List<Task> duties, TaskProblem tasks, PlanProblem problem, Circumstances with) {
        this.duties = duties;
        this.tasks = tasks;
        this.problem = problem;
        this.with = with;
        guesses = duties.stream()
                .map(duty -> guess(duty, with.guesses().get(duty.id())))
                .toList();
    }

    /** Of what was flagged incomplete only a part is left, and nobody has said how much. */
    private static Guess guess(Task duty, @Nullable Guess known) {
        return known == null || duty.minutesGuessed() ? Guess.of(duty.minutes()) : known;
    }

    Choice choose(Plan found, @Nullable Held held) {
        Foresight foresight = foresight(problem);
        Ordered ordered = order(foresight, found, held);
        Choice hard = choice(problem, with.free(), foresight, ordered);
        if (with.spill().isEmpty() || ordered.order().isEmpty()) {
            return hard;
        }
        Spilled spilled = spilling(hard, foresight, ordered);
        return ordered.holds()
                ? spilled.choice()
                : soonWithSoftEnds(spilled, ordered.order(), foresight).choice();
    }

    /** What loses soon may only fit in beside all else where a sitting runs over. */
    private Spilled soonWithSoftEnds(Spilled spilled, List<Chosen> order, Foresight foresight) {
        List<Chosen> soon = soonFirst(foresight(tasks.in(longer(with.free(), atHand()))), order);
        if (soon.equals(order)) {
            return spilled;
        }
        Ordered sooner = Ordered.anew(soon);
        Spilled other = spilling(choice(problem, with.free(), foresight, sooner), foresight, sooner);
        return other.worth() >= spilled.worth() - Math.abs(spilled.worth()) * LITTLE ? other : spilled;
    }

    private Foresight foresight(PlanProblem problem) {
        return new Foresight(problem, guesses, SturdyOrder.cases(duties.size()));
    }

    /**
     * @param shown the same so that what was planned comes first, as it was begun: what else might come between is only done then
     *     where there is room
     * @param holds it is the order that held, untouched
     */
    private record Ordered(List<Chosen> order, List<Chosen> shown, boolean holds) {
        static Ordered anew(List<Chosen> order) {
            return new Ordered(order, order, false);
        }
    }

    private Ordered order(Foresight foresight, Plan found, @Nullable Held held) {
        if (held == null) {
            List<Chosen> first = fresh(foresight, found, List.of());
            return Ordered.anew(soonFirst(foresight, foresight.better(first, tries())));
        }
        boolean differs = held.differs(duties);
        boolean happened = differs || held.changed();
        List<Chosen> kept = kept(held, found, happened);
        // While only minutes pass it is sought near what holds: orders far apart are worth nearly the same.
        List<Chosen> fresh = fresh(foresight, found, differs ? List.of() : List.of(kept));
        if (differs) {
            kept = soonFirst(foresight, foresight.better(kept, tries()));
        }
        double enough = (happened ? WORTH_CHANGING : WORTH_TURNING) * stake();
        int cases = TWICE * SturdyOrder.cases(duties.size());
        boolean turned = saves(fresh, kept, foresight) >= enough
                && saves(fresh, kept, Foresight.afresh(problem, guesses, cases)) >= enough;
        if (turned) {
            return Ordered.anew(fresh);
        }
        return differs ? Ordered.anew(kept) : new Ordered(kept, shown(held, kept), true);
    }

    private List<Chosen> shown(Held held, List<Chosen> kept) {
        Map<WorkId, Integer> places = new HashMap<>();
        held.planned().forEach(work -> places.put(work, places.size()));
        return kept.stream()
                .sorted(Comparator.comparing(
                        one -> places.getOrDefault(duties.get(one.job()).id(), places.size())))
                .toList();
    }

    private int tries() {
        return SturdyOrder.tries(duties.size());
    }

    private List<Chosen> fresh(Foresight foresight, Plan found, List<List<Chosen>> also) {
        return soonFirst(foresight, SturdyOrder.of(found, problem, foresight, this::valueAMinute, also));
    }

    private static double saves(List<Chosen> some, List<Chosen> others, Foresight foresight) {
        return foresight.mean(some) - foresight.mean(others);
    }

    private List<Chosen> soonFirst(Foresight foresight, List<Chosen> order) {
        return foresight.inTime(foresight.soonFirst(order, FRONT), tries());
    }

    private boolean isFree(int job) {
        return !problem.jobs().get(job).modes().isEmpty();
    }

    /** @param anew the plan that holds, with the leeway that was found now; else with its own */
    private List<Chosen> kept(Held held, Plan found, boolean anew) {
        Map<Integer, Integer> modes = new HashMap<>();
        found.jobs().forEach(placed -> modes.put(placed.job(), placed.mode()));
        Map<WorkId, Integer> places = new HashMap<>();
        for (int i = 0; i < duties.size(); i++) {
            places.put(duties.get(i).id(), i);
        }
        List<Chosen> kept = new ArrayList<>();
        for (Held.Piece piece : held.pieces()) {
            Integer place = places.get(piece.work());
            if (place != null && isFree(place)) {
                boolean own = !anew
                        && piece.mode() < problem.jobs().get(place).modes().size();
                kept.add(new Chosen(place, own ? piece.mode() : modes.getOrDefault(place, 0)));
            }
        }
        return kept;
    }

    /** All that could be earned at most. */
    private double stake() {
        return duties.stream().mapToLong(TaskProblem::most).sum()
                + problem.bonuses().stream().mapToLong(PlanProblem.Bonus::bonus).sum();
    }

    private Choice choice(PlanProblem in, List<Stretch> free, Foresight foresight, Ordered ordered) {
        List<Chosen> order = foresight.asThought(ordered.shown());
        double[] percent = duties.stream()
                .mapToDouble(
                        duty -> duty.onTime().toDecimal(4, RoundingMode.HALF_UP).doubleValue())
                .toArray();
        Chances chances = foresight.chances(order, percent);
        return new Choice(
                ordered.order(),
                in,
                tasks.without(free),
                new Layout(in).of(order).orElseThrow(),
                chances,
                guesses);
    }

    /**
     * A choice whose sittings may run over.
     *
     * @param worth on average, without what the minutes would bring elsewhere that run over
     */
    private record Spilled(Choice choice, double worth) {}

    /** Those of later days get their turn when they come. */
    private List<Stretch> atHand() {
        return with.spill().stream()
                .filter(stretch ->
                        Duration.between(tasks.base(), stretch.start()).compareTo(AT_HAND) <= 0)
                .toList();
    }

    /**
     * Sittings at hand may run over, each where that saves more than its minutes are worth: as much as the least valuable minute
     * brings that is planned.
     *
     * @param foresight with hard ends
     */
    private Spilled spilling(Choice hard, Foresight foresight, Ordered ordered) {
        List<Chosen> order = ordered.order();
        double mean = foresight.mean(order);
        double price = hard.plan().jobs().stream()
                .mapToDouble(placed ->
                        (double) placed.value() / duties.get(placed.job()).minutes())
                .filter(each -> each > 0)
                .min()
                .orElse(0);
        Spilled best = new Spilled(hard, mean);
        double worth = mean;
        for (Stretch stretch : atHand()) {
            List<Stretch> longer = longer(best.choice().free(), List.of(stretch));
            PlanProblem soft = tasks.in(longer);
            Foresight softly = foresight(soft);
            double more = softly.mean(order) - worth;
            if (more > 0) {
                Choice tried = choice(soft, longer, softly, ordered);
                long minutes = tried.plan().jobs().stream()
                        .mapToLong(placed -> within(stretch, placed.start(), placed.finish()))
                        .sum();
                if (minutes > 0 && more > price * minutes) {
                    best = new Spilled(tried, best.worth() + more - price * minutes);
                    worth += more;
                }
            }
        }
        return best;
    }

    private static List<Stretch> longer(List<Stretch> free, List<Stretch> spill) {
        List<Stretch> all = new ArrayList<>(free);
        all.addAll(spill);
        return Stretch.joined(all);
    }

    private long within(Stretch stretch, long start, long finish) {
        return Math.max(
                0, Math.min(finish, tasks.down(stretch.endExclusive())) - Math.max(start, tasks.up(stretch.start())));
    }

    /** Of what is worth the same, what is due first comes first: in that order the duties stand. */
    private double valueAMinute(int job) {
        return (double) TaskProblem.most(duties.get(job)) / duties.get(job).minutes() - job * A_HAIR;
    }
}
