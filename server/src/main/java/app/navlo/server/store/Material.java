package app.navlo.server.store;

import app.navlo.core.exact.Rational;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.RowMapper;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.jdbc.support.KeyHolder;
import org.springframework.stereotype.Repository;

/** What a school gives with a piece of work: files, what others wrote, how the class did, and a second record. */
@Repository
public class Material {
    private final JdbcClient db;

    Material(JdbcClient db) {
        this.db = db;
    }

    private record Told<T>(long change, T what) {}

    private <T> List<T> standing(String sql, long work, Set<Long> undone, RowMapper<T> mapper) {
        return db
                .sql(sql)
                .param("work", work)
                .query((row, n) -> new Told<>(row.getLong("change_id"), mapper.mapRow(row, n)))
                .list()
                .stream()
                .filter(told -> !undone.contains(told.change()))
                .map(Told::what)
                .toList();
    }

    public record Attachment(long id, StoredFile file) {}

    public List<Attachment> attachments(long work, Set<Long> undone) {
        return standing("""
                SELECT id, change_id, name, media_type, size, sha256 FROM attachment WHERE work_id = :work ORDER BY id
                """, work, undone, (row, n) -> new Attachment(row.getLong("id"), StoredFile.of(row)));
    }

    /** How many came with each piece of work of a student; those without any are left out. */
    public Map<Long, Integer> attachmentCounts(long student, Set<Long> undone) {
        Map<Long, Integer> counts = new HashMap<>();
        db.sql("""
                SELECT a.work_id, a.change_id FROM attachment a JOIN work w ON w.id = a.work_id
                WHERE w.student_id = :student
                """).param("student", student).query(row -> {
            if (!undone.contains(row.getLong("change_id"))) {
                counts.merge(row.getLong("work_id"), 1, Integer::sum);
            }
        });
        return counts;
    }

    public void addAttachment(long work, long change, StoredFile file) {
        db.sql("""
                INSERT INTO attachment (work_id, change_id, name, media_type, size, sha256)
                VALUES (:work, :change, :name, :type, :size, :sha)
                """)
                .param("work", work)
                .param("change", change)
                .param("name", file.name())
                .param("type", file.mediaType())
                .param("size", file.size())
                .param("sha", file.sha256())
                .update();
    }

    /** Points of the class; each null where it isn't told. */
    public record ClassFigures(
            @Nullable Rational mean,
            @Nullable Rational highest,
            @Nullable Rational lowest) {}

    public Optional<ClassFigures> classFigures(long work, Set<Long> undone) {
        return standing(
                        "SELECT change_id, mean, highest, lowest FROM class_figure WHERE work_id = :work ORDER BY id DESC",
                        work,
                        undone,
                        (row, n) -> new ClassFigures(
                                Rows.exactOrNull(row, "mean"),
                                Rows.exactOrNull(row, "highest"),
                                Rows.exactOrNull(row, "lowest")))
                .stream()
                .findFirst();
    }

    /** Of several pieces of work at once; one of which none are known is left out. */
    public Map<Long, ClassFigures> classFigures(Collection<Long> works, Set<Long> undone) {
        Map<Long, ClassFigures> figures = new HashMap<>();
        if (works.isEmpty()) {
            return figures;
        }
        db.sql("""
                SELECT work_id, change_id, mean, highest, lowest FROM class_figure WHERE work_id IN (:works) ORDER BY id
                """).param("works", works).query(row -> {
            if (!undone.contains(row.getLong("change_id"))) {
                figures.put(
                        row.getLong("work_id"),
                        new ClassFigures(
                                Rows.exactOrNull(row, "mean"),
                                Rows.exactOrNull(row, "highest"),
                                Rows.exactOrNull(row, "lowest")));
            }
        });
        return figures;
    }

    public void addClassFigures(long work, long change, ClassFigures figures) {
        db.sql("""
                INSERT INTO class_figure (work_id, change_id, mean, highest, lowest)
                VALUES (:work, :change, :mean, :highest, :lowest)
                """)
                .param("work", work)
                .param("change", change)
                .param("mean", Rows.decimal(figures.mean()))
                .param("highest", Rows.decimal(figures.highest()))
                .param("lowest", Rows.decimal(figures.lowest()))
                .update();
    }

    /** What somebody else wrote in a discussion. */
    public record ClassPost(long id, Instant at, String author, boolean byTeacher, String body) {}

    /** In the order in which they were written. */
    public List<ClassPost> posts(long work, Set<Long> undone) {
        return standing("""
                SELECT id, change_id, at, author, by_teacher, body FROM class_post WHERE work_id = :work ORDER BY at, id
                """, work, undone, Material::post);
    }

    private static ClassPost post(ResultSet row, int n) throws SQLException {
        return new ClassPost(
                row.getLong("id"),
                Rows.instant(row, "at"),
                row.getString("author"),
                row.getBoolean("by_teacher"),
                row.getString("body"));
    }

    /** @param post whose number is passed over */
    public long addPost(long work, long change, ClassPost post) {
        KeyHolder key = new GeneratedKeyHolder();
        db.sql("""
                INSERT INTO class_post (work_id, change_id, at, author, by_teacher, body)
                VALUES (:work, :change, :at, :author, :byTeacher, :body)
                """)
                .param("work", work)
                .param("change", change)
                .param("at", post.at())
                .param("author", post.author())
                .param("byTeacher", post.byTeacher())
                .param("body", post.body())
                .update(key, "id");
        return Rows.newId(key);
    }

    /**
     * A piece of work as another system has it.
     *
     * @param toldBy the system, by name
     * @param due null for none
     * @param handedIn null if it knows of no hand-in
     * @param points null while there is no score
     */
    public record OtherRecord(
            String toldBy,
            Instant toldAt,
            String title,
            @Nullable Instant due,
            @Nullable Instant handedIn,
            @Nullable Rational points,
            boolean missing) {
        public OtherRecord by(String source, Instant at) {
            return new OtherRecord(source, at, title, due, handedIn, points, missing);
        }
    }

    /** What each other system last told of it. */
    public List<OtherRecord> otherRecords(long work, Set<Long> undone) {
        return otherRecords("""
                SELECT work_id, change_id, told_by, told_at, title, due_at, handed_in, points, is_missing, gone
                FROM other_record WHERE work_id = :of ORDER BY id
                """, work, undone).getOrDefault(work, List.of());
    }

    /** The same for all work of a student that has any. */
    public Map<Long, List<OtherRecord>> otherRecordsOf(long student, Set<Long> undone) {
        return otherRecords("""
                SELECT work_id, change_id, told_by, told_at, title, due_at, handed_in, points, is_missing, gone
                FROM other_record WHERE student_id = :of ORDER BY id
                """, student, undone);
    }

    private Map<Long, List<OtherRecord>> otherRecords(String sql, long of, Set<Long> undone) {
        Map<Long, Map<String, OtherRecord>> latest = new LinkedHashMap<>();
        db.sql(sql).param("of", of).query(row -> {
            if (undone.contains(row.getLong("change_id"))) {
                return;
            }
            Map<String, OtherRecord> ofWork =
                    latest.computeIfAbsent(row.getLong("work_id"), any -> new LinkedHashMap<>());
            if (row.getBoolean("gone")) {
                ofWork.remove(row.getString("told_by"));
            } else {
                ofWork.put(row.getString("told_by"), record(row));
            }
        });
        Map<Long, List<OtherRecord>> records = new LinkedHashMap<>();
        latest.forEach((work, told) -> records.put(work, List.copyOf(told.values())));
        return records;
    }

    /** A record of another system turned out to be of other work. */
    public void partOtherRecord(long student, long work, long change, OtherRecord told) {
        addOtherRecord(student, work, change, told, true);
    }

    private static OtherRecord record(ResultSet row) throws SQLException {
        return new OtherRecord(
                row.getString("told_by"),
                Rows.instant(row, "told_at"),
                row.getString("title"),
                Rows.instantOrNull(row, "due_at"),
                Rows.instantOrNull(row, "handed_in"),
                Rows.exactOrNull(row, "points"),
                row.getBoolean("is_missing"));
    }

    public void addOtherRecord(long student, long work, long change, OtherRecord told) {
        addOtherRecord(student, work, change, told, false);
    }

    private void addOtherRecord(long student, long work, long change, OtherRecord told, boolean gone) {
        db.sql("""
                INSERT INTO other_record (student_id, work_id, change_id, told_by, told_at, title, due_at, handed_in,
                                          points, is_missing, gone)
                VALUES (:student, :work, :change, :toldBy, :toldAt, :title, :due, :handedIn, :points, :missing, :gone)
                """)
                .param("student", student)
                .param("work", work)
                .param("change", change)
                .param("toldBy", told.toldBy())
                .param("toldAt", told.toldAt())
                .param("title", told.title())
                .param("due", told.due())
                .param("handedIn", told.handedIn())
                .param("points", Rows.decimal(told.points()))
                .param("missing", told.missing())
                .param("gone", gone)
                .update();
    }

    /** A file that came with a piece of work. */
    public record Added(long work, long change, String name) {}

    /** Files of all work of a student that came by these changes. */
    public List<Added> addedBy(Collection<Long> changes) {
        return changes.isEmpty()
                ? List.of()
                : db.sql("SELECT work_id, change_id, name FROM attachment WHERE change_id IN (:changes) ORDER BY id")
                        .param("changes", changes)
                        .query((row, n) ->
                                new Added(row.getLong("work_id"), row.getLong("change_id"), row.getString("name")))
                        .list();
    }
}
