package app.navlo.server.store;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What was handed in, by the number of the fact that says so. */
@Repository
public class HandIns {
    private final JdbcClient db;

    HandIns(JdbcClient db) {
        this.db = db;
    }

    public record Content(@Nullable String text, @Nullable String note, List<StoredFile> files) {
        public Content {
            files = List.copyOf(files);
        }
    }

    public void add(long fact, Content content) {
        db.sql("INSERT INTO hand_in (fact_id, text, note) VALUES (:fact, :text, :note)")
                .param("fact", fact)
                .param("text", content.text())
                .param("note", content.note())
                .update();
        FileRows.add(db, "hand_in_file", "fact_id", fact, content.files());
    }

    /** What a link told of it in words only is there whole. */
    public void replace(long fact, Content content) {
        db.sql("DELETE FROM hand_in_file WHERE fact_id = :fact")
                .param("fact", fact)
                .update();
        db.sql("DELETE FROM hand_in WHERE fact_id = :fact").param("fact", fact).update();
        add(fact, content);
    }

    /** That a school took it. @param number by which the school knows it */
    public void received(long fact, String school, String number) {
        db.sql("MERGE INTO hand_in_receipt (fact_id, school, number) KEY (fact_id) VALUES (:fact, :school, :number)")
                .param("fact", fact)
                .param("school", school)
                .param("number", number)
                .update();
    }

    /** What the school that took it gave for it. */
    public record SchoolReceipt(String school, String number) {}

    public Optional<SchoolReceipt> receiptOf(long fact) {
        return db.sql("SELECT school, number FROM hand_in_receipt WHERE fact_id = :fact")
                .param("fact", fact)
                .query((row, n) -> new SchoolReceipt(row.getString("school"), row.getString("number")))
                .optional();
    }

    public Optional<Content> find(long fact) {
        List<StoredFile> files = db.sql("""
                SELECT name, media_type, size, sha256 FROM hand_in_file WHERE fact_id = :fact ORDER BY position
                """)
                .param("fact", fact)
                .query((row, n) -> StoredFile.of(row))
                .list();
        return db.sql("SELECT text, note FROM hand_in WHERE fact_id = :fact")
                .param("fact", fact)
                .query((row, n) -> new Content(row.getString("text"), row.getString("note"), files))
                .optional();
    }

    /** How many files each hand-in of a student has, by fact; those without any are left out. */
    public Map<Long, Integer> fileCounts(long student) {
        Map<Long, Integer> counts = new HashMap<>();
        db.sql("""
                SELECT h.fact_id, COUNT(*) AS files
                FROM hand_in_file h JOIN fact f ON f.id = h.fact_id
                WHERE f.student_id = :student GROUP BY h.fact_id
                """).param("student", student).query(row -> {
            counts.put(row.getLong("fact_id"), row.getInt("files"));
        });
        return counts;
    }
}
