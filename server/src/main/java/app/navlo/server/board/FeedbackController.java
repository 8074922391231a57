package app.navlo.server.board;

import app.navlo.core.feedback.FeedbackStream;
import app.navlo.core.feedback.Signal;
import app.navlo.core.reason.Reason;
import app.navlo.core.reason.Sentences;
import app.navlo.core.work.Actor;
import app.navlo.server.account.Person;
import app.navlo.server.time.ServerClock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** Everything that was said about a student's work, in one stream, and what it may be asking for. */
@RestController
public class FeedbackController {
    private final Boards boards;
    private final ServerClock clock;

    FeedbackController(Boards boards, ServerClock clock) {
        this.boards = boards;
        this.clock = clock;
    }

    /**
     * @param said unread first, then newest first; one's own words are among them, and never unread
     * @param signals of works that ask for something, in the order of the board
     */
    public record FeedbackStreamView(List<SaidView> said, List<SignalView> signals) {}

    /** @param text empty where a rubric was marked without a word */
    public record SaidView(
            long work, Instant at, Actor by, String name, FeedbackStream.Place place, String text, boolean unread) {}

    /** @param words one sentence */
    public record SignalView(long work, Signal signal, String words) {}

    @GetMapping("/api/students/{student}/feedback")
    public FeedbackStreamView feedback(@PathVariable long student, @AuthenticationPrincipal Person reader) {
        Board board = boards.read(student, ZoneId.of(reader.zone()), clock.instant());
        List<SaidView> said = new ArrayList<>();
        List<SignalView> signals = new ArrayList<>();
        for (Board.Entry entry : board.entries()) {
            long work = entry.work().id();
            FeedbackStream.of(entry.facts(), board.now()).forEach(one -> said.add(said(work, one)));
            ZoneId zone = entry.course().details().zone();
            Signal.of(entry.state(), entry.facts(), board.now())
                    .forEach(signal ->
                            signals.add(new SignalView(work, signal, Sentences.write(Reason.of(signal), zone))));
        }
        said.sort(Comparator.comparing(SaidView::unread)
                .thenComparing(SaidView::at)
                .thenComparing(SaidView::work)
                .reversed());
        return new FeedbackStreamView(said, signals);
    }

    private static SaidView said(long work, FeedbackStream.Entry entry) {
        return new SaidView(work, entry.at(), entry.by(), entry.name(), entry.place(), entry.text(), entry.unread());
    }
}
