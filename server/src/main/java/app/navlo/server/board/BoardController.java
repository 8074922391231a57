package app.navlo.server.board;

import app.navlo.server.account.Person;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.People;
import app.navlo.server.time.ServerClock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
public class BoardController {
    private final Boards boards;
    private final BoardMapper views;
    private final BoardsOfTheMinute written;
    private final People people;
    private final ServerClock clock;

    BoardController(Boards boards, BoardMapper views, BoardsOfTheMinute written, People people, ServerClock clock) {
        this.boards = boards;
        this.views = views;
        this.written = written;
        this.people = people;
        this.clock = clock;
    }

    /**
     * Everything of a student, derived at an instant of this minute since which the clock changed nothing in it.
     *
     * @param asof a day that is past: as it was at its end, as Navlo knew it then; nothing can be changed in that
     */
    @GetMapping("/api/students/{student}/board")
    public ResponseEntity<Written<BoardView>> board(
            @PathVariable long student,
            @RequestParam(required = false) @Nullable LocalDate asof,
            @AuthenticationPrincipal Person reader) {
        People.Student whose = people.student(student).orElseThrow(() -> Refusal.notFound("student"));
        Instant now = clock.instant();
        return (asof == null ? written.of(whose, reader, now) : written.asItWas(whose, reader, asof, now))
                .answered(now);
    }

    /** What was closed and is kept to look at: the courses of closed terms, and those that were closed by themselves. */
    @GetMapping("/api/students/{student}/board/closed")
    public BoardView closed(@PathVariable long student, @AuthenticationPrincipal Person reader) {
        People.Student whose = people.student(student).orElseThrow(() -> Refusal.notFound("student"));
        return views.of(boards.closed(student, ZoneId.of(reader.zone()), clock.instant()), whose, reader);
    }
}
