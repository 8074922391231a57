package app.navlo.core.course;

import app.navlo.core.close.GradedReturn;
import app.navlo.core.id.CourseId;
import app.navlo.core.work.Actor;
import app.navlo.core.work.Fact;
import app.navlo.core.work.Stamp;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;

/** Reads from the facts of a piece of work how long a person took to give it back. */
public final class Returns {
    private Returns() {}

    /**
     * Each hand-in with the return, or the first final, posted score, that answered it. What a program scored says nothing
     * of the teacher's pace, so it isn't among them.
     *
     * @param facts of one piece of work, in any order
     */
    public static List<GradedReturn> of(CourseId course, Collection<Fact> facts, Instant now) {
        List<GradedReturn> returns = new ArrayList<>();
        Instant waiting = null;
        for (Fact fact : inOrder(facts, now)) {
            Instant at = fact.stamp().at();
            if (fact instanceof Fact.HandedIn) {
                waiting = at;
            } else if (fact instanceof Fact.Withdrawn || fact instanceof Fact.SentBack) {
                waiting = null;
            } else if (waiting != null && answers(fact)) {
                if (fact.stamp().by() != Actor.SYSTEM) {
                    returns.add(new GradedReturn(course, waiting, at));
                }
                waiting = null;
            }
        }
        return returns;
    }

    private static List<Fact> inOrder(Collection<Fact> facts, Instant now) {
        return facts.stream()
                .filter(fact -> !fact.stamp().at().isAfter(now))
                .sorted(Comparator.comparing((Fact fact) -> fact.stamp().at())
                        .thenComparing(Fact::stamp, Comparator.comparingLong(Stamp::order)))
                .toList();
    }

    private static boolean answers(Fact fact) {
        return fact instanceof Fact.Returned || (fact instanceof Fact.Scored scored && scored.counts());
    }
}
