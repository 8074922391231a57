package app.navlo.server.store;

import app.navlo.core.policy.KeptScore;
import app.navlo.core.policy.RedoRule;
import app.navlo.core.work.WorkItem;
import app.navlo.core.work.WorkKind;
import app.navlo.server.sheet.WorkSheet;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Pieces of work of a student, each with the revision that stands. */
@Repository
public class Works {
    /** Tables whose rows are of a piece of work and come by a change that can be undone. */
    private static final List<String> OF_A_WORK =
            List.of("fact", "work_revision", "own_figure", "wish", "time_spent", "mark_tick");

    /** Those of them that don't matter to what another page writes. */
    private static final Set<String> HARMLESS = Set.of("time_spent", "mark_tick");

    private static final String TOUCHED = OF_A_WORK.stream()
            .map(table -> "SELECT work_id FROM " + table + " WHERE change_id = :change")
            .collect(Collectors.joining(" UNION "));

    private static final String SINCE = OF_A_WORK.stream()
            .filter(table -> !HARMLESS.contains(table))
            .map(table -> "SELECT t.change_id FROM " + table + " t JOIN change c ON c.id = t.change_id"
                    + " WHERE t.work_id = :work AND t.change_id > :after AND c.kind <> 'READ'")
            .collect(Collectors.joining(" UNION "));

    private final JdbcClient db;
    private final Batch batch;
    private final Sheets sheets;

    Works(JdbcClient db, Batch batch, Sheets sheets) {
        this.db = db;
        this.batch = batch;
        this.sheets = sheets;
    }

    /** By number, in the order in which they were added. Work whose course is gone is left out. */
    public Map<Long, Work> all(long student, Set<Long> undone, Map<Long, Course> courses) {
        Map<Long, Work> latest = new LinkedHashMap<>();
        db.sql("""
                SELECT w.id, w.version, w.origin, w.origin_key, r.change_id, r.gone, r.course_id, r.title, r.kind,
                       r.unit, r.category, r.required, r.expects_hand_in, r.possible, r.pass_percent, r.kept,
                       r.opens_at, r.due_at, r.due_day, r.closes_at, r.closes_day,
                       r.attempts_allowed, r.posts_wanted, r.replies_wanted, r.redo_allowed, r.redo_until,
                       r.redo_needs_reopening, r.effort_minutes, r.takes_files, r.takes_text, r.takes_done,
                       r.file_types, r.max_files, r.max_file_bytes, r.rules
                FROM work w JOIN work_revision r ON r.work_id = w.id
                WHERE w.student_id = :student
                ORDER BY w.id, r.id
                """).param("student", student).query(row -> {
            if (undone.contains(row.getLong("change_id"))) {
                return;
            }
            Course course = courses.get(row.getLong("course_id"));
            if (row.getBoolean("gone") || course == null) {
                latest.remove(row.getLong("id"));
            } else {
                latest.put(row.getLong("id"), work(row, course.details().zone()));
            }
        });
        return latest;
    }

    private Work work(ResultSet row, ZoneId zone) throws SQLException {
        return new Work(
                row.getLong("id"),
                row.getLong("version"),
                Work.Origin.valueOf(row.getString("origin")),
                row.getString("origin_key"),
                definition(row, zone));
    }

    private Work.Definition definition(ResultSet row, ZoneId zone) throws SQLException {
        return new Work.Definition(
                new Work.Place(row.getLong("course_id"), row.getString("unit"), row.getString("category")),
                row.getString("title"),
                WorkKind.valueOf(row.getString("kind")),
                new Work.Dates(
                        Rows.instantOrNull(row, "opens_at"),
                        Rows.deadlineOrNull(row, "due", zone),
                        Rows.deadlineOrNull(row, "closes", zone)),
                new Work.Handling(
                        row.getBoolean("required"),
                        row.getBoolean("expects_hand_in"),
                        Rows.integerOrNull(row, "attempts_allowed"),
                        parts(row),
                        row.getBoolean("redo_allowed")
                                ? new RedoRule(
                                        Rows.instantOrNull(row, "redo_until"), row.getBoolean("redo_needs_reopening"))
                                : null,
                        takes(row)),
                new WorkItem.Marking(
                        Rows.exact(row, "possible"),
                        Rows.exactOrNull(row, "pass_percent"),
                        KeptScore.valueOf(row.getString("kept"))),
                Rows.integerOrNull(row, "effort_minutes"),
                rules(row));
    }

    private WorkSheet rules(ResultSet row) throws SQLException {
        String text = row.getString("rules");
        return text == null ? WorkSheet.PLAIN : sheets.read(text, WorkSheet.class);
    }

    private static WorkItem.@Nullable Parts parts(ResultSet row) throws SQLException {
        Integer posts = Rows.integerOrNull(row, "posts_wanted");
        return posts == null ? null : new WorkItem.Parts(posts, row.getInt("replies_wanted"));
    }

    private static Work.Takes takes(ResultSet row) throws SQLException {
        String types = row.getString("file_types");
        return new Work.Takes(
                row.getBoolean("takes_files"),
                row.getBoolean("takes_text"),
                row.getBoolean("takes_done"),
                types.isEmpty() ? List.of() : List.of(types.split(",")),
                row.getInt("max_files"),
                row.getLong("max_file_bytes"));
    }

    /** @return the instructions of the revision that stands; empty if there are none */
    public String instructions(long work, Set<Long> undone) {
        return db
                .sql("SELECT change_id, instructions FROM work_revision WHERE work_id = :work ORDER BY id DESC")
                .param("work", work)
                .query((row, n) -> Map.entry(row.getLong("change_id"), row.getString("instructions")))
                .list()
                .stream()
                .filter(revision -> !undone.contains(revision.getKey()))
                .map(Map.Entry::getValue)
                .findFirst()
                .orElse("");
    }

    /** What is needed to add a piece of work. */
    public record NewWork(
            long student,
            long change,
            Work.Origin origin,
            @Nullable String originKey,
            @Nullable Long calendar,
            Work.Definition definition,
            String instructions) {}

    public long add(NewWork work) {
        return addAll(List.of(work)).get(0);
    }

    /** Any number of them at once. @return their numbers, in their order */
    public List<Long> addAll(List<NewWork> works) {
        List<Long> ids = batch.insert("""
                INSERT INTO work (student_id, course_id, origin, origin_key, calendar_id, version)
                VALUES (:student, :course, :origin, :key, :calendar, :change)
                """, works.stream().map(Works::row).toList());
        List<Revision> revisions = new ArrayList<>();
        for (int i = 0; i < ids.size(); i++) {
            NewWork work = works.get(i);
            revisions.add(new Revision(ids.get(i), work.change(), work.definition(), work.instructions(), false));
        }
        reviseAll(revisions);
        return ids;
    }

    private static Map<String, Object> row(NewWork work) {
        Map<String, Object> row = new HashMap<>();
        row.put("student", work.student());
        row.put("course", work.definition().courseId());
        row.put("origin", work.origin().name());
        row.put("key", work.originKey());
        row.put("calendar", work.calendar());
        row.put("change", work.change());
        return row;
    }

    /** A new word on what a piece of work is. {@code gone} takes it off the board and keeps everything about it. */
    public record Revision(long work, long change, Work.Definition definition, String instructions, boolean gone) {}

    public void revise(long work, long change, Work.Definition definition, String instructions, boolean gone) {
        reviseAll(List.of(new Revision(work, change, definition, instructions, gone)));
    }

    public void reviseAll(List<Revision> revisions) {
        batch.run("""
                INSERT INTO work_revision (
                    work_id, change_id, gone, course_id, title, kind, unit, category, required, expects_hand_in,
                    possible, pass_percent, kept, opens_at, due_at, due_day, closes_at, closes_day,
                    attempts_allowed, posts_wanted, replies_wanted, redo_allowed, redo_until, redo_needs_reopening,
                    effort_minutes, instructions, takes_files, takes_text, takes_done, file_types, max_files,
                    max_file_bytes, rules)
                VALUES (
                    :work, :change, :gone, :course, :title, :kind, :unit, :category, :required, :expects,
                    :possible, :pass, :kept, :opens, :dueAt, :dueDay, :closesAt, :closesDay,
                    :attempts, :posts, :replies, :redo, :redoUntil, :redoReopening,
                    :effort, :instructions, :files, :text, :done, :types, :maxFiles,
                    :maxBytes, :rules)
                """, revisions.stream().map(this::row).toList());
    }

    private Map<String, Object> row(Revision revision) {
        Work.Definition d = revision.definition();
        WorkItem.Parts parts = d.handling().parts();
        RedoRule redo = d.handling().redo();
        Work.Takes takes = d.handling().takes();
        Map<String, Object> row = new HashMap<>();
        row.put("work", revision.work());
        row.put("change", revision.change());
        row.put("gone", revision.gone());
        row.put("course", d.courseId());
        row.put("title", d.title());
        row.put("kind", d.kind().name());
        row.put("unit", d.unit());
        row.put("category", d.category());
        row.put("required", d.required());
        row.put("expects", d.handling().expectsHandIn());
        row.put("possible", Rows.decimal(d.marking().possible()));
        row.put("pass", Rows.decimal(d.marking().passPercent()));
        row.put("kept", d.marking().kept().name());
        row.put("opens", d.opensAt());
        row.put("dueAt", Rows.at(d.due()));
        row.put("dueDay", Rows.day(d.due()));
        row.put("closesAt", Rows.at(d.closesAt()));
        row.put("closesDay", Rows.day(d.closesAt()));
        row.put("attempts", d.handling().attemptsAllowed());
        row.put("posts", parts == null ? null : parts.posts());
        row.put("replies", parts == null ? null : parts.replies());
        row.put("redo", redo != null);
        row.put("redoUntil", redo == null ? null : redo.until());
        row.put("redoReopening", redo != null && redo.needsReopening());
        row.put("effort", d.effortMinutes());
        row.put("instructions", revision.instructions());
        row.put("files", takes.files());
        row.put("text", takes.text());
        row.put("done", takes.done());
        row.put("types", String.join(",", takes.fileTypes()));
        row.put("maxFiles", takes.maxFiles());
        row.put("maxBytes", takes.maxFileBytes());
        row.put("rules", d.rules().equals(WorkSheet.PLAIN) ? null : sheets.write(d.rules()));
        return row;
    }

    /** Of several, by work; work of which nothing stands is left out. */
    public Map<Long, String> instructionsOf(Collection<Long> works, Set<Long> undone) {
        Map<Long, String> latest = new HashMap<>();
        db.sql("SELECT work_id, change_id, instructions FROM work_revision WHERE work_id IN (:works) ORDER BY id")
                .param("works", works)
                .query(row -> {
                    if (!undone.contains(row.getLong("change_id"))) {
                        latest.put(row.getLong("work_id"), row.getString("instructions"));
                    }
                });
        return latest;
    }

    /** Locks the work until the transaction ends, and says the last change that touched it. */
    public Optional<Long> lock(long student, long work) {
        return db.sql("SELECT version FROM work WHERE id = :work AND student_id = :student FOR UPDATE")
                .param("work", work)
                .param("student", student)
                .query(Long.class)
                .optional();
    }

    public void touch(long work, long change) {
        touchAll(List.of(work), change);
    }

    public void touchAll(Collection<Long> works, long change) {
        if (!works.isEmpty()) {
            db.sql("UPDATE work SET version = :change WHERE id IN (:works)")
                    .param("change", change)
                    .param("works", works)
                    .update();
        }
    }

    /** The works of which a change brought something. */
    public List<Long> touchedBy(long change) {
        return db.sql(TOUCHED).param("change", change).query(Long.class).list();
    }

    /** Changes later than {@code after} that brought something of the work; read marks and the like don't matter. */
    public List<Long> changesSince(long work, long after) {
        return db.sql(SINCE)
                .param("work", work)
                .param("after", after)
                .query(Long.class)
                .list();
    }

    /** Works that have ever been in a course, standing or not. */
    public List<Long> everIn(long course) {
        return db.sql("SELECT DISTINCT work_id FROM work_revision WHERE course_id = :course")
                .param("course", course)
                .query(Long.class)
                .list();
    }

    /** Which change first told of each piece of work. */
    public Map<Long, Long> broughtBy(long student) {
        Map<Long, Long> first = new HashMap<>();
        db.sql("""
                SELECT r.work_id, MIN(r.change_id) AS first FROM work_revision r JOIN work w ON w.id = r.work_id
                WHERE w.student_id = :student GROUP BY r.work_id
                """).param("student", student).query(row -> {
            first.put(row.getLong("work_id"), row.getLong("first"));
        });
        return first;
    }
}
