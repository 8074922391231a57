package app.navlo.server.store;

import java.util.HashSet;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What isn't known and a student doesn't want to be asked for. */
@Repository
public class UnknownAsides {
    private final JdbcClient db;

    UnknownAsides(JdbcClient db) {
        this.db = db;
    }

    public Set<String> of(long student, Set<Long> undone) {
        Set<String> aside = new HashSet<>();
        db.sql("SELECT change_id, what FROM unknown_aside WHERE student_id = :student")
                .param("student", student)
                .query(row -> {
                    if (!undone.contains(row.getLong("change_id"))) {
                        aside.add(row.getString("what"));
                    }
                });
        return aside;
    }

    public void put(long student, long change, String what) {
        db.sql("INSERT INTO unknown_aside (student_id, change_id, what) VALUES (:student, :change, :what)")
                .param("student", student)
                .param("change", change)
                .param("what", what)
                .update();
    }
}
