package app.navlo.core.course;

import app.navlo.core.check.Check;
import app.navlo.core.exact.Rational;
import app.navlo.core.id.WorkId;
import app.navlo.core.work.Actor;
import app.navlo.core.work.Fact;
import app.navlo.core.work.GateState;
import app.navlo.core.work.HandInContent;
import app.navlo.core.work.Stage;
import app.navlo.core.work.Stamp;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * One thing that isn't so, to see what it would do. Null leaves that as it is.
 *
 * @param handedIn instead of when it was, or although it wasn't
 */
public record WhatIf(
        WorkId work,
        @Nullable Score score,
        @Nullable Boolean excused,
        @Nullable Instant handedIn) {
    /**
     * @param counted true for points as they count, after every penalty; false for raw points, of which lateness takes
     *     something off and among which the kept attempt is picked
     */
    public record Score(Rational points, boolean counted) {
        public Score {
            new Check().notNegative(points, "points").orThrow();
        }
    }

    /** It counts with so many points, whatever was scored or lost by lateness. */
    public static WhatIf counts(WorkId work, Rational points) {
        return new WhatIf(work, new Score(points, true), null, null);
    }

    /**
     * Its latest attempt is scored so, before any penalty.
     *
     * @param handedIn instead of when it was, or although it wasn't; null leaves that as it is
     */
    public static WhatIf scored(WorkId work, Rational points, @Nullable Instant handedIn) {
        return new WhatIf(work, new Score(points, false), null, handedIn);
    }

    public static WhatIf excused(WorkId work) {
        return new WhatIf(work, null, true, null);
    }

    public static WhatIf handedIn(WorkId work, Instant at) {
        return new WhatIf(work, null, null, at);
    }

    /** The work as it would be, at the instant of the hand-in where that is still to come. */
    EvaluatedWork apply(EvaluatedWork before, CourseRules rules, Instant now) {
        Instant then = handedIn != null && handedIn.isAfter(now) ? handedIn : now;
        boolean again = handedIn != null && before.state().stage() == Stage.RETURNED;
        CourseWork work = before.work();
        return EvaluatedWork.of(work.with(facts(work, again, then)), rules, GateState.OPEN, then);
    }

    /** @param again whether what came back is handed in once more, as one more attempt */
    private List<Fact> facts(CourseWork work, boolean again, Instant then) {
        int attempt = latestAttempt(work) + (again ? 1 : 0);
        List<Fact> facts = new ArrayList<>();
        for (Fact fact : work.facts()) {
            boolean replaced = handedIn != null && fact instanceof Fact.HandedIn one && one.attempt() == attempt;
            if (!replaced) {
                facts.add(fact);
            }
        }
        if (handedIn != null) {
            facts.add(new Fact.HandedIn(stamp(handedIn, 0), attempt, HandInContent.DONE));
        }
        if (score != null && !score.counted()) {
            facts.add(new Fact.Scored(stamp(then, 1), attempt, score.points(), true, true));
        }
        if (excused != null) {
            facts.add(new Fact.Excused(stamp(then, 2), excused));
        }
        return facts;
    }

    private static int latestAttempt(CourseWork work) {
        int latest = 1;
        for (Fact fact : work.facts()) {
            latest = fact instanceof Fact.HandedIn one ? Math.max(latest, one.attempt()) : latest;
            latest = fact instanceof Fact.Scored one ? Math.max(latest, one.attempt()) : latest;
        }
        return latest;
    }

    /** After everything else of that instant. */
    private static Stamp stamp(Instant at, long order) {
        return new Stamp(at, at, Long.MAX_VALUE - 2 + order, Actor.SYSTEM, "", "what if");
    }
}
