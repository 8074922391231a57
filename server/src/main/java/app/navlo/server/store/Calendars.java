package app.navlo.server.store;

import java.time.Instant;
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

/** Calendars that were read in, the files that they came in, and the events that a student told us to leave aside. */
@Repository
public class Calendars {
    private final JdbcClient db;

    Calendars(JdbcClient db) {
        this.db = db;
    }

    /** @param change that applied it; null while it was only looked at */
    public record CalendarFile(
            long id, String name, String sha256, @Nullable Long change) {}

    public long addFile(long student, String name, String sha256, Instant at) {
        KeyHolder key = new GeneratedKeyHolder();
        db.sql("""
                INSERT INTO calendar_file (student_id, name, sha256, read_at)
                VALUES (:student, :name, :sha, :at)
                """)
                .param("student", student)
                .param("name", name)
                .param("sha", sha256)
                .param("at", at)
                .update(key, "id");
        return key.getKeyAs(Long.class);
    }

    public Optional<CalendarFile> file(long student, long id) {
        return db.sql("SELECT id, name, sha256, change_id FROM calendar_file WHERE id = :id AND student_id = :student")
                .param("id", id)
                .param("student", student)
                .query((row, n) -> new CalendarFile(
                        row.getLong("id"),
                        row.getString("name"),
                        row.getString("sha256"),
                        Rows.longOrNull(row, "change_id")))
                .optional();
    }

    public void applied(long file, long change) {
        db.sql("UPDATE calendar_file SET change_id = :change WHERE id = :file")
                .param("change", change)
                .param("file", file)
                .update();
    }

    public long add(long student, String name) {
        KeyHolder key = new GeneratedKeyHolder();
        db.sql("INSERT INTO calendar (student_id, name) VALUES (:student, :name)")
                .param("student", student)
                .param("name", name)
                .update(key, "id");
        return key.getKeyAs(Long.class);
    }

    /** @param calendar that told of it */
    public record KnownEvent(long work, long calendar) {}

    /** Every event that was ever taken in, by what names it, whether or not its work stands now. */
    public Map<String, KnownEvent> known(long student) {
        Map<String, KnownEvent> known = new HashMap<>();
        db.sql("""
                SELECT id, origin_key, calendar_id FROM work
                WHERE student_id = :student AND origin = 'CALENDAR' AND origin_key IS NOT NULL
                """).param("student", student).query(row -> {
            known.put(row.getString("origin_key"), new KnownEvent(row.getLong("id"), row.getLong("calendar_id")));
        });
        return known;
    }

    public Set<String> leftAside(long student, Set<Long> undone) {
        List<Map.Entry<String, Long>> rows = db.sql(
                        "SELECT origin_key, change_id FROM left_aside WHERE student_id = :student")
                .param("student", student)
                .query((row, n) -> Map.entry(row.getString("origin_key"), row.getLong("change_id")))
                .list();
        Set<String> keys = new HashSet<>();
        rows.stream()
                .filter(row -> !undone.contains(row.getValue()))
                .map(Map.Entry::getKey)
                .forEach(keys::add);
        return keys;
    }

    public void leaveAside(long student, String key, long change) {
        db.sql("INSERT INTO left_aside (student_id, origin_key, change_id) VALUES (:student, :key, :change)")
                .param("student", student)
                .param("key", key)
                .param("change", change)
                .update();
    }
}
