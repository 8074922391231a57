package app.navlo.core.next;

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
        List<Chosen> order = ordered.order();
        Choice hard = choice(problem, with.free(), foresight, order);
        if (with.spill().isEmpty() || order.isEmpty()) {
            return hard;
        }
        Spilled spilled = spilling(hard, foresight.mean(order), order);
        return ordered.holds()
                ? spilled.choice()
                : soonWithSoftEnds(spilled, order, foresight).choice();
    }

    /** What loses soon may only fit in beside all else where a sitting runs over. */
    private Spilled soonWithSoftEnds(Spilled spilled, List<Chosen> order, Foresight foresight) {
        List<Chosen> soon = soonFirst(foresight(tasks.in(longer(with.free(), atHand()))), order);
        if (soon.equals(order)) {
            return spilled;
        }
        Choice first = choice(problem, with.free(), foresight, soon);
        Spilled other = spilling(first, foresight.mean(soon), soon);
        return other.worth() >= spilled.worth() - Math.abs(spilled.worth()) * LITTLE ? other : spilled;
    }

    private Foresight foresight(PlanProblem problem) {
        return new Foresight(problem, guesses, SturdyOrder.cases(duties.size()));
    }

    /** @param holds it is the order that held, untouched */
    private record Ordered(List<Chosen> order, boolean holds) {}

    private Ordered order(Foresight foresight, Plan found, @Nullable Held held) {
        List<Chosen> fresh = soonFirst(foresight, SturdyOrder.of(found, problem, foresight, this::valueAMinute));
        if (held == null) {
            return new Ordered(fresh, false);
        }
        boolean differs = held.differs(duties);
        List<Chosen> kept = kept(held, found, differs || held.changed());
        if (differs) {
            kept = soonFirst(foresight, foresight.better(kept, SturdyOrder.tries(duties.size())));
        }
        double enough = (differs || held.changed() ? WORTH_CHANGING : WORTH_TURNING) * stake();
        int cases = TWICE * SturdyOrder.cases(duties.size());
        boolean turned = saves(fresh, kept, foresight) >= enough
                && saves(fresh, kept, Foresight.afresh(problem, guesses, cases)) >= enough;
        return turned ? new Ordered(fresh, false) : new Ordered(kept, !differs);
    }

    private static double saves(List<Chosen> some, List<Chosen> others, Foresight foresight) {
        return foresight.mean(some) - foresight.mean(others);
    }

    private static List<Chosen> soonFirst(Foresight foresight, List<Chosen> order) {
        return foresight.soonFirst(order, FRONT);
    }

    private boolean isFree(int job) {
        return !problem.jobs().get(job).modes().isEmpty();
    }

    /** @param anew the plan that holds, with the leeway that was found now; else with its own */
    private List<Chosen> kept(Held held, Plan found, boolean anew) {
        Map<Integer, Integer> modes = new HashMap<>();
        found.jobs().forEach(placed -> modes.put(placed.job(), placed.mode()));
        Map<String, Integer> places = new HashMap<>();
        for (int i = 0; i < duties.size(); i++) {
            places.put(duties.get(i).id(), i);
        }
        List<Chosen> kept = new ArrayList<>();
        for (int i = 0; i < held.pieces().size(); i++) {
            Held.Piece piece = held.pieces().get(i);
            Integer place = places.get(piece.work());
            if (place != null && isFree(place)) {
                boolean own = !anew
                        && i < held.planned()
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

    private Choice choice(PlanProblem in, List<Stretch> free, Foresight foresight, List<Chosen> all) {
        List<Chosen> order = foresight.asThought(all);
        double[] percent = duties.stream()
                .mapToDouble(
                        duty -> duty.onTime().toDecimal(4, RoundingMode.HALF_UP).doubleValue())
                .toArray();
        Chances chances = foresight.chances(order, percent);
        return new Choice(in, tasks.without(free), new Layout(in).of(order).orElseThrow(), chances, guesses);
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
     * @param mean worth of the order with hard ends
     */
    private Spilled spilling(Choice hard, double mean, List<Chosen> order) {
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
            Foresight foresight = foresight(soft);
            double more = foresight.mean(order) - worth;
            if (more > 0) {
                Choice tried = choice(soft, longer, foresight, order);
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
