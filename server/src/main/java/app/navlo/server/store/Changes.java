package app.navlo.server.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.jdbc.support.KeyHolder;
import org.springframework.stereotype.Repository;

/** The log of changes. What a change brought counts as long as no change that stands undoes it. */
@Repository
public class Changes {
    /** The source of what a person typed in or did here. */
    public static final String TYPED_IN = "typed in";

    private final JdbcClient db;
    private final Device device;
    private final WrittenThrough disk;

    Changes(JdbcClient db, Device device, WrittenThrough disk) {
        this.disk = disk;
        this.db = db;
        this.device = device;
    }

    /** @param person who made it; null for the system */
    public record Change(
            long id,
            long student,
            @Nullable Long person,
            ChangeKind kind,
            Instant at,
            String source,
            String summary,
            @Nullable Long undoes) {}

    /**
     * Lets nobody else write anything of this student until the transaction ends. Whoever writes asks for it before looking,
     * so that what they saw still holds when they write.
     */
    public void lock(long student) {
        db.sql("SELECT id FROM person WHERE id = :student FOR UPDATE")
                .param("student", student)
                .query(Long.class)
                .optional();
    }

    /** A change that is about to be made. */
    public record NewChange(
            long student, @Nullable Long person, ChangeKind kind, Instant at, String source, String summary) {}

    public long add(NewChange change) {
        return add(change, null);
    }

    public long add(NewChange change, @Nullable Long undoes) {
        disk.onCommit();
        KeyHolder key = new GeneratedKeyHolder();
        db.sql("""
                INSERT INTO change (student_id, person_id, kind, at, source, summary, undoes, device)
                VALUES (:student, :person, :kind, :at, :source, :summary, :undoes, :device)
                """)
                .param("student", change.student())
                .param("person", change.person())
                .param("kind", change.kind().name())
                .param("at", change.at())
                .param("source", change.source())
                .param("summary", change.summary())
                .param("undoes", undoes)
                .param("device", device.current())
                .update(key, "id");
        return Rows.newId(key);
    }

    public Optional<Change> find(long student, long id) {
        return db.sql("""
                SELECT id, student_id, person_id, kind, at, source, summary, undoes
                FROM change WHERE student_id = :student AND id = :id
                """)
                .param("student", student)
                .param("id", id)
                .query(Changes::change)
                .optional();
    }

    /** The latest first; drafts and read marks are left out. */
    public List<Change> latest(long student, int atMost) {
        return db.sql("""
                SELECT id, student_id, person_id, kind, at, source, summary, undoes
                FROM change
                WHERE student_id = :student AND kind NOT IN ('DRAFT', 'READ', 'SEED')
                ORDER BY id DESC LIMIT :most
                """)
                .param("student", student)
                .param("most", atMost)
                .query(Changes::change)
                .list();
    }

    /** @param device from which it was made; null for none */
    public record Made(Change change, @Nullable String device) {}

    /** Those after an instant, the latest first, with where they were made. */
    public List<Made> since(long student, Instant since) {
        return db.sql("""
                SELECT id, student_id, person_id, kind, at, source, summary, undoes, device
                FROM change WHERE student_id = :student AND at > :since ORDER BY id DESC
                """)
                .param("student", student)
                .param("since", since)
                .query((row, n) -> new Made(change(row, n), row.getString("device")))
                .list();
    }

    /** The changes that don't count at an earlier instant: made later, or undone by then. What a demo begins with always counts. */
    public Set<Long> notYet(long student, Instant then) {
        List<Change> all =
                db.sql("""
                SELECT id, student_id, person_id, kind, at, source, summary, undoes
                FROM change WHERE student_id = :student ORDER BY id DESC
                """).param("student", student).query(Changes::change).list();
        Set<Long> out = new HashSet<>();
        for (Change change : all) {
            if (change.at().isAfter(then) && change.kind() != ChangeKind.SEED) {
                out.add(change.id());
            } else if (change.undoes() != null && !out.contains(change.id())) {
                out.add(change.undoes());
            }
        }
        return out;
    }

    /**
     * Names what is stored of a student at an instant: whoever sees the same mark sees the same rows. The count is needed
     * beside the last number, because a change with a lower number may be committed later.
     */
    public record Mark(long student, long last, long count) {}

    public Mark mark(long student) {
        return db.sql("SELECT COALESCE(MAX(id), 0) AS last, COUNT(*) AS many FROM change WHERE student_id = :student")
                .param("student", student)
                .query((row, n) -> new Mark(student, row.getLong("last"), row.getLong("many")))
                .single();
    }

    /** Of several students at once. */
    public Map<Long, Mark> marks(Collection<Long> students) {
        Map<Long, Mark> marks = new HashMap<>();
        students.forEach(student -> marks.put(student, new Mark(student, 0, 0)));
        if (!marks.isEmpty()) {
            db.sql("""
                    SELECT student_id, MAX(id) AS last, COUNT(*) AS many FROM change
                    WHERE student_id IN (:students) GROUP BY student_id
                    """).param("students", students).query(row -> {
                long student = row.getLong("student_id");
                marks.put(student, new Mark(student, row.getLong("last"), row.getLong("many")));
            });
        }
        return marks;
    }

    /** The number of a student's last change; 0 for none. */
    public long last(long student) {
        return db.sql("SELECT COALESCE(MAX(id), 0) FROM change WHERE student_id = :student")
                .param("student", student)
                .query(Long.class)
                .single();
    }

    /** The last change of each student who has one later than {@code before}. */
    public Map<Long, Long> latestAfter(long before) {
        Map<Long, Long> latest = new HashMap<>();
        db.sql("SELECT student_id, MAX(id) AS last FROM change WHERE id > :before GROUP BY student_id")
                .param("before", before)
                .query(row -> {
                    latest.put(row.getLong("student_id"), row.getLong("last"));
                });
        return latest;
    }

    /** The changes of this student that don't stand: undone by a change that does. */
    public Set<Long> undone(long student) {
        List<long[]> undos = db.sql("""
                SELECT id, undoes FROM change WHERE student_id = :student AND undoes IS NOT NULL ORDER BY id DESC
                """)
                .param("student", student)
                .query((row, n) -> new long[] {row.getLong("id"), row.getLong("undoes")})
                .list();
        Set<Long> undone = new HashSet<>();
        for (long[] undo : undos) {
            if (!undone.contains(undo[0])) {
                undone.add(undo[1]);
            }
        }
        return undone;
    }

    private static Change change(ResultSet row, int n) throws SQLException {
        return new Change(
                row.getLong("id"),
                row.getLong("student_id"),
                Rows.longOrNull(row, "person_id"),
                ChangeKind.valueOf(row.getString("kind")),
                Rows.instant(row, "at"),
                row.getString("source"),
                row.getString("summary"),
                Rows.longOrNull(row, "undoes"));
    }
}
