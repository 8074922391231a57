package app.navlo.server.notices;

import app.navlo.core.course.Glance;
import app.navlo.core.course.Lack;
import app.navlo.core.id.WorkId;
import app.navlo.core.news.NewThing;
import app.navlo.core.news.NewThings;
import app.navlo.core.reason.Sentences;
import app.navlo.core.reminder.QuietHours;
import app.navlo.core.reminder.Reminder;
import app.navlo.core.signal.Signal;
import app.navlo.core.signal.SignalKind;
import app.navlo.core.time.Availability;
import app.navlo.core.work.Fact;
import app.navlo.core.work.Turn;
import app.navlo.server.board.Board;
import app.navlo.server.board.Boards;
import app.navlo.server.board.ReadBoard;
import app.navlo.server.board.StudentHours;
import app.navlo.server.store.Guardianships;
import app.navlo.server.store.Notices;
import app.navlo.server.store.People;
import app.navlo.server.store.Sight;
import java.math.RoundingMode;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.springframework.stereotype.Service;

/** What somebody is to be told now, of each student whose work they see, and wasn't told yet. */
@Service
class WordsToTell {
    /** The week ahead is told in the afternoon. */
    private static final LocalTime WEEK_AT = LocalTime.of(17, 0);

    private static final Duration WEEK = Duration.ofDays(7);

    private final People people;
    private final Guardianships guardianships;
    private final Boards boards;
    private final StudentHours hours;
    private final Notices notices;

    WordsToTell(People people, Guardianships guardianships, Boards boards, StudentHours hours, Notices notices) {
        this.people = people;
        this.guardianships = guardianships;
        this.boards = boards;
        this.hours = hours;
        this.notices = notices;
    }

    /** What wasn't told by mail yet; nothing while it is quiet. */
    @ReadBoard
    public List<Word> to(Notices.Reader reader, Instant now) {
        Map<Long, Set<String>> told = new HashMap<>();
        return standing(reader, now).stream()
                .filter(word -> !told.computeIfAbsent(word.student(), student -> notices.told(reader.person(), student))
                        .contains(word.key()))
                .toList();
    }

    /** All that there is to tell now, told or not; nothing while it is quiet. */
    @ReadBoard
    public List<Word> standing(Notices.Reader reader, Instant now) {
        ZoneId zone = ZoneId.of(reader.zone());
        Notices.Choice choice = reader.choice();
        if (new QuietHours(choice.quietFrom(), choice.quietUntil()).hold(now, zone)) {
            return List.of();
        }
        List<People.Student> students = people.readableBy(reader.person());
        Map<Long, Sight> sights = guardianships.sights(reader.person());
        List<Word> words = new ArrayList<>();
        for (People.Student student : students) {
            boolean own = student.id() == reader.person();
            Sight sight = own ? Sight.ALL : sights.getOrDefault(student.id(), Sight.NARROWEST);
            Board board = boards.read(student.id(), sight, zone, now);
            words.addAll(new Gathering(reader, student, board, students.size() > 1).words());
        }
        words.sort(Comparator.comparing(Word::kind));
        return words;
    }

    /** What there is to tell of one student. */
    private final class Gathering {
        private final Notices.Choice choice;
        private final People.Student student;
        private final Board board;
        private final boolean own;
        /** Before a line, where it isn't plain whose it is; empty where it is. */
        private final String whose;

        private final ZonedDateTime readersNow;
        private final List<Word> words = new ArrayList<>();

        Gathering(Notices.Reader reader, People.Student student, Board board, boolean several) {
            this.choice = reader.choice();
            this.student = student;
            this.board = board;
            this.own = reader.person() == student.id();
            this.whose = several ? student.name() + ": " : "";
            this.readersNow = board.now().atZone(ZoneId.of(reader.zone()));
        }

        List<Word> words() {
            if (choice.losses()) {
                losses();
            }
            if (choice.asked()) {
                asked();
            }
            if (choice.scores()) {
                scores();
            }
            if (choice.weekDay() == readersNow.getDayOfWeek()
                    && !readersNow.toLocalTime().isBefore(WEEK_AT)) {
                week(readersNow.getDayOfWeek());
            }
            return words;
        }

        private void add(Word.Kind kind, String key, String line) {
            words.add(new Word(student.id(), key, kind, whose + line));
        }

        /** Who only reads is told at once of nothing but what is about to be lost for good. */
        private void losses() {
            Availability free = hours.of(board);
            QuietHours quiet = new QuietHours(choice.quietFrom(), choice.quietUntil());
            for (Board.Entry entry : board.entries()) {
                entry.reminder(free, quiet)
                        .filter(reminder -> reminder.isDue(board.now()))
                        .filter(reminder -> own || reminder.forGood())
                        .ifPresent(reminder -> add(
                                Word.Kind.LOSS,
                                "loss " + reminder.work() + " " + reminder.lossAt(),
                                titled(entry) + ": " + lost(reminder, entry)));
            }
        }

        private String lost(Reminder reminder, Board.Entry entry) {
            String when = Sentences.moment(reminder.lossAt(), board.zone());
            String what = reminder.percent().signum() > 0
                    ? "about " + reminder.percent().toDecimal(1, RoundingMode.HALF_UP) + " % of the course"
                    : "nobody knows how much";
            return reminder.forGood()
                    ? "nothing is taken any more after " + when + " (" + what + ")"
                    : "loses " + what + " after " + when;
        }

        private void asked() {
            for (Board.Entry entry : board.entries()) {
                for (Signal signal : entry.signals()) {
                    SignalKind.Group group = signal.kind().group();
                    boolean tells = group == SignalKind.Group.ASKED || group == SignalKind.Group.AGAINST;
                    if (own && tells && signal.since().isAfter(choice.askedSince())) {
                        add(
                                Word.Kind.ASKED,
                                "signal " + signal.kind() + " " + signal.work() + " " + signal.since(),
                                titled(entry) + ": " + Sentences.write(signal.reason(), board.zone()));
                    }
                }
            }
        }

        private void scores() {
            for (Board.Entry entry : board.entries()) {
                WorkId id = WorkId.of(entry.work().id());
                NewThings.of(id, entry.facts(), null, choice.scoresSince(), board.now()).stream()
                        .filter(thing -> thing.kind() == NewThing.Kind.SCORE)
                        .forEach(thing -> add(
                                Word.Kind.SCORE, "thing " + thing.key(), titled(entry) + ": " + scored(entry, thing)));
            }
        }

        private String scored(Board.Entry entry, NewThing thing) {
            return thing.fact() instanceof Fact.Scored scored
                    ? Sentences.number(scored.points()) + " of "
                            + Sentences.number(entry.finding().item().marking().possible())
                    : "a score";
        }

        /** How the student fares, and what is due in the seven days to come. */
        private void week(DayOfWeek day) {
            String date = readersNow.toLocalDate().toString();
            Glance glance = Glance.of(board.books().values(), Glance.Span.ALL, board.now());
            StringBuilder line = new StringBuilder()
                    .append(glance.count(Lack.SAVABLE))
                    .append(" missing that can still be had, ")
                    .append(glance.count(Lack.BACK))
                    .append(" sent back or asked for more, ")
                    .append(glance.count(Lack.LISTED))
                    .append(" handed in yet listed missing.");
            board.entries().stream()
                    .filter(entry ->
                            entry.state().move() == Turn.YOURS || entry.state().move() == Turn.NOT_YET)
                    .filter(this::isDueThisWeek)
                    .sorted(Comparator.comparing(
                            entry -> Objects.requireNonNull(entry.state().dueToCome())))
                    .forEach(entry -> line.append("\n    ")
                            .append(Sentences.moment(
                                    Objects.requireNonNull(entry.state().dueToCome()), board.zone()))
                            .append("  ")
                            .append(titled(entry)));
            add(Word.Kind.WEEK, "week " + day + " " + date, line.toString());
        }

        private boolean isDueThisWeek(Board.Entry entry) {
            Instant due = entry.state().dueToCome();
            return due != null
                    && due.isAfter(board.now())
                    && !due.isAfter(board.now().plus(WEEK));
        }

        private static String titled(Board.Entry entry) {
            return entry.work().definition().title() + " ("
                    + entry.course().details().name() + ")";
        }
    }
}
