package app.navlo.server.exports;

import app.navlo.core.next.NextPlan.Planned;
import app.navlo.core.reminder.QuietHours;
import app.navlo.core.time.Availability;
import app.navlo.core.time.Deadline;
import app.navlo.core.time.Stretch;
import app.navlo.core.work.Redo;
import app.navlo.core.work.Turn;
import app.navlo.core.work.WorkState;
import app.navlo.formats.ical.CalendarWriter;
import app.navlo.formats.ical.OutgoingCalendar;
import app.navlo.formats.ical.OutgoingCalendar.Event;
import app.navlo.formats.ical.OutgoingCalendar.Status;
import app.navlo.formats.ical.OutgoingCalendar.ToDo;
import app.navlo.server.board.Board;
import app.navlo.server.board.StudentHours;
import app.navlo.server.next.NextService;
import app.navlo.server.next.PlansInTurn;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.Notices;
import app.navlo.server.store.People;
import app.navlo.server.store.Term;
import app.navlo.server.time.ServerClock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Writes a student's board as a calendar: dues, openings and closes, and the plan's sittings. */
@Component
class FeedWriter {
    private static final String AT = "@navlo";

    private final PlansInTurn plans;
    private final People people;
    private final StudentHours hours;
    private final Notices notices;
    private final ServerClock clock;

    FeedWriter(PlansInTurn plans, People people, StudentHours hours, Notices notices, ServerClock clock) {
        this.hours = hours;
        this.notices = notices;
        this.plans = plans;
        this.people = people;
        this.clock = clock;
    }

    /** When there is an alarm for a piece of work: so long before its due or its beginning; null for never. */
    private interface Alarms {
        @Nullable
        Duration of(Board.Entry entry);
    }

    /** In time to do it, and out of the hours in which the student wants quiet. */
    private Alarms reminders(Board board) {
        QuietHours quiet = notices.choice(board.student())
                .map(choice -> new QuietHours(choice.quietFrom(), choice.quietUntil()))
                .orElse(QuietHours.USUAL);
        Availability free = hours.of(board);
        return entry -> {
            Deadline due = due(entry);
            return due == null
                    ? null
                    : entry.reminder(free, quiet)
                            .map(reminder -> Duration.between(reminder.at(), due.instant()))
                            .filter(before -> !before.isNegative())
                            .orElse(null);
        };
    }

    /**
     * @param reminders whether the alarms are at the last moment at which acting still saves what waiting would cost
     * @param before each due that is still to come, where they aren't; null for none
     */
    String write(long student, Dues as, boolean reminders, @Nullable Duration before) {
        People.Student who = people.student(student).orElseThrow(() -> Refusal.notFound("calendar"));
        NextService.Made made = plans.make(student, ZoneId.of(who.zone()), null, clock.instant());
        Board board = made.board();
        Alarms alarms = reminders ? reminders(board) : entry -> before;
        List<ToDo> toDos = new ArrayList<>();
        List<Event> events = new ArrayList<>();
        for (Board.Entry entry : board.entries()) {
            Duration alarm = alarms.of(entry);
            Stretch appointment = entry.finding().item().schedule().appointment();
            if (appointment != null) {
                events.add(appointment(entry, appointment, alarm));
            } else if (as == Dues.TODOS) {
                toDos.add(toDo(entry, alarm));
            } else {
                due(entry, alarm).ifPresent(events::add);
            }
        }
        board.entries().stream()
                .filter(entry -> entry.work().definition().opensAt() != null)
                .map(FeedWriter::opening)
                .forEach(events::add);
        board.terms().values().forEach(term -> term.closes().forEach(close -> events.add(close(term, close))));
        Map<Long, Board.Entry> entries = new HashMap<>();
        board.entries().forEach(entry -> entries.put(entry.work().id(), entry));
        for (Planned planned : made.plan().planned()) {
            events.addAll(sittings(
                    planned, Objects.requireNonNull(entries.get(planned.work().number()))));
        }
        Instant asOf = board.now().truncatedTo(ChronoUnit.HOURS);
        return CalendarWriter.write(new OutgoingCalendar("Navlo, " + who.name(), asOf, toDos, events));
    }

    /** Only what is still to be done: a calendar shows no other way that something is. */
    private static Optional<Event> due(Board.Entry entry, @Nullable Duration alarm) {
        Deadline due = due(entry);
        Turn move = entry.state().move();
        if (due == null || (move != Turn.YOURS && move != Turn.NOT_YET)) {
            return Optional.empty();
        }
        LocalDate day = due instanceof Deadline.EndOfDay end ? end.day() : null;
        return Optional.of(new Event(
                "work-" + entry.work().id() + AT,
                "Due: " + entry.work().definition().title(),
                entry.course().details().name(),
                entry.course().details().shortName(),
                due.instant(),
                due.instant(),
                false,
                day,
                alarm));
    }

    private static ToDo toDo(Board.Entry entry, @Nullable Duration alarm) {
        WorkState state = entry.state();
        Status status = status(state);
        return new ToDo(
                "work-" + entry.work().id() + AT,
                entry.work().definition().title(),
                entry.course().details().name(),
                entry.course().details().shortName(),
                entry.work().definition().opensAt(),
                due(entry),
                status,
                percent(state, status),
                status == Status.COMPLETED ? state.handedInAt() : null,
                status == Status.COMPLETED || status == Status.CANCELLED ? null : alarm);
    }

    private static Event appointment(Board.Entry entry, Stretch when, @Nullable Duration alarm) {
        return new Event(
                "work-" + entry.work().id() + AT,
                entry.work().definition().title(),
                entry.course().details().name(),
                entry.course().details().shortName(),
                when.start(),
                when.endExclusive(),
                true,
                null,
                alarm);
    }

    private static @Nullable Deadline due(Board.Entry entry) {
        Deadline assigned = entry.work().definition().due();
        Redo redo = entry.state().redo();
        Instant inForce = redo != null && entry.state().move() == Turn.YOURS
                ? redo.due()
                : entry.state().due();
        if (inForce == null) {
            return null;
        }
        return assigned != null && assigned.instant().equals(inForce) ? assigned : Deadline.at(inForce);
    }

    private static Status status(WorkState state) {
        if (state.move() == Turn.OUT_OF_REACH) {
            return Status.CANCELLED;
        }
        if (state.redo() != null && state.move() == Turn.YOURS) {
            return Status.NEEDS_ACTION;
        }
        return switch (state.stage()) {
            case TURNED_IN, RETURNED, EXCUSED -> Status.COMPLETED;
            case DRAFT, SENT_BACK -> Status.IN_PROCESS;
            case NOT_OPEN, ASSIGNED -> Status.NEEDS_ACTION;
        };
    }

    private static int percent(WorkState state, Status status) {
        if (status == Status.IN_PROCESS) {
            return state.parts() == null
                    ? 50
                    : 100 * state.parts().done() / Math.max(1, state.parts().of());
        }
        return status == Status.COMPLETED ? 100 : 0;
    }

    private static Event opening(Board.Entry entry) {
        Instant at = entry.work().definition().opensAt();
        return new Event(
                "opens-" + entry.work().id() + AT,
                "Opens: " + entry.work().definition().title(),
                entry.course().details().name(),
                entry.course().details().shortName(),
                Objects.requireNonNull(at),
                Objects.requireNonNull(at),
                false);
    }

    private static Event close(Term term, Term.GradingPeriod close) {
        return new Event(
                "close-" + close.closesAt().getEpochSecond() + AT,
                close.name(),
                term.school() + ". After this nothing counts.",
                null,
                close.closesAt(),
                close.closesAt(),
                false);
    }

    private static List<Event> sittings(Planned planned, Board.Entry entry) {
        List<Event> events = new ArrayList<>();
        for (Stretch sitting : planned.sittings()) {
            events.add(new Event(
                    "sitting-" + planned.work() + "-" + (events.size() + 1) + AT,
                    "Work on " + entry.work().definition().title(),
                    entry.course().details().name() + ". " + (events.size() + 1) + " of "
                            + planned.sittings().size() + " sittings planned; "
                            + sitting.minutes() + " minutes.",
                    entry.course().details().shortName(),
                    sitting.start(),
                    sitting.endExclusive(),
                    true));
        }
        return events;
    }
}
