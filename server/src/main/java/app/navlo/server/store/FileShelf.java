package app.navlo.server.store;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** All files of a student in one place: those handed in, and those that lie ready. */
@Repository
public class FileShelf {
    private final JdbcClient db;

    FileShelf(JdbcClient db) {
        this.db = db;
    }

    /**
     * @param at when it was handed in, or the draft was last saved
     * @param handIn the fact of its hand-in; null where it lies in the draft
     * @param position in that hand-in, from 1; in a draft, its number there
     * @param marks on its pages
     */
    public record Filed(long work, Instant at, @Nullable Long handIn, long position, StoredFile file, int marks) {}

    /** The latest first, up to {@code now}. Two queries, however many files there are. */
    public List<Filed> all(long student, Set<Long> undone, Instant now) {
        List<Filed> all = new ArrayList<>();
        db.sql("""
                SELECT f.work_id, f.change_id, f.happened_at, h.fact_id, h.position, h.name, h.media_type, h.size,
                       h.sha256,
                       (SELECT COUNT(*) FROM file_mark m WHERE m.hand_in = h.fact_id AND m.position = h.position) AS marks
                FROM hand_in_file h JOIN fact f ON f.id = h.fact_id
                WHERE f.student_id = :student AND f.happened_at <= :now
                """).param("student", student).param("now", now).query(row -> {
            if (!undone.contains(row.getLong("change_id"))) {
                all.add(new Filed(
                        row.getLong("work_id"),
                        Rows.instant(row, "happened_at"),
                        row.getLong("fact_id"),
                        row.getLong("position"),
                        StoredFile.of(row),
                        row.getInt("marks")));
            }
        });
        db.sql("""
                SELECT d.work_id, d.saved_at, f.id, f.name, f.media_type, f.size, f.sha256
                FROM draft_file f JOIN draft d ON d.work_id = f.work_id
                WHERE d.student_id = :student
                """).param("student", student).query(row -> {
            all.add(new Filed(
                    row.getLong("work_id"),
                    Rows.instant(row, "saved_at"),
                    null,
                    row.getLong("id"),
                    StoredFile.of(row),
                    0));
        });
        all.sort(Comparator.comparing(Filed::at)
                .reversed()
                .thenComparing(Filed::work)
                .thenComparing(Filed::position));
        return all;
    }
}
