package app.navlo.server.store;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.jdbc.support.KeyHolder;
import org.springframework.stereotype.Repository;

/** What might be otherwise in a course, kept under a name. */
@Repository
public class Scenarios {
    private final JdbcClient db;
    private final Sheets sheets;

    Scenarios(JdbcClient db, Sheets sheets) {
        this.db = db;
        this.sheets = sheets;
    }

    public record Scenario<T>(long id, String name, T sheet) {}

    /** In the order in which they were first kept. */
    public <T> List<Scenario<T>> of(long student, long course, Set<Long> undone, Class<T> type) {
        Map<Long, Scenario<T>> standing = new LinkedHashMap<>();
        db.sql("""
                SELECT s.id, r.change_id, r.gone, r.name, r.sheet
                FROM scenario s JOIN scenario_revision r ON r.scenario_id = s.id
                WHERE s.student_id = :student AND s.course_id = :course ORDER BY r.id
                """).param("student", student).param("course", course).query(row -> {
            if (undone.contains(row.getLong("change_id"))) {
                return;
            }
            long id = row.getLong("id");
            if (row.getBoolean("gone")) {
                standing.remove(id);
            } else {
                standing.put(id, new Scenario<>(id, row.getString("name"), sheets.read(row.getString("sheet"), type)));
            }
        });
        return List.copyOf(standing.values());
    }

    public long add(long student, long course, long change, String name, Object sheet) {
        KeyHolder key = new GeneratedKeyHolder();
        db.sql("INSERT INTO scenario (student_id, course_id) VALUES (:student, :course)")
                .param("student", student)
                .param("course", course)
                .update(key, "id");
        long id = Rows.newId(key);
        revise(change, new Scenario<>(id, name, sheet), false);
        return id;
    }

    public void revise(long change, Scenario<?> scenario, boolean gone) {
        db.sql("""
                INSERT INTO scenario_revision (scenario_id, change_id, gone, name, sheet)
                VALUES (:scenario, :change, :gone, :name, :sheet)
                """)
                .param("scenario", scenario.id())
                .param("change", change)
                .param("gone", gone)
                .param("name", scenario.name())
                .param("sheet", sheets.write(scenario.sheet()))
                .update();
    }
}
