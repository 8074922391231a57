package app.navlo.server.store;

import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What lies ready to be handed in. */
@Repository
public class Drafts {
    private final JdbcClient db;

    Drafts(JdbcClient db) {
        this.db = db;
    }

    public record DraftFile(long id, StoredFile file) {}

    /** @param number of this very state of it; every change of the draft gives it another */
    public record Draft(long number, String text, Instant savedAt, List<DraftFile> files) {
        public Draft {
            files = List.copyOf(files);
        }

        public boolean isEmpty() {
            return text.isBlank() && files.isEmpty();
        }

        public List<StoredFile> storedFiles() {
            return files.stream().map(DraftFile::file).toList();
        }
    }

    public Optional<Draft> find(long work) {
        List<DraftFile> files = db.sql("""
                SELECT id, name, media_type, size, sha256 FROM draft_file WHERE work_id = :work ORDER BY id
                """)
                .param("work", work)
                .query((row, n) -> new DraftFile(row.getLong("id"), StoredFile.of(row)))
                .list();
        return db.sql("SELECT number, text, saved_at FROM draft WHERE work_id = :work")
                .param("work", work)
                .query((row, n) ->
                        new Draft(row.getLong("number"), row.getString("text"), Rows.instant(row, "saved_at"), files))
                .optional();
    }

    public void saveText(long student, long work, String text, Instant now) {
        db.sql("""
                MERGE INTO draft (work_id, student_id, text, saved_at, number) KEY (work_id)
                VALUES (:work, :student, :text, :now, NEXT VALUE FOR draft_number)
                """)
                .param("work", work)
                .param("student", student)
                .param("text", text)
                .param("now", now)
                .update();
    }

    public void addFile(long work, StoredFile file) {
        db.sql("""
                INSERT INTO draft_file (work_id, name, media_type, size, sha256)
                VALUES (:work, :name, :type, :size, :sha)
                """)
                .param("work", work)
                .param("name", file.name())
                .param("type", file.mediaType())
                .param("size", file.size())
                .param("sha", file.sha256())
                .update();
        renumber(work);
    }

    /** @return whether there was one */
    public boolean removeFile(long work, long file) {
        boolean removed = db.sql("DELETE FROM draft_file WHERE work_id = :work AND id = :file")
                        .param("work", work)
                        .param("file", file)
                        .update()
                > 0;
        renumber(work);
        return removed;
    }

    private void renumber(long work) {
        db.sql("UPDATE draft SET number = NEXT VALUE FOR draft_number WHERE work_id = :work")
                .param("work", work)
                .update();
    }

    public void clear(long work) {
        db.sql("DELETE FROM draft_file WHERE work_id = :work")
                .param("work", work)
                .update();
        db.sql("DELETE FROM draft WHERE work_id = :work").param("work", work).update();
    }

    /** What lies ready of a piece of work. */
    public record Lying(int files, boolean text) {
        public static final Lying NOTHING = new Lying(0, false);
    }

    /** By work; works without a draft are left out. */
    public Map<Long, Lying> lying(long student) {
        Map<Long, Lying> lying = new HashMap<>();
        db.sql("""
                SELECT d.work_id, TRIM(d.text) <> '' AS written,
                    (SELECT COUNT(*) FROM draft_file f WHERE f.work_id = d.work_id) AS files
                FROM draft d WHERE d.student_id = :student
                """).param("student", student).query(row -> {
            lying.put(row.getLong("work_id"), new Lying(row.getInt("files"), row.getBoolean("written")));
        });
        return lying;
    }

    /** How many files lie ready, by work; works without any are left out. */
    public Map<Long, Integer> fileCounts(long student) {
        Map<Long, Integer> counts = new HashMap<>();
        db.sql("""
                SELECT d.work_id, COUNT(*) AS files FROM draft_file f JOIN draft d ON d.work_id = f.work_id
                WHERE d.student_id = :student GROUP BY d.work_id
                """).param("student", student).query(row -> {
            counts.put(row.getLong("work_id"), row.getInt("files"));
        });
        return counts;
    }
}
