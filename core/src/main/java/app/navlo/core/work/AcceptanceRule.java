package app.navlo.core.work;

import app.navlo.core.policy.Acceptance;
import app.navlo.core.policy.Acceptance.Limit;
import app.navlo.core.work.WorkHistory.HandIn;
import app.navlo.core.work.WorkHistory.Opening;
import java.time.Instant;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/** Until when a hand-in made now would be taken: the earliest of all limits. */
final class AcceptanceRule {
    private AcceptanceRule() {}

    static Acceptance of(WorkItem item, WorkHistory life, Redo.@Nullable Kind redo) {
        WorkItem.Schedule schedule = item.schedule();
        DueInForce dues = new DueInForce(item, life);
        Instant cutoffFrom = redo == null && life.returned() ? dues.beforeReturn() : dues.ofCurrentRound();
        boolean cutOff = item.expectsHandIn() && schedule.cutoff() != null && cutoffFrom != null;
        Instant cutoff = !cutOff ? null : Objects.requireNonNull(cutoffFrom).plus(schedule.cutoff());
        Instant redoUntil =
                redo == Redo.Kind.ALLOWED && item.redo() != null ? item.redo().until() : null;
        return Acceptance.UNLIMITED
                .until(closesAt(schedule, dues.givenForRound(life.lastIndex())), Limit.CLOSES_AT)
                .until(cutoff, Limit.CUTOFF)
                .until(schedule.gradingClose(), Limit.GRADING_CLOSE)
                .until(redoUntil, Limit.REDO_UNTIL)
                .until(lastAttemptUsed(item, life), Limit.ATTEMPTS);
    }

    static @Nullable Instant closesAt(WorkItem.Schedule schedule, @Nullable Instant given) {
        if (schedule.closesAt() == null) {
            return null;
        }
        Instant closes = schedule.closesAt().instant();
        return given != null && given.isAfter(closes) ? given : closes;
    }

    /** When the last attempt was used, or null while one is left. */
    private static @Nullable Instant lastAttemptUsed(WorkItem item, WorkHistory life) {
        Integer allowed = attemptsAllowed(item, life);
        if (allowed == null || life.completable()) {
            return null;
        }
        List<HandIn> counted = life.counted();
        return counted.size() < allowed ? null : counted.get(counted.size() - 1).at();
    }

    /** With those that redos brought; null for unlimited. */
    static @Nullable Integer attemptsAllowed(WorkItem item, WorkHistory life) {
        if (item.attemptsAllowed() == null) {
            return null;
        }
        int allowed = item.attemptsAllowed();
        for (WorkHistory.Round round : life.rounds()) {
            if (round.opening() instanceof Opening.Return returned && returned.redo() != null) {
                allowed++;
            }
        }
        return allowed;
    }
}
