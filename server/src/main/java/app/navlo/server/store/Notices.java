package app.navlo.server.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalTime;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Words by mail: which ones a person wants, what was told already, and what is on its way. */
@Repository
public class Notices {
    private final JdbcClient db;

    Notices(JdbcClient db) {
        this.db = db;
    }

    /**
     * What a person wants to be told.
     *
     * @param losses that waiting is about to cost something
     * @param asked what a teacher asks for, and what came out against the student
     * @param scores that are new
     * @param weekDay on which the week ahead is told; null for none
     * @param quietFrom the beginning of the hours in which nothing comes; the same as the end for none
     * @param quietUntil excluded
     * @param askedSince what was asked before isn't told
     * @param scoresSince scores from before aren't told
     */
    public record Choice(
            boolean losses,
            boolean asked,
            boolean scores,
            @Nullable DayOfWeek weekDay,
            LocalTime quietFrom,
            LocalTime quietUntil,
            Instant askedSince,
            Instant scoresSince) {}

    /** A person who wants some words. */
    public record Reader(long person, String name, String email, String zone, Choice choice) {}

    /**
     * @param person to whom it goes; null for an address of nobody here
     * @param stoppable whether it is one of those that a press stops
     * @param tries so far
     */
    public record Mail(
            long id,
            @Nullable Long person,
            @Nullable String name,
            String email,
            Instant madeAt,
            String subject,
            String body,
            boolean stoppable,
            int tries) {}

    public Optional<Choice> choice(long person) {
        return db.sql("SELECT * FROM notice_choice WHERE person_id = :person")
                .param("person", person)
                .query((row, n) -> choice(row))
                .optional();
    }

    public void choose(long person, Choice choice) {
        db.sql("""
                MERGE INTO notice_choice (person_id, losses, asked, scores, week_day, quiet_from, quiet_until, asked_since,
                    scores_since)
                KEY (person_id)
                VALUES (:person, :losses, :asked, :scores, :day, :from, :until, :asked_since, :scores_since)
                """)
                .param("person", person)
                .param("losses", choice.losses())
                .param("asked", choice.asked())
                .param("scores", choice.scores())
                .param("day", choice.weekDay() == null ? null : choice.weekDay().name())
                .param("from", choice.quietFrom())
                .param("until", choice.quietUntil())
                .param("asked_since", choice.askedSince())
                .param("scores_since", choice.scoresSince())
                .update();
    }

    /** Everybody who wants something and whose address is known to be theirs. */
    public List<Reader> readers() {
        return db.sql("""
                SELECT c.*, p.name, p.email, p.zone FROM notice_choice c JOIN person p ON p.id = c.person_id
                WHERE p.disabled_at IS NULL AND p.kept_by IS NULL AND p.confirmed_at IS NOT NULL
                    AND (c.losses OR c.asked OR c.scores OR c.week_day IS NOT NULL) ORDER BY c.person_id
                """)
                .query((row, n) -> new Reader(
                        row.getLong("person_id"),
                        row.getString("name"),
                        row.getString("email"),
                        row.getString("zone"),
                        choice(row)))
                .list();
    }

    private static Choice choice(ResultSet row) throws SQLException {
        String day = row.getString("week_day");
        return new Choice(
                row.getBoolean("losses"),
                row.getBoolean("asked"),
                row.getBoolean("scores"),
                day == null ? null : DayOfWeek.valueOf(day),
                row.getObject("quiet_from", LocalTime.class),
                row.getObject("quiet_until", LocalTime.class),
                Rows.instant(row, "asked_since"),
                Rows.instant(row, "scores_since"));
    }

    /** The keys of what a person was told of a student. */
    public Set<String> told(long person, long student) {
        return new HashSet<>(
                db.sql("SELECT told_key FROM notice_told WHERE person_id = :person AND student_id = :student")
                        .param("person", person)
                        .param("student", student)
                        .query(String.class)
                        .list());
    }

    /** @throws org.springframework.dao.DuplicateKeyException if that was told already */
    public void tell(long person, long student, String key, Instant at) {
        db.sql("""
                INSERT INTO notice_told (person_id, student_id, told_key, told_at)
                VALUES (:person, :student, :key, :at)
                """)
                .param("person", person)
                .param("student", student)
                .param("key", key)
                .param("at", at)
                .update();
    }

    /** To an address of nobody here. */
    public void sendTo(String address, Instant at, String subject, String body) {
        db.sql("""
                INSERT INTO notice_mail (to_address, made_at, subject, body, stoppable, tries, next_try_at)
                VALUES (:address, :at, :subject, :body, FALSE, 0, :at)
                """)
                .param("address", address.strip())
                .param("at", at)
                .param("subject", subject)
                .param("body", body)
                .update();
    }

    /** @param stoppable whether it is one of those that a press stops */
    public void send(long person, Instant at, String subject, String body, boolean stoppable) {
        db.sql("""
                INSERT INTO notice_mail (person_id, made_at, subject, body, stoppable, tries, next_try_at)
                VALUES (:person, :at, :subject, :body, :stoppable, 0, :at)
                """)
                .param("stoppable", stoppable)
                .param("person", person)
                .param("at", at)
                .param("subject", subject)
                .param("body", body)
                .update();
    }

    /** Those whose next try has come, the oldest first. */
    public List<Long> due(Instant now, int most) {
        return db.sql("SELECT id FROM notice_mail WHERE next_try_at <= :now ORDER BY id LIMIT :most")
                .param("now", now)
                .param("most", most)
                .query(Long.class)
                .list();
    }

    /** Takes a mail in hand until {@code until}, with the digest of a new secret. @return whether nobody else has it */
    public boolean claim(long id, Instant now, Instant until, String stopHash) {
        return db.sql("""
                UPDATE notice_mail SET tries = tries + 1, next_try_at = :until, stop_hash = :hash
                WHERE id = :id AND next_try_at <= :now
                """)
                        .param("id", id)
                        .param("now", now)
                        .param("until", until)
                        .param("hash", stopHash)
                        .update()
                == 1;
    }

    public Mail mail(long id) {
        return db.sql("""
                SELECT m.id, m.person_id, p.name, COALESCE(m.to_address, p.email) AS email, m.made_at, m.subject, m.body,
                    m.stoppable, m.tries
                FROM notice_mail m LEFT JOIN person p ON p.id = m.person_id WHERE m.id = :id
                """)
                .param("id", id)
                .query((row, n) -> new Mail(
                        row.getLong("id"),
                        Rows.longOrNull(row, "person_id"),
                        row.getString("name"),
                        row.getString("email"),
                        Rows.instant(row, "made_at"),
                        row.getString("subject"),
                        row.getString("body"),
                        row.getBoolean("stoppable"),
                        row.getInt("tries")))
                .single();
    }

    /** What isn't stoppable bears a secret: nothing of it is kept. */
    public void sent(long id, Instant at) {
        db.sql("""
                UPDATE notice_mail SET sent_at = :at, next_try_at = NULL, fault = NULL,
                                       body = CASE WHEN stoppable THEN body ELSE '' END
                WHERE id = :id
                """).param("id", id).param("at", at).update();
    }

    /** @param nextTry null to give up */
    public void failed(long id, String fault, @Nullable Instant nextTry) {
        db.sql("UPDATE notice_mail SET fault = :fault, next_try_at = :next WHERE id = :id")
                .param("id", id)
                .param("fault", fault)
                .param("next", nextTry)
                .update();
    }

    /** Whose mail bore this secret. */
    public Optional<Long> stoppedBy(String stopHash) {
        return db.sql("SELECT person_id FROM notice_mail WHERE stop_hash = :hash AND stoppable")
                .param("hash", stopHash)
                .query(Long.class)
                .optional();
    }

    /** Nothing more comes to a person, and what is on its way stays here. */
    public void stop(long person) {
        db.sql(
                        "UPDATE notice_choice SET losses = FALSE, asked = FALSE, scores = FALSE, week_day = NULL WHERE person_id = :person")
                .param("person", person)
                .update();
        db.sql("DELETE FROM notice_mail WHERE person_id = :person AND stoppable AND next_try_at IS NOT NULL")
                .param("person", person)
                .update();
    }
}
