package app.navlo.server.store;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.ConnectionCallback;
import org.springframework.jdbc.core.JdbcOperations;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Who leaves, and the deletion of everything that is theirs. */
@Repository
public class Departures {
    /** What is a person's beside the archive of a student: each asks for the person's number alone. */
    private static final List<String> BESIDE_THE_ARCHIVE = List.of(
            "DELETE FROM outbox WHERE ? IN (student_id, person_id)",
            "DELETE FROM calendar_file WHERE student_id = ?",
            "DELETE FROM calendar_feed WHERE student_id = ?",
            "DELETE FROM seen_until WHERE ? IN (student_id, person_id)",
            "DELETE FROM held_plan WHERE student_id = ?",
            "DELETE FROM seen_mark WHERE ? IN (student_id, person_id)",
            "DELETE FROM onlooker_note WHERE ? IN (student_id, person_id)",
            "DELETE FROM onlooker_group WHERE ? IN (student_id, person_id)",
            "DELETE FROM notice_told WHERE ? IN (student_id, person_id)",
            "DELETE FROM notice_mail WHERE person_id = ?",
            "DELETE FROM notice_choice WHERE person_id = ?",
            "DELETE FROM password_reset WHERE person_id = ?",
            "DELETE FROM write_once WHERE person_id = ?",
            "DELETE FROM hand_over WHERE person_id = ?",
            "DELETE FROM guardian_request WHERE guardian_id = ?",
            "DELETE FROM access_token WHERE person_id = ?",
            "DELETE FROM address_confirmation WHERE person_id = ?",
            "DELETE FROM passkey WHERE person_id = ?",
            "DELETE FROM passkey_holder WHERE person_id = ?",
            "DELETE FROM guardianship WHERE ? IN (student_id, guardian_id)");

    /** Rows that name one another within their table are let go of first. */
    private static final List<String> OF_EACH_OTHER = List.of(
            "UPDATE fact SET answers_fact = NULL WHERE student_id = ? AND answers_fact IS NOT NULL",
            "UPDATE term SET of_term = NULL WHERE student_id = ? AND of_term IS NOT NULL",
            "UPDATE change SET undoes = NULL WHERE student_id = ? AND undoes IS NOT NULL");

    /** What is others' and names the person: it stays theirs and names nobody. */
    private static final List<String> OF_OTHERS = List.of(
            "DELETE FROM invitation WHERE ? IN (made_by, student_id)",
            "UPDATE invitation SET used_by = NULL WHERE used_by = ?",
            "UPDATE change SET person_id = NULL WHERE person_id = ?",
            "UPDATE message SET person_id = NULL WHERE person_id = ?",
            "UPDATE instance SET first_person_id = (SELECT MIN(id) FROM person WHERE administrator AND id <> ?)"
                    + " WHERE first_person_id = ?",
            "DELETE FROM person WHERE id = ?");

    private final JdbcClient db;
    private final JdbcOperations jdbc;

    Departures(JdbcClient db, JdbcOperations jdbc) {
        this.db = db;
        this.jdbc = jdbc;
    }

    /** When somebody leaves; empty for who stays. */
    public Optional<Instant> of(long person) {
        return db.sql("SELECT leaves_at FROM person WHERE id = :id AND leaves_at IS NOT NULL")
                .param("id", person)
                .query((row, n) -> Rows.instant(row, "leaves_at"))
                .optional();
    }

    /** @param at null to stay */
    public void set(long person, @Nullable Instant at) {
        db.sql("UPDATE person SET leaves_at = :at WHERE id = :id")
                .param("at", at)
                .param("id", person)
                .update();
    }

    /** Whose time has come. */
    public List<Long> due(Instant now) {
        return db.sql("SELECT id FROM person WHERE leaves_at <= :now ORDER BY id")
                .param("now", now)
                .query(Long.class)
                .list();
    }

    /**
     * Deletes a person and all that is theirs but the contents of their files. In a transaction of the caller.
     *
     * @return the digests of those contents, for {@link #forget}
     */
    public List<String> delete(long person) {
        List<String> contents = contents(person);
        BESIDE_THE_ARCHIVE.forEach(sql -> run(sql, person));
        OF_EACH_OTHER.forEach(sql -> run(sql, person));
        for (int i = ArchiveTables.ALL.size() - 1; i >= 0; i--) {
            ArchiveTables.Table table = ArchiveTables.ALL.get(i);
            run("DELETE FROM " + table.name() + " WHERE " + table.of(), person);
        }
        OF_OTHERS.forEach(sql -> run(sql, person));
        return contents;
    }

    /** As often as it asks for the person. */
    private void run(String sql, long person) {
        jdbc.execute((ConnectionCallback<Integer>) connection -> update(connection, sql, person));
    }

    private static int update(Connection connection, String sql, long person) throws SQLException {
        try (PreparedStatement statement = connection.prepareStatement(sql)) {
            for (int place = 1; place <= statement.getParameterMetaData().getParameterCount(); place++) {
                statement.setLong(place, person);
            }
            return statement.executeUpdate();
        }
    }

    private List<String> contents(long person) {
        List<String> contents = new ArrayList<>();
        for (ArchiveTables.Table table : ArchiveTables.ALL) {
            if (ArchiveTables.WITH_FILES.contains(table.name())) {
                contents.addAll(jdbc.queryForList(
                        "SELECT " + ArchiveTables.FILE + " FROM " + table.name() + " WHERE " + table.of(),
                        String.class,
                        person));
            }
        }
        contents.addAll(
                jdbc.queryForList("SELECT sha256 FROM calendar_file WHERE student_id = ?", String.class, person));
        return contents.stream().distinct().toList();
    }

    /** Deletes the contents of a file, unless somebody has the same. */
    public void forget(String digest) {
        StringBuilder sql = new StringBuilder("DELETE FROM stored_file WHERE sha256 = :digest"
                + " AND NOT EXISTS (SELECT 1 FROM calendar_file WHERE sha256 = :digest)");
        for (String table : ArchiveTables.WITH_FILES) {
            sql.append(" AND NOT EXISTS (SELECT 1 FROM ").append(table).append(" WHERE sha256 = :digest)");
        }
        db.sql(sql.toString()).param("digest", digest).update();
    }
}
