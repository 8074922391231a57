package app.navlo.server.store;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DriverManagerDataSource;
import org.testng.annotations.Test;

/** A copy that is made while rows are written opens by itself, with what was committed before it. */
public class CopiesTest {
    private static JdbcClient open(Path folder) {
        return JdbcClient.create(new DriverManagerDataSource(
                "jdbc:h2:file:" + folder.resolve("navlo") + ";DB_CLOSE_DELAY=-1", "navlo", ""));
    }

    private static void unpack(Path zip, Path into) throws IOException {
        try (InputStream in = Files.newInputStream(zip);
                ZipInputStream entries = new ZipInputStream(in)) {
            for (ZipEntry entry = entries.getNextEntry(); entry != null; entry = entries.getNextEntry()) {
                Files.copy(entries, into.resolve(Path.of(entry.getName()).getFileName()));
            }
        }
    }

    private static int rows(JdbcClient db) {
        return db.sql("SELECT COUNT(*) FROM note").query(Integer.class).single();
    }

    @Test
    public void aCopyHoldsWhatWasCommittedAndOpensByItself() throws IOException {
        Path here = Files.createTempDirectory("navlo-copies");
        Path there = Files.createTempDirectory("navlo-copied");
        JdbcClient db = open(here);
        db.sql("CREATE TABLE note (text VARCHAR(1000))").update();
        for (int i = 0; i < 200; i++) {
            db.sql("INSERT INTO note VALUES (:text)")
                    .param("text", "a note ".repeat(50) + i)
                    .update();
        }
        Copies copies = new Copies(db);
        assertTrue(copies.canBeMade());
        Path zip = here.resolve("it's a copy.zip");
        copies.write(zip);
        db.sql("DELETE FROM note").update();

        unpack(zip, there);
        JdbcClient copy = open(there);
        assertEquals(rows(copy), 200);
        assertEquals(rows(db), 0, "it goes on here");
        copy.sql("SHUTDOWN").update();
        db.sql("SHUTDOWN").update();
    }

    @Test
    public void ofWhatIsInMemoryAloneThereIsNone() {
        JdbcClient db = JdbcClient.create(new DriverManagerDataSource("jdbc:h2:mem:copies", "navlo", ""));
        assertFalse(new Copies(db).canBeMade());
    }
}
