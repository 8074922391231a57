package app.navlo.server.store;

import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Rows of which nobody has any use any more: ways in that ended long ago, and what was remembered so that nothing is done twice. */
@Repository
public class Leftovers {
    private static final Duration WAYS_IN = Duration.ofDays(1);
    /** What was looked at and never taken in. */
    private static final Duration LOOKED_AT = Duration.ofDays(7);

    private static final Duration INVITATIONS = Duration.ofDays(90);
    private static final Duration WRITES = Duration.ofDays(30);
    private static final Duration TOLD = Duration.ofDays(200);

    /** A press in an old mail stops the words all the same. */
    private static final Duration MAIL = Duration.ofDays(400);

    private record Rule(String sql, Duration after) {}

    private static final Map<String, Rule> RULES = new LinkedHashMap<>();

    static {
        RULES.put("password_reset", new Rule("DELETE FROM password_reset WHERE ends_at < :before", WAYS_IN));
        RULES.put(
                "address_confirmation", new Rule("DELETE FROM address_confirmation WHERE ends_at < :before", WAYS_IN));
        RULES.put("hand_over", new Rule("DELETE FROM hand_over WHERE ends_at < :before", WAYS_IN));
        RULES.put("invitation", new Rule("DELETE FROM invitation WHERE ends_at < :before", INVITATIONS));
        RULES.put(
                "calendar_file",
                new Rule("DELETE FROM calendar_file WHERE read_at < :before AND change_id IS NULL", LOOKED_AT));
        RULES.put("write_once", new Rule("DELETE FROM write_once WHERE at < :before", WRITES));
        RULES.put("notice_told", new Rule("DELETE FROM notice_told WHERE told_at < :before", TOLD));
        RULES.put(
                "notice_mail",
                new Rule("DELETE FROM notice_mail WHERE made_at < :before AND next_try_at IS NULL", MAIL));
    }

    private final JdbcClient db;

    Leftovers(JdbcClient db) {
        this.db = db;
    }

    /** The digests of contents that nothing names: drafts that were thrown away, files that were looked at. */
    public Set<String> unnamed() {
        String named = Stream.concat(ArchiveTables.WITH_FILES.stream(), Stream.of("calendar_file"))
                .sorted()
                .map(table -> "NOT EXISTS (SELECT 1 FROM " + table + " WHERE sha256 = stored_file.sha256)")
                .collect(Collectors.joining(" AND "));
        return Set.copyOf(db.sql("SELECT sha256 FROM stored_file WHERE " + named)
                .query(String.class)
                .list());
    }

    /** @return how many rows of each table are gone; tables of which none went aren't there */
    public Map<String, Integer> sweep(Instant now) {
        Map<String, Integer> gone = new LinkedHashMap<>();
        RULES.forEach((table, rule) -> {
            int rows =
                    db.sql(rule.sql()).param("before", now.minus(rule.after())).update();
            if (rows > 0) {
                gone.put(table, rows);
            }
        });
        return gone;
    }
}
