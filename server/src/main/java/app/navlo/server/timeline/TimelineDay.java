package app.navlo.server.timeline;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;

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
