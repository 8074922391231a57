package app.navlo.server.board;

import app.navlo.server.account.People;
import app.navlo.server.account.Person;
import app.navlo.server.problem.Refusal;
import app.navlo.server.time.ServerClock;
import java.time.ZoneId;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

@RestController
public class BoardController {
    private final Boards boards;
    private final BoardViews views;
    private final People people;
    private final ServerClock clock;

    BoardController(Boards boards, BoardViews views, People people, ServerClock clock) {
        this.boards = boards;
        this.views = views;
        this.people = people;
        this.clock = clock;
    }

    /** Everything of a student, derived at this instant. */
    @GetMapping("/api/students/{student}/board")
    public BoardView board(@PathVariable long student, @AuthenticationPrincipal Person reader) {
        People.Student whose = people.student(student).orElseThrow(() -> Refusal.notFound("student"));
        return views.of(boards.read(student, ZoneId.of(reader.zone()), clock.instant()), whose, reader);
    }

    /** What was closed and is kept to look at: the courses of closed terms, and those that were closed by themselves. */
    @GetMapping("/api/students/{student}/board/closed")
    public BoardView closed(@PathVariable long student, @AuthenticationPrincipal Person reader) {
        People.Student whose = people.student(student).orElseThrow(() -> Refusal.notFound("student"));
        return views.of(boards.closed(student, ZoneId.of(reader.zone()), clock.instant()), whose, reader);
    }
}
