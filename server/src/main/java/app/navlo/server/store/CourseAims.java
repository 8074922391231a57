package app.navlo.server.store;

import app.navlo.core.exact.Rational;
import app.navlo.core.next.Aim;
import app.navlo.core.work.WorkKind;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What a student says of its courses: what it wants of each, and which efforts are to be left as they are said. */
@Repository
public class CourseAims {
    private final JdbcClient db;

    CourseAims(JdbcClient db) {
        this.db = db;
    }

    /** A kind of work in a course. */
    public record CourseKind(long course, WorkKind kind) {}

    /** By course; a course of which nothing was said is left out. */
    public Map<Long, Aim> aims(long student, Set<Long> undone) {
        Map<Long, Aim> aims = new HashMap<>();
        db.sql("SELECT course_id, change_id, importance, target FROM aim WHERE student_id = :student ORDER BY id")
                .param("student", student)
                .query(row -> {
                    if (!undone.contains(row.getLong("change_id"))) {
                        Rational importance = Rows.exact(row, "importance");
                        aims.put(row.getLong("course_id"), new Aim(importance, Rows.exactOrNull(row, "target")));
                    }
                });
        return aims;
    }

    public void aim(long student, long course, long change, Aim aim) {
        db.sql("""
                INSERT INTO aim (student_id, course_id, change_id, importance, target)
                VALUES (:student, :course, :change, :importance, :target)
                """)
                .param("student", student)
                .param("course", course)
                .param("change", change)
                .param("importance", Rows.decimal(aim.importance()))
                .param("target", Rows.decimal(aim.target()))
                .update();
    }

    /** Kinds of work whose efforts aren't to be corrected by the time really spent. */
    public Set<CourseKind> refusals(long student, Set<Long> undone) {
        Set<CourseKind> refused = new HashSet<>();
        db.sql("""
                SELECT course_id, change_id, kind, refused FROM effort_refusal WHERE student_id = :student ORDER BY id
                """).param("student", student).query(row -> {
            if (!undone.contains(row.getLong("change_id"))) {
                CourseKind which = new CourseKind(row.getLong("course_id"), WorkKind.valueOf(row.getString("kind")));
                if (row.getBoolean("refused")) {
                    refused.add(which);
                } else {
                    refused.remove(which);
                }
            }
        });
        return refused;
    }

    public void refuse(long student, long change, CourseKind which, boolean refused) {
        db.sql("""
                INSERT INTO effort_refusal (student_id, course_id, change_id, kind, refused)
                VALUES (:student, :course, :change, :kind, :refused)
                """)
                .param("student", student)
                .param("course", which.course())
                .param("change", change)
                .param("kind", which.kind().name())
                .param("refused", refused)
                .update();
    }
}
