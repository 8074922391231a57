package app.navlo.server.store;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.jdbc.support.KeyHolder;
import org.springframework.stereotype.Repository;

/** The ways of looking at the work that a student saved. */
@Repository
public class Lenses {
    private final JdbcClient db;

    Lenses(JdbcClient db) {
        this.db = db;
    }

    /** @param query of the address, without its question mark */
    public record Lens(long id, String name, String query) {}

    /** By name. */
    public List<Lens> lenses(long student, Set<Long> undone) {
        Map<Long, Lens> standing = new LinkedHashMap<>();
        db.sql("""
                SELECT l.id, r.change_id, r.gone, r.name, r.query
                FROM lens l JOIN lens_revision r ON r.lens_id = l.id
                WHERE l.student_id = :student ORDER BY r.id
                """).param("student", student).query(row -> {
            if (undone.contains(row.getLong("change_id"))) {
                return;
            }
            if (row.getBoolean("gone")) {
                standing.remove(row.getLong("id"));
            } else {
                standing.put(
                        row.getLong("id"), new Lens(row.getLong("id"), row.getString("name"), row.getString("query")));
            }
        });
        return standing.values().stream()
                .sorted(Comparator.comparing(Lens::name, String.CASE_INSENSITIVE_ORDER))
                .toList();
    }

    public long addLens(long student, long change, String name, String query) {
        KeyHolder key = new GeneratedKeyHolder();
        db.sql("INSERT INTO lens (student_id) VALUES (:student)")
                .param("student", student)
                .update(key, "id");
        long id = Rows.newId(key);
        reviseLens(change, new Lens(id, name, query), false);
        return id;
    }

    public void reviseLens(long change, Lens lens, boolean gone) {
        db.sql("""
                INSERT INTO lens_revision (lens_id, change_id, gone, name, query)
                VALUES (:lens, :change, :gone, :name, :query)
                """)
                .param("lens", lens.id())
                .param("change", change)
                .param("gone", gone)
                .param("name", lens.name())
                .param("query", lens.query())
                .update();
    }
}
