package app.navlo.server.store;

import java.nio.file.Path;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Copies of all data at one instant, made by the database while it is in use: a zip that holds its file. */
@Repository
public class Copies {
    private final JdbcClient db;
    private final boolean isOwn;

    @Autowired
    Copies(JdbcClient db, @Value("${spring.datasource.url}") String url) {
        this.db = db;
        this.isOwn = !InPostgres.speaks(url) && !url.startsWith(Engine.SERVED);
    }

    /** @param db H2 in this process */
    public Copies(JdbcClient db) {
        this(db, "");
    }

    /** Whether there is a file here of which a copy can be made; where the data are kept elsewhere, so are their copies. */
    public boolean canBeMade() {
        return isOwn
                && db.sql("SELECT DATABASE_PATH()")
                        .query(String.class)
                        .optional()
                        .isPresent();
    }

    /** @throws org.springframework.dao.DataAccessException if it can't be written; what was written of it stays */
    public void write(Path zip) {
        db.sql("BACKUP TO '" + zip.toAbsolutePath().toString().replace("'", "''") + "'")
                .update();
    }
}
