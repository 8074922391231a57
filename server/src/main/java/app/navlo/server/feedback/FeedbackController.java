package app.navlo.server.feedback;

import app.navlo.server.account.Person;
import app.navlo.server.board.Board;
import app.navlo.server.board.Boards;
import app.navlo.server.board.ReadBoard;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Feedback;
import app.navlo.server.time.ServerClock;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** Everything that was said about a student's work, in one stream. */
@RestController
public class FeedbackController {
    private final Boards boards;
    private final Feedback feedback;
    private final Changes changes;
    private final ServerClock clock;

    FeedbackController(Boards boards, Feedback feedback, Changes changes, ServerClock clock) {
        this.boards = boards;
        this.feedback = feedback;
        this.changes = changes;
        this.clock = clock;
    }

    /**
     * @param said unread first, then newest first; one's own words are among them, and never unread
     */
    public record FeedbackStreamView(List<SaidView> said) {}

    /** All words about the work, those that are not read yet first. */
    @GetMapping("/api/students/{student}/feedback")
    @ReadBoard
    public FeedbackStreamView feedback(@PathVariable long student, @AuthenticationPrincipal Person reader) {
        Board board = boards.read(student, ZoneId.of(reader.zone()), clock.instant());
        SaidMapper words = SaidMapper.read(feedback, student, null, changes.undone(student));
        List<SaidView> said = new ArrayList<>();
        for (Board.Entry entry : board.entries()) {
            said.addAll(words.of(entry));
        }
        said.sort(Comparator.comparing(SaidView::unread)
                .thenComparing(SaidView::at)
                .thenComparing(SaidView::id)
                .reversed());
        return new FeedbackStreamView(said);
    }
}
