package app.navlo.server.store;

import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;

/** Rows that name files of something, in order: of a hand-in, a word, a message. */
final class FileRows {
    private FileRows() {}

    /**
     * @param table that has position, name, media_type, size and sha256
     * @param owner its column that names what the files are of
     */
    static void add(JdbcClient db, String table, String owner, long id, List<StoredFile> files) {
        int position = 1;
        for (StoredFile file : files) {
            db.sql("INSERT INTO " + table + " (" + owner + ", position, name, media_type, size, sha256)"
                            + " VALUES (:owner, :position, :name, :type, :size, :sha)")
                    .param("owner", id)
                    .param("position", position++)
                    .param("name", file.name())
                    .param("type", file.mediaType())
                    .param("size", file.size())
                    .param("sha", file.sha256())
                    .update();
        }
    }
}
