package app.navlo.core.work;

import app.navlo.core.exact.Rational;
import app.navlo.core.policy.RedoRule;
import app.navlo.core.work.WorkHistory.Opening;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * A redo that is to be done, was not done while it was accepted, or is with the teacher.
 *
 * @param due its own due, or null for none
 * @param timing its own, never that of the first hand-in
 */
public record Redo(Kind kind, @Nullable Instant due, Timing timing) {
    public enum Kind {
        ASKED,
        ALLOWED
    }

    /** Which redo is open or being judged since the last return, whether or not it is still accepted. */
    static @Nullable Kind kindOf(WorkItem item, WorkHistory life) {
        int since = lastReturn(life);
        if (since < 0 || life.excused()) {
            return null;
        }
        if (((Opening.Return) life.rounds().get(since).opening()).redo() != null) {
            return Kind.ASKED;
        }
        boolean handedInAgain = life.withTeacher() && life.handedInBefore(since);
        return handedInAgain || allowed(item, life) ? Kind.ALLOWED : null;
    }

    private static int lastReturn(WorkHistory life) {
        for (int i = life.lastIndex(); i >= 0; i--) {
            if (life.rounds().get(i).opening() instanceof Opening.Return) {
                return i;
            }
        }
        return -1;
    }

    private static boolean allowed(WorkItem item, WorkHistory life) {
        return item.redo() != null && belowPass(item, life) && (!item.redo().needsReopening() || reopenedSince(life));
    }

    private static boolean reopenedSince(WorkHistory life) {
        return life.reopened() != null
                && life.latestHandIn()
                        .map(last -> !Objects.requireNonNull(life.reopened())
                                .stamp()
                                .at()
                                .isBefore(last.at()))
                        .orElse(true);
    }

    private static boolean belowPass(WorkItem item, WorkHistory life) {
        WorkItem.Marking marking = item.marking();
        return marking.passPercent() != null
                && RedoRule.below(marking.passPercent(), keptRaw(item, life).orElse(null), marking.possible());
    }

    /** The kept one among the raw scores that are final and posted. */
    static Optional<Rational> keptRaw(WorkItem item, WorkHistory life) {
        List<Rational> counting = life.scores().entrySet().stream()
                .sorted(Map.Entry.comparingByKey())
                .map(Map.Entry::getValue)
                .filter(Fact.Scored::counts)
                .map(Fact.Scored::points)
                .toList();
        return item.marking().kept().pick(counting);
    }
}
