package app.navlo.server.search;

import app.navlo.core.feedback.FeedbackStream;
import app.navlo.server.account.Person;
import app.navlo.server.board.Board;
import app.navlo.server.board.Boards;
import app.navlo.server.board.ReadBoard;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Works;
import app.navlo.server.time.ServerClock;
import jakarta.validation.constraints.Size;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Finds words in instructions and in feedback; titles and states are found in the page itself. */
@RestController
public class SearchController {
    private static final int MOST = 30;

    private final Boards boards;
    private final Works works;
    private final Changes changes;
    private final ServerClock clock;

    SearchController(Boards boards, Works works, Changes changes, ServerClock clock) {
        this.boards = boards;
        this.works = works;
        this.changes = changes;
        this.clock = clock;
    }

    /** Where something was found. */
    public enum FoundIn {
        INSTRUCTIONS,
        FEEDBACK
    }

    /**
     * @param by who said it; empty for instructions
     * @param words around what was found
     */
    public record FoundText(long work, FoundIn where, String by, String words) {}

    /** @param found of the latest work first */
    public record FoundTexts(List<FoundText> found) {}

    /**
     * Finds works, words, files and things to do.
     *
     * @param text beginnings of whole words, each of which must stand in what is found
     */
    @GetMapping("/api/students/{student}/search")
    @ReadBoard
    public FoundTexts search(
            @PathVariable long student,
            @RequestParam @Size(max = 200, message = "At most 200 letters.") String text,
            @AuthenticationPrincipal Person reader) {
        Beginnings sought = new Beginnings(text);
        List<FoundText> found = new ArrayList<>();
        if (!sought.isEmpty()) {
            Board board = boards.read(student, ZoneId.of(reader.zone()), clock.instant());
            Map<Long, String> instructions = works.instructionsOf(
                    board.entries().stream().map(entry -> entry.work().id()).toList(), changes.undone(student));
            for (int i = board.entries().size() - 1; i >= 0 && found.size() < MOST; i--) {
                of(board.entries().get(i), instructions, sought, found);
            }
        }
        return new FoundTexts(found);
    }

    private static void of(
            Board.Entry entry, Map<Long, String> instructions, Beginnings sought, List<FoundText> found) {
        long work = entry.work().id();
        String asked = instructions.getOrDefault(work, "");
        if (sought.in(asked)) {
            found.add(new FoundText(work, FoundIn.INSTRUCTIONS, "", sought.around(asked)));
        }
        FeedbackStream.of(entry.facts(), entry.now()).stream()
                .filter(said -> sought.in(said.text()))
                .forEach(said ->
                        found.add(new FoundText(work, FoundIn.FEEDBACK, said.name(), sought.around(said.text()))));
    }
}
