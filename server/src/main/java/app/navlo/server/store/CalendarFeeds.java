package app.navlo.server.store;

import java.time.Instant;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The secrets under which students' calendars can be read, as digests: the secrets themselves are nowhere. */
@Repository
public class CalendarFeeds {
    private final JdbcClient db;

    CalendarFeeds(JdbcClient db) {
        this.db = db;
    }

    /**
     * @param salt what the secret was made from, together with the key
     * @param digest SHA-256 of the secret, in hexadecimal digits
     */
    public record CalendarFeed(long student, String salt, String digest, Instant madeAt) {}

    public Optional<CalendarFeed> of(long student) {
        return db.sql("SELECT student_id, salt, digest, made_at FROM calendar_feed WHERE student_id = :student")
                .param("student", student)
                .query((row, n) -> new CalendarFeed(
                        row.getLong("student_id"),
                        row.getString("salt"),
                        row.getString("digest"),
                        Rows.instant(row, "made_at")))
                .optional();
    }

    public Optional<Long> student(String secret) {
        return db.sql("SELECT student_id FROM calendar_feed WHERE digest = :digest")
                .param("digest", Sha256.of(secret))
                .query(Long.class)
                .optional();
    }

    /** From now on only the new secret leads there. */
    public void make(CalendarFeed feed) {
        db.sql(
                        "MERGE INTO calendar_feed (student_id, salt, digest, made_at) KEY (student_id) VALUES (:student, :salt, :digest, :at)")
                .param("student", feed.student())
                .param("salt", feed.salt())
                .param("digest", feed.digest())
                .param("at", feed.madeAt())
                .update();
    }

    public void stop(long student) {
        db.sql("DELETE FROM calendar_feed WHERE student_id = :student")
                .param("student", student)
                .update();
    }
}
