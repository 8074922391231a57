package app.navlo.server.store;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What a student wants of the plan. */
@Repository
public class WishList {
    private final JdbcClient db;
    private final Batch batch;

    WishList(JdbcClient db, Batch batch) {
        this.db = db;
        this.batch = batch;
    }

    public enum Kind {
        /** Before all other work. */
        FIRST,
        /** Before some other work. */
        BEFORE,
        /** Not before an instant. */
        LATER,
        /** At an instant. */
        NAILED,
        /** As the plan has it. */
        NONE
    }

    /**
     * @param notBefore the instant; null exactly where the kind is neither {@code LATER} nor {@code NAILED}
     * @param before null exactly where the kind isn't {@code BEFORE}
     */
    public record Wish(
            long work,
            Kind kind,
            @Nullable Instant notBefore,
            @Nullable Long before) {}

    /** One a piece of work at most, the latest first. */
    public List<Wish> of(long student, Set<Long> undone) {
        Map<Long, Wish> standing = new LinkedHashMap<>();
        db.sql("""
                SELECT work_id, change_id, kind, not_before, before_work_id
                FROM wish WHERE student_id = :student ORDER BY id
                """).param("student", student).query(row -> {
            if (!undone.contains(row.getLong("change_id"))) {
                long work = row.getLong("work_id");
                standing.remove(work);
                standing.put(
                        work,
                        new Wish(
                                work,
                                Kind.valueOf(row.getString("kind")),
                                Rows.instantOrNull(row, "not_before"),
                                Rows.longOrNull(row, "before_work_id")));
            }
        });
        List<Wish> latestFirst = new ArrayList<>(standing.values());
        latestFirst.removeIf(wish -> wish.kind() == Kind.NONE);
        Collections.reverse(latestFirst);
        return latestFirst;
    }

    public void addAll(long student, long change, List<Wish> wishes) {
        batch.run("""
                INSERT INTO wish (student_id, work_id, change_id, kind, not_before, before_work_id)
                VALUES (:student, :work, :change, :kind, :notBefore, :before)
                """, wishes.stream().map(wish -> row(student, change, wish)).toList());
    }

    private static Map<String, Object> row(long student, long change, Wish wish) {
        Map<String, Object> row = new HashMap<>();
        row.put("student", student);
        row.put("work", wish.work());
        row.put("change", change);
        row.put("kind", wish.kind().name());
        row.put("notBefore", wish.notBefore());
        row.put("before", wish.before());
        return row;
    }
}
