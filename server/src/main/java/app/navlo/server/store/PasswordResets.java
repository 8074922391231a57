package app.navlo.server.store;

import java.time.Instant;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Ways to a new password that were mailed, by the digests of their secrets. */
@Repository
public class PasswordResets {
    private final JdbcClient db;

    PasswordResets(JdbcClient db) {
        this.db = db;
    }

    /** Whose password is set anew. */
    public record Whose(long person, String name, String email) {}

    public void add(String secretHash, long person, Instant at, Instant ends) {
        db.sql("""
                INSERT INTO password_reset (secret_hash, person_id, made_at, ends_at)
                VALUES (:hash, :person, :at, :ends)
                """)
                .param("hash", secretHash)
                .param("person", person)
                .param("at", at)
                .param("ends", ends)
                .update();
    }

    /** How many were made since an instant. */
    public int madeSince(long person, Instant since) {
        return db.sql("SELECT COUNT(*) FROM password_reset WHERE person_id = :person AND made_at > :since")
                .param("person", person)
                .param("since", since)
                .query(Integer.class)
                .single();
    }

    /** One that still holds. */
    public Optional<Whose> find(String secretHash, Instant now) {
        return db.sql("""
                SELECT p.id, p.name, p.email FROM password_reset r JOIN person p ON p.id = r.person_id
                WHERE r.secret_hash = :hash AND r.ends_at > :now AND p.disabled_at IS NULL
                """)
                .param("hash", secretHash)
                .param("now", now)
                .query((row, n) -> new Whose(row.getLong("id"), row.getString("name"), row.getString("email")))
                .optional();
    }

    /** None of a person's holds any more. */
    public void end(long person, Instant now) {
        db.sql("UPDATE password_reset SET ends_at = :now WHERE person_id = :person AND ends_at > :now")
                .param("person", person)
                .param("now", now)
                .update();
    }
}
