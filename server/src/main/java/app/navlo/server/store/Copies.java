package app.navlo.server.store;

import java.nio.file.Path;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Copies of all data at one instant, made by the database while it is in use: a zip that holds its file. */
@Repository
public class Copies {
    private final JdbcClient db;

    public Copies(JdbcClient db) {
        this.db = db;
    }

    /** Whether there is a file of which a copy can be made. */
    public boolean canBeMade() {
        return db.sql("SELECT DATABASE_PATH()").query(String.class).optional().isPresent();
    }

    /** @throws org.springframework.dao.DataAccessException if it can't be written; what was written of it stays */
    public void write(Path zip) {
        db.sql("BACKUP TO '" + zip.toAbsolutePath().toString().replace("'", "''") + "'")
                .update();
    }
}
