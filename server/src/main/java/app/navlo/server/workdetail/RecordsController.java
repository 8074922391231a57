package app.navlo.server.workdetail;

import app.navlo.server.account.Person;
import app.navlo.server.board.Board;
import app.navlo.server.board.Boards;
import app.navlo.server.board.ReadBoard;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Material;
import app.navlo.server.time.ServerClock;
import app.navlo.server.workdetail.MaterialView.DisagreementView;
import app.navlo.server.workdetail.MaterialView.RecordView;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** Where the records of two systems disagree, over all work of a student. */
@RestController
public class RecordsController {
    private final Boards boards;
    private final Material material;
    private final Changes changes;
    private final ServerClock clock;

    RecordsController(Boards boards, Material material, Changes changes, ServerClock clock) {
        this.boards = boards;
        this.material = material;
        this.changes = changes;
        this.clock = clock;
    }

    /**
     * @param book the other system, by name
     * @param here what Navlo was told by where the work is handed in, in words
     * @param there what the other system has, in words
     */
    public record TwoRecordsView(
            long work, String book, String here, String there, List<DisagreementView> disagreements) {}

    /** @param agreeing how many pieces of work both have alike */
    public record RecordsView(List<TwoRecordsView> differing, int agreeing) {}

    /** What other systems tell of the same work. */
    @GetMapping("/api/students/{student}/records")
    @ReadBoard
    public RecordsView read(@PathVariable long student, @AuthenticationPrincipal Person reader) {
        Board board = boards.read(student, ZoneId.of(reader.zone()), clock.instant());
        Map<Long, List<Material.OtherRecord>> others = material.otherRecordsOf(student, changes.undone(student));
        List<TwoRecordsView> differing = new ArrayList<>();
        int agreeing = 0;
        for (Board.Entry entry : board.entries()) {
            long work = entry.work().id();
            for (Material.OtherRecord other : others.getOrDefault(work, List.of())) {
                RecordView record = RecordMapper.of(entry, other);
                if (record.disagreements().isEmpty()) {
                    agreeing++;
                } else {
                    differing.add(new TwoRecordsView(
                            work, record.toldBy(), record.site(), record.book(), record.disagreements()));
                }
            }
        }
        return new RecordsView(differing, agreeing);
    }
}
