package app.navlo.core.grade;

import app.navlo.core.exact.Rational;
import org.jspecify.annotations.Nullable;

/** A course that is graded again and again with one piece of work changed. */
public interface Regrade {
    /**
     * The figure when {@code changed} stands for the work of its id, or joins if it wasn't among them. Drops are chosen
     * anew. Null where nothing counts.
     *
     * @param changed in the category and with the standards that it had
     */
    @Nullable
    Rational figure(Valued changed);
}
