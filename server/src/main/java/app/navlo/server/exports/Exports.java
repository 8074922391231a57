package app.navlo.server.exports;

import app.navlo.core.exact.Rational;
import app.navlo.core.time.Deadline;
import app.navlo.core.work.Fact;
import app.navlo.core.work.ScoreShown;
import app.navlo.core.work.Stage;
import app.navlo.core.work.Timing;
import app.navlo.core.work.WorkState;
import app.navlo.formats.oneroster.OneRosterWriter;
import app.navlo.formats.oneroster.Roster;
import app.navlo.formats.table.TableWriter;
import app.navlo.server.board.Board;
import app.navlo.server.board.Boards;
import app.navlo.server.sheet.GradeSheet;
import app.navlo.server.store.Course;
import app.navlo.server.store.People;
import app.navlo.server.store.Term;
import app.navlo.server.time.ServerClock;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.StringWriter;
import java.math.RoundingMode;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Writes the board of a student for other programs. */
@Component
class Exports {
    private static final DateTimeFormatter MOMENT = DateTimeFormatter.ofPattern("yyyy-MM-dd HH:mm");
    private static final int PLACES = 6;
    private static final String NO_ORG = "navlo";

    private final Boards boards;
    private final People people;
    private final ServerClock clock;

    Exports(Boards boards, People people, ServerClock clock) {
        this.boards = boards;
        this.people = people;
        this.clock = clock;
    }

    /** @param works in the order in which they are written; all of them for none */
    String table(long student, ZoneId reader, Set<Long> works) throws IOException {
        Board board = boards.read(student, reader, clock.instant());
        StringWriter out = new StringWriter();
        // Spreadsheets take a text for UTF-8 by this mark.
        out.write('\uFEFF');
        TableWriter table = new TableWriter(
                out,
                "Title",
                "Course",
                "Kind",
                "Unit",
                "Category",
                "State",
                "Move",
                "Opens",
                "Due",
                "Handed in",
                "Score",
                "Points possible",
                "Effort minutes",
                "Attempts used",
                "Attempts allowed");
        for (Board.Entry entry : chosen(board, works)) {
            table.row(row(entry));
        }
        table.flush();
        return out.toString();
    }

    private static List<Board.Entry> chosen(Board board, Set<Long> works) {
        if (works.isEmpty()) {
            return board.entries();
        }
        Map<Long, Board.Entry> entries = new HashMap<>();
        board.entries().forEach(entry -> entries.put(entry.work().id(), entry));
        return works.stream().map(entries::get).filter(entry -> entry != null).toList();
    }

    private static String[] row(Board.Entry entry) {
        WorkState state = entry.state();
        var definition = entry.work().definition();
        ZoneId zone = entry.course().details().zone();
        return new String[] {
            definition.title(),
            entry.course().details().name(),
            words(definition.kind()),
            or(definition.unit()),
            or(definition.category()),
            words(state.stage()) + (state.missing() ? ", missing" : ""),
            words(state.move()),
            moment(definition.opensAt(), zone),
            due(definition.due(), zone),
            state.handInStands() ? moment(state.handedInAt(), zone) : "",
            score(entry).map(Exports::number).orElse(""),
            number(definition.marking().possible()),
            entry.effortMinutes() == null ? "" : entry.effortMinutes().toString(),
            Integer.toString(state.attemptsUsed()),
            definition.handling().attemptsAllowed() == null
                    ? ""
                    : definition.handling().attemptsAllowed().toString()
        };
    }

    /** The final and posted one, after penalties. */
    private static Optional<Rational> score(Board.Entry entry) {
        return entry.state().score().mark() == ScoreShown.Mark.FINAL
                ? Optional.ofNullable(entry.finding().outcome().kept())
                : Optional.empty();
    }

    private static String words(Enum<?> word) {
        return word.name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }

    private static String or(@Nullable String text) {
        return text == null ? "" : text;
    }

    private static String number(Rational value) {
        return value.toDecimal(PLACES, RoundingMode.HALF_UP)
                .stripTrailingZeros()
                .toPlainString();
    }

    private static String moment(@Nullable Instant instant, ZoneId zone) {
        return instant == null ? "" : MOMENT.format(instant.atZone(zone));
    }

    private static String due(@Nullable Deadline due, ZoneId zone) {
        if (due == null) {
            return "";
        }
        return due instanceof Deadline.EndOfDay end ? end.day().toString() : moment(due.instant(), zone);
    }

    byte[] roster(long student, ZoneId reader) throws IOException {
        Instant now = clock.instant();
        Board board = boards.read(student, reader, now);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (OneRosterWriter writer = new OneRosterWriter(out, "Navlo", now)) {
            writer.sessions(sessions(board));
            writer.categories(categories(board));
            writer.classes(board.courses().values().stream()
                    .map(course ->
                            new Roster.ClassOf(id(course), course.details().name(), org(board), term(board, course)))
                    .toList());
            writer.enrolments(enrolments(board, student));
            writer.lineItems(board.entries().stream().map(Exports::lineItem).toList());
            writer.orgs(List.of(new Roster.Org(org(board), school(board))));
            writer.results(board.entries().stream()
                    .map(entry -> result(entry, student))
                    .toList());
            writer.users(users(board, student));
        }
        return out.toByteArray();
    }

    private static String id(Course course) {
        return "class-" + course.id();
    }

    private static String org(Board board) {
        return board.terms().isEmpty() ? NO_ORG : "school";
    }

    private static String school(Board board) {
        return board.terms().values().stream().findFirst().map(Term::school).orElse("Navlo");
    }

    private static String term(Board board, Course course) {
        return course.termId() != null && board.terms().containsKey(course.termId())
                ? "term-" + course.termId()
                : "term";
    }

    private static List<Roster.Session> sessions(Board board) {
        List<Roster.Session> sessions = new ArrayList<>();
        board.terms()
                .forEach((id, term) -> sessions.add(new Roster.Session(
                        "term-" + id,
                        term.name(),
                        Roster.SessionType.TERM,
                        term.firstDay(),
                        term.lastDay().plusDays(1),
                        null)));
        LocalDate today = LocalDate.ofInstant(board.now(), board.zone());
        sessions.add(new Roster.Session(
                "term",
                "All the time",
                Roster.SessionType.TERM,
                today.withDayOfYear(1),
                today.withDayOfYear(1).plusYears(1),
                null));
        return sessions;
    }

    private static String categoryId(Course course, String name) {
        return "category-" + course.id() + "-" + name;
    }

    private static List<Roster.Category> categories(Board board) {
        Map<String, Roster.Category> categories = new LinkedHashMap<>();
        for (Board.Entry entry : board.entries()) {
            String name = entry.work().definition().category();
            if (name != null) {
                String id = categoryId(entry.course(), name);
                Rational weight = entry.course().rules().grade().categories().stream()
                        .filter(one -> one.name().equals(name))
                        .map(GradeSheet.CategorySheet::weight)
                        .findFirst()
                        .map(Rational::parse)
                        .orElse(null);
                categories.putIfAbsent(id, new Roster.Category(id, name, weight));
            }
        }
        return List.copyOf(categories.values());
    }

    private static List<Roster.Enrolment> enrolments(Board board, long student) {
        List<Roster.Enrolment> enrolments = new ArrayList<>();
        for (Course course : board.courses().values()) {
            enrolments.add(new Roster.Enrolment(
                    "enrolled-" + course.id(), id(course), org(board), "student-" + student, Roster.Role.STUDENT));
            if (course.details().teacher() != null) {
                enrolments.add(new Roster.Enrolment(
                        "taught-" + course.id(),
                        id(course),
                        org(board),
                        "teacher-" + course.id(),
                        Roster.Role.TEACHER));
            }
        }
        return enrolments;
    }

    private List<Roster.User> users(Board board, long student) {
        List<Roster.User> users = new ArrayList<>();
        String name = people.student(student).map(People.Student::name).orElse("");
        users.add(user("student-" + student, Roster.Role.STUDENT, name, ""));
        for (Course course : board.courses().values()) {
            if (course.details().teacher() != null) {
                users.add(user(
                        "teacher-" + course.id(),
                        Roster.Role.TEACHER,
                        course.details().teacher(),
                        or(course.details().teacherEmail())));
            }
        }
        return users;
    }

    private static Roster.User user(String id, Roster.Role role, String name, String email) {
        int space = name.lastIndexOf(' ');
        return new Roster.User(id, role, space < 0 ? name : name.substring(0, space), name.substring(space + 1), email);
    }

    private static Roster.LineItem lineItem(Board.Entry entry) {
        var definition = entry.work().definition();
        String category = definition.category();
        return new Roster.LineItem(
                "work-" + entry.work().id(),
                definition.title(),
                "",
                definition.opensAt() == null ? null : definition.opensAt().toString(),
                definition.due() instanceof Deadline.EndOfDay end
                        ? end.day().toString()
                        : definition.due() == null
                                ? null
                                : definition.due().instant().toString(),
                id(entry.course()),
                category == null ? null : categoryId(entry.course(), category),
                null,
                definition.marking().possible().isZero()
                        ? null
                        : definition.marking().possible());
    }

    private static @Nullable LocalDate scoredOn(Board.Entry entry) {
        return entry.facts().stream()
                .filter(Fact.Scored.class::isInstance)
                .map(fact -> LocalDate.ofInstant(
                        fact.stamp().at(), entry.course().details().zone()))
                .reduce((earlier, later) -> later)
                .orElse(null);
    }

    private static Roster.Result result(Board.Entry entry, long student) {
        WorkState state = entry.state();
        Rational score = score(entry).orElse(null);
        Roster.ScoreStatus status = state.stage() == Stage.EXCUSED
                ? Roster.ScoreStatus.EXEMPT
                : score != null
                        ? Roster.ScoreStatus.FULLY_GRADED
                        : state.stage() == Stage.TURNED_IN
                                ? Roster.ScoreStatus.SUBMITTED
                                : Roster.ScoreStatus.NOT_SUBMITTED;
        return new Roster.Result(
                "result-" + entry.work().id(),
                "work-" + entry.work().id(),
                "student-" + student,
                status,
                score,
                score == null ? null : scoredOn(entry),
                "",
                state.stage() == Stage.DRAFT,
                false,
                state.timing() == Timing.LATE,
                state.missing(),
                null);
    }
}
