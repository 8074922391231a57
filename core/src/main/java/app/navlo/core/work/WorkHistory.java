package app.navlo.core.work;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * What the facts up to {@code now} come to before any rule is asked: the work went to and fro in rounds, and these
 * marks stand on it. Built by {@link HistoryReplay}.
 *
 * @param rounds at least one; the last is the one that is still open
 * @param begun since when something has been begun, or null
 * @param withdrawn when the last withdrawal was made, or null
 * @param grant the extension made last, or null
 * @param scores the word that stands on each attempt, by its number: the last one posted, else the last
 * @param completable whether what is handed in now would complete what was flagged incomplete
 * @param toComplete whether it was flagged incomplete and nothing was handed in since
 */
record WorkHistory(
        Instant now,
        List<Round> rounds,
        @Nullable Instant begun,
        @Nullable Instant withdrawn,
        Fact.@Nullable Excused excuse,
        Fact.@Nullable Flagged flag,
        Fact.@Nullable ExtensionGranted grant,
        boolean extensionPending,
        Duration tokens,
        Fact.@Nullable Reopened reopened,
        Map<Integer, Fact.Scored> scores,
        int posts,
        int replies,
        boolean completable,
        boolean toComplete) {

    /**
     * One hand-in.
     *
     * @param judgedAt by which it is on time or late: that of what it completes, else its own
     */
    record HandIn(Instant at, Instant judgedAt, int attempt, Kind kind) {
        enum Kind {
            MADE,
            /** Work that expects none and counts as done at its due. */
            ASSUMED,
            /** Completes an earlier one and belongs to the same attempt. */
            COMPLETING
        }

        static HandIn made(Instant at, int attempt) {
            return new HandIn(at, at, attempt, Kind.MADE);
        }

        static HandIn assumed(Instant due) {
            return new HandIn(due, due, 1, Kind.ASSUMED);
        }

        HandIn completedBy(Instant later) {
            return new HandIn(later, judgedAt, attempt, Kind.COMPLETING);
        }

        boolean assumed() {
            return kind == Kind.ASSUMED;
        }
    }

    /** From one opening to the next: what was handed in, after whatever opened it. */
    record Round(Opening opening, List<HandIn> handIns) {
        Optional<HandIn> last() {
            return handIns.isEmpty() ? Optional.empty() : Optional.of(handIns.get(handIns.size() - 1));
        }
    }

    sealed interface Opening {
        record Start() implements Opening {}

        record SendBack(Fact.SentBack fact) implements Opening {}

        record Return(Instant at, Fact.@Nullable RedoAsked redo) implements Opening {}
    }

    int lastIndex() {
        return rounds.size() - 1;
    }

    Round current() {
        return rounds.get(lastIndex());
    }

    boolean withTeacher() {
        return !current().handIns().isEmpty();
    }

    boolean sentBack() {
        return !withTeacher() && current().opening() instanceof Opening.SendBack;
    }

    boolean returned() {
        return !withTeacher() && current().opening() instanceof Opening.Return;
    }

    boolean excused() {
        return excuse != null && excuse.stands();
    }

    boolean flagged(Flag wanted) {
        return flag != null && flag.flag() == wanted;
    }

    boolean handedInBefore(int round) {
        for (int i = 0; i < round; i++) {
            if (!rounds.get(i).handIns().isEmpty()) {
                return true;
            }
        }
        return false;
    }

    /** A hand-in stands: not withdrawn, and not sent back since. */
    boolean handInStands() {
        return withTeacher() || (returned() && handedInBefore(lastIndex()));
    }

    Optional<HandIn> latestHandIn() {
        for (int i = lastIndex(); i >= 0; i--) {
            Optional<HandIn> last = rounds.get(i).last();
            if (last.isPresent()) {
                return last;
            }
        }
        return Optional.empty();
    }

    /** The hand-ins that use an attempt up: not what completes another, nor what was sent back and is still to be fixed. */
    List<HandIn> counted() {
        List<HandIn> counted = new ArrayList<>();
        for (int i = 0; i <= lastIndex(); i++) {
            List<HandIn> here = rounds.get(i).handIns().stream()
                    .filter(handIn -> handIn.kind() != HandIn.Kind.COMPLETING)
                    .toList();
            boolean givenBack = i < lastIndex()
                    && rounds.get(i + 1).opening() instanceof Opening.SendBack
                    && !returnedUnfixed(i + 1);
            counted.addAll(givenBack && !here.isEmpty() ? here.subList(0, here.size() - 1) : here);
        }
        return counted;
    }

    /** Whether what was sent back to open {@code round} was returned with nothing handed in since. */
    private boolean returnedUnfixed(int round) {
        for (int i = round; i < lastIndex() && rounds.get(i).handIns().isEmpty(); i++) {
            if (rounds.get(i + 1).opening() instanceof Opening.Return) {
                return true;
            }
        }
        return false;
    }
}
