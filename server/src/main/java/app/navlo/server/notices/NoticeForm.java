package app.navlo.server.notices;

import app.navlo.server.store.Notices;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalTime;
import org.jspecify.annotations.Nullable;

/**
 * Which words somebody wants by mail.
 *
 * @param losses that waiting is about to cost something; for who only reads, what is about to be lost for good
 * @param asked what a teacher asks of the student, and what came out against them
 * @param scores that are new
 * @param weekDay on which the week ahead is told; null for none
 * @param quietFrom the beginning of the hours in which nothing comes; the same as the end for none
 * @param quietUntil excluded
 */
public record NoticeForm(
        boolean losses,
        boolean asked,
        boolean scores,
        @Nullable DayOfWeek weekDay,
        LocalTime quietFrom,
        LocalTime quietUntil) {
    /** @param before what was wanted until now; what is wanted newly is wanted from now on */
    Notices.Choice choice(Notices.Choice before, Instant now) {
        return new Notices.Choice(
                losses,
                asked,
                scores,
                weekDay,
                quietFrom,
                quietUntil,
                before.asked() ? before.askedSince() : now,
                before.scores() ? before.scoresSince() : now);
    }
}
