package app.navlo.server.timeline;

import java.time.LocalDate;
import java.util.List;

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
