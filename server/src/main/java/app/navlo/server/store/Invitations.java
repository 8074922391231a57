package app.navlo.server.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.jdbc.support.KeyHolder;
import org.springframework.stereotype.Repository;

/** Links that let a person in, once each. Their secrets are kept as hashes alone. */
@Repository
public class Invitations {
    private static final String COLUMNS = """
            SELECT i.id, i.made_by, m.name AS maker, i.role, i.student_id, s.name AS student, i.made_at, i.ends_at,
                i.used_at, i.withdrawn_at, i.sees_words, i.sees_messages, i.email_key
            FROM invitation i
            JOIN person m ON m.id = i.made_by
            LEFT JOIN person s ON s.id = i.student_id
            """;

    private final JdbcClient db;

    Invitations(JdbcClient db) {
        this.db = db;
    }

    /**
     * @param role that who joins by it gets
     * @param studentId whose guardian they become; null for nobody's
     * @param sees what they see of this student
     * @param emailKey to whom it was mailed; null for nobody
     * @param usedAt null while it can be used
     */
    public record Invitation(
            long id,
            long madeBy,
            String maker,
            Role role,
            @Nullable Long studentId,
            @Nullable String student,
            Sight sees,
            @Nullable String emailKey,
            Instant madeAt,
            Instant endsAt,
            @Nullable Instant usedAt,
            @Nullable Instant withdrawnAt) {
        /** Whether somebody can still join by it. */
        public boolean isOpen(Instant now) {
            return usedAt == null && withdrawnAt == null && now.isBefore(endsAt);
        }
    }

    public record NewInvitation(
            String hash,
            long madeBy,
            Role role,
            @Nullable Long studentId,
            Sight sees,
            @Nullable String email,
            Instant madeAt,
            Instant endsAt) {}

    public long add(NewInvitation made) {
        KeyHolder key = new GeneratedKeyHolder();
        db.sql("""
                INSERT INTO invitation (hash, made_by, role, student_id, made_at, ends_at, sees_words, sees_messages, email_key)
                VALUES (:hash, :by, :role, :student, :at, :ends, :words, :messages, :email)
                """)
                .param("email", made.email() == null ? null : People.key(made.email()))
                .param("words", made.sees().words())
                .param("messages", made.sees().messages())
                .param("hash", made.hash())
                .param("by", made.madeBy())
                .param("role", made.role().name())
                .param("student", made.studentId())
                .param("at", made.madeAt())
                .param("ends", made.endsAt())
                .update(key, "id");
        return Rows.newId(key);
    }

    public Optional<Invitation> find(String hash) {
        return db.sql(COLUMNS + "WHERE i.hash = :hash")
                .param("hash", hash)
                .query(Invitations::invitation)
                .optional();
    }

    /** Those that somebody made, the latest first. */
    public List<Invitation> madeBy(long person) {
        return db.sql(COLUMNS + "WHERE i.made_by = :person ORDER BY i.id DESC")
                .param("person", person)
                .query(Invitations::invitation)
                .list();
    }

    private static Invitation invitation(ResultSet row, int n) throws SQLException {
        return new Invitation(
                row.getLong("id"),
                row.getLong("made_by"),
                row.getString("maker"),
                Role.valueOf(row.getString("role")),
                Rows.longOrNull(row, "student_id"),
                row.getString("student"),
                new Sight(row.getBoolean("sees_words"), row.getBoolean("sees_messages")),
                row.getString("email_key"),
                Rows.instant(row, "made_at"),
                Rows.instant(row, "ends_at"),
                Rows.instantOrNull(row, "used_at"),
                Rows.instantOrNull(row, "withdrawn_at"));
    }

    /** Only one can ever do it. @return false if it was used, withdrawn or is past its end */
    public boolean use(long id, long person, Instant now) {
        return db.sql("""
                UPDATE invitation SET used_by = :person, used_at = :now
                WHERE id = :id AND used_at IS NULL AND withdrawn_at IS NULL AND ends_at > :now
                """)
                        .param("person", person)
                        .param("now", now)
                        .param("id", id)
                        .update()
                == 1;
    }

    /** @return false if this person made no such invitation, or it can't be used any more */
    public boolean withdraw(long id, long person, Instant now) {
        return db.sql("""
                UPDATE invitation SET withdrawn_at = :now
                WHERE id = :id AND made_by = :person AND used_at IS NULL AND withdrawn_at IS NULL
                """)
                        .param("now", now)
                        .param("id", id)
                        .param("person", person)
                        .update()
                == 1;
    }
}
