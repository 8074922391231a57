package app.navlo.server.store;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What courses and schools say to all. Rows are only added; the last of a key that stands holds. */
@Repository
public class Announcements {
    private final JdbcClient db;

    Announcements(JdbcClient db) {
        this.db = db;
    }

    /**
     * @param course that it is of; null for a school's
     * @param source by whose link it came
     * @param item what names it there
     * @param lastDay after which nobody needs it; null for none
     * @param address of a page or file that belongs to it; null for none
     */
    public record Announcement(
            @Nullable Long course,
            String source,
            String item,
            String author,
            String title,
            String body,
            Instant at,
            Instant learnt,
            @Nullable LocalDate lastDay,
            @Nullable String address) {
        public String key() {
            return source + " " + item;
        }
    }

    /** Those that stand, the newest first. */
    public List<Announcement> all(long student, Set<Long> undone) {
        Map<String, Announcement> standing = new LinkedHashMap<>();
        db.sql("SELECT * FROM announcement WHERE student_id = :student ORDER BY id")
                .param("student", student)
                .query(row -> {
                    if (undone.contains(row.getLong("change_id"))) {
                        return;
                    }
                    Announcement one = new Announcement(
                            Rows.longOrNull(row, "course_id"),
                            row.getString("source"),
                            row.getString("item"),
                            row.getString("author"),
                            row.getString("title"),
                            row.getString("body"),
                            Rows.instant(row, "at"),
                            Rows.instant(row, "learnt_at"),
                            row.getObject("last_day", LocalDate.class),
                            row.getString("address"));
                    standing.put(one.key(), one);
                });
        List<Announcement> all = new ArrayList<>(standing.values());
        all.sort((one, other) -> other.at().compareTo(one.at()));
        return all;
    }

    public void add(long student, long change, Announcement one) {
        db.sql("""
                INSERT INTO announcement (student_id, change_id, course_id, source, item, author, title, body, at, learnt_at,
                    last_day, address)
                VALUES (:student, :change, :course, :source, :item, :author, :title, :body, :at, :learnt, :last, :address)
                """)
                .param("student", student)
                .param("change", change)
                .param("course", one.course())
                .param("source", one.source())
                .param("item", one.item())
                .param("author", one.author())
                .param("title", one.title())
                .param("body", one.body())
                .param("at", one.at())
                .param("learnt", one.learnt())
                .param("last", one.lastDay())
                .param("address", one.address())
                .update();
    }
}
