package app.navlo.server.meeting;

import app.navlo.core.news.NewThing;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What a sheet for a meeting has beside the student's own pages.
 *
 * @param since the first day of the span, in the student's zone
 * @param until the last day of the span: today
 * @param returned what teachers gave back in the span, newest first; a piece of work once
 * @param agreements those that are open, and those that were kept in the span, in the order in which they were made
 */
public record MeetingView(
        LocalDate since, LocalDate until, List<ReturnedView> returned, List<AgreementView> agreements) {
    /**
     * @param kind what was done last, a score before all else
     * @param at when
     * @param said the teacher's words that came with it; empty for none
     */
    public record ReturnedView(long work, NewThing.Kind kind, Instant at, String said) {}

    /**
     * @param number of this very state of it
     * @param due null for no day
     * @param keptAt when it was said to be done; null while it isn't
     * @param madeBy null where nobody is known
     */
    public record AgreementView(
            long id,
            long number,
            String words,
            String who,
            @Nullable LocalDate due,
            @Nullable Instant keptAt,
            Instant madeAt,
            @Nullable String madeBy) {}
}
