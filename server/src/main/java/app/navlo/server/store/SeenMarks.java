package app.navlo.server.store;

import java.time.Instant;
import java.util.Collection;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What each reader has seen of what is new about a student. Nobody else's. */
@Repository
public class SeenMarks {
    private final JdbcClient db;

    SeenMarks(JdbcClient db) {
        this.db = db;
    }

    /**
     * @param person who reads
     * @param student whose work it is
     */
    public record Reader(long person, long student) {}

    /** The longest name of a thing that fits; a longer one is named by its digest. */
    public static final int LONGEST_ITEM = 200;

    /** What names a thing in the marks, always the same for the same text. */
    public static String item(String text) {
        return text.length() <= LONGEST_ITEM ? text : "digest " + Sha256.of(text);
    }

    /** Until when all is seen; empty for a reader who never said so. */
    public Optional<Instant> until(Reader reader) {
        return db.sql("SELECT until_at FROM seen_until WHERE person_id = :person AND student_id = :student")
                .param("person", reader.person())
                .param("student", reader.student())
                .query((row, n) -> Rows.instant(row, "until_at"))
                .optional();
    }

    /** Single things that are seen, or are to count as new again, whatever the instant says. */
    public Map<String, Boolean> marks(Reader reader) {
        Map<String, Boolean> marks = new HashMap<>();
        db.sql("SELECT item, seen FROM seen_mark WHERE person_id = :person AND student_id = :student")
                .param("person", reader.person())
                .param("student", reader.student())
                .query(row -> {
                    marks.put(row.getString("item"), row.getBoolean("seen"));
                });
        return marks;
    }

    /**
     * What a reader has seen of one student.
     *
     * @param until null for a reader who never said so
     */
    public record Seen(@Nullable Instant until, Map<String, Boolean> marks) {
        public static final Seen NOTHING = new Seen(null, Map.of());
    }

    /** What somebody has seen of each student; one of whom nothing was ever seen isn't there. */
    public Map<Long, Seen> of(long person) {
        Map<Long, Seen> seen = new HashMap<>();
        db.sql("SELECT student_id, until_at FROM seen_until WHERE person_id = :person")
                .param("person", person)
                .query(row -> {
                    seen.put(row.getLong("student_id"), new Seen(Rows.instant(row, "until_at"), new HashMap<>()));
                });
        db.sql("SELECT student_id, item, seen FROM seen_mark WHERE person_id = :person")
                .param("person", person)
                .query(row -> {
                    seen.computeIfAbsent(row.getLong("student_id"), any -> new Seen(null, new HashMap<>()))
                            .marks()
                            .put(row.getString("item"), row.getBoolean("seen"));
                });
        return seen;
    }

    public void mark(Reader reader, Collection<String> items, boolean seen) {
        for (String item : items) {
            db.sql("""
                    MERGE INTO seen_mark (person_id, student_id, item, seen) KEY (person_id, student_id, item)
                    VALUES (:person, :student, :item, :seen)
                    """)
                    .param("person", reader.person())
                    .param("student", reader.student())
                    .param("item", item)
                    .param("seen", seen)
                    .update();
        }
    }

    /** Everything that could be seen by then is seen; single marks are forgotten with it. */
    public void all(Reader reader, Instant until) {
        db.sql("""
                MERGE INTO seen_until (person_id, student_id, until_at) KEY (person_id, student_id)
                VALUES (:person, :student, :until)
                """)
                .param("person", reader.person())
                .param("student", reader.student())
                .param("until", until)
                .update();
        db.sql("DELETE FROM seen_mark WHERE person_id = :person AND student_id = :student")
                .param("person", reader.person())
                .param("student", reader.student())
                .update();
    }
}
