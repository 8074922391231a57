package app.navlo.server.store;

import java.time.Instant;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.jdbc.support.KeyHolder;
import org.springframework.stereotype.Repository;

/** Files that were read in, or looked at. */
@Repository
public class ImportFiles {
    private final JdbcClient db;

    ImportFiles(JdbcClient db) {
        this.db = db;
    }

    /** @param change that applied it; null while it was only looked at */
    public record ImportFile(
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
        return Rows.newId(key);
    }

    public Optional<ImportFile> file(long student, long id) {
        return db.sql("SELECT id, name, sha256, change_id FROM calendar_file WHERE id = :id AND student_id = :student")
                .param("id", id)
                .param("student", student)
                .query((row, n) -> new ImportFile(
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
}
