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
        List<Chosen> order = order(foresight, found, held);
        Choice hard = choice(problem, with.free(), foresight, order);
        return with.spill().isEmpty() || order.isEmpty() ? hard : spilling(hard, foresight.mean(order), order);
    }

    private Foresight foresight(PlanProblem problem) {
        return new Foresight(problem, guesses, SturdyOrder.cases(duties.size()));
    }

    private List<Chosen> order(Foresight foresight, Plan found, @Nullable Held held) {
        List<Chosen> fresh = soonFirst(foresight, SturdyOrder.of(found, problem, foresight, this::valueAMinute));
        if (held == null) {
            return fresh;
        }
        boolean differs = held.differs(duties);
        List<Chosen> kept = kept(held, found);
        if (differs) {
            kept = soonFirst(foresight, foresight.better(kept, SturdyOrder.tries(duties.size())));
        }
        double more = foresight.mean(fresh) - foresight.mean(kept);
        boolean turned = more >= (differs || held.changed() ? WORTH_CHANGING : WORTH_TURNING) * stake();
        return turned ? fresh : kept;
    }

    private static List<Chosen> soonFirst(Foresight foresight, List<Chosen> order) {
        return foresight.soonFirst(order, FRONT);
    }

    private boolean isFree(int job) {
        return !problem.jobs().get(job).modes().isEmpty();
    }

    /** The plan that holds, with the leeway that was found now. */
    private List<Chosen> kept(Held held, Plan found) {
        Map<Integer, Integer> modes = new HashMap<>();
        found.jobs().forEach(placed -> modes.put(placed.job(), placed.mode()));
        Map<String, Integer> places = new HashMap<>();
        for (int i = 0; i < duties.size(); i++) {
            places.put(duties.get(i).id(), i);
        }
        List<Chosen> kept = new ArrayList<>();
        for (Held.Piece piece : held.pieces()) {
            Integer place = places.get(piece.work());
            if (place != null && isFree(place)) {
                kept.add(new Chosen(place, modes.getOrDefault(place, 0)));
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
     * Sittings at hand may run over, each where that saves more than its minutes are worth: as much as the least valuable minute
     * brings that is planned. Those of later days get their turn when they come.
     *
     * @param mean worth of the order with hard ends
     */
    private Choice spilling(Choice hard, double mean, List<Chosen> order) {
        double price = hard.plan().jobs().stream()
                .mapToDouble(placed ->
                        (double) placed.value() / duties.get(placed.job()).minutes())
                .filter(each -> each > 0)
                .min()
                .orElse(0);
        Choice best = hard;
        double worth = mean;
        for (Stretch stretch : with.spill()) {
            if (Duration.between(tasks.base(), stretch.start()).compareTo(AT_HAND) > 0) {
                break;
            }
            List<Stretch> longer = Stretch.joined(joined(best.free(), List.of(stretch)));
            PlanProblem soft = tasks.in(longer);
            Foresight foresight = foresight(soft);
            double more = foresight.mean(order) - worth;
            if (more > 0) {
                Choice tried = choice(soft, longer, foresight, order);
                long minutes = tried.plan().jobs().stream()
                        .mapToLong(placed -> within(stretch, placed.start(), placed.finish()))
                        .sum();
                if (minutes > 0 && more > price * minutes) {
                    best = tried;
                    worth += more;
                }
            }
        }
        return best;
    }

    private static List<Stretch> joined(List<Stretch> some, List<Stretch> others) {
        List<Stretch> all = new ArrayList<>(some);
        all.addAll(others);
        return all;
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
