package app.navlo.core.work;

import app.navlo.core.exact.Rational;
import app.navlo.core.id.WorkId;
import app.navlo.core.policy.KeptScore;
import app.navlo.core.policy.RedoRule;
import app.navlo.core.time.Deadline;
import app.navlo.core.time.Stretch;
import java.time.Duration;
import java.time.Instant;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * A piece of work as the teacher set it.
 *
 * @param required false for what is optional; practice is never required
 * @param expectsHandIn false for what happens in class, or at an appointed time: it counts as done at its due
 * @param attemptsAllowed at least 1, or null for unlimited
 * @param parts of a discussion; null for everything else and for a discussion that counts none
 * @param redo null where no redo may be begun unasked
 */
public record WorkItem(
        WorkId id,
        String title,
        WorkKind kind,
        boolean required,
        boolean expectsHandIn,
        Marking marking,
        Schedule schedule,
        @Nullable Integer attemptsAllowed,
        @Nullable Parts parts,
        @Nullable RedoRule redo) {

    public WorkItem {
        Objects.requireNonNull(id, "id");
        Objects.requireNonNull(title, "title");
        Objects.requireNonNull(kind, "kind");
        Objects.requireNonNull(marking, "marking");
        Objects.requireNonNull(schedule, "schedule");
        if (attemptsAllowed != null && attemptsAllowed < 1) {
            throw new IllegalArgumentException("attemptsAllowed is " + attemptsAllowed + "; it must be at least 1");
        }
        required = required && kind != WorkKind.PRACTICE;
        expectsHandIn = expectsHandIn && schedule.appointment() == null;
    }

    /** This, with the cut-off of its late policy, and the close of its grading period where it names none itself. */
    public WorkItem within(@Nullable Duration cutoff, @Nullable Instant gradingClose) {
        Schedule at = new Schedule(
                schedule.opensAt(),
                schedule.due(),
                schedule.closesAt(),
                cutoff,
                schedule.gradingClose() == null ? gradingClose : schedule.gradingClose(),
                schedule.appointment());
        return new WorkItem(id, title, kind, required, expectsHandIn, marking, at, attemptsAllowed, parts, redo);
    }

    /**
     * @param possible points possible, at least 0
     * @param passPercent the pass mark, 0–100 of the points possible, or null for none
     */
    public record Marking(Rational possible, @Nullable Rational passPercent, KeptScore kept) {
        public Marking {
            if (possible.signum() < 0) {
                throw new IllegalArgumentException("possible is " + possible + "; points can't be below 0");
            }
            if (passPercent != null && (passPercent.signum() < 0 || passPercent.compareTo(Rational.HUNDRED) > 0)) {
                throw new IllegalArgumentException("passPercent is " + passPercent + "; it must be from 0 to 100");
            }
            Objects.requireNonNull(kept, "kept");
        }
    }

    /**
     * @param opensAt open from this instant on; null for always
     * @param due as assigned; null for none
     * @param closesAt no hand-in after this, whatever the due; null for no such end
     * @param cutoff elapsed time after the due for which late work is taken; null for no limit
     * @param gradingClose after this nothing counts; null for none
     * @param appointment the time at which it happens, and at no other; its start is then the due. Null for work that is
     *     done when one likes
     */
    public record Schedule(
            @Nullable Instant opensAt,
            @Nullable Deadline due,
            @Nullable Deadline closesAt,
            @Nullable Duration cutoff,
            @Nullable Instant gradingClose,
            @Nullable Stretch appointment) {
        public static final Schedule NONE = new Schedule(null, null, null, null, null);

        public Schedule(
                @Nullable Instant opensAt,
                @Nullable Deadline due,
                @Nullable Deadline closesAt,
                @Nullable Duration cutoff,
                @Nullable Instant gradingClose) {
            this(opensAt, due, closesAt, cutoff, gradingClose, null);
        }

        public Schedule {
            due = appointment == null ? due : Deadline.at(appointment.start());
            if (opensAt != null && due != null && due.instant().isBefore(opensAt)) {
                throw new IllegalArgumentException("due " + due.instant() + " is before it opens, " + opensAt);
            }
            if (cutoff != null && cutoff.isNegative()) {
                throw new IllegalArgumentException("cutoff is " + cutoff + "; it can't be below 0");
            }
        }
    }

    /** How many posts and replies a discussion wants. */
    public record Parts(int posts, int replies) {
        public Parts {
            if (posts < 0 || replies < 0 || posts + replies == 0) {
                throw new IllegalArgumentException(
                        "a discussion wants at least one part; given are " + posts + " posts, " + replies + " replies");
            }
        }

        public int total() {
            return posts + replies;
        }
    }
}
