package app.navlo.server.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Who reads whose work: those whom the student let in. */
@Repository
public class Guardianships {
    private final JdbcClient db;

    Guardianships(JdbcClient db) {
        this.db = db;
    }

    /** @param lookedAt to the hour; null for never */
    public record Guardian(
            long id,
            String name,
            String email,
            Sight sees,
            Instant since,
            @Nullable Instant lookedAt) {}

    public List<Guardian> of(long student) {
        return db.sql("""
                SELECT p.id, p.name, p.email, g.sees_words, g.sees_messages, g.accepted_at, g.looked_at
                FROM guardianship g JOIN person p ON p.id = g.guardian_id
                WHERE g.student_id = :student ORDER BY g.accepted_at, p.id
                """)
                .param("student", student)
                .query((row, n) -> new Guardian(
                        row.getLong("id"),
                        row.getString("name"),
                        row.getString("email"),
                        sight(row),
                        Rows.instant(row, "accepted_at"),
                        Rows.instantOrNull(row, "looked_at")))
                .list();
    }

    private static Sight sight(ResultSet row) throws SQLException {
        return new Sight(row.getBoolean("sees_words"), row.getBoolean("sees_messages"));
    }

    /** What a guardian sees, by student. */
    public Map<Long, Sight> sights(long guardian) {
        Map<Long, Sight> sights = new HashMap<>();
        db.sql("SELECT student_id, sees_words, sees_messages FROM guardianship WHERE guardian_id = :guardian")
                .param("guardian", guardian)
                .query(row -> {
                    sights.put(row.getLong("student_id"), sight(row));
                });
        return sights;
    }

    /** @return false if there is no such guardian of this student */
    public boolean show(long student, long guardian, Sight sight) {
        return db.sql("""
                UPDATE guardianship SET sees_words = :words, sees_messages = :messages
                WHERE guardian_id = :guardian AND student_id = :student
                """)
                        .param("words", sight.words())
                        .param("messages", sight.messages())
                        .param("guardian", guardian)
                        .param("student", student)
                        .update()
                == 1;
    }

    /** Lets a guardian in; one who is in already stays, and sees what they saw. */
    public void accept(long student, long guardian, Sight sight, Instant at) {
        if (looked(guardian, student).isPresent()) {
            return;
        }
        db.sql("""
                INSERT INTO guardianship (guardian_id, student_id, accepted_at, sees_words, sees_messages)
                VALUES (:guardian, :student, :at, :words, :messages)
                """)
                .param("words", sight.words())
                .param("messages", sight.messages())
                .param("guardian", guardian)
                .param("student", student)
                .param("at", at)
                .update();
    }

    /** Who looks after so many students at least and was here, signed in, since then. */
    public List<Long> ofMany(int many, Instant since) {
        return db.sql("""
                SELECT g.guardian_id FROM guardianship g
                WHERE EXISTS (SELECT 1 FROM spring_session s
                              WHERE s.principal_name = CAST(g.guardian_id AS VARCHAR(100)) AND s.last_access_time >= :since)
                GROUP BY g.guardian_id HAVING COUNT(*) >= :many
                ORDER BY g.guardian_id
                """)
                .param("since", since.toEpochMilli())
                .param("many", many)
                .query(Long.class)
                .list();
    }

    /** When a guardian last looked. */
    public record Looked(@Nullable Instant at) {}

    /** Empty for nobody's guardian of this student. */
    public Optional<Looked> looked(long guardian, long student) {
        return db.sql("SELECT looked_at FROM guardianship WHERE guardian_id = :guardian AND student_id = :student")
                .param("guardian", guardian)
                .param("student", student)
                .query((row, n) -> new Looked(Rows.instantOrNull(row, "looked_at")))
                .optional();
    }

    public void looks(long guardian, long student, Instant at) {
        db.sql("UPDATE guardianship SET looked_at = :at WHERE guardian_id = :guardian AND student_id = :student")
                .param("at", at)
                .param("guardian", guardian)
                .param("student", student)
                .update();
    }

    /** @return false if there was none */
    public boolean end(long guardian, long student) {
        return db.sql("DELETE FROM guardianship WHERE guardian_id = :guardian AND student_id = :student")
                        .param("guardian", guardian)
                        .param("student", student)
                        .update()
                == 1;
    }
}
