package app.navlo.core.next;

import app.navlo.core.plan.Chances;
import app.navlo.core.plan.Guess;
import app.navlo.core.plan.Plan;
import app.navlo.core.plan.PlanProblem;
import app.navlo.core.time.Stretch;
import java.util.List;

/**
 * The order that was chosen, laid out as everything is thought to take.
 *
 * @param order of all that can be done, also of what isn't done where everything takes as long as is thought
 * @param problem in which it is laid out, with the ends over which it runs
 * @param free the same as time, without what is nailed
 * @param chances of it, by task
 * @param guesses by task
 */
record Choice(
        List<Plan.Chosen> order,
        PlanProblem problem,
        List<Stretch> free,
        Plan plan,
        Chances chances,
        List<Guess> guesses) {}
