package app.navlo.server.board;

import app.navlo.core.reconcile.RecordEntry;
import app.navlo.core.signal.Around;
import app.navlo.core.signal.Signal;
import app.navlo.server.store.Material;
import java.util.List;

/** The signals of a student: one list, the same wherever any are shown. */
public final class BoardSignals {
    private BoardSignals() {}

    /** The most pressing first. */
    public static List<Signal> of(Board board) {
        return board.entries().stream()
                .flatMap(entry -> entry.signals().stream())
                .sorted(Signal.MOST_PRESSING)
                .toList();
    }

    static Around.OtherRecord around(Material.OtherRecord told) {
        return new Around.OtherRecord(told.toldBy(), told.toldAt(), entry(told));
    }

    /** What another system has of a piece of work. */
    public static RecordEntry entry(Material.OtherRecord told) {
        return new RecordEntry(
                told.toldBy(), null, told.title(), told.due(), told.handedIn(), told.points(), told.missing());
    }
}
