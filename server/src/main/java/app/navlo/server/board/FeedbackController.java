package app.navlo.server.board;

import app.navlo.core.feedback.Signal;
import app.navlo.core.reason.Reason;
import app.navlo.core.reason.Sentences;
import app.navlo.server.account.Person;
import app.navlo.server.store.Feedback;
import app.navlo.server.time.ServerClock;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** Everything that was said about a student's work, in one stream, and what it may be asking for. */
@RestController
public class FeedbackController {
    private final Boards boards;
    private final Feedback feedback;
    private final ServerClock clock;

    FeedbackController(Boards boards, Feedback feedback, ServerClock clock) {
        this.boards = boards;
        this.feedback = feedback;
        this.clock = clock;
    }

    /**
     * @param said unread first, then newest first; one's own words are among them, and never unread
     * @param signals of works that ask for something, in the order of the board
     */
    public record FeedbackStreamView(List<SaidView> said, List<SignalView> signals) {}

    /** @param words one sentence */
    public record SignalView(long work, Signal signal, String words) {}

    @GetMapping("/api/students/{student}/feedback")
    @Transactional(readOnly = true)
    public FeedbackStreamView feedback(@PathVariable long student, @AuthenticationPrincipal Person reader) {
        Board board = boards.read(student, ZoneId.of(reader.zone()), clock.instant());
        SaidViews words = SaidViews.read(feedback, student, null);
        List<SaidView> said = new ArrayList<>();
        List<SignalView> signals = new ArrayList<>();
        for (Board.Entry entry : board.entries()) {
            long work = entry.work().id();
            said.addAll(words.of(entry));
            ZoneId zone = entry.course().details().zone();
            Signal.of(entry.state(), entry.facts(), board.now())
                    .forEach(signal ->
                            signals.add(new SignalView(work, signal, Sentences.write(Reason.of(signal), zone))));
        }
        said.sort(Comparator.comparing(SaidView::unread)
                .thenComparing(SaidView::at)
                .thenComparing(SaidView::id)
                .reversed());
        return new FeedbackStreamView(said, signals);
    }
}
