package app.navlo.server.board;

import app.navlo.core.close.CheckIt;
import app.navlo.core.id.WorkId;
import app.navlo.core.next.Aim;
import app.navlo.core.policy.LatePolicy;
import app.navlo.core.reason.Sentences;
import app.navlo.core.signal.Signal;
import app.navlo.core.tide.Tideline;
import app.navlo.core.time.Availability;
import app.navlo.core.work.Turn;
import app.navlo.server.account.Person;
import app.navlo.server.board.BoardView.CourseView;
import app.navlo.server.board.BoardView.MoveCounts;
import app.navlo.server.board.BoardView.SignalView;
import app.navlo.server.board.BoardView.TideDayView;
import app.navlo.server.sheet.Figures;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Course;
import app.navlo.server.store.Drafts;
import app.navlo.server.store.HandIns;
import app.navlo.server.store.Material;
import app.navlo.server.store.People;
import app.navlo.server.store.Term;
import app.navlo.server.store.UnknownAsides;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** Writes a board as it is sent, with the tideline above it. */
@Service
@ReadBoard
public class BoardMapper {
    private static final Tideline.Reach TIDE = new Tideline.Reach(7, 21);
    private static final int UNKNOWN_EFFORT = 30;

    private final HandIns handIns;
    private final Drafts drafts;
    private final StudentHours hours;
    private final UnknownAsides asides;
    private final Changes changes;
    private final Material material;

    BoardMapper(
            HandIns handIns,
            Drafts drafts,
            StudentHours hours,
            UnknownAsides asides,
            Changes changes,
            Material material) {
        this.asides = asides;
        this.material = material;
        this.changes = changes;
        this.handIns = handIns;
        this.drafts = drafts;
        this.hours = hours;
    }

    public BoardView of(Board board, People.Student student, Person reader) {
        return of(board, student, reader.id() == board.student(), drafts.fileCounts(board.student()));
    }

    /** Of a day that is past: nobody changes anything in it, and what lay in drafts isn't known any more. */
    BoardView asItWas(Board board, People.Student student) {
        return of(board, student, false, Map.of());
    }

    private BoardView of(Board board, People.Student student, boolean mayWrite, Map<Long, Integer> lyingReady) {
        Map<Long, Integer> handedIn = handIns.fileCounts(board.student());
        Map<Long, Integer> given = material.attachmentCounts(board.student(), changes.undone(board.student()));
        Term term = board.terms().isEmpty()
                ? null
                : board.terms().values().iterator().next();
        return new BoardView(
                board.now(),
                board.zone().getId(),
                new BoardView.StudentView(student.id(), student.name()),
                mayWrite,
                board.version(),
                term == null
                        ? null
                        : new BoardView.TermView(term.name(), term.school(), term.firstDay(), term.lastDay()),
                board.courses().values().stream()
                        .map(course -> course(board, course))
                        .toList(),
                board.entries().stream()
                        .map(entry -> WorkMapper.of(
                                entry,
                                mayWrite,
                                files(entry, handedIn, lyingReady),
                                given.getOrDefault(entry.work().id(), 0)))
                        .toList(),
                counts(board.entries()),
                tide(board, hours.of(board)),
                board.time().isEmpty(),
                BoardSignals.of(board).stream()
                        .map(signal -> signal(board, signal))
                        .toList(),
                board.entries().stream()
                        .filter(entry -> entry.finding().checkIt().contains(CheckIt.UNGRADED_TOO_LONG))
                        .map(entry -> entry.work().id())
                        .toList(),
                Unknowns.of(board, asides.of(board.student(), changes.undone(board.student()))),
                board.nextChange());
    }

    private static SignalView signal(Board board, Signal signal) {
        ZoneId zone = Objects.requireNonNull(board.courses().get(signal.course().number()))
                .details()
                .zone();
        return new SignalView(
                signal.work().number(),
                signal.kind(),
                signal.kind().group(),
                signal.kind().step(),
                Sentences.write(signal.reason(), zone),
                signal.since(),
                signal.until(),
                Figures.textOrNull(signal.stake()),
                signal.about().stream().map(WorkId::number).toList());
    }

    private static CourseView course(Board board, Course course) {
        Course.Details details = course.details();
        return new CourseView(
                course.id(),
                course.version(),
                details.name(),
                details.shortName(),
                details.teacher(),
                details.colour(),
                details.zone().getId(),
                aim(board.aims().getOrDefault(course.id(), Aim.USUAL)),
                course.rules().grade().parts(),
                board.entries().stream().anyMatch(entry -> entry.course().id() == course.id() && isLateAssumed(entry)),
                StandingMapper.of(board, course));
    }

    private static boolean isLateAssumed(Board.Entry entry) {
        LatePolicy.Judged penalty = entry.finding().penalty();
        return entry.finding().policy().isAssumed()
                && entry.finding().outcome().kept() == null
                && penalty != null
                && penalty.lost().signum() > 0;
    }

    private static BoardView.AimView aim(Aim aim) {
        return new BoardView.AimView(Figures.text(aim.importance()), Figures.textOrNull(aim.target()));
    }

    static int files(Board.Entry entry, Map<Long, Integer> handedIn, Map<Long, Integer> lyingReady) {
        Long standing = entry.standingHandIn();
        return standing == null ? lyingReady.getOrDefault(entry.work().id(), 0) : handedIn.getOrDefault(standing, 0);
    }

    static MoveCounts counts(List<Board.Entry> entries) {
        Map<Turn, Integer> counts = new EnumMap<>(Turn.class);
        entries.forEach(entry -> counts.merge(entry.state().move(), 1, Integer::sum));
        return new MoveCounts(
                entries.size(),
                counts.getOrDefault(Turn.YOURS, 0),
                counts.getOrDefault(Turn.TEACHERS, 0),
                counts.getOrDefault(Turn.SETTLED, 0),
                counts.getOrDefault(Turn.NOT_YET, 0),
                counts.getOrDefault(Turn.OUT_OF_REACH, 0));
    }

    private static List<TideDayView> tide(Board board, Availability own) {
        List<Tideline.Close> closes = board.terms().values().stream()
                .flatMap(term -> term.closes().stream())
                .map(period -> new Tideline.Close(period.name(), period.closesAt()))
                .toList();
        return Tideline.of(tideEntries(board), closes, own, TIDE, board.now()).stream()
                .map(day -> tideDay(day, board.terms().values()))
                .toList();
    }

    /** What days bear, piece by piece; what nobody has estimated takes half an hour. */
    public static List<Tideline.Entry<Long>> tideEntries(Board board) {
        return board.entries().stream()
                .map(entry -> new Tideline.Entry<>(
                        entry.work().id(),
                        Objects.requireNonNullElse(entry.effort().left(), UNKNOWN_EFFORT),
                        entry.work().definition().opensAt(),
                        entry.state().due(),
                        entry.state().stage(),
                        entry.state().move()))
                .toList();
    }

    private static TideDayView tideDay(Tideline.Day<Long> day, Iterable<Term> terms) {
        return new TideDayView(
                day.day(),
                day.openMinutes(),
                day.doneMinutes(),
                day.lostMinutes(),
                day.freeMinutes(),
                day.overMinutes(),
                day.due(),
                day.opens(),
                day.closes().stream()
                        .map(close -> new BoardView.CloseView(close.name(), close.at()))
                        .toList(),
                dayOff(day.day(), terms));
    }

    /** What a day is off for; null for a usual one. */
    public static @Nullable String dayOff(LocalDate day, Iterable<Term> terms) {
        for (Term term : terms) {
            for (Term.DaysOff off : term.daysOff()) {
                if (!day.isBefore(off.first()) && !day.isAfter(off.last())) {
                    return off.name();
                }
            }
        }
        return null;
    }
}
