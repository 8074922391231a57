package app.navlo.core.work;

import app.navlo.core.work.WorkHistory.HandIn;
import app.navlo.core.work.WorkHistory.Opening;
import app.navlo.core.work.WorkHistory.Round;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/** Plays the facts of one piece of work in the order in which they happened. One object, one replay. */
final class HistoryReplay {
    private final WorkItem item;
    private final List<Round> closed = new ArrayList<>();
    private final Map<Integer, Fact.Scored> scores = new TreeMap<>();
    private Opening opening = new Opening.Start();
    private List<HandIn> handIns = new ArrayList<>();
    private @Nullable Instant begun;
    private @Nullable Instant withdrawn;
    private Fact.@Nullable Excused excuse;
    private Fact.@Nullable Flagged flag;
    private Fact.@Nullable ExtensionGranted grant;
    private boolean extensionPending;
    private Duration tokens = Duration.ZERO;
    private Fact.@Nullable Reopened reopened;
    private int posts;
    private int replies;
    /** The hand-in that was flagged incomplete, while what is handed in completes it. */
    private @Nullable HandIn lacking;

    private boolean toComplete;
    /** Numbers that came with what completes an attempt, and that attempt. */
    private final Map<Integer, Integer> sameAttempt = new HashMap<>();

    private static final Comparator<Fact> IN_ORDER = Comparator.comparing(Fact::stamp, Stamp.CHRONOLOGICAL);

    private HistoryReplay(WorkItem item) {
        this.item = item;
    }

    /** @param facts in any order; those later than {@code now} aren't known yet */
    static WorkHistory upTo(Instant now, WorkItem item, Collection<Fact> facts) {
        HistoryReplay replay = new HistoryReplay(item);
        List<Fact> known = new ArrayList<>(facts.size());
        for (Fact fact : facts) {
            if (!fact.stamp().at().isAfter(now)) {
                known.add(fact);
            }
        }
        known.sort(IN_ORDER);
        known.forEach(replay::play);
        replay.assumeDoneAtDue(now);
        return replay.life(now);
    }

    private void play(Fact fact) {
        Instant at = fact.stamp().at();
        if (fact instanceof Fact.DraftStarted || fact instanceof Fact.AttemptBegun) {
            begin(at);
        } else if (fact instanceof Fact.HandedIn handedIn) {
            handIn(at, handedIn.attempt());
        } else if (fact instanceof Fact.Posted posted) {
            post(posted);
        } else if (fact instanceof Fact.Withdrawn) {
            withdraw(at);
        } else if (fact instanceof Fact.SentBack sentBack) {
            lacking = null;
            toComplete = false;
            closeRound(new Opening.SendBack(sentBack));
        } else if (fact instanceof Fact.Returned returned) {
            giveBack(at, returned.redo());
        } else if (fact instanceof Fact.Scored scored) {
            score(scored);
        } else if (fact instanceof Fact.Excused excused) {
            excuse = excused;
        } else if (fact instanceof Fact.Flagged flagged) {
            flag(flagged);
        } else {
            moveDue(fact);
        }
    }

    private void moveDue(Fact fact) {
        if (fact instanceof Fact.ExtensionAsked) {
            extensionPending = true;
        } else if (fact instanceof Fact.ExtensionDeclined) {
            extensionPending = false;
        } else if (fact instanceof Fact.ExtensionGranted granted) {
            extensionPending = false;
            grant = granted;
        } else if (fact instanceof Fact.TokenUsed token) {
            tokens = tokens.plus(token.span());
        } else if (fact instanceof Fact.Reopened again) {
            reopened = again;
        }
    }

    private void flag(Fact.Flagged flagged) {
        flag = flagged.flag() == Flag.CLEARED ? null : flagged;
        lacking = flagged.flag() == Flag.INCOMPLETE ? standing() : null;
        toComplete = lacking != null;
    }

    private @Nullable HandIn standing() {
        Round before = closed.isEmpty() ? null : closed.get(closed.size() - 1);
        List<HandIn> here =
                handIns.isEmpty() && before != null && opening instanceof Opening.Return ? before.handIns() : handIns;
        return here.isEmpty() ? null : here.get(here.size() - 1);
    }

    /** What completes another hand-in uses no attempt, whatever number it came with. */
    private void handIn(Instant at, int attempt) {
        if (lacking == null) {
            handIns.add(HandIn.made(at, attempt));
            return;
        }
        handIns.add(lacking.completedBy(at));
        if (attempt != lacking.attempt()) {
            sameAttempt.put(attempt, lacking.attempt());
        }
        toComplete = false;
    }

    private void begin(Instant at) {
        if (begun == null) {
            begun = at;
        }
    }

    private void post(Fact.Posted posted) {
        boolean wasComplete = partsComplete();
        if (posted.part() == Fact.Posted.Part.POST) {
            posts++;
        } else {
            replies++;
        }
        begin(posted.stamp().at());
        boolean handInStands = !handIns.isEmpty();
        boolean firstTime = !wasComplete || (!handInStands && opening instanceof Opening.Start);
        if (partsComplete() && (firstTime || toComplete)) {
            handIn(posted.stamp().at(), 1);
        }
    }

    private boolean partsComplete() {
        WorkItem.Parts wanted = item.parts();
        return wanted != null && posts >= wanted.posts() && replies >= wanted.replies();
    }

    private void withdraw(Instant at) {
        if (!handIns.isEmpty()) {
            handIns = new ArrayList<>();
            sameAttempt.clear();
            lacking = null;
            toComplete = false;
            withdrawn = at;
            begin(at);
        }
    }

    private void score(Fact.Scored scored) {
        int attempt = sameAttempt.getOrDefault(scored.attempt(), scored.attempt());
        Fact.Scored before = scores.get(attempt);
        if (before == null || !before.posted() || scored.posted()) {
            scores.put(attempt, scored);
        }
        boolean laterAttemptHandedIn = latestAttempt() > attempt;
        if (!scored.counts() || laterAttemptHandedIn) {
            return;
        }
        boolean alreadyReturned = handIns.isEmpty() && opening instanceof Opening.Return;
        if (!alreadyReturned) {
            closeByReturn(scored.stamp().at(), null);
        }
    }

    /** What was flagged incomplete before it came back asks for nothing any more. */
    private void closeByReturn(Instant at, Fact.@Nullable RedoAsked redo) {
        boolean flaggedBefore = flag == null || flag.stamp().at().isBefore(at);
        if (flaggedBefore) {
            lacking = null;
            toComplete = false;
        }
        closeRound(new Opening.Return(at, redo));
    }

    private void giveBack(Instant at, Fact.@Nullable RedoAsked redo) {
        if (handIns.isEmpty() && opening instanceof Opening.Return) {
            opening = new Opening.Return(at, redo);
        } else {
            closeByReturn(at, redo);
        }
    }

    private int latestAttempt() {
        if (!handIns.isEmpty()) {
            return handIns.get(handIns.size() - 1).attempt();
        }
        for (int i = closed.size() - 1; i >= 0; i--) {
            if (!closed.get(i).handIns().isEmpty()) {
                return closed.get(i).last().orElseThrow().attempt();
            }
        }
        return 0;
    }

    private void closeRound(Opening next) {
        closed.add(new Round(opening, List.copyOf(handIns)));
        opening = next;
        handIns = new ArrayList<>();
    }

    /** Work that expects no hand-in counts as done at its due. */
    private void assumeDoneAtDue(Instant now) {
        if (item.expectsHandIn() || !handIns.isEmpty() || !(opening instanceof Opening.Start)) {
            return;
        }
        Instant due = DueInForce.base(item, grant, tokens);
        if (due != null && !now.isBefore(due)) {
            handIns.add(HandIn.assumed(due));
        }
    }

    private WorkHistory life(Instant now) {
        List<Round> rounds = new ArrayList<>(closed);
        rounds.add(new Round(opening, List.copyOf(handIns)));
        return new WorkHistory(
                now,
                List.copyOf(rounds),
                begun,
                withdrawn,
                excuse,
                flag,
                grant,
                extensionPending,
                tokens,
                reopened,
                Map.copyOf(scores),
                posts,
                replies,
                lacking != null,
                toComplete);
    }
}
