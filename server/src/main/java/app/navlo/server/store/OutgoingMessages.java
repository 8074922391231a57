package app.navlo.server.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.jdbc.support.KeyHolder;
import org.springframework.stereotype.Repository;

/** Messages to teachers, and how far each has come. */
@Repository
public class OutgoingMessages {
    private final JdbcClient db;

    OutgoingMessages(JdbcClient db) {
        this.db = db;
    }

    /**
     * @param work null for a message about a whole course
     * @param files that go with it
     */
    public record NewMessage(
            long student,
            long person,
            long course,
            @Nullable Long work,
            long change,
            Instant at,
            String toName,
            String toAddress,
            String subject,
            String body,
            List<StoredFile> files) {
        public NewMessage {
            files = List.copyOf(files);
        }
    }

    /**
     * @param from the person who wrote it; null for who has left
     * @param fromName of them
     * @param fromAddress which an answer reaches; null where there is none
     * @param tries so far
     * @param nextTry null once it is sent, or given up
     * @param sentAt null until it is
     * @param fault of the last try; null for none
     * @param school that has it beside, by the name of its link; null for none
     * @param schoolNumber that it gave it
     * @param answer of the teacher; null for none that is known
     */
    public record OutgoingMessage(
            long id,
            long student,
            long course,
            @Nullable Long work,
            Instant at,
            @Nullable Long from,
            String fromName,
            @Nullable String fromAddress,
            String toName,
            String toAddress,
            String subject,
            String body,
            int tries,
            @Nullable Instant nextTry,
            @Nullable Instant sentAt,
            @Nullable String fault,
            @Nullable String school,
            @Nullable String schoolNumber,
            @Nullable Answer answer) {}

    /** @param at when it was put down */
    public record Answer(String words, Instant at) {}

    private static final String ALL = """
            SELECT m.id, m.student_id, m.course_id, m.work_id, m.at, m.person_id, p.name, p.email, m.to_name, m.to_address, m.subject,
                   m.body, m.tries, m.next_try_at, m.sent_at, m.fault, m.school, m.school_number,
                   m.answer, m.answered_at
            FROM message m LEFT JOIN person p ON p.id = m.person_id
            """;

    public long add(NewMessage letter) {
        KeyHolder key = new GeneratedKeyHolder();
        db.sql("""
                INSERT INTO message (student_id, person_id, course_id, work_id, change_id, at, to_name, to_address,
                                     subject, body, tries, next_try_at)
                VALUES (:student, :person, :course, :work, :change, :at, :toName, :toAddress, :subject, :body, 0, :at)
                """)
                .param("student", letter.student())
                .param("person", letter.person())
                .param("course", letter.course())
                .param("work", letter.work())
                .param("change", letter.change())
                .param("at", letter.at())
                .param("toName", letter.toName())
                .param("toAddress", letter.toAddress())
                .param("subject", letter.subject())
                .param("body", letter.body())
                .update(key, "id");
        long id = Rows.newId(key);
        FileRows.add(db, "message_file", "message_id", id, letter.files());
        return id;
    }

    /** What went with a message, in order. */
    public List<StoredFile> filesOf(long message) {
        return db.sql("""
                SELECT name, media_type, size, sha256 FROM message_file WHERE message_id = :message ORDER BY position
                """)
                .param("message", message)
                .query((row, n) -> StoredFile.of(row))
                .list();
    }

    /** The same for all messages of a student that have any, by message. */
    public Map<Long, List<StoredFile>> files(long student) {
        Map<Long, List<StoredFile>> files = new HashMap<>();
        db.sql("""
                SELECT f.message_id, f.name, f.media_type, f.size, f.sha256
                FROM message_file f JOIN message m ON m.id = f.message_id
                WHERE m.student_id = :student ORDER BY f.message_id, f.position
                """).param("student", student).query(row -> {
            files.computeIfAbsent(row.getLong("message_id"), any -> new ArrayList<>())
                    .add(StoredFile.of(row));
        });
        return files;
    }

    /** The latest first. */
    public List<OutgoingMessage> of(long student) {
        return db.sql(ALL + "WHERE m.student_id = :student ORDER BY m.id DESC")
                .param("student", student)
                .query(OutgoingMessages::letter)
                .list();
    }

    public Optional<OutgoingMessage> find(long id) {
        return db.sql(ALL + "WHERE m.id = :id")
                .param("id", id)
                .query(OutgoingMessages::letter)
                .optional();
    }

    /** When the student last wrote about each piece of work; what they never wrote about is left out. */
    public Map<Long, Instant> lastWritten(long student, Set<Long> undone) {
        Map<Long, Instant> written = new HashMap<>();
        db.sql("""
                        SELECT work_id, change_id, at FROM message
                        WHERE student_id = :student AND person_id = :student AND work_id IS NOT NULL ORDER BY id
                        """).param("student", student).query(row -> {
            if (!undone.contains(row.getLong("change_id"))) {
                written.put(row.getLong("work_id"), Rows.instant(row, "at"));
            }
        });
        return written;
    }

    /** How many a person wrote since then. */
    public int writtenSince(long person, Instant since) {
        return db.sql("SELECT COUNT(*) FROM message WHERE person_id = :person AND at > :since")
                .param("person", person)
                .param("since", since)
                .query(Integer.class)
                .single();
    }

    /** Where the teacher of a course was last written to. */
    public Optional<String> lastAddress(long course) {
        return db.sql("SELECT to_address FROM message WHERE course_id = :course ORDER BY id DESC LIMIT 1")
                .param("course", course)
                .query(String.class)
                .optional();
    }

    /** Those whose next try has come, the oldest first. */
    public List<Long> due(Instant now) {
        return db.sql("SELECT id FROM message WHERE next_try_at <= :now ORDER BY id LIMIT 50")
                .param("now", now)
                .query(Long.class)
                .list();
    }

    /** Takes a message in hand until {@code until}. @return whether nobody else has it */
    public boolean claim(long id, Instant now, Instant until) {
        return db.sql("""
                UPDATE message SET tries = tries + 1, next_try_at = :until WHERE id = :id AND next_try_at <= :now
                """)
                        .param("id", id)
                        .param("now", now)
                        .param("until", until)
                        .update()
                == 1;
    }

    public void sent(long id, Instant at) {
        db.sql("UPDATE message SET sent_at = :at, next_try_at = NULL, fault = NULL WHERE id = :id")
                .param("id", id)
                .param("at", at)
                .update();
    }

    /** That a school's box has it, too. */
    public void told(long id, String school, String number) {
        db.sql("UPDATE message SET school = :school, school_number = :number WHERE id = :id")
                .param("id", id)
                .param("school", school)
                .param("number", number)
                .update();
    }

    /** @param nextTry null to give it up */
    public void failed(long id, String fault, @Nullable Instant nextTry) {
        db.sql("UPDATE message SET fault = :fault, next_try_at = :next WHERE id = :id")
                .param("id", id)
                .param("fault", fault)
                .param("next", nextTry)
                .update();
    }

    /** @param words of the teacher; null takes back what was put down */
    public void answered(long id, @Nullable String words, Instant at) {
        db.sql("UPDATE message SET answer = :words, answered_at = :at WHERE id = :id")
                .param("id", id)
                .param("words", words)
                .param("at", words == null ? null : at)
                .update();
    }

    private static @Nullable Answer answer(ResultSet row) throws SQLException {
        String words = row.getString("answer");
        return words == null ? null : new Answer(words, Rows.instant(row, "answered_at"));
    }

    private static OutgoingMessage letter(ResultSet row, int n) throws SQLException {
        return new OutgoingMessage(
                row.getLong("id"),
                row.getLong("student_id"),
                row.getLong("course_id"),
                Rows.longOrNull(row, "work_id"),
                Rows.instant(row, "at"),
                Rows.longOrNull(row, "person_id"),
                Objects.requireNonNullElse(row.getString("name"), "Somebody who has left"),
                Optional.ofNullable(row.getString("email"))
                        .filter(email -> email.contains("@"))
                        .orElse(null),
                row.getString("to_name"),
                row.getString("to_address"),
                row.getString("subject"),
                row.getString("body"),
                row.getInt("tries"),
                Rows.instantOrNull(row, "next_try_at"),
                Rows.instantOrNull(row, "sent_at"),
                row.getString("fault"),
                row.getString("school"),
                row.getString("school_number"),
                answer(row));
    }
}
