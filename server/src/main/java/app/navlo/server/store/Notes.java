package app.navlo.server.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** A student's notes on works and courses. */
@Repository
public class Notes {
    private final JdbcClient db;
    private final Batch batch;

    Notes(JdbcClient db, Batch batch) {
        this.db = db;
        this.batch = batch;
    }

    /**
     * @param work null for a note on a course
     * @param course null for a note on a piece of work
     * @param at when it was last written
     * @param tag null for none
     * @param number of this very state of it; every change of it gives it another
     */
    public record Note(
            long id,
            long number,
            @Nullable Long work,
            @Nullable Long course,
            Instant at,
            @Nullable String tag,
            String body) {}

    /** The latest first. */
    public List<Note> notes(long student, Set<Long> undone) {
        Map<Long, Note> standing = new LinkedHashMap<>();
        db.sql("""
                SELECT n.id, n.work_id, n.course_id, r.change_id, r.gone, r.at, r.tag, r.body
                FROM note n JOIN note_revision r ON r.note_id = n.id
                WHERE n.student_id = :student ORDER BY r.id
                """).param("student", student).query(row -> {
            if (undone.contains(row.getLong("change_id"))) {
                return;
            }
            if (row.getBoolean("gone")) {
                standing.remove(row.getLong("id"));
            } else {
                standing.put(row.getLong("id"), note(row));
            }
        });
        List<Note> notes = new ArrayList<>(standing.values());
        notes.sort(Comparator.comparing(Note::at).thenComparing(Note::id).reversed());
        return notes;
    }

    private static Note note(ResultSet row) throws SQLException {
        return new Note(
                row.getLong("id"),
                row.getLong("change_id"),
                Rows.longOrNull(row, "work_id"),
                Rows.longOrNull(row, "course_id"),
                Rows.instant(row, "at"),
                row.getString("tag"),
                row.getString("body"));
    }

    public Optional<Note> note(long student, long id, Set<Long> undone) {
        return notes(student, undone).stream().filter(note -> note.id() == id).findFirst();
    }

    /** @param note whose numbers are passed over */
    public long addNote(long student, long change, Note note) {
        return addNotes(student, change, List.of(note)).get(0);
    }

    /** @param notes whose numbers are passed over */
    public List<Long> addNotes(long student, long change, List<Note> notes) {
        List<Map<String, Object>> rows = new ArrayList<>();
        for (Note note : notes) {
            Map<String, Object> row = new HashMap<>();
            row.put("student", student);
            row.put("work", note.work());
            row.put("course", note.course());
            rows.add(row);
        }
        List<Long> ids = batch.insert(
                "INSERT INTO note (student_id, work_id, course_id) VALUES (:student, :work, :course)", rows);
        List<Map<String, Object>> revisions = new ArrayList<>();
        for (int i = 0; i < ids.size(); i++) {
            revisions.add(revision(ids.get(i), change, notes.get(i), false));
        }
        batch.run(REVISE_NOTE, revisions);
        return ids;
    }

    private static final String REVISE_NOTE = """
            INSERT INTO note_revision (note_id, change_id, gone, at, tag, body)
            VALUES (:note, :change, :gone, :at, :tag, :body)
            """;

    private static Map<String, Object> revision(long id, long change, Note note, boolean gone) {
        Map<String, Object> row = new HashMap<>();
        row.put("note", id);
        row.put("change", change);
        row.put("gone", gone);
        row.put("at", note.at());
        row.put("tag", note.tag());
        row.put("body", note.body());
        return row;
    }

    public void reviseNote(long id, long change, Note note, boolean gone) {
        batch.run(REVISE_NOTE, List.of(revision(id, change, note, gone)));
    }
}
