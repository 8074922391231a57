package app.navlo.core.work;

import app.navlo.core.policy.Attempt;
import app.navlo.core.policy.Window;
import app.navlo.core.work.WorkHistory.HandIn;
import app.navlo.core.work.WorkHistory.Opening;
import app.navlo.core.work.WorkHistory.Round;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/**
 * The attempts at one piece of work, in order, each with the hand-in that decides it and the window that took it.
 *
 * @param scoredAt when the last score that counts was given; null while none is
 */
public record Attempts(List<Attempt> list, @Nullable Instant scoredAt) {
    public Attempts {
        list = List.copyOf(list);
    }

    static Attempts of(WorkItem item, WorkHistory life) {
        TreeSet<Integer> numbers = new TreeSet<>(life.scores().keySet());
        life.rounds().forEach(round -> round.handIns().forEach(handIn -> numbers.add(handIn.attempt())));
        List<Attempt> attempts = new ArrayList<>();
        for (int number : numbers) {
            attempts.add(attempt(number, item, life));
        }
        Instant scoredAt = null;
        for (Fact.Scored score : life.scores().values()) {
            Instant at = score.stamp().at();
            if (score.counts() && (scoredAt == null || at.isAfter(scoredAt))) {
                scoredAt = at;
            }
        }
        return new Attempts(attempts, scoredAt);
    }

    private static Attempt attempt(int number, WorkItem item, WorkHistory life) {
        HandIn deciding = null;
        int round = 0;
        for (int i = 0; i <= life.lastIndex(); i++) {
            Round here = life.rounds().get(i);
            if (deciding != null && here.opening() instanceof Opening.Return) {
                break;
            }
            for (HandIn handIn : here.handIns()) {
                if (handIn.attempt() == number) {
                    deciding = handIn;
                    round = i;
                }
            }
        }
        Fact.Scored score = life.scores().get(number);
        return new Attempt(
                number,
                window(item, life, round),
                deciding == null || deciding.assumed() ? null : deciding.judgedAt(),
                score == null ? null : score.points(),
                score == null ? null : score.byDue(),
                score != null && score.isFinal(),
                score != null && score.posted());
    }

    private static Window window(WorkItem item, WorkHistory life, int round) {
        DueInForce dues = new DueInForce(item, life);
        WorkItem.Schedule schedule = item.schedule();
        Instant closesAt = AcceptanceRule.closesAt(schedule, dues.givenForRound(round));
        return new Window(dues.ofRound(round), closesAt, schedule.cutoff(), schedule.gradingClose());
    }
}
