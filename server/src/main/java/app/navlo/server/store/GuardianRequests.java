package app.navlo.server.store;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Guardians who ask to see somebody's work, by the address that they know. One that is answered is gone. */
@Repository
public class GuardianRequests {
    private final JdbcClient db;

    GuardianRequests(JdbcClient db) {
        this.db = db;
    }

    /** One's own. @param email as it was typed; whether anybody signs in with it isn't said */
    public record Asked(long id, String email, Instant madeAt) {}

    /**
     * To whom it goes.
     *
     * @param name of who asks
     * @param confirmed whether their address is known to be theirs
     */
    public record Asking(long id, long guardian, String name, String email, boolean confirmed, Instant madeAt) {}

    public List<Asked> by(long guardian) {
        return db.sql("SELECT id, email, made_at FROM guardian_request WHERE guardian_id = :guardian ORDER BY id")
                .param("guardian", guardian)
                .query((row, n) -> new Asked(row.getLong("id"), row.getString("email"), Rows.instant(row, "made_at")))
                .list();
    }

    /** Those that a student can answer. */
    public List<Asking> to(long student) {
        return db.sql("""
                SELECT r.id, r.guardian_id, g.name, g.email, g.confirmed_at IS NOT NULL AS confirmed, r.made_at
                FROM guardian_request r JOIN person g ON g.id = r.guardian_id
                JOIN person s ON s.email_key = r.email_key
                WHERE s.id = :student AND s.role = 'STUDENT' AND g.id <> s.id AND g.disabled_at IS NULL ORDER BY r.id
                """)
                .param("student", student)
                .query((row, n) -> new Asking(
                        row.getLong("id"),
                        row.getLong("guardian_id"),
                        row.getString("name"),
                        row.getString("email"),
                        row.getBoolean("confirmed"),
                        Rows.instant(row, "made_at")))
                .list();
    }

    public Optional<Asking> to(long student, long id) {
        return to(student).stream().filter(one -> one.id() == id).findFirst();
    }

    /** Does nothing where the same was asked before. @return whether it is new */
    public boolean add(long guardian, String email, Instant at) {
        boolean asked =
                db.sql("SELECT COUNT(*) FROM guardian_request WHERE guardian_id = :guardian AND email_key = :key")
                                .param("guardian", guardian)
                                .param("key", People.key(email))
                                .query(Long.class)
                                .single()
                        > 0;
        if (asked) {
            return false;
        }
        db.sql("""
                INSERT INTO guardian_request (guardian_id, email, email_key, made_at)
                VALUES (:guardian, :email, :key, :at)
                """)
                .param("guardian", guardian)
                .param("email", email.strip())
                .param("key", People.key(email))
                .param("at", at)
                .update();
        return true;
    }

    public void remove(long id) {
        db.sql("DELETE FROM guardian_request WHERE id = :id").param("id", id).update();
    }

    /** @return false if this guardian has no such */
    public boolean withdraw(long guardian, long id) {
        return db.sql("DELETE FROM guardian_request WHERE id = :id AND guardian_id = :guardian")
                        .param("id", id)
                        .param("guardian", guardian)
                        .update()
                == 1;
    }
}
