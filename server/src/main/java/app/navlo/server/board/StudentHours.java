package app.navlo.server.board;

import app.navlo.core.time.Availability;
import app.navlo.core.time.Stretch;
import app.navlo.core.work.Stage;
import app.navlo.server.sheet.TimeSheet;
import app.navlo.server.store.BusyCalendars;
import app.navlo.server.store.BusyCalendars.BusyTime;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Term;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** Puts together the time that a student has to work in. */
@Component
public class StudentHours {
    /** As far back as anything shows free hours. */
    private static final Duration BACK = Duration.ofDays(8);

    private final BusyCalendars calendars;
    private final Changes changes;

    StudentHours(BusyCalendars calendars, Changes changes) {
        this.calendars = calendars;
        this.changes = changes;
    }

    public Availability of(Board board) {
        return of(board, board.now().minus(BACK));
    }

    /** @param since as far back as busy times are known of */
    public Availability of(Board board, Instant since) {
        TimeSheet sheet = board.time().orElseGet(TimeSheet::assumed);
        Set<LocalDate> holidays = new HashSet<>();
        for (Term term : board.terms().values()) {
            holidays.addAll(term.calendar(board.zone()).holidays());
        }
        LocalDate first = days(board).min(LocalDate::compareTo).orElse(LocalDate.MIN);
        LocalDate last = days(board).max(LocalDate::compareTo).orElse(LocalDate.MAX);
        return new Availability(
                sheet.weeklyHours(),
                sheet.singleDays(),
                sheet.onHolidays(),
                holidays,
                sheet.classTimes(first, last),
                busy(board, since),
                sheet.pauses(),
                board.zone());
    }

    /** What calendars say of the days from {@code now} on and shortly before: of all that hours hang on, what no change names. */
    public Map<Long, List<BusyTime>> told(long student, Instant now) {
        return calendars.times(student, now.minus(BACK));
    }

    private static Stream<LocalDate> days(Board board) {
        return board.terms().values().stream().flatMap(term -> Stream.of(term.firstDay(), term.lastDay()));
    }

    /** Calendars that say so, and work that happens at its time. */
    private List<Stretch> busy(Board board, Instant since) {
        List<Stretch> busy = new ArrayList<>();
        for (Board.Entry entry : board.entries()) {
            Stretch appointment = entry.finding().item().schedule().appointment();
            if (appointment != null && entry.state().stage() != Stage.EXCUSED) {
                busy.add(appointment);
            }
        }
        Map<Long, List<BusyTime>> times = calendars.times(board.student(), since);
        if (!times.isEmpty()) {
            calendars.of(board.student(), changes.undone(board.student())).stream()
                    .flatMap(calendar -> times.getOrDefault(calendar.id(), List.of()).stream())
                    .map(BusyTime::stretch)
                    .forEach(busy::add);
        }
        return busy;
    }
}
