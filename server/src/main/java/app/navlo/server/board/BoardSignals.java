package app.navlo.server.board;

import app.navlo.core.reconcile.RecordEntry;
import app.navlo.core.signal.Around;
import app.navlo.core.signal.Signal;
import app.navlo.core.signal.Signals;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Letters;
import app.navlo.server.store.Material;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.stereotype.Component;

/** The signals of a student: one list, the same wherever any are shown. */
@Component
public class BoardSignals {
    private final Material material;
    private final Letters letters;
    private final Changes changes;

    BoardSignals(Material material, Letters letters, Changes changes) {
        this.material = material;
        this.letters = letters;
        this.changes = changes;
    }

    /** The most pressing first. */
    public List<Signal> of(Board board) {
        return of(board.student(), board.entries());
    }

    /** Those of one piece of work. */
    public List<Signal> of(long student, Board.Entry entry) {
        return of(student, List.of(entry));
    }

    private List<Signal> of(long student, List<Board.Entry> entries) {
        Set<Long> undone = changes.undone(student);
        Map<Long, List<Material.OtherRecord>> records = material.otherRecordsOf(student, undone);
        Map<Long, Instant> wrote = letters.lastWritten(student, undone);
        List<Signal> signals = new ArrayList<>();
        for (Board.Entry entry : entries) {
            long work = entry.work().id();
            Around around = new Around(
                    wrote.get(work),
                    records.getOrDefault(work, List.of()).stream()
                            .map(BoardSignals::record)
                            .toList(),
                    entry.titles());
            signals.addAll(Signals.of(entry.book(), entry.finding(), around));
        }
        signals.sort(Signal.MOST_PRESSING);
        return signals;
    }

    private static Around.OtherRecord record(Material.OtherRecord told) {
        return new Around.OtherRecord(told.toldBy(), told.toldAt(), entry(told));
    }

    /** What another system has of a piece of work. */
    public static RecordEntry entry(Material.OtherRecord told) {
        return new RecordEntry(
                told.toldBy(), null, told.title(), told.due(), told.handedIn(), told.points(), told.missing());
    }
}
