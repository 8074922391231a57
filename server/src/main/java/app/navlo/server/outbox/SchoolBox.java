package app.navlo.server.outbox;

import app.navlo.server.store.HandIns;
import app.navlo.server.store.Outbox;
import app.navlo.server.store.StoredFile;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Takes what a student does to the school, where a link of the work can. Nothing counts as done here before the school has
 * it: what can't be brought there is refused, and stays as it lay.
 */
public interface SchoolBox {
    /**
     * What the school took.
     *
     * @param link by which it went there
     * @param school the name of that link
     * @param number that the school gave it
     * @param deed as which the link will tell of it
     */
    record Taken(long link, String school, String number, String deed, Instant at) {
        /** When something was done: by the school's word where it took it, and never later than {@code now}. */
        public static Instant when(Optional<Taken> taken, Instant now) {
            return taken.map(Taken::at).filter(at -> !at.isAfter(now)).orElse(now);
        }
    }

    /**
     * Where what is handed in for a piece of work goes.
     *
     * @param school the name of the link
     * @param paused whether that link rests, so that nothing goes there
     */
    record Counter(String school, boolean paused) {}

    /** @return empty where no link takes hand-ins for this work */
    Optional<Counter> counter(long student, long work);

    /** Whether a link that isn't paused takes such things for a piece of work. */
    boolean takes(long student, long work, Outbox.Kind kind);

    /** Whether the school has this hand-in, because it went there or was told of by it. */
    boolean has(long fact);

    /** The fact that is known already to be this deed. */
    Optional<Long> known(Taken taken);

    /**
     * Takes a parcel to the school. Never within a transaction.
     *
     * @param content of a hand-in; null for anything else
     * @throws Undelivered if the school says no, or it isn't known to have arrived
     */
    Taken deliver(Outbox.Parcel parcel, HandIns.@Nullable Content content) throws Undelivered;

    /** What came of a parcel that didn't get through, in words for the person. */
    final class Undelivered extends Exception {
        private static final long serialVersionUID = 1L;

        private final String school;
        private final Why why;

        /** What is known of it. */
        public enum Why {
            /** The school said no. */
            REFUSED,
            /** It never got there. */
            NOT_SENT,
            /** Nobody knows. */
            MAY_HAVE_ARRIVED
        }

        public Undelivered(String school, Why why, String message) {
            super(message);
            this.school = school;
            this.why = why;
        }

        public String school() {
            return school;
        }

        public Why why() {
            return why;
        }
    }

    /** The school can't be reached just now. */
    final class Unreachable extends Exception {
        private static final long serialVersionUID = 1L;

        public Unreachable(String message) {
            super(message);
        }
    }

    /**
     * Writes to the teacher of a piece of work. What the school says no to isn't tried again.
     *
     * @param key under which it happens once
     * @return empty where no link takes messages about this work, or the school doesn't take this one
     * @throws Unreachable to be tried again
     */
    Optional<Taken> tell(long student, long work, String key, String subject, String body, List<StoredFile> files)
            throws Unreachable;

    /** Remembers which fact it is here, so that the link doesn't tell of it again. */
    void is(Taken taken, long change, long fact);
}
