package app.navlo.server.store;

import java.time.Instant;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Whether people's addresses are theirs, and the ways to prove it that were mailed, by the digests of their secrets. */
@Repository
public class Confirmations {
    private final JdbcClient db;

    Confirmations(JdbcClient db) {
        this.db = db;
    }

    public boolean isConfirmed(long person) {
        return db.sql("SELECT COUNT(*) FROM person WHERE id = :id AND confirmed_at IS NOT NULL")
                        .param("id", person)
                        .query(Long.class)
                        .single()
                > 0;
    }

    public void confirm(long person, Instant at) {
        db.sql("UPDATE person SET confirmed_at = :at WHERE id = :id")
                .param("at", at)
                .param("id", person)
                .update();
    }

    /** Their address is another now. */
    public void forget(long person) {
        db.sql("UPDATE person SET confirmed_at = NULL WHERE id = :id")
                .param("id", person)
                .update();
        db.sql("DELETE FROM address_confirmation WHERE person_id = :id")
                .param("id", person)
                .update();
    }

    public void add(String secretHash, long person, String email, Instant at, Instant ends) {
        db.sql("""
                INSERT INTO address_confirmation (secret_hash, person_id, email_key, made_at, ends_at)
                VALUES (:hash, :person, :key, :at, :ends)
                """)
                .param("hash", secretHash)
                .param("person", person)
                .param("key", People.key(email))
                .param("at", at)
                .param("ends", ends)
                .update();
    }

    /** How many were mailed since an instant. */
    public int madeSince(long person, Instant since) {
        return db.sql("SELECT COUNT(*) FROM address_confirmation WHERE person_id = :person AND made_at > :since")
                .param("person", person)
                .param("since", since)
                .query(Integer.class)
                .single();
    }

    /** Whose address it proves, if it holds and the address is theirs still. */
    public Optional<Long> find(String secretHash, Instant now) {
        return db.sql("""
                SELECT p.id FROM address_confirmation c JOIN person p ON p.id = c.person_id AND p.email_key = c.email_key
                WHERE c.secret_hash = :hash AND c.ends_at > :now
                """)
                .param("hash", secretHash)
                .param("now", now)
                .query(Long.class)
                .optional();
    }
}
