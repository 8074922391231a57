package app.navlo.server.store;

import app.navlo.server.sheet.TimeSheet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The time that a student has to work in. */
@Repository
public class Availabilities {
    private final JdbcClient db;
    private final Sheets sheets;

    Availabilities(JdbcClient db, Sheets sheets) {
        this.db = db;
        this.sheets = sheets;
    }

    /** Empty if the student has never said. */
    public Optional<TimeSheet> find(long student, Set<Long> undone) {
        return db
                .sql("SELECT change_id, sheet FROM own_time WHERE student_id = :student ORDER BY id DESC")
                .param("student", student)
                .query((row, n) -> Map.entry(row.getLong("change_id"), row.getString("sheet")))
                .list()
                .stream()
                .filter(said -> !undone.contains(said.getKey()))
                .findFirst()
                .map(said -> sheets.read(said.getValue(), TimeSheet.class));
    }

    public void say(long student, long change, TimeSheet sheet) {
        db.sql("INSERT INTO own_time (student_id, change_id, sheet) VALUES (:student, :change, :sheet)")
                .param("student", student)
                .param("change", change)
                .param("sheet", sheets.write(sheet))
                .update();
    }
}
