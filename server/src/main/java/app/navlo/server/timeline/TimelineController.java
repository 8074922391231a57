package app.navlo.server.timeline;

import app.navlo.core.policy.Acceptance;
import app.navlo.server.account.Person;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

@RestController
public class TimelineController {
    private final TimelineService timeline;

    TimelineController(TimelineService timeline) {
        this.timeline = timeline;
    }

    /**
     * @param first day, and last, of the terms and of everything known
     * @param zone in which days are counted
     * @param days all of them, in order
     * @param spans free, in class and busy, in order of their start
     */
    public record TimelineView(
            LocalDate first,
            LocalDate last,
            String zone,
            List<TimelineDay> days,
            List<TimelineClose> closes,
            List<TimelineSpan> spans,
            List<TimelineWork> works) {}

    /**
     * @param starts and ends are instants; a day at a clock change has 23 or 25 hours between them
     * @param dayOff what the day is off for; null for a usual one
     * @param needMinutes of work due this day that isn't handed in, and still can be
     * @param freeMinutes of today what is left of it
     */
    public record TimelineDay(
            LocalDate day,
            Instant starts,
            Instant ends,
            @Nullable String dayOff,
            long needMinutes,
            long freeMinutes,
            long doneMinutes,
            long lostMinutes,
            List<Long> due,
            List<Long> opens) {}

    public record TimelineClose(String name, Instant at) {}

    public enum SpanKind {
        FREE,
        CLASS,
        BUSY
    }

    /**
     * @param course of a class; null for none
     * @param title of a busy time; null for none
     */
    public record TimelineSpan(
            SpanKind kind,
            Instant start,
            Instant end,
            @Nullable Long course,
            @Nullable String title) {}

    /**
     * One piece of work in time.
     *
     * @param assignedDue as the teacher set it; null for none
     * @param due in force; of a redo its own
     * @param ends the last instant at which it is taken; null where it never ends, and where nothing is to be handed in
     * @param kept of full points, from the due on; empty where nothing is to be handed in
     * @param extended the due that an extension would give; null where none may be asked for
     * @param tokenDues that 1, 2, … tokens would give
     * @param handedIn the hand-in that stands; null for none
     * @param waitsFor the work that its gates name, whether they are open or not
     * @param shutBy the part of it for which a gate is shut
     * @param parts of a discussion that are done, in order; empty for everything else
     */
    public record TimelineWork(
            long work,
            @Nullable Instant opens,
            @Nullable Instant assignedDue,
            @Nullable Instant due,
            @Nullable Instant ends,
            Acceptance.@Nullable Limit endedBy,
            List<KeptView> kept,
            @Nullable Instant askUntil,
            @Nullable Instant extended,
            List<Instant> tokenDues,
            @Nullable Instant safeBy,
            @Nullable Instant handedIn,
            @Nullable Instant returned,
            List<Long> waitsFor,
            List<Long> shutBy,
            List<PartView> parts) {}

    /**
     * @param until the last instant at which it holds; null for always
     * @param share of full points, 0 to 1, as a decimal
     */
    public record KeptView(@Nullable Instant until, String share) {}

    /** @param reply whether it answers another's post */
    public record PartView(Instant at, boolean reply) {}

    @GetMapping("/api/students/{student}/timeline")
    public TimelineView timeline(@PathVariable long student, @AuthenticationPrincipal Person reader) {
        return timeline.of(student, reader);
    }
}
