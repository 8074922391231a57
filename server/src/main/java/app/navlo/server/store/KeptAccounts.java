package app.navlo.server.store;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Accounts of young children that a guardian keeps, until they are taken over. */
@Repository
public class KeptAccounts {
    private final JdbcClient db;

    KeptAccounts(JdbcClient db) {
        this.db = db;
    }

    /** @param signsInAs the name with which they sign in */
    public record Child(long id, String name, String signsInAs) {}

    /** @param name of the child */
    public record HandOver(long child, String name, Instant endsAt) {}

    public List<Child> of(long keeper) {
        return db.sql("SELECT id, name, email FROM person WHERE kept_by = :keeper ORDER BY id")
                .param("keeper", keeper)
                .query((row, n) -> new Child(row.getLong("id"), row.getString("name"), row.getString("email")))
                .list();
    }

    /** Who keeps somebody's account; empty for one of their own. */
    public Optional<Long> keeper(long child) {
        return db.sql("SELECT kept_by FROM person WHERE id = :child AND kept_by IS NOT NULL")
                .param("child", child)
                .query(Long.class)
                .optional();
    }

    public void keep(long child, long keeper) {
        db.sql("UPDATE person SET kept_by = :keeper WHERE id = :child")
                .param("keeper", keeper)
                .param("child", child)
                .update();
    }

    /** A way to take the account over; the ways before hold no more. */
    public void addHandOver(String secretHash, long child, Instant at, Instant ends) {
        db.sql("DELETE FROM hand_over WHERE person_id = :child")
                .param("child", child)
                .update();
        db.sql("""
                INSERT INTO hand_over (secret_hash, person_id, made_at, ends_at) VALUES (:hash, :child, :at, :ends)
                """)
                .param("hash", secretHash)
                .param("child", child)
                .param("at", at)
                .param("ends", ends)
                .update();
    }

    /** One that still holds. */
    public Optional<HandOver> handOver(String secretHash, Instant now) {
        return db.sql("""
                SELECT h.person_id, p.name, h.ends_at FROM hand_over h JOIN person p ON p.id = h.person_id
                WHERE h.secret_hash = :hash AND h.ends_at > :now AND p.kept_by IS NOT NULL
                """)
                .param("hash", secretHash)
                .param("now", now)
                .query((row, n) ->
                        new HandOver(row.getLong("person_id"), row.getString("name"), Rows.instant(row, "ends_at")))
                .optional();
    }

    /**
     * The account is the child's own from here on.
     *
     * @throws org.springframework.dao.DuplicateKeyException if somebody else has that address
     */
    public void takeOver(long child, String email, String passwordHash) {
        db.sql("""
                UPDATE person SET kept_by = NULL, email = :email, email_key = :key, password_hash = :hash
                WHERE id = :child
                """)
                .param("email", email.strip())
                .param("key", People.key(email))
                .param("hash", passwordHash)
                .param("child", child)
                .update();
        db.sql("DELETE FROM hand_over WHERE person_id = :child")
                .param("child", child)
                .update();
    }
}
