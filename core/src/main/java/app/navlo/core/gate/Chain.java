package app.navlo.core.gate;

import app.navlo.core.check.Check;
import app.navlo.core.id.WorkId;
import app.navlo.core.time.SchoolCalendar;
import app.navlo.core.time.WeeklyHours;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** The links that lead to a due, and the latest instant to start each so that the last one is in time. */
public final class Chain {
    private Chain() {}

    /**
     * @param minutes of effort, at least 0
     * @param turnaround working time that a person takes to grade it before the next link opens; null if none does
     * @param due of its own, or null
     */
    public record Link(
            WorkId work,
            long minutes,
            @Nullable Duration turnaround,
            @Nullable Instant due) {
        public Link {
            new Check()
                    .notNegative(minutes, "minutes")
                    .notNegative(turnaround, "turnaround")
                    .orThrow();
        }
    }

    /**
     * @param finishBy the latest instant to hand it in
     * @param startBy the latest instant to start it; before {@code now} means the chain can't be done in time
     */
    public record Latest(WorkId work, Instant startBy, Instant finishBy) {}

    /**
     * From the last link back: each is worked on in the free hours, and handed in early enough to be graded.
     *
     * @param links in the order in which they are done, the last one with the due that matters
     * @return empty if the free hours of the year before can't hold it, or the last link has no due
     */
    public static Optional<List<Latest>> latestStarts(List<Link> links, WeeklyHours free, SchoolCalendar calendar) {
        List<Latest> latest = new ArrayList<>();
        Instant next = null;
        for (int i = links.size() - 1; i >= 0; i--) {
            Link link = links.get(i);
            Instant finish = earlier(link.due(), next == null ? null : graded(link, next, calendar));
            Optional<Instant> start =
                    finish == null ? Optional.empty() : free.latestStart(link.minutes(), finish, calendar.zone());
            if (start.isEmpty()) {
                return Optional.empty();
            }
            latest.add(new Latest(link.work(), start.get(), Objects.requireNonNull(finish)));
            next = start.get();
        }
        Collections.reverse(latest);
        return Optional.of(latest);
    }

    private static Instant graded(Link link, Instant by, SchoolCalendar calendar) {
        return link.turnaround() == null ? by : calendar.latestStart(link.turnaround(), by);
    }

    private static @Nullable Instant earlier(@Nullable Instant one, @Nullable Instant other) {
        if (one == null || other == null) {
            return one == null ? other : one;
        }
        return one.isBefore(other) ? one : other;
    }
}
