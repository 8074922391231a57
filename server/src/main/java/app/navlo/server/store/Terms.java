package app.navlo.server.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.jdbc.support.KeyHolder;
import org.springframework.stereotype.Repository;

/** Terms of a student, each as it was last written down. */
@Repository
public class Terms {
    private static final String OF_STUDENT = " IN (SELECT id FROM term WHERE student_id = :student)";

    private final JdbcClient db;

    Terms(JdbcClient db) {
        this.db = db;
    }

    /** By number, the latest first. */
    public Map<Long, Term> all(long student, Set<Long> undone) {
        Map<Long, Row> latest = new HashMap<>();
        db.sql("""
                SELECT id, of_term, change_id, closed, gone, name, school, zone, first_day, last_day
                FROM term WHERE student_id = :student ORDER BY id
                """).param("student", student).query(row -> {
            if (!undone.contains(row.getLong("change_id"))) {
                Long root = Rows.longOrNull(row, "of_term");
                latest.put(root == null ? row.getLong("id") : root, Row.of(row));
            }
        });
        if (latest.isEmpty()) {
            return Map.of();
        }
        Map<Long, List<Term.DaysOff>> daysOff = daysOff(student);
        Map<Long, List<Term.GradingPeriod>> closes = closes(student);
        Map<Long, Term> terms = new LinkedHashMap<>();
        latest.entrySet().stream()
                .filter(entry -> !entry.getValue().gone())
                .map(entry -> entry.getValue().term(entry.getKey(), daysOff, closes))
                .sorted(Comparator.comparing(Term::firstDay).reversed().thenComparing(Term::id))
                .forEach(term -> terms.put(term.id(), term));
        return terms;
    }

    private record Row(
            long version,
            boolean gone,
            boolean closed,
            String name,
            String school,
            ZoneId zone,
            LocalDate firstDay,
            LocalDate lastDay) {
        static Row of(ResultSet row) throws SQLException {
            return new Row(
                    row.getLong("id"),
                    row.getBoolean("gone"),
                    row.getBoolean("closed"),
                    row.getString("name"),
                    row.getString("school"),
                    ZoneId.of(row.getString("zone")),
                    row.getObject("first_day", LocalDate.class),
                    row.getObject("last_day", LocalDate.class));
        }

        Term term(long id, Map<Long, List<Term.DaysOff>> daysOff, Map<Long, List<Term.GradingPeriod>> closes) {
            return new Term(
                    id,
                    version,
                    closed,
                    name,
                    school,
                    zone,
                    firstDay,
                    lastDay,
                    daysOff.getOrDefault(version, List.of()),
                    closes.getOrDefault(version, List.of()));
        }
    }

    private Map<Long, List<Term.DaysOff>> daysOff(long student) {
        Map<Long, List<Term.DaysOff>> all = new HashMap<>();
        db.sql("SELECT term_id, first_day, last_day, name FROM day_off WHERE term_id" + OF_STUDENT
                        + " ORDER BY first_day")
                .param("student", student)
                .query(row -> {
                    all.computeIfAbsent(row.getLong("term_id"), term -> new ArrayList<>())
                            .add(new Term.DaysOff(
                                    row.getObject("first_day", LocalDate.class),
                                    row.getObject("last_day", LocalDate.class),
                                    row.getString("name")));
                });
        return all;
    }

    private Map<Long, List<Term.GradingPeriod>> closes(long student) {
        Map<Long, List<Term.GradingPeriod>> all = new HashMap<>();
        db.sql("SELECT term_id, name, closes_at FROM grading_period WHERE term_id" + OF_STUDENT + " ORDER BY closes_at")
                .param("student", student)
                .query(row -> {
                    all.computeIfAbsent(row.getLong("term_id"), term -> new ArrayList<>())
                            .add(new Term.GradingPeriod(row.getString("name"), Rows.instant(row, "closes_at")));
                });
        return all;
    }

    /** @return the number by which it is known from now on */
    public long add(long student, @Nullable Long change, Term term) {
        return write(student, change, null, term, false);
    }

    /** Another word on a term that is known. @param gone takes it away */
    public void revise(long student, long change, Term term, boolean gone) {
        write(student, change, term.id(), term, gone);
    }

    private long write(long student, @Nullable Long change, @Nullable Long root, Term term, boolean gone) {
        KeyHolder key = new GeneratedKeyHolder();
        db.sql("""
                INSERT INTO term (student_id, of_term, change_id, closed, gone, name, school, zone, first_day, last_day)
                VALUES (:student, :root, :change, :closed, :gone, :name, :school, :zone, :first, :last)
                """)
                .param("student", student)
                .param("root", root)
                .param("change", change)
                .param("closed", term.closed())
                .param("gone", gone)
                .param("name", term.name())
                .param("school", term.school())
                .param("zone", term.zone().getId())
                .param("first", term.firstDay())
                .param("last", term.lastDay())
                .update(key, "id");
        long version = Rows.newId(key);
        for (Term.DaysOff off : term.daysOff()) {
            db.sql("INSERT INTO day_off (term_id, first_day, last_day, name) VALUES (:term, :first, :last, :name)")
                    .param("term", version)
                    .param("first", off.first())
                    .param("last", off.last())
                    .param("name", off.name())
                    .update();
        }
        for (Term.GradingPeriod period : term.closes()) {
            db.sql("INSERT INTO grading_period (term_id, name, closes_at) VALUES (:term, :name, :closes)")
                    .param("term", version)
                    .param("name", period.name())
                    .param("closes", period.closesAt())
                    .update();
        }
        return version;
    }
}
