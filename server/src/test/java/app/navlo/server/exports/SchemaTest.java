package app.navlo.server.exports;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import app.navlo.server.store.ArchiveTables;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import org.flywaydb.core.Flyway;
import org.testng.annotations.Test;

/** The schema as its migrations make it, and what is said of its tables in other places. */
public class SchemaTest {
    /** What an archive leaves at home: people and their doors, contents of files, what is being sent, and what can be had again. */
    private static final Set<String> AT_HOME = Set.of(
            "person",
            "access_token",
            "address_confirmation",
            "held_plan",
            "passkey",
            "passkey_holder",
            "guardianship",
            "instance",
            "invitation",
            "notice_choice",
            "notice_told",
            "notice_mail",
            "guardian_request",
            "hand_over",
            "onlooker_note",
            "onlooker_group",
            "password_reset",
            "spring_session",
            "spring_session_attributes",
            "demo_clock",
            "stored_file",
            "calendar_file",
            "write_once",
            "outbox",
            "calendar_feed",
            "seen_until",
            "seen_mark");

    private final Path data;

    public SchemaTest() throws IOException {
        data = Files.createTempDirectory("navlo").resolve("schema");
    }

    private Connection open() throws SQLException {
        return DriverManager.getConnection("jdbc:h2:file:" + data, "sa", "");
    }

    private void migrate(String version) {
        Flyway.configure()
                .dataSource("jdbc:h2:file:" + data, "sa", "")
                .locations("classpath:db/migration")
                .target(version)
                .load()
                .migrate();
    }

    private List<String> ask(String sql) throws SQLException {
        try (Connection db = open();
                Statement statement = db.createStatement();
                ResultSet row = statement.executeQuery(sql)) {
            List<String> answers = new ArrayList<>();
            while (row.next()) {
                StringBuilder line = new StringBuilder(String.valueOf(row.getString(1)));
                for (int column = 2; column <= row.getMetaData().getColumnCount(); column++) {
                    line.append(' ').append(row.getString(column));
                }
                answers.add(line.toString().toLowerCase(Locale.ROOT));
            }
            return answers;
        }
    }

    private void run(String sql) throws SQLException {
        try (Connection db = open();
                Statement statement = db.createStatement()) {
            statement.execute(sql);
        }
    }

    /** What was written with the first schema is there with the last. */
    @Test
    public void aDatabaseOfTheFirstDayComesUpToToday() throws SQLException {
        migrate("1");
        run("""
                INSERT INTO person (email, email_key, password_hash, name, role, zone, created_at)
                VALUES ('a@b.example', 'a@b.example', 'x', 'Asta', 'STUDENT', 'Europe/Copenhagen', '2026-09-07 08:00:00+00')""");
        run("""
                INSERT INTO term (student_id, name, school, zone, first_day, last_day)
                VALUES (1, 'Autumn', 'Thornmere', 'Europe/Copenhagen', '2026-09-07', '2026-12-18')""");
        run("INSERT INTO day_off VALUES (1, '2026-10-12', '2026-10-16', 'Autumn break')");
        run("INSERT INTO grading_period (term_id, name, closes_at) VALUES (1, 'Close', '2026-11-27 16:00:00+00')");
        run("INSERT INTO free_hours VALUES (1, 1, '16:00', '18:00')");
        run("""
                INSERT INTO change (student_id, person_id, kind, at, source, summary)
                VALUES (1, 1, 'IMPORT', '2026-09-07 08:00:00+00', 'a file', 'Read in')""");
        run("INSERT INTO course (student_id, term_id, position, version) VALUES (1, 1, 1, 1)");
        run("""
                INSERT INTO course_revision (course_id, change_id, gone, name, short_name, teacher, zone, colour, soon_hours)
                VALUES (1, 1, FALSE, 'Soil Science', 'Soil', 'Halvor Tarn', 'Europe/Copenhagen', 'clay', 48)""");
        run("INSERT INTO work (student_id, course_id, origin, version) VALUES (1, 1, 'TYPED', 1)");
        run("""
                INSERT INTO work_revision (work_id, change_id, gone, course_id, title, kind, required, expects_hand_in, possible,
                    kept, due_day, redo_allowed, redo_needs_reopening, instructions, takes_files, takes_text, takes_done,
                    file_types, max_files, max_file_bytes)
                VALUES (1, 1, FALSE, 1, 'Essay', 'ASSIGNMENT', TRUE, TRUE, 20, 'HIGHEST', '2026-11-27', FALSE, FALSE, '', TRUE,
                    FALSE, FALSE, 'pdf', 20, 1048576)""");
        run("""
                INSERT INTO fact (change_id, student_id, work_id, kind, happened_at, learnt_at, actor, actor_name, attempt, content)
                VALUES (1, 1, 1, 'HANDED_IN', '2026-11-20 10:00:00+00', '2026-11-20 10:00:01+00', 'STUDENT', 'Asta', 1, 'FILES')""");
        run("INSERT INTO stored_file VALUES ('%s', 1, X'41')".formatted("a".repeat(64)));
        migrate("latest");
        assertEquals(ask("SELECT name, role, zone FROM person"), List.of("asta student europe/copenhagen"));
        assertEquals(ask("SELECT title, due_day, possible FROM work_revision"), List.of("essay 2026-11-27 20.000000"));
        assertEquals(ask("SELECT kind, content FROM fact"), List.of("handed_in files"));
        assertEquals(ask("SELECT name FROM course_revision"), List.of("soil science"));
        assertEquals(ask("SELECT COUNT(*) FROM day_off"), List.of("1"));
        assertEquals(ask("SELECT COUNT(*) FROM grading_period"), List.of("1"));
        assertEquals(ask("SELECT COUNT(*) FROM stored_file"), List.of("1"));
    }

    private List<String> tables() throws SQLException {
        return ask("""
                SELECT table_name FROM information_schema.tables
                WHERE table_schema = 'PUBLIC' AND table_type = 'BASE TABLE' AND table_name <> 'flyway_schema_history'
                """);
    }

    private static List<String> archived() {
        return ArchiveTables.ALL.stream().map(ArchiveTables.Table::name).toList();
    }

    @Test(dependsOnMethods = "aDatabaseOfTheFirstDayComesUpToToday")
    public void eachTableIsInTheArchiveOrSaidToStayAtHome() throws SQLException {
        Set<String> known = new TreeSet<>(archived());
        known.addAll(AT_HOME);
        assertEquals(new TreeSet<>(tables()), known);
        assertEquals(archived().size(), new HashSet<>(archived()).size(), "each once");
    }

    @Test(dependsOnMethods = "aDatabaseOfTheFirstDayComesUpToToday")
    public void anArchiveWritesWhatIsNamedBeforeWhatNamesIt() throws SQLException {
        List<String> order = archived();
        for (String arrow : ask("""
                SELECT f.table_name, t.table_name
                FROM information_schema.referential_constraints r
                     JOIN information_schema.table_constraints f ON f.constraint_name = r.constraint_name
                     JOIN information_schema.table_constraints t ON t.constraint_name = r.unique_constraint_name
                """)) {
            String[] ends = arrow.split(" ");
            boolean both = order.contains(ends[0]) && order.contains(ends[1]) && !ends[0].equals(ends[1]);
            if (both) {
                assertTrue(order.indexOf(ends[1]) < order.indexOf(ends[0]), arrow);
            }
        }
    }

    @Test(dependsOnMethods = "aDatabaseOfTheFirstDayComesUpToToday")
    public void whatNamesAFileBringsItAlong() throws SQLException {
        Set<String> naming = new TreeSet<>(ask("""
                SELECT table_name FROM information_schema.columns
                WHERE table_schema = 'PUBLIC' AND LOWER(column_name) = 'sha256' AND LOWER(table_name) <> 'stored_file'
                """));
        naming.retainAll(archived());
        assertEquals(naming, new TreeSet<>(ArchiveTables.WITH_FILES));
    }
}
