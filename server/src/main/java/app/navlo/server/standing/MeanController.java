package app.navlo.server.standing;

import app.navlo.core.course.MeanTarget;
import app.navlo.core.exact.Rational;
import app.navlo.core.grade.Target;
import app.navlo.server.account.Person;
import app.navlo.server.board.Board;
import app.navlo.server.board.Boards;
import app.navlo.server.problem.Refusal;
import app.navlo.server.sheet.Figures;
import app.navlo.server.time.ServerClock;
import java.time.ZoneId;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The mean of all courses of a student, and what it takes to move it. */
@RestController
public class MeanController {
    private final Boards boards;
    private final ServerClock clock;

    MeanController(Boards boards, ServerClock clock) {
        this.boards = boards;
        this.clock = clock;
    }

    /**
     * In percent, ratings 0–4 spread over it.
     *
     * @param expected null where no course has a figure
     * @param percent least raw percent on all that is open with which the target is reached; null when out of reach, or
     *     where none was asked for
     * @param atMost the mean with full points; null where none was asked for
     */
    public record MeanView(
            @Nullable String expected,
            @Nullable String percent,
            @Nullable String atMost) {}

    /** The mean of the courses, and what would carry it to a target. */
    @GetMapping("/api/students/{student}/mean")
    public MeanView mean(
            @PathVariable long student,
            @RequestParam(required = false) @Nullable String target,
            @AuthenticationPrincipal Person reader) {
        if (target != null && !target.matches(Figures.PATTERN)) {
            throw Refusal.invalid("target", Figures.WRITE_IT_SO);
        }
        Board board = boards.read(student, ZoneId.of(reader.zone()), clock.instant());
        String expected = Figures.textOrNull(MeanTarget.expected(board.books().values()));
        if (target == null) {
            return new MeanView(expected, null, null);
        }
        Rational wanted = Figures.orZero(target);
        Target.Answer answer = MeanTarget.reach(wanted, board.books().values());
        return new MeanView(expected, Figures.textOrNull(answer.percent()), Figures.textOrNull(answer.atMost()));
    }
}
