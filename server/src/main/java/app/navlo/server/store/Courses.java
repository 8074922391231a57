package app.navlo.server.store;

import app.navlo.server.sheet.RuleSheet;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.ZoneId;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.jdbc.support.KeyHolder;
import org.springframework.stereotype.Repository;

/** Courses of a student. */
@Repository
public class Courses {
    private final JdbcClient db;
    private final Sheets sheets;

    Courses(JdbcClient db, Sheets sheets) {
        this.db = db;
        this.sheets = sheets;
    }

    /** By number, in the student's order; the revision that stands last is the one that holds. */
    public Map<Long, Course> all(long student, Set<Long> undone) {
        Map<Long, RuleSheet> rules = rules(student, undone);
        Map<Long, Course> latest = new LinkedHashMap<>();
        db.sql("""
                SELECT c.id, c.version, COALESCE(r.place, c.position) AS position,
                       COALESCE(r.term_id, c.term_id) AS term_id, r.closed, r.change_id, r.gone, r.name, r.short_name, r.teacher, r.teacher_email,
                       r.zone, r.colour
                FROM course c JOIN course_revision r ON r.course_id = c.id
                WHERE c.student_id = :student
                ORDER BY c.id, r.id
                """).param("student", student).query(row -> {
            if (undone.contains(row.getLong("change_id"))) {
                return;
            }
            if (row.getBoolean("gone")) {
                latest.remove(row.getLong("id"));
            } else {
                latest.put(row.getLong("id"), course(row, rules.getOrDefault(row.getLong("id"), RuleSheet.UNKNOWN)));
            }
        });
        Map<Long, Course> inOrder = new LinkedHashMap<>();
        latest.values().stream()
                .sorted(Comparator.comparingInt(Course::position).thenComparingLong(Course::id))
                .forEach(course -> inOrder.put(course.id(), course));
        return inOrder;
    }

    private static Course course(ResultSet row, RuleSheet rules) throws SQLException {
        return new Course(
                row.getLong("id"),
                row.getLong("version"),
                row.getInt("position"),
                Rows.longOrNull(row, "term_id"),
                row.getBoolean("closed"),
                new Course.Details(
                        row.getString("name"),
                        row.getString("short_name"),
                        row.getString("teacher"),
                        row.getString("teacher_email"),
                        ZoneId.of(row.getString("zone")),
                        row.getString("colour")),
                rules);
    }

    private Map<Long, RuleSheet> rules(long student, Set<Long> undone) {
        Map<Long, String> latest = new HashMap<>();
        db.sql("""
                SELECT r.course_id, r.change_id, r.rules
                FROM course_rules r JOIN course c ON c.id = r.course_id
                WHERE c.student_id = :student
                ORDER BY r.id
                """).param("student", student).query(row -> {
            if (!undone.contains(row.getLong("change_id"))) {
                latest.put(row.getLong("course_id"), row.getString("rules"));
            }
        });
        Map<Long, RuleSheet> rules = new HashMap<>();
        latest.forEach((course, text) -> rules.put(course, sheets.read(text, RuleSheet.class)));
        return rules;
    }

    public long add(long student, @Nullable Long termId, long change, Course.Details details) {
        KeyHolder key = new GeneratedKeyHolder();
        db.sql("""
                INSERT INTO course (student_id, term_id, position, version)
                VALUES (:student, :term, (SELECT COALESCE(MAX(position), 0) + 1 FROM course WHERE student_id = :student),
                        :change)
                """)
                .param("student", student)
                .param("term", termId)
                .param("change", change)
                .update(key, "id");
        long id = Rows.newId(key);
        revise(id, change, details, new Where(null, termId, false, false));
        return id;
    }

    /**
     * Where a course stands from now on.
     *
     * @param place in the student's order, from 1; null for that in which it was added
     * @param term that it belongs to; null for the one that it was added to
     * @param closed out of every count, and kept to look at
     * @param gone taken away, with all its work
     */
    public record Where(@Nullable Integer place, @Nullable Long term, boolean closed, boolean gone) {
        /** Where it stands already. */
        public static Where of(Course course) {
            return new Where(course.position(), course.termId(), course.closed(), false);
        }

        public Where at(int other) {
            return new Where(other, term, closed, gone);
        }

        public Where closed(boolean other) {
            return new Where(place, term, other, gone);
        }

        public Where in(@Nullable Long other) {
            return new Where(place, other, closed, gone);
        }

        public Where taken() {
            return new Where(place, term, closed, true);
        }
    }

    public void revise(long course, long change, Course.Details details, Where where) {
        db.sql("""
                INSERT INTO course_revision (course_id, change_id, gone, closed, term_id, name, short_name, teacher,
                                             teacher_email, zone, colour, place)
                VALUES (:course, :change, :gone, :closed, :term, :name, :short, :teacher, :email, :zone, :colour, :place)
                """)
                .param("place", where.place())
                .param("term", where.term())
                .param("closed", where.closed())
                .param("gone", where.gone())
                .param("course", course)
                .param("change", change)
                .param("name", details.name())
                .param("short", details.shortName())
                .param("teacher", details.teacher())
                .param("email", details.teacherEmail())
                .param("zone", details.zone().getId())
                .param("colour", details.colour())
                .update();
    }

    /** The course that goes by a name among those that run; null for none. */
    public static @Nullable Course named(Collection<Course> courses, String name) {
        return courses.stream()
                .filter(course -> course.details().name().equalsIgnoreCase(name.strip()))
                .findFirst()
                .orElse(null);
    }

    /** The course's rules as they are written down from now on. */
    public void setRules(long course, long change, RuleSheet rules) {
        db.sql("INSERT INTO course_rules (course_id, change_id, rules) VALUES (:course, :change, :rules)")
                .param("course", course)
                .param("change", change)
                .param("rules", sheets.write(rules))
                .update();
    }

    /** Locks the course until the transaction ends, and says the last change that touched it. */
    public Optional<Long> lock(long student, long course) {
        return db.sql("SELECT version FROM course WHERE id = :course AND student_id = :student FOR UPDATE")
                .param("course", course)
                .param("student", student)
                .query(Long.class)
                .optional();
    }

    /** The changes since {@code change} that brought the course another revision or other rules. */
    public List<Long> changesSince(long course, long change) {
        return db.sql("""
                SELECT change_id FROM course_revision WHERE course_id = :course AND change_id > :change
                UNION SELECT change_id FROM course_rules WHERE course_id = :course AND change_id > :change
                """)
                .param("course", course)
                .param("change", change)
                .query(Long.class)
                .list();
    }

    public void touch(long course, long change) {
        db.sql("UPDATE course SET version = :change WHERE id = :course")
                .param("change", change)
                .param("course", course)
                .update();
    }

    public List<Long> touchedBy(long change) {
        return db.sql("""
                SELECT course_id FROM course_revision WHERE change_id = :change
                UNION SELECT course_id FROM course_rules WHERE change_id = :change
                """).param("change", change).query(Long.class).list();
    }
}
