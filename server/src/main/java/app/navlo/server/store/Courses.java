package app.navlo.server.store;

import app.navlo.server.rules.RuleSheet;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.time.ZoneId;
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

/** Terms and courses of a student. */
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
                SELECT c.id, c.version, COALESCE(r.place, c.position) AS position, c.term_id, r.change_id, r.gone, r.name, r.short_name, r.teacher, r.teacher_email,
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
        long id = key.getKeyAs(Long.class);
        revise(id, change, details);
        return id;
    }

    public void revise(long course, long change, Course.Details details) {
        revise(course, change, details, null);
    }

    /** @param place in the student's order, from 1; null for that in which it was added */
    public void revise(long course, long change, Course.Details details, @Nullable Integer place) {
        db.sql("""
                INSERT INTO course_revision (course_id, change_id, gone, name, short_name, teacher, teacher_email, zone, colour, place)
                VALUES (:course, :change, FALSE, :name, :short, :teacher, :email, :zone, :colour, :place)
                """)
                .param("place", place)
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

    /** Terms of a student by number, the latest first. */
    public Map<Long, Term> terms(long student) {
        Map<Long, Term> terms = new LinkedHashMap<>();
        db.sql("""
                SELECT id, name, school, zone, first_day, last_day
                FROM term WHERE student_id = :student ORDER BY first_day DESC, id
                """).param("student", student).query((row, n) -> term(row)).list().stream()
                .sorted(Comparator.comparing(Term::firstDay).reversed())
                .forEach(term -> terms.put(term.id(), term));
        return terms;
    }

    private Term term(ResultSet row) throws SQLException {
        long id = row.getLong("id");
        return new Term(
                id,
                row.getString("name"),
                row.getString("school"),
                ZoneId.of(row.getString("zone")),
                row.getObject("first_day", LocalDate.class),
                row.getObject("last_day", LocalDate.class),
                db.sql("SELECT first_day, last_day, name FROM day_off WHERE term_id = :term ORDER BY first_day")
                        .param("term", id)
                        .query((off, n) -> new Term.DaysOff(
                                off.getObject("first_day", LocalDate.class),
                                off.getObject("last_day", LocalDate.class),
                                off.getString("name")))
                        .list(),
                db.sql("SELECT name, closes_at FROM grading_period WHERE term_id = :term ORDER BY closes_at")
                        .param("term", id)
                        .query((period, n) ->
                                new Term.GradingPeriod(period.getString("name"), Rows.instant(period, "closes_at")))
                        .list());
    }

    public long addTerm(long student, Term term) {
        KeyHolder key = new GeneratedKeyHolder();
        db.sql("""
                INSERT INTO term (student_id, name, school, zone, first_day, last_day)
                VALUES (:student, :name, :school, :zone, :first, :last)
                """)
                .param("student", student)
                .param("name", term.name())
                .param("school", term.school())
                .param("zone", term.zone().getId())
                .param("first", term.firstDay())
                .param("last", term.lastDay())
                .update(key, "id");
        long id = key.getKeyAs(Long.class);
        for (Term.DaysOff off : term.daysOff()) {
            db.sql("INSERT INTO day_off (term_id, first_day, last_day, name) VALUES (:term, :first, :last, :name)")
                    .param("term", id)
                    .param("first", off.first())
                    .param("last", off.last())
                    .param("name", off.name())
                    .update();
        }
        for (Term.GradingPeriod period : term.closes()) {
            db.sql("INSERT INTO grading_period (term_id, name, closes_at) VALUES (:term, :name, :closes)")
                    .param("term", id)
                    .param("name", period.name())
                    .param("closes", period.closesAt())
                    .update();
        }
        return id;
    }
}
