package app.navlo.server.demo;

import app.navlo.server.store.Rows;
import app.navlo.server.time.ServerClock;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;

/**
 * The clock of the demo. It starts at the instant that the demo sets, runs on at the machine's pace or stands still, and
 * can be moved on, never back. What it shows is kept, so that a demo that is kept goes on from where it was.
 */
public class DemoClock implements ServerClock {
    private final JdbcClient db;
    private final boolean running;
    private final InstantSource machine = InstantSource.system();
    private volatile Instant base;
    private volatile Instant machineAtBase;

    DemoClock(JdbcClient db, Instant start, boolean running) {
        this.db = db;
        this.running = running;
        this.machineAtBase = machine.instant();
        this.base = lastShown().filter(shown -> shown.isAfter(start)).orElse(start);
    }

    @Override
    public Instant instant() {
        return running ? base.plus(Duration.between(machineAtBase, machine.instant())) : base;
    }

    /** @param by at least 0 */
    synchronized void advance(Duration by) {
        Instant next = instant().plus(by);
        base = next;
        machineAtBase = machine.instant();
        keep();
    }

    /** The later of what was kept and of the last change, which may have come after it. */
    private Optional<Instant> lastShown() {
        Optional<Instant> kept = db.sql("SELECT shows FROM demo_clock WHERE id = 1")
                .query((row, n) -> Rows.instant(row, "shows"))
                .optional();
        Optional<Instant> lastChange = Optional.ofNullable(db.sql("SELECT MAX(at) AS at FROM change")
                .query((row, n) -> Rows.instantOrNull(row, "at"))
                .list()
                .get(0));
        return kept.map(shown -> lastChange.filter(shown::isBefore).orElse(shown))
                .or(() -> lastChange);
    }

    /** Called now and then, so that a demo that is kept goes on from where it was. */
    void keep() {
        db.sql("MERGE INTO demo_clock (id, shows, machine_at) KEY (id) VALUES (1, :shows, :machine)")
                .param("shows", instant())
                .param("machine", machine.instant())
                .update();
    }
}
