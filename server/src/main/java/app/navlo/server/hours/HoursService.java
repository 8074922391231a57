package app.navlo.server.hours;

import app.navlo.server.account.Person;
import app.navlo.server.board.Board;
import app.navlo.server.board.Boards;
import app.navlo.server.board.ReadBoard;
import app.navlo.server.change.Changed;
import app.navlo.server.change.OneChange;
import app.navlo.server.change.Writer;
import app.navlo.server.http.StandIns;
import app.navlo.server.problem.Refusal;
import app.navlo.server.sheet.TimeSheet;
import app.navlo.server.store.Availabilities;
import app.navlo.server.store.BusyCalendars;
import app.navlo.server.store.BusyCalendars.BusyCalendar;
import app.navlo.server.store.BusyCalendars.BusyTime;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Changes;
import app.navlo.server.time.ServerClock;
import java.net.URI;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Tells and writes down when a student can work. */
@Service
class HoursService {
    private static final int SHOWN = 3;

    private final Boards boards;
    private final BusyCalendars calendars;
    private final Changes changes;
    private final Availabilities times;
    private final OneChange one;
    private final StandIns standIns;
    private final ServerClock clock;

    HoursService(
            Boards boards,
            BusyCalendars calendars,
            Changes changes,
            Availabilities times,
            OneChange one,
            StandIns standIns,
            ServerClock clock) {
        this.boards = boards;
        this.calendars = calendars;
        this.changes = changes;
        this.times = times;
        this.one = one;
        this.standIns = standIns;
        this.clock = clock;
    }

    @ReadBoard
    public HoursView read(long student, Person reader) {
        Board board = boards.read(student, ZoneId.of(reader.zone()), clock.instant());
        LocalDate today = board.now().atZone(board.zone()).toLocalDate();
        Map<Long, List<BusyTime>> busy = calendars.times(student, board.now());
        return new HoursView(
                board.time().isEmpty(),
                board.time().orElseGet(TimeSheet::assumed),
                board.terms().values().stream()
                        .flatMap(term -> term.daysOff().stream())
                        .filter(off -> !off.last().isBefore(today))
                        .map(off -> new HolidayView(off.first(), off.last(), off.name()))
                        .toList(),
                calendars.of(student, changes.undone(student)).stream()
                        .map(calendar -> view(calendar, busy.getOrDefault(calendar.id(), List.of())))
                        .toList(),
                standIns.busyFeed());
    }

    private static BusyCalendarView view(BusyCalendar calendar, List<BusyTime> times) {
        return new BusyCalendarView(
                calendar.id(),
                calendar.name(),
                calendar.address() == null
                        ? null
                        : URI.create(calendar.address()).getHost(),
                calendar.fetchedAt(),
                calendar.fault(),
                times.size(),
                times.stream()
                        .limit(SHOWN)
                        .map(time -> new BusyTimeView(
                                time.stretch().start(), time.stretch().endExclusive(), time.title()))
                        .toList());
    }

    @Transactional
    public Changed say(Writer writer, Person person, TimeSheet sheet) {
        sheet.check();
        Board board = boards.read(writer.student(), ZoneId.of(person.zone()), clock.instant());
        boolean known = sheet.classes().stream()
                .allMatch(held -> held.course() == null || board.courses().containsKey(held.course()));
        if (!known) {
            throw Refusal.invalid("classes", "Choose one of your courses for each class, or none.");
        }
        return one.write(writer, "hours " + sheet, ChangeKind.OWN, "Set when there is time to work", change -> {
            times.say(writer.student(), change, sheet);
            return change;
        });
    }
}
