package app.navlo.server.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.jdbc.support.KeyHolder;
import org.springframework.stereotype.Repository;

/** What is on its way to a school: one parcel a piece of work, kept until it is known what came of it. */
@Repository
public class Outbox {
    private final JdbcClient db;

    Outbox(JdbcClient db) {
        this.db = db;
    }

    public enum Kind {
        HAND_IN,
        WITHDRAW,
        ASK,
        /** What was withdrawn stands again. */
        HAND_IN_AGAIN
    }

    /**
     * A parcel that is about to be sent.
     *
     * @param key under which it happens once, here and at the school
     * @param request what was asked for, so that one key can't stand for two things
     * @param payload of its kind, as JSON
     * @param claimedUntil nobody else sends it before
     */
    public record NewParcel(
            long student,
            long person,
            String personName,
            long work,
            Kind kind,
            String key,
            String request,
            String payload,
            Instant madeAt,
            Instant claimedUntil) {}

    /**
     * @param unknownSince since when nobody knows whether it arrived; null while it is sent for the first time
     * @param tries so far
     */
    public record Parcel(
            long id,
            long student,
            long person,
            String personName,
            long work,
            Kind kind,
            String key,
            String request,
            String payload,
            Instant madeAt,
            @Nullable Instant unknownSince,
            int tries) {}

    private static final String ALL = """
            SELECT id, student_id, person_id, person_name, work_id, kind, write_key, request, payload, made_at,
                   unknown_since, tries
            FROM outbox
            """;

    /** @throws org.springframework.dao.DuplicateKeyException if something is on its way for this work */
    public long add(NewParcel parcel) {
        KeyHolder key = new GeneratedKeyHolder();
        db.sql("""
                INSERT INTO outbox (student_id, person_id, person_name, work_id, kind, write_key, request, payload,
                                    made_at, tries, next_try_at)
                VALUES (:student, :person, :name, :work, :kind, :key, :request, :payload, :at, 1, :until)
                """)
                .param("student", parcel.student())
                .param("person", parcel.person())
                .param("name", parcel.personName())
                .param("work", parcel.work())
                .param("kind", parcel.kind().name())
                .param("key", parcel.key())
                .param("request", parcel.request())
                .param("payload", parcel.payload())
                .param("at", parcel.madeAt())
                .param("until", parcel.claimedUntil())
                .update(key, "id");
        return Rows.newId(key);
    }

    public Optional<Parcel> find(long id) {
        return db.sql(ALL + "WHERE id = :id")
                .param("id", id)
                .query(Outbox::parcel)
                .optional();
    }

    /** What is on its way for a piece of work. */
    public Optional<Parcel> of(long work) {
        return db.sql(ALL + "WHERE work_id = :work")
                .param("work", work)
                .query(Outbox::parcel)
                .optional();
    }

    /** Those whose next try has come, the oldest first. */
    public List<Long> due(Instant now, int most) {
        return db.sql("SELECT id FROM outbox WHERE next_try_at <= :now ORDER BY id LIMIT :most")
                .param("now", now)
                .param("most", most)
                .query(Long.class)
                .list();
    }

    /** Takes a parcel in hand. @return whether nobody else has it */
    public boolean claim(long id, Instant now, Instant until) {
        return db.sql("""
                UPDATE outbox SET tries = tries + 1, next_try_at = :until WHERE id = :id AND next_try_at <= :now
                """)
                        .param("id", id)
                        .param("now", now)
                        .param("until", until)
                        .update()
                == 1;
    }

    /** That nobody knows whether it arrived. */
    public void unknown(long id, Instant since, Instant nextTry) {
        db.sql("""
                UPDATE outbox SET unknown_since = COALESCE(unknown_since, :since), next_try_at = :next WHERE id = :id
                """).param("id", id).param("since", since).param("next", nextTry).update();
    }

    public void remove(long id) {
        db.sql("DELETE FROM outbox WHERE id = :id").param("id", id).update();
    }

    private static Parcel parcel(ResultSet row, int n) throws SQLException {
        return new Parcel(
                row.getLong("id"),
                row.getLong("student_id"),
                row.getLong("person_id"),
                row.getString("person_name"),
                row.getLong("work_id"),
                Kind.valueOf(row.getString("kind")),
                row.getString("write_key"),
                row.getString("request"),
                row.getString("payload"),
                Rows.instant(row, "made_at"),
                Rows.instantOrNull(row, "unknown_since"),
                row.getInt("tries"));
    }
}
