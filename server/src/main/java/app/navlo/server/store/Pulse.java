package app.navlo.server.store;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** How the data fares, in a few numbers. */
@Repository
public class Pulse {
    private final JdbcClient db;

    Pulse(JdbcClient db) {
        this.db = db;
    }

    /**
     * @param outbox parcels that are on their way to schools
     * @param messages that are still to be sent
     * @param failingLinks that weren't read the last time
     * @param sessions that stand
     */
    public record Counts(long outbox, long messages, long failingLinks, long sessions) {}

    /** @throws org.springframework.dao.DataAccessException if the data doesn't answer */
    public Counts counts() {
        return db.sql("""
                SELECT (SELECT COUNT(*) FROM outbox) AS outbox,
                       (SELECT COUNT(*) FROM message WHERE sent_at IS NULL AND next_try_at IS NOT NULL) AS messages,
                       (SELECT COUNT(*) FROM link WHERE failures > 0) AS failing,
                       (SELECT COUNT(*) FROM spring_session) AS sessions
                """)
                .query((row, n) -> new Counts(
                        row.getLong("outbox"),
                        row.getLong("messages"),
                        row.getLong("failing"),
                        row.getLong("sessions")))
                .single();
    }
}
