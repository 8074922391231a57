package app.navlo.server.link;

import app.navlo.core.exact.Rational;
import app.navlo.core.policy.KeptScore;
import app.navlo.core.reason.Sentences;
import app.navlo.core.time.Deadline;
import app.navlo.core.work.Fact;
import app.navlo.core.work.WorkItem;
import app.navlo.core.work.WorkKind;
import app.navlo.formats.ical.CalendarContent;
import app.navlo.formats.ical.CalendarEntry;
import app.navlo.server.board.Board;
import app.navlo.server.link.ImportPlan.Row;
import app.navlo.server.link.ImportPlan.Status;
import app.navlo.server.rules.WorkSheet;
import app.navlo.server.store.Calendars.KnownEvent;
import app.navlo.server.store.Course;
import app.navlo.server.store.Sha256;
import app.navlo.server.store.Work;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** Compares a calendar with the board. Decides everything, writes nothing. */
final class ImportPlanner {
    private final Board board;
    private final Map<String, KnownEvent> known;
    private final Set<String> leave;
    private final ImportChoice choice;
    private final Map<Long, Board.Entry> byWork = new HashMap<>();

    /** @param leave keys of events that the student wants left aside */
    ImportPlanner(Board board, Map<String, KnownEvent> known, Set<String> leave, ImportChoice choice) {
        this.board = board;
        this.known = known;
        this.leave = leave;
        this.choice = choice;
        board.entries().forEach(entry -> byWork.put(entry.work().id(), entry));
    }

    ImportPlan plan(CalendarContent content, String fileName) {
        Long calendar = calendarOf(content);
        List<Row> rows = new ArrayList<>();
        Set<String> inFile = new HashSet<>();
        for (CalendarEntry entry : content.entries()) {
            inFile.add(entry.key());
            row(entry).ifPresent(rows::add);
        }
        rows.addAll(gone(content, calendar, inFile));
        String name = content.name() == null ? fileName : content.name();
        return new ImportPlan(calendar, name, rows, fingerprint(rows));
    }

    /** The calendar that told of most of these events before. */
    private @Nullable Long calendarOf(CalendarContent content) {
        Map<Long, Integer> votes = new HashMap<>();
        content.entries().stream()
                .map(entry -> known.get(entry.key()))
                .filter(Objects::nonNull)
                .forEach(event -> votes.merge(event.calendar(), 1, Integer::sum));
        return votes.entrySet().stream()
                .max(Map.Entry.comparingByValue())
                .map(Map.Entry::getKey)
                .orElse(null);
    }

    private Optional<Row> row(CalendarEntry entry) {
        KnownEvent event = known.get(entry.key());
        Board.Entry standing = event == null ? null : byWork.get(event.work());
        if (entry.cancelled()) {
            return standing == null ? Optional.empty() : Optional.of(goneRow(standing, "cancelled in the calendar"));
        }
        if (standing != null) {
            return Optional.of(knownRow(entry, standing));
        }
        Course course = courseOf(entry);
        String name = course == null ? newCourseName(entry) : course.details().name();
        boolean aside = leave.contains(entry.key());
        return Optional.of(new Row(
                entry.key(),
                aside ? Status.ASIDE : Status.NEW,
                event == null ? null : event.work(),
                entry.title(),
                name,
                course == null,
                newDefinition(entry, course),
                entry.description(),
                List.of(),
                entry.note()));
    }

    private @Nullable Course courseOf(CalendarEntry entry) {
        if (choice.byCategory()) {
            for (String category : entry.categories()) {
                Course named = courseNamed(category);
                if (named != null) {
                    return named;
                }
            }
            if (!entry.categories().isEmpty()) {
                return null;
            }
        }
        if (choice.courseId() != null) {
            return board.courses().get(choice.courseId());
        }
        return courseNamed(choice.newCourse());
    }

    private @Nullable Course courseNamed(@Nullable String name) {
        return board.courses().values().stream()
                .filter(course -> name != null && course.details().name().equalsIgnoreCase(name.strip()))
                .findFirst()
                .orElse(null);
    }

    private String newCourseName(CalendarEntry entry) {
        boolean own = choice.byCategory() && !entry.categories().isEmpty();
        return own ? entry.categories().get(0) : Objects.requireNonNullElse(choice.newCourse(), "New course");
    }

    private static Work.Definition newDefinition(CalendarEntry entry, @Nullable Course course) {
        return new Work.Definition(
                course == null ? 0 : course.id(),
                entry.title(),
                entry.kind(),
                null,
                null,
                entry.kind() != WorkKind.PRACTICE,
                true,
                new WorkItem.Marking(Rational.ZERO, null, KeptScore.HIGHEST),
                entry.opensAt(),
                entry.due(),
                null,
                null,
                null,
                null,
                null,
                Work.Takes.ANYTHING,
                WorkSheet.PLAIN);
    }

    private Row knownRow(CalendarEntry entry, Board.Entry standing) {
        Work.Definition was = standing.work().definition();
        List<String> changes = new ArrayList<>();
        if (!was.title().equals(entry.title())) {
            changes.add("title was “" + was.title() + "”");
        }
        if (!Objects.equals(instant(was.due()), instant(entry.due()))) {
            changes.add("due was " + moment(was.due(), standing) + ", is " + moment(entry.due(), standing));
        }
        if (!Objects.equals(was.opensAt(), entry.opensAt())) {
            changes.add("opens at another time");
        }
        Work.Definition now = was.retold(entry.title(), entry.opensAt(), entry.due());
        return new Row(
                entry.key(),
                changes.isEmpty() ? Status.SAME : Status.CHANGED,
                standing.work().id(),
                entry.title(),
                standing.course().details().name(),
                false,
                now,
                entry.description(),
                changes,
                entry.note());
    }

    /**
     * Work of this calendar that the file no longer has. Many calendars export only a span of time, so what is due before
     * the first or after the last entry of the file is not taken for gone.
     */
    private List<Row> gone(CalendarContent content, @Nullable Long calendar, Set<String> inFile) {
        List<Instant> dues = content.entries().stream()
                .map(entry -> instant(entry.due()))
                .filter(Objects::nonNull)
                .sorted()
                .toList();
        if (calendar == null || dues.isEmpty()) {
            return List.of();
        }
        return board.entries().stream()
                .filter(entry -> entry.work().originKey() != null)
                .filter(entry -> isOf(calendar, entry.work().originKey()))
                .filter(entry -> !inFile.contains(entry.work().originKey()))
                .filter(entry -> within(dues, instant(entry.work().definition().due())))
                .map(entry -> goneRow(entry, "no longer in the calendar"))
                .toList();
    }

    private boolean isOf(long calendar, @Nullable String key) {
        KnownEvent event = known.get(key);
        return event != null && event.calendar() == calendar;
    }

    private static boolean within(List<Instant> sorted, @Nullable Instant due) {
        return due != null && !due.isBefore(sorted.get(0)) && !due.isAfter(sorted.get(sorted.size() - 1));
    }

    private static Row goneRow(Board.Entry entry, String why) {
        boolean touched = entry.facts().stream().anyMatch(fact -> !(fact instanceof Fact.ReadMarked));
        return new Row(
                String.valueOf(entry.work().originKey()),
                touched ? Status.KEPT : Status.GONE,
                entry.work().id(),
                entry.work().definition().title(),
                entry.course().details().name(),
                false,
                entry.work().definition(),
                "",
                List.of(touched ? why + "; stays, because you have worked on it" : why),
                null);
    }

    private static @Nullable Instant instant(@Nullable Deadline deadline) {
        return deadline == null ? null : deadline.instant();
    }

    private static String moment(@Nullable Deadline deadline, Board.Entry entry) {
        return deadline == null
                ? "none"
                : Sentences.moment(deadline.instant(), entry.course().details().zone());
    }

    private static String fingerprint(List<Row> rows) {
        return Sha256.of(rows.stream().map(Row::toString).collect(Collectors.joining("\n")));
    }
}
