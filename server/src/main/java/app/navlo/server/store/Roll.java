package app.navlo.server.store;

import java.time.Instant;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The people of this Navlo as who administers it knows them: nothing of their work but how much space its files take. */
@Repository
public class Roll {
    /** Of the files of each student, each as often as they have it. */
    private static final String BYTES = """
            SELECT student_id, SUM(size) AS bytes FROM (
                SELECT c.student_id, a.size FROM attachment a JOIN change c ON c.id = a.change_id
                UNION ALL SELECT f.student_id, h.size FROM hand_in_file h JOIN fact f ON f.id = h.fact_id
                UNION ALL SELECT f.student_id, w.size FROM comment_file w JOIN fact f ON f.id = w.fact_id
                UNION ALL SELECT w.student_id, d.size FROM draft_file d JOIN work w ON w.id = d.work_id
                UNION ALL SELECT s.student_id, m.size FROM message_file m JOIN message s ON s.id = m.message_id) one
            GROUP BY student_id
            """;

    private final JdbcClient db;

    Roll(JdbcClient db) {
        this.db = db;
    }

    /**
     * @param disabledAt null for who can sign in
     * @param leavesAt when everything of theirs is deleted; null for who stays
     * @param bytes of the files that they have here, each as often as they have it
     */
    public record Enrolled(
            long id,
            String name,
            String email,
            Role role,
            boolean administrator,
            Instant createdAt,
            @Nullable Instant disabledAt,
            @Nullable Instant leavesAt,
            long bytes) {}

    /** That one sees the work of another. */
    public record Tie(long guardian, long student, Instant since) {}

    /** Of the files of one student, each as often as they have it. */
    public long bytesOf(long student) {
        return db.sql("SELECT bytes FROM (" + BYTES + ") b WHERE student_id = :student")
                .param("student", student)
                .query(Long.class)
                .optional()
                .orElse(0L);
    }

    /** @param sought in names and addresses; everybody for an empty text */
    public List<Enrolled> people(String sought, int most) {
        return db.sql("""
                SELECT p.id, p.name, p.email, p.role, p.administrator, p.created_at, p.disabled_at, p.leaves_at,
                    COALESCE(b.bytes, 0) AS bytes
                FROM person p LEFT JOIN (%s) b ON b.student_id = p.id
                WHERE POSITION(:sought IN LOWER(p.name)) > 0 OR POSITION(:sought IN p.email_key) > 0
                ORDER BY LOWER(p.name), p.id LIMIT :most
                """.formatted(BYTES))
                .param("sought", sought.toLowerCase(Locale.ROOT))
                .param("most", most)
                .query((row, n) -> new Enrolled(
                        row.getLong("id"),
                        row.getString("name"),
                        row.getString("email"),
                        Role.valueOf(row.getString("role")),
                        row.getBoolean("administrator"),
                        Rows.instant(row, "created_at"),
                        Rows.instantOrNull(row, "disabled_at"),
                        Rows.instantOrNull(row, "leaves_at"),
                        row.getLong("bytes")))
                .list();
    }

    public long count() {
        return db.sql("SELECT COUNT(*) FROM person").query(Long.class).single();
    }

    public boolean knows(long person) {
        return db.sql("SELECT COUNT(*) FROM person WHERE id = :id")
                        .param("id", person)
                        .query(Long.class)
                        .single()
                > 0;
    }

    /** Of these people, in either place. */
    public List<Tie> ties(List<Long> people) {
        if (people.isEmpty()) {
            return List.of();
        }
        return db.sql("""
                SELECT guardian_id, student_id, accepted_at FROM guardianship
                WHERE guardian_id IN (:people) OR student_id IN (:people) ORDER BY accepted_at, guardian_id, student_id
                """)
                .param("people", people)
                .query((row, n) -> new Tie(
                        row.getLong("guardian_id"), row.getLong("student_id"), Rows.instant(row, "accepted_at")))
                .list();
    }

    /** The names of people, as those who are tied to others. */
    public Map<Long, String> names(Collection<Long> people) {
        Map<Long, String> names = new HashMap<>();
        if (!people.isEmpty()) {
            db.sql("SELECT id, name FROM person WHERE id IN (:people)")
                    .param("people", people)
                    .query(row -> {
                        names.put(row.getLong("id"), row.getString("name"));
                    });
        }
        return names;
    }

    /** @param disabledAt null for who can sign in */
    public void set(long person, boolean administrator, @Nullable Instant disabledAt) {
        db.sql("UPDATE person SET administrator = :administrator, disabled_at = :disabled WHERE id = :id")
                .param("administrator", administrator)
                .param("disabled", disabledAt)
                .param("id", person)
                .update();
    }

    /** Bytes of all contents of files, each once. */
    public long contents() {
        return db.sql("SELECT COALESCE(SUM(size), 0) FROM stored_file")
                .query(Long.class)
                .single();
    }
}
