package app.navlo.server.timeline;

import app.navlo.core.course.WorkSpan;
import app.navlo.core.id.WorkId;
import app.navlo.core.tide.Tideline;
import app.navlo.core.time.Availability;
import app.navlo.core.time.Stretch;
import app.navlo.core.work.Fact;
import app.navlo.server.account.Person;
import app.navlo.server.board.Board;
import app.navlo.server.board.BoardMapper;
import app.navlo.server.board.Boards;
import app.navlo.server.board.ReadBoard;
import app.navlo.server.board.StudentHours;
import app.navlo.server.sheet.Figures;
import app.navlo.server.sheet.TimeSheet;
import app.navlo.server.store.BusyCalendars;
import app.navlo.server.store.BusyCalendars.BusyCalendar;
import app.navlo.server.store.BusyCalendars.BusyTime;
import app.navlo.server.store.Changes;
import app.navlo.server.time.ServerClock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** Puts together all that a student's time holds. */
@Service
class TimelineService {
    /** Around today, where nothing else says how far time goes. */
    private static final int FORTNIGHT = 14;
    /** Work beyond that is a slip of the pen, or of another term; the days end there. */
    private static final int FARTHEST_DAYS = 400;

    private final Boards boards;
    private final StudentHours hours;
    private final BusyCalendars calendars;
    private final Changes changes;
    private final ServerClock clock;

    TimelineService(Boards boards, StudentHours hours, BusyCalendars calendars, Changes changes, ServerClock clock) {
        this.boards = boards;
        this.hours = hours;
        this.calendars = calendars;
        this.changes = changes;
        this.clock = clock;
    }

    @ReadBoard
    public TimelineView of(long student, Person reader) {
        Board board = boards.read(student, ZoneId.of(reader.zone()), clock.instant());
        List<WorkSpan> spans = board.entries().stream()
                .map(entry -> entry.book().span(entry.finding()))
                .toList();
        Reach reach = reach(board, spans);
        Availability own = hours.of(board, startOf(reach.first(), board.zone()));
        List<TimelineClose> closes = board.terms().values().stream()
                .flatMap(term -> term.closes().stream())
                .map(close -> new TimelineClose(close.name(), close.closesAt()))
                .sorted(Comparator.comparing(TimelineClose::at))
                .toList();
        List<TimelineWork> works = new ArrayList<>();
        for (int i = 0; i < spans.size(); i++) {
            works.add(work(board.entries().get(i), spans.get(i)));
        }
        return new TimelineView(
                reach.first(),
                reach.last(),
                board.zone().getId(),
                days(board, own, reach),
                closes,
                times(board, own, reach),
                works);
    }

    private record Reach(LocalDate first, LocalDate last) {}

    private static Reach reach(Board board, List<WorkSpan> spans) {
        LocalDate today = board.now().atZone(board.zone()).toLocalDate();
        List<LocalDate> days = new ArrayList<>();
        board.terms().values().forEach(term -> days.addAll(List.of(term.firstDay(), term.lastDay())));
        spans.stream()
                .flatMap(span -> Stream.of(span.opens(), span.due(), span.handedIn(), span.ends()))
                .filter(Objects::nonNull)
                .map(at -> Tideline.dayClosedBy(at, board.zone()))
                .filter(day -> Math.abs(ChronoUnit.DAYS.between(today, day)) <= FARTHEST_DAYS)
                .forEach(days::add);
        if (days.isEmpty()) {
            days.addAll(List.of(today.minusDays(FORTNIGHT), today.plusDays(FORTNIGHT)));
        }
        days.add(today);
        return new Reach(
                days.stream().min(LocalDate::compareTo).orElseThrow(),
                days.stream().max(LocalDate::compareTo).orElseThrow());
    }

    private static Instant startOf(LocalDate day, ZoneId zone) {
        return day.atStartOfDay(zone).toInstant();
    }

    private static List<TimelineDay> days(Board board, Availability own, Reach reach) {
        LocalDate today = board.now().atZone(board.zone()).toLocalDate();
        Tideline.Reach around = new Tideline.Reach((int) ChronoUnit.DAYS.between(reach.first(), today), (int)
                ChronoUnit.DAYS.between(today, reach.last()));
        return Tideline.of(BoardMapper.tideEntries(board), List.of(), own, around, board.now()).stream()
                .map(day -> new TimelineDay(
                        day.day(),
                        startOf(day.day(), board.zone()),
                        startOf(day.day().plusDays(1), board.zone()),
                        BoardMapper.dayOff(day.day(), board.terms().values()),
                        day.openMinutes(),
                        day.freeMinutes(),
                        day.doneMinutes(),
                        day.lostMinutes(),
                        day.due(),
                        day.opens()))
                .toList();
    }

    private List<TimelineSpan> times(Board board, Availability own, Reach reach) {
        Instant from = startOf(reach.first(), board.zone());
        Instant until = startOf(reach.last().plusDays(1), board.zone());
        List<TimelineSpan> times = new ArrayList<>();
        own.sittings(from, until).forEach(free -> times.add(span(SpanKind.FREE, free, null, null)));
        TimeSheet sheet = board.time().orElseGet(TimeSheet::assumed);
        for (int i = 0; i < sheet.classes().size(); i++) {
            Long course = sheet.classes().get(i).course();
            alone(own, i).taken(from, until).forEach(held -> times.add(span(SpanKind.CLASS, held, course, null)));
        }
        Map<Long, List<BusyTime>> busy = calendars.times(board.student(), from);
        for (BusyCalendar calendar : calendars.of(board.student(), changes.undone(board.student()))) {
            busy.getOrDefault(calendar.id(), List.of()).stream()
                    .filter(time -> time.stretch().start().isBefore(until))
                    .forEach(time -> times.add(span(SpanKind.BUSY, time.stretch(), null, time.title())));
        }
        times.sort(Comparator.comparing(TimelineSpan::start));
        return times;
    }

    /** The same time with one of its classes and nothing else that is busy. */
    private static Availability alone(Availability own, int held) {
        return new Availability(
                own.week(),
                own.otherwise(),
                own.onHolidays(),
                own.holidays(),
                List.of(own.classes().get(held)),
                List.of(),
                own.pauses(),
                own.zone());
    }

    private static TimelineSpan span(SpanKind kind, Stretch time, @Nullable Long course, @Nullable String title) {
        return new TimelineSpan(kind, time.start(), time.endExclusive(), course, title);
    }

    private static List<Long> numbers(Set<WorkId> works) {
        return works.stream().map(WorkId::number).sorted().toList();
    }

    private static TimelineWork work(Board.Entry entry, WorkSpan span) {
        return new TimelineWork(
                entry.work().id(),
                span.opens(),
                span.assignedDue(),
                span.due(),
                span.ends(),
                span.endedBy(),
                span.kept().stream()
                        .map(kept -> new KeptView(kept.until(), Figures.text(kept.share())))
                        .toList(),
                span.askUntil(),
                span.extended(),
                span.tokenDues(),
                span.safeBy(),
                span.handedIn(),
                span.returned(),
                numbers(span.waitsFor()),
                numbers(span.shutBy()),
                entry.facts().stream()
                        .filter(Fact.Posted.class::isInstance)
                        .map(Fact.Posted.class::cast)
                        .filter(post -> !post.stamp().at().isAfter(entry.now()))
                        .map(post -> new PartView(post.stamp().at(), post.part() == Fact.Posted.Part.REPLY))
                        .toList());
    }
}
