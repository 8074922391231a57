package app.navlo.core.work;

import app.navlo.core.reason.Reason;
import app.navlo.core.reason.Rule;
import app.navlo.core.work.WorkHistory.HandIn;
import app.navlo.core.work.WorkHistory.Opening;
import java.time.Duration;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/** Timing by the clock alone. Handed in exactly at the due instant is on time. */
enum TimingRule implements Rule {
    NO_DUE("It has no due date"),
    AHEAD("Due {due}"),
    SOON("Due {due}, less than {soon} away"),
    OVERDUE("Due {due}, and still accepted"),
    CLOSED("Nothing is accepted since {ended}"),
    ON_TIME("Handed in {at}, by the due of {due}"),
    LATE("Handed in {at}, {late} after the due of {due}");

    private final String template;

    TimingRule(String template) {
        this.template = template;
    }

    @Override
    public String template() {
        return template;
    }

    record Answer(
            Timing timing, @Nullable Instant due, @Nullable Instant handedInAt, Reason reason) {}

    /** The hand-in that decides is the last one before the first return that gave one back. */
    static Answer of(WorkItem item, WorkHistory life, Clock clock) {
        DueInForce dues = new DueInForce(item, life);
        int deciding = life.sentBack() ? -1 : decidingRound(life);
        if (deciding < 0) {
            return awaited(dues.awaited(), clock);
        }
        HandIn handIn = life.rounds().get(deciding).last().orElseThrow();
        return judged(handIn.judgedAt(), dues.ofRound(deciding));
    }

    private static int decidingRound(WorkHistory life) {
        int last = -1;
        for (int i = 0; i <= life.lastIndex(); i++) {
            if (last >= 0 && life.rounds().get(i).opening() instanceof Opening.Return) {
                return last;
            }
            if (!life.rounds().get(i).handIns().isEmpty()) {
                last = i;
            }
        }
        return last;
    }

    static Answer judged(Instant handedIn, @Nullable Instant due) {
        if (due == null) {
            return new Answer(Timing.NO_DUE_DATE, null, handedIn, Reason.of(NO_DUE));
        }
        if (handedIn.isAfter(due)) {
            Reason late =
                    Reason.of(LATE).with("at", handedIn).with("due", due).with("late", Duration.between(due, handedIn));
            return new Answer(Timing.LATE, due, handedIn, late);
        }
        return new Answer(
                Timing.ON_TIME,
                due,
                handedIn,
                Reason.of(ON_TIME).with("at", handedIn).with("due", due));
    }

    static Answer awaited(@Nullable Instant due, Clock clock) {
        Instant ends = clock.acceptance().ends();
        if (ends != null && !clock.acceptance().openAt(clock.now())) {
            return new Answer(Timing.CLOSED, due, null, Reason.of(CLOSED).with("ended", ends));
        }
        if (due == null) {
            return new Answer(Timing.NO_DUE_DATE, null, null, Reason.of(NO_DUE));
        }
        if (clock.now().isAfter(due)) {
            return new Answer(Timing.OVERDUE, due, null, Reason.of(OVERDUE).with("due", due));
        }
        if (clock.now().isBefore(due.minus(clock.soon()))) {
            return new Answer(Timing.AHEAD, due, null, Reason.of(AHEAD).with("due", due));
        }
        return new Answer(
                Timing.DUE_SOON, due, null, Reason.of(SOON).with("due", due).with("soon", clock.soon()));
    }
}
