package app.navlo.server.store;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import app.navlo.server.TestSettings;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.context.testng.AbstractTestNGSpringContextTests;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What is swept out is what nobody has any use for, and nothing a day younger. */
@SpringBootTest(properties = TestSettings.MEMORY)
public class LeftoversTest extends AbstractTestNGSpringContextTests {
    private static final Instant NOW = Instant.parse("2026-11-24T15:20:00Z");

    @Autowired
    private Leftovers leftovers;

    @Autowired
    private People people;

    @Autowired
    private Files files;

    @Autowired
    private JdbcClient db;

    private long person;

    @BeforeClass
    public void somebody() {
        person = people.add(new People.NewPerson("left@example.org", "none", "Left", Role.STUDENT, "UTC", NOW));
        for (String content : List.of("o", "y")) {
            files.keep(content.repeat(64), content.getBytes(StandardCharsets.UTF_8));
        }
    }

    @DataProvider
    public Object[][] rows() {
        return new Object[][] {
            {
                "password_reset",
                1,
                "INSERT INTO password_reset (secret_hash, person_id, made_at, ends_at) VALUES (:key, :person, :at, :at)"
            },
            {
                "hand_over",
                1,
                "INSERT INTO hand_over (secret_hash, person_id, made_at, ends_at) VALUES (:key, :person, :at, :at)"
            },
            {
                "invitation",
                90,
                "INSERT INTO invitation (hash, made_by, role, made_at, ends_at) VALUES (:key, :person, 'STUDENT', :at, :at)"
            },
            {
                "calendar_file",
                7,
                "INSERT INTO calendar_file (student_id, name, sha256, read_at) VALUES (:person, 'term.ics', :key, :at)"
            },
            {
                "write_once",
                30,
                "INSERT INTO write_once (person_id, write_key, fingerprint, at) VALUES (:person, :key, :key, :at)"
            },
            {
                "notice_told",
                200,
                "INSERT INTO notice_told (person_id, student_id, told_key, told_at) VALUES (:person, :person, :key, :at)"
            },
            {"notice_mail", 400, """
                INSERT INTO notice_mail (person_id, made_at, subject, body, stoppable, tries)
                SELECT :person, :at, 'Navlo', :key, TRUE, 1
                """},
        };
    }

    private void add(String sql, String key, Instant at) {
        db.sql(sql)
                .param("key", key.repeat(64).substring(0, 64))
                .param("person", person)
                .param("at", at)
                .update();
    }

    private long count(String table) {
        return db.sql("SELECT COUNT(*) FROM " + table).query(Long.class).single();
    }

    @Test(dataProvider = "rows")
    public void whatIsOldGoesAndWhatIsYoungerStays(String table, int days, String sql) {
        leftovers.sweep(NOW);
        long before = count(table);
        Instant edge = NOW.minus(Duration.ofDays(days));
        add(sql, "o", edge.minusSeconds(1));
        add(sql, "y", edge.plusSeconds(1));
        assertEquals(leftovers.sweep(NOW), Map.of(table, 1));
        assertEquals(count(table), before + 1);
        assertEquals(leftovers.sweep(NOW), Map.of());
        assertEquals(leftovers.sweep(NOW.plusSeconds(2)), Map.of(table, 1), "in its time");
    }

    /** A mail that is still on its way is kept however old it is. */
    @Test
    public void whatIsOnItsWayStays() {
        db.sql("""
                INSERT INTO notice_mail (person_id, made_at, subject, body, stoppable, tries, next_try_at)
                VALUES (:person, :at, 'Navlo', 'words', TRUE, 1, :at)
                """)
                .param("person", person)
                .param("at", NOW.minus(Duration.ofDays(500)))
                .update();
        assertEquals(leftovers.sweep(NOW), Map.of());
        db.sql("DELETE FROM notice_mail WHERE body = 'words'").update();
    }

    /** A content is in use as long as anything names it, whoever and wherever that is. */
    @Test
    public void contentsThatNothingNamesAreFound() {
        String lonely = "a".repeat(64);
        String named = "b".repeat(64);
        files.keep(lonely, new byte[] {1});
        files.keep(named, new byte[] {2});
        add(
                "INSERT INTO calendar_file (student_id, name, sha256, read_at) VALUES (:person, 'b.ics', :key, :at)",
                "b",
                NOW);
        Set<String> unnamed = leftovers.unnamed();
        assertTrue(unnamed.contains(lonely));
        assertFalse(unnamed.contains(named));
        db.sql("DELETE FROM calendar_file WHERE name = 'b.ics'").update();
        assertTrue(leftovers.unnamed().contains(named));
    }
}
