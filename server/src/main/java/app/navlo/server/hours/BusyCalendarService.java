package app.navlo.server.hours;

import app.navlo.core.time.Stretch;
import app.navlo.formats.ical.BusyContent;
import app.navlo.formats.ical.BusyReader;
import app.navlo.formats.ical.CalendarFault;
import app.navlo.server.account.Person;
import app.navlo.server.board.Boards;
import app.navlo.server.change.Changed;
import app.navlo.server.change.OneChange;
import app.navlo.server.change.Writer;
import app.navlo.server.http.FeedFetcher;
import app.navlo.server.http.FeedFetcher.FetchFault;
import app.navlo.server.http.FeedFetcher.Fetched;
import app.navlo.server.live.LiveFeed;
import app.navlo.server.ops.Pauses;
import app.navlo.server.ops.Workers;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.BusyCalendars;
import app.navlo.server.store.BusyCalendars.BusyCalendar;
import app.navlo.server.store.BusyCalendars.BusyTime;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Changes;
import app.navlo.server.store.People;
import app.navlo.server.time.ServerClock;
import jakarta.annotation.PreDestroy;
import java.net.URI;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Calendars in whose times a student is busy. A feed is asked every hour, and after a failure with growing pauses; what it
 * told before stays until it tells something else.
 */
@Service
class BusyCalendarService {
    private static final Logger LOG = LoggerFactory.getLogger(BusyCalendarService.class);
    private static final Duration EVERY = Duration.ofHours(1);
    private static final Pauses PAUSES =
            Pauses.of(Duration.ofMinutes(15), Duration.ofHours(1), Duration.ofHours(4), Duration.ofHours(24));
    /** Longer than an answer takes: who holds a feed that long has been stopped in the middle. */
    private static final Duration IN_HAND = Duration.ofMinutes(5);

    /** How far back and ahead times are kept: what repeats for ever has to end somewhere. */
    private static final Duration BACK = Duration.ofDays(14);

    private static final Duration AHEAD = Duration.ofDays(400);
    /** After which it is seen whether the removal of a feed was undone. */
    private static final Duration REMOVED = Duration.ofDays(1);

    private static final int LONGEST_NAME = 200;
    private static final int LONGEST_FAULT = 400;
    private static final int MOST_CALENDARS = 20;

    private static final int AT_ONCE = 4;

    private final Workers workers = new Workers("busy calendars", AT_ONCE);
    private final BusyCalendars calendars;
    private final Boards boards;
    private final People people;
    private final Changes changes;
    private final OneChange one;
    private final FeedFetcher fetcher;
    private final TransactionTemplate transaction;
    private final LiveFeed live;
    private final ServerClock clock;

    BusyCalendarService(
            BusyCalendars calendars,
            Boards boards,
            People people,
            Changes changes,
            OneChange one,
            FeedFetcher fetcher,
            TransactionTemplate transaction,
            LiveFeed live,
            ServerClock clock) {
        this.calendars = calendars;
        this.boards = boards;
        this.people = people;
        this.changes = changes;
        this.one = one;
        this.fetcher = fetcher;
        this.transaction = transaction;
        this.live = live;
        this.clock = clock;
    }

    Changed addFile(Writer writer, Person person, @Nullable String fileName, byte[] content) {
        BusyContent read;
        try {
            read = read(content, zone(writer.student(), person.zone()));
        } catch (CalendarFault fault) {
            throw Refusal.invalid("file", String.valueOf(fault.getMessage()));
        }
        String name =
                name(read, Objects.requireNonNullElse(fileName, "Calendar").replaceFirst("\\.[^.]*$", ""));
        return add(writer, name, null, read, null);
    }

    Changed addFeed(Writer writer, Person person, String address) {
        URI feed = fetcher.address(address);
        try {
            Fetched fetched = fetcher.fetch(feed, null);
            BusyContent read = read(fetched.content(), zone(writer.student(), person.zone()));
            return add(writer, name(read, feed.getHost()), feed, read, fetched.tag());
        } catch (FetchFault | CalendarFault fault) {
            throw Refusal.invalid("address", String.valueOf(fault.getMessage()));
        }
    }

    private Changed add(Writer writer, String name, @Nullable URI feed, BusyContent read, @Nullable String tag) {
        Instant now = clock.instant();
        if (read.times().isEmpty()) {
            throw Refusal.invalid(
                    feed == null ? "file" : "address",
                    "It names no time to come in which you are busy. Choose another calendar.");
        }
        if (standing(writer.student()).size() >= MOST_CALENDARS) {
            throw Refusal.conflict(
                    "There are " + MOST_CALENDARS + " busy calendars already", "Remove one that isn't needed.");
        }
        String asked = "busy calendar " + name + " " + feed + " " + read.times().hashCode();
        return one.write(writer, asked, ChangeKind.OWN, "Added the busy calendar " + name, change -> {
            long id = calendars.add(writer.student(), change, name, feed == null ? null : feed.toString());
            calendars.told(id, times(read), tag, now, feed == null ? null : now.plus(EVERY));
            return id;
        });
    }

    Changed remove(Writer writer, long id) {
        BusyCalendar calendar = find(writer.student(), id);
        String summary = "Removed the busy calendar " + calendar.name();
        return one.write(writer, "remove busy calendar " + id, ChangeKind.OWN, summary, change -> {
            calendars.revise(id, change, calendar.name(), true);
            return id;
        });
    }

    /** @throws Refusal with what went wrong */
    void askNow(long student, long id, Person person) {
        BusyCalendar calendar = find(student, id);
        if (calendar.address() == null) {
            throw Refusal.conflict("This is a file", "Add the file anew to bring it up to date.");
        }
        ask(calendar, zone(student, person.zone()));
        String fault = find(student, id).fault();
        if (fault != null) {
            throw Refusal.conflict("The feed couldn't be read", fault);
        }
    }

    @Scheduled(fixedDelayString = "${navlo.feeds.round:60s}")
    void round() {
        Instant now = clock.instant();
        for (long student : calendars.studentsToAsk(now)) {
            try {
                round(student, now);
            } catch (RuntimeException broken) {
                LOG.error("the busy calendars of student {} couldn't be asked", student, broken);
            }
        }
    }

    @PreDestroy
    void close() {
        workers.close();
    }

    private void round(long student, Instant now) {
        String zone = people.student(student).map(People.Student::zone).orElse("UTC");
        List<BusyCalendar> standing = standing(student);
        for (BusyCalendar one : standing) {
            if (one.nextAskAt() != null && !one.nextAskAt().isAfter(now)) {
                workers.take(one.id(), () -> askInRound(one, zone(student, zone)));
            }
        }
        calendars.rest(student, standing.stream().map(BusyCalendar::id).toList(), now, now.plus(REMOVED));
    }

    /** What breaks here is asked again later, and holds up no other. */
    private void askInRound(BusyCalendar calendar, ZoneId zone) {
        Instant now = clock.instant();
        if (!calendars.claim(calendar.id(), now, now.plus(IN_HAND))) {
            return;
        }
        try {
            ask(calendar, zone);
        } catch (RuntimeException broken) {
            LOG.error("what busy calendar {} told couldn't be written down", calendar.id(), broken);
            calendars.failed(calendar.id(), "What it told couldn't be read.", now.plus(PAUSES.after(1)));
        }
    }

    private void ask(BusyCalendar calendar, ZoneId zone) {
        Instant now = clock.instant();
        try {
            Fetched fetched = fetcher.fetch(URI.create(Objects.requireNonNull(calendar.address())), calendar.tag());
            if (fetched.unchanged()) {
                calendars.nothingNew(calendar.id(), calendar.tag(), now, now.plus(EVERY));
                return;
            }
            List<BusyTime> times = times(read(fetched.content(), zone));
            transaction.executeWithoutResult(
                    status -> calendars.told(calendar.id(), times, fetched.tag(), now, now.plus(EVERY)));
        } catch (FetchFault | CalendarFault fault) {
            String words = String.valueOf(fault.getMessage());
            Duration pause = PAUSES.after(calendar.failures() + 1);
            calendars.failed(
                    calendar.id(), words.substring(0, Math.min(LONGEST_FAULT, words.length())), now.plus(pause));
        }
        live.changed(calendar.student());
    }

    private BusyContent read(byte[] content, ZoneId zone) throws CalendarFault {
        Instant now = clock.instant();
        return BusyReader.read(content, zone, new Stretch(now.minus(BACK), now.plus(AHEAD)));
    }

    private static List<BusyTime> times(BusyContent content) {
        return content.times().stream()
                .map(busy -> new BusyTime(busy.stretch(), busy.title()))
                .toList();
    }

    private static String name(BusyContent content, String otherwise) {
        String name = Objects.requireNonNullElse(content.name(), otherwise)
                .replaceAll("[\\p{Cntrl}\\s]+", " ")
                .strip();
        return name.isEmpty() ? "Calendar" : name.substring(0, Math.min(LONGEST_NAME, name.length()));
    }

    private ZoneId zone(long student, String own) {
        return boards.zone(student, ZoneId.of(own));
    }

    private List<BusyCalendar> standing(long student) {
        return calendars.of(student, changes.undone(student));
    }

    private BusyCalendar find(long student, long id) {
        return standing(student).stream()
                .filter(one -> one.id() == id)
                .findFirst()
                .orElseThrow(() -> Refusal.notFound("busy calendar"));
    }
}
