package app.navlo.server.store;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What was agreed about a student's work: who does what, by when. */
@Repository
public class Agreements {
    private final JdbcClient db;
    private final Batch batch;

    Agreements(JdbcClient db, Batch batch) {
        this.db = db;
        this.batch = batch;
    }

    /**
     * @param who does it, by name
     * @param due null for no day
     * @param keptAt when it was said to be done; null while it isn't
     */
    public record Terms(
            String words,
            String who,
            @Nullable LocalDate due,
            @Nullable Instant keptAt) {}

    /**
     * @param number of this very state of it; every change of it gives it another
     * @param madeAt when it was first written down
     * @param madeBy the person's name; null where nobody is known
     */
    public record Agreement(
            long id,
            long number,
            Terms terms,
            Instant madeAt,
            @Nullable String madeBy) {}

    /** Those that stand, in the order in which they were made. */
    public List<Agreement> of(long student, Set<Long> undone) {
        Map<Long, Agreement> standing = new LinkedHashMap<>();
        db.sql("""
                SELECT a.id, r.change_id, r.gone, r.words, r.who, r.due, r.kept_at, c.at, p.name
                FROM agreement a JOIN agreement_revision r ON r.agreement_id = a.id
                JOIN change c ON c.id = r.change_id LEFT JOIN person p ON p.id = c.person_id
                WHERE a.student_id = :student ORDER BY r.id
                """).param("student", student).query(row -> {
            long id = row.getLong("id");
            if (undone.contains(row.getLong("change_id"))) {
                return;
            }
            if (row.getBoolean("gone")) {
                standing.remove(id);
                return;
            }
            Agreement first = standing.get(id);
            standing.put(
                    id,
                    new Agreement(
                            id,
                            row.getLong("change_id"),
                            new Terms(
                                    row.getString("words"),
                                    row.getString("who"),
                                    row.getObject("due", LocalDate.class),
                                    Rows.instantOrNull(row, "kept_at")),
                            first == null ? Rows.instant(row, "at") : first.madeAt(),
                            first == null ? row.getString("name") : first.madeBy()));
        });
        return new ArrayList<>(standing.values());
    }

    public long add(long student, long change, Terms terms) {
        long id = batch.insert(
                        "INSERT INTO agreement (student_id) VALUES (:student)", List.of(Map.of("student", student)))
                .get(0);
        revise(id, change, terms, false);
        return id;
    }

    public void revise(long id, long change, Terms terms, boolean gone) {
        Map<String, Object> row = new HashMap<>();
        row.put("agreement", id);
        row.put("change", change);
        row.put("gone", gone);
        row.put("words", terms.words());
        row.put("who", terms.who());
        row.put("due", terms.due());
        row.put("kept", terms.keptAt());
        batch.run("""
                INSERT INTO agreement_revision (agreement_id, change_id, gone, words, who, due, kept_at)
                VALUES (:agreement, :change, :gone, :words, :who, :due, :kept)
                """, List.of(row));
    }
}
