package app.navlo.server.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The plan of each student that holds until something happens, the same on all devices. */
@Repository
public class HeldPlans {
    private final JdbcClient db;

    HeldPlans(JdbcClient db) {
        this.db = db;
    }

    /**
     * @param seen names what was stored of the student when it was made
     * @param asked names what was asked of it: wishes, goals, hours
     * @param works in the writing of who made it
     * @param earlier what held while something else was asked; null for nothing
     * @param turned what changed last in it; null for nothing
     */
    public record HeldPlan(
            long student,
            Instant madeAt,
            String seen,
            String asked,
            String works,
            @Nullable Earlier earlier,
            @Nullable Turned turned) {}

    /** A plan in the writing of who made it, and what was asked of it. */
    public record Earlier(String asked, String works) {}

    /** @param how it changed, in the word of who made it */
    public record Turned(String how, long work, Instant at) {}

    public Optional<HeldPlan> of(long student) {
        return db.sql("""
                SELECT student_id, made_at, seen, asked, works, earlier_asked, earlier_works, turned, turned_work, turned_at
                FROM held_plan WHERE student_id = :student
                """).param("student", student).query(HeldPlans::plan).optional();
    }

    /**
     * Keeps a plan unless another was kept since.
     *
     * @param before that it was made from; null for none
     */
    public void keep(HeldPlan plan, @Nullable HeldPlan before) {
        if (before != null) {
            fill("""
                    UPDATE held_plan SET made_at = :madeAt, seen = :seen, asked = :asked, works = :works,
                           earlier_asked = :earlierAsked, earlier_works = :earlierWorks, turned = :turned,
                           turned_work = :turnedWork, turned_at = :turnedAt
                    WHERE student_id = :student AND made_at = :before
                    """, plan).param("before", before.madeAt()).update();
            return;
        }
        try {
            fill("""
                    INSERT INTO held_plan (student_id, made_at, seen, asked, works, earlier_asked, earlier_works,
                                           turned, turned_work, turned_at)
                    VALUES (:student, :madeAt, :seen, :asked, :works, :earlierAsked, :earlierWorks,
                            :turned, :turnedWork, :turnedAt)
                    """, plan).update();
        } catch (DuplicateKeyException sameInstant) {
            // Another device has made one: theirs holds.
        }
    }

    private JdbcClient.StatementSpec fill(String sql, HeldPlan plan) {
        Turned turned = plan.turned();
        Earlier earlier = plan.earlier();
        return db.sql(sql)
                .param("student", plan.student())
                .param("madeAt", plan.madeAt())
                .param("seen", plan.seen())
                .param("asked", plan.asked())
                .param("works", plan.works())
                .param("earlierAsked", earlier == null ? null : earlier.asked())
                .param("earlierWorks", earlier == null ? null : earlier.works())
                .param("turned", turned == null ? null : turned.how())
                .param("turnedWork", turned == null ? null : turned.work())
                .param("turnedAt", turned == null ? null : turned.at());
    }

    private static HeldPlan plan(ResultSet row, int n) throws SQLException {
        String how = row.getString("turned");
        String earlier = row.getString("earlier_asked");
        return new HeldPlan(
                row.getLong("student_id"),
                Rows.instant(row, "made_at"),
                row.getString("seen"),
                row.getString("asked"),
                row.getString("works"),
                earlier == null ? null : new Earlier(earlier, row.getString("earlier_works")),
                how == null ? null : new Turned(how, row.getLong("turned_work"), Rows.instant(row, "turned_at")));
    }
}
