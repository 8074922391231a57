package app.navlo.server.work;

import app.navlo.server.problem.Refusal;
import app.navlo.server.store.HandIns;
import java.time.Instant;
import java.util.Optional;

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
    record Taken(long link, String school, String number, String deed, Instant at) {}

    /**
     * @return empty where no link takes anything for this work
     * @throws Refusal if the school can't be reached or says no
     */
    Optional<Taken> handIn(Writer writer, long work, HandIns.Content content);

    /**
     * Where what is handed in for a piece of work goes.
     *
     * @param school the name of the link
     * @param paused whether that link rests, so that nothing goes there
     */
    record Counter(String school, boolean paused) {}

    /** @return empty where no link takes hand-ins for this work */
    Optional<Counter> counter(long student, long work);

    /** The same for taking it back. */
    Optional<Taken> withdraw(Writer writer, long work);

    /** The same for asking for an extension. */
    Optional<Taken> ask(Writer writer, long work);

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
    Optional<Taken> tell(long student, long work, String key, String subject, String body) throws Unreachable;

    /** Remembers which fact it is here, so that the link doesn't tell of it again. */
    void is(Taken taken, long change, long fact);
}
