package app.navlo.server.link;

import app.navlo.core.time.Deadline;
import app.navlo.formats.ical.CalendarContent;
import app.navlo.formats.ical.CalendarFault;
import app.navlo.formats.ical.CalendarReader;
import app.navlo.server.account.Person;
import app.navlo.server.board.Board;
import app.navlo.server.board.Boards;
import app.navlo.server.link.ImportPlan.Row;
import app.navlo.server.link.ImportPlan.Status;
import app.navlo.server.live.LiveFeed;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.Calendars;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Course;
import app.navlo.server.store.Courses;
import app.navlo.server.store.Facts;
import app.navlo.server.store.Files;
import app.navlo.server.store.Sha256;
import app.navlo.server.store.Work;
import app.navlo.server.store.Works;
import app.navlo.server.store.WriteOnce;
import app.navlo.server.time.ServerClock;
import java.io.ByteArrayOutputStream;
import java.time.Instant;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Reads a calendar file, says what it would do, and does exactly that, whole or not at all. */
@Service
class CalendarImports {
    private final Boards boards;
    private final Calendars calendars;
    private final Changes changes;
    private final Courses courses;
    private final Works works;
    private final Facts facts;
    private final Files files;
    private final WriteOnce once;
    private final LiveFeed live;
    private final ServerClock clock;

    CalendarImports(
            Boards boards,
            Calendars calendars,
            Changes changes,
            Courses courses,
            Works works,
            Facts facts,
            Files files,
            WriteOnce once,
            LiveFeed live,
            ServerClock clock) {
        this.boards = boards;
        this.calendars = calendars;
        this.changes = changes;
        this.courses = courses;
        this.works = works;
        this.facts = facts;
        this.files = files;
        this.once = once;
        this.live = live;
        this.clock = clock;
    }

    /** A plan with what it was made of. */
    record Preview(long file, CalendarContent content, ImportPlan plan, ImportChoice choice) {}

    /** What a person confirmed: the plan that they saw, and what they took out of it. */
    record Confirmed(ImportChoice choice, Set<String> leave, String fingerprint) {}

    record Applied(long change, int added, int changed, int removed) {}

    /** Keeps the file and plans with the choice that fits best. Nothing of the board is changed. */
    @Transactional
    public Preview read(long student, Person person, String name, byte[] content) {
        CalendarContent read = parse(content, zone(student, person));
        String sha = Sha256.of(content);
        files.keep(sha, content);
        long file = calendars.addFile(student, name, sha, clock.instant());
        Board board = board(student, person);
        return plan(student, board, file, name, read, firstChoice(board, read, name), savedAside(student));
    }

    @Transactional(readOnly = true)
    public Preview preview(long student, Person person, long file, ImportChoice choice, Set<String> leave) {
        Calendars.CalendarFile stored = stored(student, file);
        CalendarContent read = parse(content(stored), zone(student, person));
        return plan(student, board(student, person), file, stored.name(), read, choice, leave);
    }

    /** @throws Refusal if applying would now do anything else than what was confirmed; nothing is changed then */
    @Transactional
    public Applied apply(long student, Person person, long file, String key, Confirmed confirmed) {
        String asked = "apply calendar " + file + " " + confirmed.fingerprint();
        return once.run(
                new WriteOnce.Once(student, person.id(), key, asked, clock.instant()),
                Applied.class,
                () -> applyNow(student, person, file, confirmed));
    }

    private Applied applyNow(long student, Person person, long file, Confirmed confirmed) {
        Preview preview = preview(student, person, file, confirmed.choice(), confirmed.leave());
        ImportPlan plan = preview.plan();
        if (!plan.fingerprint().equals(confirmed.fingerprint())) {
            throw Refusal.changedSince("What this calendar would do");
        }
        String fileName = stored(student, file).name();
        Applied counts = new Applied(
                0,
                plan.with(Status.NEW).size(),
                plan.with(Status.CHANGED).size(),
                plan.with(Status.GONE).size());
        Set<String> before = savedAside(student);
        boolean asideChanged = plan.with(Status.ASIDE).stream().anyMatch(row -> !before.contains(row.key()));
        if (counts.added() + counts.changed() + counts.removed() == 0 && !asideChanged) {
            throw Refusal.conflict("There is nothing to apply", "Everything in this calendar is on the board already.");
        }
        Instant now = clock.instant();
        long change = changes.add(new Changes.NewChange(
                student, person.id(), ChangeKind.IMPORT, now, "calendar file " + fileName, summary(counts, plan)));
        long calendar = plan.calendar() == null ? calendars.add(student, plan.calendarName()) : plan.calendar();
        write(student, person, plan, change, calendar);
        calendars.applied(file, change);
        live.changed(student);
        return new Applied(change, counts.added(), counts.changed(), counts.removed());
    }

    private void write(long student, Person person, ImportPlan plan, long change, long calendar) {
        Map<String, Long> added = new HashMap<>();
        Set<String> before = savedAside(student);
        Map<Long, @Nullable Deadline> dues = new HashMap<>();
        board(student, person)
                .entries()
                .forEach(entry ->
                        dues.put(entry.work().id(), entry.work().definition().due()));
        for (Row row : plan.rows()) {
            if (row.status() == Status.NEW) {
                Work.Definition definition = row.definition();
                if (row.newCourse()) {
                    long course =
                            added.computeIfAbsent(row.courseName(), name -> addCourse(student, person, name, change));
                    definition = definition.inCourse(course);
                }
                take(student, row, definition, change, calendar);
            } else if (row.status() == Status.CHANGED) {
                revise(row, change, false);
                facts.addDueMoved(
                        new Facts.DueMoved(
                                change,
                                student,
                                Objects.requireNonNull(row.work()),
                                dues.get(row.work()),
                                row.definition().due()),
                        clock.instant(),
                        plan.calendarName());
            } else if (row.status() == Status.GONE) {
                revise(row, change, true);
            } else if (row.status() == Status.ASIDE && !before.contains(row.key())) {
                calendars.leaveAside(student, row.key(), change);
            }
        }
    }

    /** New work, or work that an undone or earlier import had brought and that now stands again. */
    private void take(long student, Row row, Work.Definition definition, long change, long calendar) {
        if (row.work() == null) {
            works.add(new Works.NewWork(
                    student, change, Work.Origin.CALENDAR, row.key(), calendar, definition, row.instructions()));
        } else {
            works.revise(row.work(), change, definition, row.instructions(), false);
            works.touch(row.work(), change);
        }
    }

    private void revise(Row row, long change, boolean gone) {
        long work = Objects.requireNonNull(row.work());
        works.revise(work, change, row.definition(), row.instructions(), gone);
        works.touch(work, change);
    }

    private long addCourse(long student, Person person, String name, long change) {
        int taken = courses.all(student, changes.undone(student)).size();
        String colour = Course.COLOURS.get(taken % Course.COLOURS.size());
        return courses.add(
                student, null, change, new Course.Details(name, name, null, null, ZoneId.of(person.zone()), colour));
    }

    private Preview plan(
            long student,
            Board board,
            long file,
            String name,
            CalendarContent read,
            ImportChoice choice,
            Set<String> leave) {
        if (choice.courseId() != null && !board.courses().containsKey(choice.courseId())) {
            throw Refusal.invalid("courseId", "Choose one of your courses, or a new one.");
        }
        ImportPlanner planner = new ImportPlanner(board, calendars.known(student), leave, choice);
        return new Preview(file, read, planner.plan(read, name), choice);
    }

    /** By category where the categories name courses; else the course of the calendar's name, there or new. */
    private static ImportChoice firstChoice(Board board, CalendarContent content, String fileName) {
        Set<String> names = new HashSet<>();
        board.courses()
                .values()
                .forEach(course -> names.add(course.details().name().toLowerCase(Locale.ROOT)));
        boolean byCategory = content.entries().stream()
                .flatMap(entry -> entry.categories().stream())
                .anyMatch(category -> names.contains(category.toLowerCase(Locale.ROOT)));
        String name = Objects.requireNonNullElse(content.name(), fileName.replaceFirst("\\.[^.]*$", ""));
        return board.courses().values().stream()
                .filter(course -> course.details().name().equalsIgnoreCase(name))
                .findFirst()
                .map(course -> new ImportChoice(course.id(), null, byCategory))
                .orElseGet(() -> new ImportChoice(null, cut(name), byCategory));
    }

    private static String cut(String name) {
        return name.length() <= 40 ? name : name.substring(0, 40);
    }

    private static String summary(Applied counts, ImportPlan plan) {
        return "Read in " + plan.calendarName() + ": " + counts.added() + " new, " + counts.changed() + " changed, "
                + counts.removed() + " gone";
    }

    private Set<String> savedAside(long student) {
        return new LinkedHashSet<>(calendars.leftAside(student, changes.undone(student)));
    }

    private Board board(long student, Person person) {
        return boards.read(student, ZoneId.of(person.zone()), clock.instant());
    }

    private ZoneId zone(long student, Person person) {
        return board(student, person).zone();
    }

    private Calendars.CalendarFile stored(long student, long file) {
        return calendars.file(student, file).orElseThrow(() -> Refusal.notFound("calendar file"));
    }

    private byte[] content(Calendars.CalendarFile file) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        files.copy(file.sha256(), out);
        return out.toByteArray();
    }

    private static CalendarContent parse(byte[] content, ZoneId zone) {
        try {
            return CalendarReader.read(content, zone);
        } catch (CalendarFault fault) {
            throw Refusal.invalid("file", String.valueOf(fault.getMessage()));
        }
    }
}
