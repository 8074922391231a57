package app.navlo.server.store;

import java.time.Instant;
import java.util.List;
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
            Instant since,
            @Nullable Instant lookedAt) {}

    public List<Guardian> of(long student) {
        return db.sql("""
                SELECT p.id, p.name, p.email, g.accepted_at, g.looked_at
                FROM guardianship g JOIN person p ON p.id = g.guardian_id
                WHERE g.student_id = :student ORDER BY g.accepted_at, p.id
                """)
                .param("student", student)
                .query((row, n) -> new Guardian(
                        row.getLong("id"),
                        row.getString("name"),
                        row.getString("email"),
                        Rows.instant(row, "accepted_at"),
                        Rows.instantOrNull(row, "looked_at")))
                .list();
    }

    /** Lets a guardian in; one who is in already stays. */
    public void accept(long student, long guardian, Instant at) {
        if (looked(guardian, student).isPresent()) {
            return;
        }
        db.sql("""
                INSERT INTO guardianship (guardian_id, student_id, accepted_at) VALUES (:guardian, :student, :at)
                """)
                .param("guardian", guardian)
                .param("student", student)
                .param("at", at)
                .update();
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
