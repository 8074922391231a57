package app.navlo.server.pace;

import app.navlo.core.course.CourseBook;
import app.navlo.core.course.CoursePace;
import app.navlo.core.time.WeeklyHours;
import app.navlo.server.account.Person;
import app.navlo.server.board.Board;
import app.navlo.server.board.Boards;
import app.navlo.server.board.ReadBoard;
import app.navlo.server.sheet.TimeSheet;
import app.navlo.server.store.Course;
import app.navlo.server.store.Term;
import app.navlo.server.time.ServerClock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Objects;
import org.springframework.stereotype.Service;

/** Counts each course of a student over its term. */
@Service
@ReadBoard
class PaceService {
    private final Boards boards;
    private final ServerClock clock;

    PaceService(Boards boards, ServerClock clock) {
        this.boards = boards;
        this.clock = clock;
    }

    public List<CoursePaceView> of(long student, Person reader) {
        Board board = boards.read(student, ZoneId.of(reader.zone()), clock.instant());
        WeeklyHours week = board.time().orElseGet(TimeSheet::assumed).weeklyHours();
        return board.courses().values().stream()
                .map(course -> of(board, course, week))
                .toList();
    }

    private static CoursePaceView of(Board board, Course course, WeeklyHours week) {
        Term term = course.termId() == null ? null : board.terms().get(course.termId());
        List<Instant> closes = term == null
                ? List.of()
                : term.closes().stream().map(Term.GradingPeriod::closesAt).toList();
        CourseBook book = Objects.requireNonNull(board.books().get(course.id()));
        CoursePace pace = CoursePace.of(book, term == null ? null : term.firstDay(), closes, week);
        return PaceMapper.view(
                course.id(), pace, term, closes, book.rules().calendar().zone());
    }
}
