package app.navlo.server.store;

import app.navlo.server.problem.Refusal;
import java.time.Instant;
import java.util.Optional;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import tools.jackson.databind.json.JsonMapper;

/**
 * A retried write with the same key happens once: the second time it gets the first one's answer. The key is kept in the
 * transaction of the write itself, so both are there or neither is.
 */
@Repository
public class WriteOnce {
    private final JdbcClient db;
    private final Changes changes;
    private final JsonMapper json;

    WriteOnce(JdbcClient db, Changes changes, JsonMapper json) {
        this.changes = changes;
        this.db = db;
        this.json = json;
    }

    /**
     * @param student whose it is
     * @param key what the caller calls this write; null for a write that may not be retried
     * @param request what is asked for, so that one key can't stand for two things
     */
    public record Once(long student, long person, @Nullable String key, String request, Instant at) {}

    /** What an earlier write under this key answered; empty if there was none. */
    public <T> Optional<T> answered(Once once, Class<T> type) {
        return once.key() == null ? Optional.empty() : earlier(once, Sha256.of(once.request()), type);
    }

    /** Must be called within the transaction of the write. Nobody else writes anything of the student until it ends. */
    public <T> T run(Once once, Class<T> type, Supplier<T> write) {
        changes.lock(once.student());
        if (once.key() == null) {
            return write.get();
        }
        String fingerprint = Sha256.of(once.request());
        Optional<T> earlier = earlier(once, fingerprint, type);
        if (earlier.isPresent()) {
            return earlier.get();
        }
        try {
            db.sql("""
                    INSERT INTO write_once (person_id, write_key, fingerprint, at)
                    VALUES (:person, :key, :fingerprint, :at)
                    """)
                    .param("person", once.person())
                    .param("key", once.key())
                    .param("fingerprint", fingerprint)
                    .param("at", once.at())
                    .update();
        } catch (DuplicateKeyException sameInstant) {
            return earlier(once, fingerprint, type)
                    .orElseThrow(() -> Refusal.conflict(
                            "The same write is being done right now", "Wait a moment, then look at what came of it."));
        }
        T answer = write.get();
        db.sql("UPDATE write_once SET response = :response WHERE person_id = :person AND write_key = :key")
                .param("response", json.writeValueAsString(answer))
                .param("person", once.person())
                .param("key", once.key())
                .update();
        return answer;
    }

    private <T> Optional<T> earlier(Once once, String fingerprint, Class<T> type) {
        return db.sql("""
                SELECT fingerprint, response FROM write_once
                WHERE person_id = :person AND write_key = :key AND response IS NOT NULL
                """)
                .param("person", once.person())
                .param("key", once.key())
                .query((row, n) -> {
                    if (!fingerprint.equals(row.getString("fingerprint"))) {
                        throw Refusal.invalid(
                                "Idempotency-Key",
                                "This key was used for another write. Reload the page and try again.");
                    }
                    return json.readValue(row.getString("response"), type);
                })
                .optional();
    }
}
