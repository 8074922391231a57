package app.navlo.server.store;

import java.time.Instant;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What a clock that isn't the machine's showed last. */
@Repository
public class ShownClock {
    private final JdbcClient db;

    ShownClock(JdbcClient db) {
        this.db = db;
    }

    /** The later of what was kept and of the last change, which may have come after it; empty if there is neither. */
    public Optional<Instant> last() {
        Optional<Instant> kept = db.sql("SELECT shows FROM demo_clock WHERE id = 1")
                .query((row, n) -> Rows.instant(row, "shows"))
                .optional();
        Optional<Instant> lastChange = db.sql("SELECT MAX(at) AS at FROM change")
                .query((row, n) -> Optional.ofNullable(Rows.instantOrNull(row, "at")))
                .single();
        return kept.map(shown -> lastChange.filter(shown::isBefore).orElse(shown))
                .or(() -> lastChange);
    }

    /** @param machine what the machine's clock showed at the same time */
    public void keep(Instant shows, Instant machine) {
        db.sql("MERGE INTO demo_clock (id, shows, machine_at) KEY (id) VALUES (1, :shows, :machine)")
                .param("shows", shows)
                .param("machine", machine)
                .update();
    }
}
