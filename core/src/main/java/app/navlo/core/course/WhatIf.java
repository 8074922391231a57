package app.navlo.core.course;

import app.navlo.core.check.Check;
import app.navlo.core.exact.Rational;
import app.navlo.core.work.Actor;
import app.navlo.core.work.Fact;
import app.navlo.core.work.HandInContent;
import app.navlo.core.work.Stamp;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * One thing that isn't so, to see what it would do. Null leaves that as it is.
 *
 * @param points raw, before any penalty
 * @param handedIn instead of when it was, or although it wasn't
 */
public record WhatIf(
        String work,
        @Nullable Rational points,
        @Nullable Boolean excused,
        @Nullable Instant handedIn) {
    public WhatIf {
        new Check().notNegative(points, "points").orThrow();
    }

    public static WhatIf score(String work, Rational points) {
        return new WhatIf(work, points, null, null);
    }

    public static WhatIf excused(String work) {
        return new WhatIf(work, null, true, null);
    }

    static Map<String, Worked> apply(List<WhatIf> changes, Map<String, Worked> worked, CourseRules rules, Instant now) {
        Check check = new Check();
        changes.forEach(change -> check.that(
                worked.containsKey(change.work()), "work", "is " + change.work() + ", which isn't in the course"));
        check.orThrow();
        Map<String, Worked> changed = new LinkedHashMap<>(worked);
        for (WhatIf change : changes) {
            CourseWork work = changed.get(change.work()).work();
            Instant then = change.handedIn() != null && change.handedIn().isAfter(now) ? change.handedIn() : now;
            changed.put(change.work(), Worked.of(work.with(change.facts(work, then)), rules, false, then));
        }
        return changed;
    }

    private List<Fact> facts(CourseWork work, Instant then) {
        int attempt = latestAttempt(work);
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
        if (points != null) {
            facts.add(new Fact.Scored(stamp(then, 1), attempt, points, true, true));
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
