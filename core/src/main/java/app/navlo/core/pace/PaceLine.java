package app.navlo.core.pace;

import app.navlo.core.time.SchoolCalendar;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/** Required work due and done by the end of each day, for a line over the term. Work out of reach isn't counted. */
public final class PaceLine {
    private PaceLine() {}

    /**
     * @param due by the end of the day
     * @param done by then; null for days to come
     */
    public record Point(LocalDate day, int due, @Nullable Integer done) {}

    /** The first day, the last, today, and every day between on which either changes. */
    public static List<Point> of(
            List<Paced> works, SchoolCalendar calendar, LocalDate firstDay, LocalDate lastDay, Instant now) {
        List<Paced> counted = works.stream()
                .filter(work -> work.required() && !work.outOfReach())
                .toList();
        LocalDate today = calendar.dayOf(now);
        TreeSet<LocalDate> days = new TreeSet<>(List.of(firstDay, lastDay, today));
        for (Paced work : counted) {
            if (work.due() != null) {
                days.add(calendar.dayBefore(work.due()));
            }
            if (work.doneAt() != null) {
                days.add(calendar.dayOf(work.doneAt()));
            }
        }
        List<Point> points = new ArrayList<>();
        for (LocalDate day : days.subSet(firstDay, true, lastDay.isBefore(firstDay) ? firstDay : lastDay, true)) {
            Instant end = calendar.startOf(day.plusDays(1));
            int due = (int) counted.stream()
                    .filter(work -> work.due() != null && !work.due().isAfter(end))
                    .count();
            int done = (int) counted.stream().filter(work -> doneBy(work, end)).count();
            points.add(new Point(day, due, day.isAfter(today) ? null : Integer.valueOf(done)));
        }
        return points;
    }

    /** What was done and never handed in, a test for example, was done at its due. */
    private static boolean doneBy(Paced work, Instant end) {
        if (!work.done()) {
            return false;
        }
        Instant at = work.doneAt() == null ? work.due() : work.doneAt();
        return at == null || !at.isAfter(end);
    }
}
