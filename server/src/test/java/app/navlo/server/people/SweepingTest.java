package app.navlo.server.people;

import static org.testng.Assert.assertEquals;

import app.navlo.server.TestSettings;
import app.navlo.server.store.Departures;
import app.navlo.server.store.Files;
import app.navlo.server.store.Leftovers;
import app.navlo.server.time.ServerClock;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.context.testng.AbstractTestNGSpringContextTests;
import org.testng.annotations.Test;

/** Contents of files that nothing names any more give their space back, and not before they had time to be named. */
@SpringBootTest(properties = TestSettings.MEMORY)
public class SweepingTest extends AbstractTestNGSpringContextTests {
    private static final String THROWN_AWAY = "c".repeat(64);
    private static final String IN_USE = "d".repeat(64);

    @Autowired
    private Leftovers leftovers;

    @Autowired
    private Departures departures;

    @Autowired
    private ServerClock clock;

    @Autowired
    private Files files;

    @Autowired
    private JdbcClient db;

    private long there(String content) {
        return db.sql("SELECT COUNT(*) FROM stored_file WHERE sha256 = :sha")
                .param("sha", content)
                .query(Long.class)
                .single();
    }

    @Test
    public void whatNothingNamesForARoundGoes() {
        Sweeping sweeping = new Sweeping(leftovers, departures, clock);
        files.keep(THROWN_AWAY, new byte[1000]);
        files.keep(IN_USE, new byte[1000]);
        sweeping.round();
        assertEquals(there(THROWN_AWAY), 1, "it may be named in a moment");
        db.sql("""
                INSERT INTO person (email, email_key, password_hash, name, role, zone, created_at)
                VALUES ('sweep@b.example', 'sweep@b.example', 'x', 'Asta', 'STUDENT', 'UTC', '2026-09-07 08:00:00+00')
                """).update();
        db.sql("""
                INSERT INTO calendar_file (student_id, name, sha256, read_at)
                SELECT id, 'late.ics', :sha, :at FROM person WHERE email = 'sweep@b.example'
                """).param("sha", IN_USE).param("at", clock.instant()).update();
        sweeping.round();
        assertEquals(there(THROWN_AWAY), 0);
        assertEquals(there(IN_USE), 1, "it was named in the meantime");
        sweeping.round();
        assertEquals(there(IN_USE), 1);
    }
}
