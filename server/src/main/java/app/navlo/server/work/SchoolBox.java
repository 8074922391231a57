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

    /** The same for taking it back. */
    Optional<Taken> withdraw(Writer writer, long work);

    /** The same for asking for an extension. */
    Optional<Taken> ask(Writer writer, long work);

    /** Remembers which fact it is here, so that the link doesn't tell of it again. */
    void is(Taken taken, long change, long fact);
}
