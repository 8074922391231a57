package app.navlo.server.store;

import java.time.Instant;
import java.util.Collection;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What who looks after students keeps of each for themselves: a note, and the groups that they put them in. */
@Repository
public class Onlookers {
    private final JdbcClient db;

    Onlookers(JdbcClient db) {
        this.db = db;
    }

    public record Note(String text, Instant writtenAt) {}

    /**
     * What one person keeps of one student.
     *
     * @param note null for none
     * @param groups by their names
     */
    public record Kept(@Nullable Note note, Set<String> groups) {
        public static final Kept NOTHING = new Kept(null, Set.of());
    }

    /** What a person keeps of each student; one of whom nothing is kept isn't there. */
    public Map<Long, Kept> of(long person) {
        Map<Long, Kept> kept = new HashMap<>();
        db.sql("SELECT student_id, text, written_at FROM onlooker_note WHERE person_id = :person")
                .param("person", person)
                .query(row -> {
                    Note note = new Note(row.getString("text"), Rows.instant(row, "written_at"));
                    kept.put(row.getLong("student_id"), new Kept(note, new TreeSet<>()));
                });
        db.sql("SELECT student_id, name FROM onlooker_group WHERE person_id = :person")
                .param("person", person)
                .query(row -> {
                    kept.computeIfAbsent(row.getLong("student_id"), any -> new Kept(null, new TreeSet<>()))
                            .groups()
                            .add(row.getString("name"));
                });
        return kept;
    }

    /** @param note null to keep none */
    public void note(long person, long student, @Nullable Note note) {
        db.sql("DELETE FROM onlooker_note WHERE person_id = :person AND student_id = :student")
                .param("person", person)
                .param("student", student)
                .update();
        if (note != null) {
            db.sql("""
                    INSERT INTO onlooker_note (person_id, student_id, text, written_at)
                    VALUES (:person, :student, :text, :at)
                    """)
                    .param("person", person)
                    .param("student", student)
                    .param("text", note.text())
                    .param("at", note.writtenAt())
                    .update();
        }
    }

    /** Puts a student into these groups and out of all others. */
    public void groups(long person, long student, Collection<String> names) {
        db.sql("DELETE FROM onlooker_group WHERE person_id = :person AND student_id = :student")
                .param("person", person)
                .param("student", student)
                .update();
        for (String name : names) {
            db.sql("INSERT INTO onlooker_group (person_id, student_id, name) VALUES (:person, :student, :name)")
                    .param("person", person)
                    .param("student", student)
                    .param("name", name)
                    .update();
        }
    }
}
