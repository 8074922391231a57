package app.navlo.server.store;

import app.navlo.core.time.Stretch;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.jdbc.support.KeyHolder;
import org.springframework.stereotype.Repository;

/** Calendars in whose times a student is busy: files, and feeds that are asked again. */
@Repository
public class BusyCalendars {
    private final JdbcClient db;

    BusyCalendars(JdbcClient db) {
        this.db = db;
    }

    /**
     * @param address of the feed; null for a file
     * @param tag that the feed gave with what it last told; null for none
     * @param fetchedAt when it last told something
     * @param nextAskAt null for a file
     * @param failures in a row
     * @param fault what went wrong last; null if it went well
     */
    public record BusyCalendar(
            long id,
            long student,
            String name,
            @Nullable String address,
            @Nullable String tag,
            @Nullable Instant fetchedAt,
            @Nullable Instant nextAskAt,
            int failures,
            @Nullable String fault) {}

    public record BusyTime(Stretch stretch, String title) {}

    /** Those that stand, in the order in which they came. */
    public List<BusyCalendar> of(long student, Set<Long> undone) {
        Map<Long, BusyCalendar> standing = new LinkedHashMap<>();
        db.sql("""
                SELECT c.id, c.student_id, c.address, c.tag, c.fetched_at, c.next_ask_at, c.failures, c.fault,
                       r.change_id, r.gone, r.name
                FROM busy_calendar c JOIN busy_calendar_revision r ON r.busy_calendar_id = c.id
                WHERE c.student_id = :student ORDER BY r.id
                """).param("student", student).query(row -> {
            if (undone.contains(row.getLong("change_id"))) {
                return;
            }
            if (row.getBoolean("gone")) {
                standing.remove(row.getLong("id"));
            } else {
                standing.put(row.getLong("id"), calendar(row));
            }
        });
        return new ArrayList<>(standing.values());
    }

    private static BusyCalendar calendar(ResultSet row) throws SQLException {
        return new BusyCalendar(
                row.getLong("id"),
                row.getLong("student_id"),
                row.getString("name"),
                row.getString("address"),
                row.getString("tag"),
                Rows.instantOrNull(row, "fetched_at"),
                Rows.instantOrNull(row, "next_ask_at"),
                row.getInt("failures"),
                row.getString("fault"));
    }

    /** By calendar, in order; those that end after {@code from}. */
    public Map<Long, List<BusyTime>> times(long student, Instant from) {
        record Row(long calendar, BusyTime time) {}
        return db
                .sql("""
                        SELECT t.busy_calendar_id, t.starts_at, t.ends_at, t.title
                        FROM busy_time t JOIN busy_calendar c ON c.id = t.busy_calendar_id
                        WHERE c.student_id = :student AND t.ends_at > :from ORDER BY t.starts_at, t.ends_at
                        """)
                .param("student", student)
                .param("from", from)
                .query((row, n) -> new Row(
                        row.getLong("busy_calendar_id"),
                        new BusyTime(
                                new Stretch(Rows.instant(row, "starts_at"), Rows.instant(row, "ends_at")),
                                row.getString("title"))))
                .list()
                .stream()
                .collect(Collectors.groupingBy(
                        Row::calendar, Collectors.mapping(Row::time, Collectors.toUnmodifiableList())));
    }

    /** @param address null for a file */
    public long add(long student, long change, String name, @Nullable String address) {
        KeyHolder key = new GeneratedKeyHolder();
        db.sql("INSERT INTO busy_calendar (student_id, address) VALUES (:student, :address)")
                .param("student", student)
                .param("address", address)
                .update(key, "id");
        long id = Rows.newId(key);
        revise(id, change, name, false);
        return id;
    }

    public void revise(long calendar, long change, String name, boolean gone) {
        db.sql("""
                INSERT INTO busy_calendar_revision (busy_calendar_id, change_id, gone, name)
                VALUES (:calendar, :change, :gone, :name)
                """)
                .param("calendar", calendar)
                .param("change", change)
                .param("gone", gone)
                .param("name", name)
                .update();
    }

    /** What a calendar tells takes the place of what it told before. */
    public void told(
            long calendar, List<BusyTime> times, @Nullable String tag, Instant now, @Nullable Instant nextAskAt) {
        db.sql("DELETE FROM busy_time WHERE busy_calendar_id = :calendar")
                .param("calendar", calendar)
                .update();
        for (BusyTime time : times) {
            db.sql("""
                    INSERT INTO busy_time (busy_calendar_id, starts_at, ends_at, title)
                    VALUES (:calendar, :starts, :ends, :title)
                    """)
                    .param("calendar", calendar)
                    .param("starts", time.stretch().start())
                    .param("ends", time.stretch().endExclusive())
                    .param("title", time.title())
                    .update();
        }
        asked(calendar, tag, now, nextAskAt, null);
    }

    /** It was asked, and told nothing new. */
    public void nothingNew(long calendar, @Nullable String tag, Instant now, Instant nextAskAt) {
        asked(calendar, tag, now, nextAskAt, null);
    }

    private void asked(
            long calendar, @Nullable String tag, Instant now, @Nullable Instant nextAskAt, @Nullable String fault) {
        db.sql("""
                UPDATE busy_calendar
                SET tag = :tag, fetched_at = :now, next_ask_at = :next, failures = 0, fault = :fault
                WHERE id = :calendar
                """)
                .param("calendar", calendar)
                .param("tag", tag)
                .param("now", now)
                .param("next", nextAskAt)
                .param("fault", fault)
                .update();
    }

    /** What it told before stays. */
    public void failed(long calendar, String fault, Instant nextAskAt) {
        db.sql("""
                UPDATE busy_calendar SET failures = failures + 1, fault = :fault, next_ask_at = :next
                WHERE id = :calendar
                """)
                .param("calendar", calendar)
                .param("fault", fault)
                .param("next", nextAskAt)
                .update();
    }

    /** The students with feeds that are to be asked. */
    public List<Long> studentsToAsk(Instant now) {
        return db.sql("SELECT DISTINCT student_id FROM busy_calendar WHERE next_ask_at <= :now ORDER BY student_id")
                .param("now", now)
                .query(Long.class)
                .list();
    }

    /** Takes one in hand, so that no other server asks it at the same time. @return whether it was free to be taken */
    public boolean claim(long calendar, Instant now, Instant until) {
        return db.sql("UPDATE busy_calendar SET next_ask_at = :until WHERE id = :calendar AND next_ask_at <= :now")
                        .param("calendar", calendar)
                        .param("now", now)
                        .param("until", until)
                        .update()
                == 1;
    }

    /** Feeds that were removed aren't asked for a while. One whose removal is undone is asked again after it. */
    public void rest(long student, List<Long> standing, Instant now, Instant until) {
        db.sql("""
                UPDATE busy_calendar SET next_ask_at = :until
                WHERE student_id = :student AND next_ask_at <= :now AND id NOT IN (:standing)
                """)
                .param("student", student)
                .param("now", now)
                .param("until", until)
                .param("standing", standing.isEmpty() ? List.of(0L) : standing)
                .update();
    }
}
