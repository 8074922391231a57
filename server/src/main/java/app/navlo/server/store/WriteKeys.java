package app.navlo.server.store;

import java.time.Instant;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The keys under which writes were made, and what they were answered. */
@Repository
public class WriteKeys {
    private final JdbcClient db;

    WriteKeys(JdbcClient db) {
        this.db = db;
    }

    /**
     * @param fingerprint of what was asked for
     * @param response as JSON
     */
    public record Answered(String fingerprint, String response) {}

    /** Empty where nothing was answered under this key. */
    public Optional<Answered> answered(long person, String key) {
        return db.sql("""
                SELECT fingerprint, response FROM write_once
                WHERE person_id = :person AND write_key = :key AND response IS NOT NULL
                """)
                .param("person", person)
                .param("key", key)
                .query((row, n) -> new Answered(row.getString("fingerprint"), row.getString("response")))
                .optional();
    }

    /** @throws org.springframework.dao.DuplicateKeyException if the key is taken */
    public void take(long person, String key, String fingerprint, Instant at) {
        db.sql("""
                INSERT INTO write_once (person_id, write_key, fingerprint, at)
                VALUES (:person, :key, :fingerprint, :at)
                """)
                .param("person", person)
                .param("key", key)
                .param("fingerprint", fingerprint)
                .param("at", at)
                .update();
    }

    public void answer(long person, String key, String response) {
        db.sql("UPDATE write_once SET response = :response WHERE person_id = :person AND write_key = :key")
                .param("response", response)
                .param("person", person)
                .param("key", key)
                .update();
    }
}
