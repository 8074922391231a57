package app.navlo.server.store;

import app.navlo.core.exact.Rational;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.jdbc.support.KeyHolder;
import org.springframework.stereotype.Repository;

/** What a student adds for itself: what it reckons, its notes, its lenses. */
@Repository
public class Own {
    private final JdbcClient db;
    private final Batch batch;

    Own(JdbcClient db, Batch batch) {
        this.db = db;
        this.batch = batch;
    }

    /**
     * What the student reckons of a piece of work.
     *
     * @param effortMinutes null for what the school says
     * @param expectedPercent that it will bring, raw; null for what the scores so far say
     * @param preparingPercent of its points that preparing for it will bring; null for the usual
     */
    public record Figures(
            @Nullable Integer effortMinutes,
            @Nullable Rational expectedPercent,
            @Nullable Rational preparingPercent) {
        public static final Figures NONE = new Figures(null, null, null);

        public Figures withEffort(@Nullable Integer minutes) {
            return new Figures(minutes, expectedPercent, preparingPercent);
        }

        public Figures withExpected(@Nullable Rational percent) {
            return new Figures(effortMinutes, percent, preparingPercent);
        }

        public Figures withPreparing(@Nullable Rational percent) {
            return new Figures(effortMinutes, expectedPercent, percent);
        }

        /** The student's own estimate, else the one that is given. */
        public @Nullable Integer effortOr(@Nullable Integer told) {
            return effortMinutes == null ? told : effortMinutes;
        }
    }

    /** By work; work of which nothing was ever reckoned is left out. */
    public Map<Long, Figures> figures(long student, Set<Long> undone) {
        Map<Long, Figures> figures = new HashMap<>();
        db.sql("""
                SELECT work_id, change_id, effort_minutes, expected_percent, preparing_percent
                FROM own_figure WHERE student_id = :student ORDER BY id
                """).param("student", student).query(row -> {
            if (!undone.contains(row.getLong("change_id"))) {
                figures.put(
                        row.getLong("work_id"),
                        new Figures(
                                Rows.integerOrNull(row, "effort_minutes"),
                                Rows.exactOrNull(row, "expected_percent"),
                                Rows.exactOrNull(row, "preparing_percent")));
            }
        });
        return figures;
    }

    /** What the student reckons from now on. */
    public void reckon(long student, long change, Map<Long, Figures> byWork) {
        batch.run(
                """
                INSERT INTO own_figure (student_id, work_id, change_id, effort_minutes, expected_percent,
                    preparing_percent)
                VALUES (:student, :work, :change, :effort, :percent, :preparing)
                """,
                byWork.entrySet().stream()
                        .map(entry -> row(student, entry.getKey(), change, entry.getValue()))
                        .toList());
    }

    private static Map<String, Object> row(long student, long work, long change, Figures figures) {
        Map<String, Object> row = new HashMap<>();
        row.put("student", student);
        row.put("work", work);
        row.put("change", change);
        row.put("effort", figures.effortMinutes());
        row.put("percent", Rows.decimal(figures.expectedPercent()));
        row.put("preparing", Rows.decimal(figures.preparingPercent()));
        return row;
    }

    /**
     * @param work null for a note on a course
     * @param course null for a note on a piece of work
     * @param at when it was last written
     * @param tag null for none
     * @param number of this very state of it; every change of it gives it another
     */
    public record Note(
            long id,
            long number,
            @Nullable Long work,
            @Nullable Long course,
            Instant at,
            @Nullable String tag,
            String body) {}

    /** The latest first. */
    public List<Note> notes(long student, Set<Long> undone) {
        Map<Long, Note> standing = new LinkedHashMap<>();
        db.sql("""
                SELECT n.id, n.work_id, n.course_id, r.change_id, r.gone, r.at, r.tag, r.body
                FROM note n JOIN note_revision r ON r.note_id = n.id
                WHERE n.student_id = :student ORDER BY r.id
                """).param("student", student).query(row -> {
            if (undone.contains(row.getLong("change_id"))) {
                return;
            }
            if (row.getBoolean("gone")) {
                standing.remove(row.getLong("id"));
            } else {
                standing.put(row.getLong("id"), note(row));
            }
        });
        List<Note> notes = new ArrayList<>(standing.values());
        notes.sort(Comparator.comparing(Note::at).thenComparing(Note::id).reversed());
        return notes;
    }

    private static Note note(ResultSet row) throws SQLException {
        return new Note(
                row.getLong("id"),
                row.getLong("change_id"),
                Rows.longOrNull(row, "work_id"),
                Rows.longOrNull(row, "course_id"),
                Rows.instant(row, "at"),
                row.getString("tag"),
                row.getString("body"));
    }

    public Optional<Note> note(long student, long id, Set<Long> undone) {
        return notes(student, undone).stream().filter(note -> note.id() == id).findFirst();
    }

    /** @param note whose numbers are passed over */
    public long addNote(long student, long change, Note note) {
        return addNotes(student, change, List.of(note)).get(0);
    }

    /** @param notes whose numbers are passed over */
    public List<Long> addNotes(long student, long change, List<Note> notes) {
        List<Map<String, Object>> rows = new ArrayList<>();
        for (Note note : notes) {
            Map<String, Object> row = new HashMap<>();
            row.put("student", student);
            row.put("work", note.work());
            row.put("course", note.course());
            rows.add(row);
        }
        List<Long> ids = batch.insert(
                "INSERT INTO note (student_id, work_id, course_id) VALUES (:student, :work, :course)", rows);
        List<Map<String, Object>> revisions = new ArrayList<>();
        for (int i = 0; i < ids.size(); i++) {
            revisions.add(revision(ids.get(i), change, notes.get(i), false));
        }
        batch.run(REVISE_NOTE, revisions);
        return ids;
    }

    private static final String REVISE_NOTE = """
            INSERT INTO note_revision (note_id, change_id, gone, at, tag, body)
            VALUES (:note, :change, :gone, :at, :tag, :body)
            """;

    private static Map<String, Object> revision(long id, long change, Note note, boolean gone) {
        Map<String, Object> row = new HashMap<>();
        row.put("note", id);
        row.put("change", change);
        row.put("gone", gone);
        row.put("at", note.at());
        row.put("tag", note.tag());
        row.put("body", note.body());
        return row;
    }

    public void reviseNote(long id, long change, Note note, boolean gone) {
        batch.run(REVISE_NOTE, List.of(revision(id, change, note, gone)));
    }

    /** Minutes that were really spent, by work; work on which none were is left out. */
    public Map<Long, Integer> minutesSpent(long student, Set<Long> undone) {
        Map<Long, Integer> spent = new HashMap<>();
        db.sql("SELECT work_id, change_id, minutes FROM time_spent WHERE student_id = :student ORDER BY id")
                .param("student", student)
                .query(row -> {
                    if (!undone.contains(row.getLong("change_id"))) {
                        spent.merge(row.getLong("work_id"), row.getInt("minutes"), Integer::sum);
                    }
                });
        return spent;
    }

    public void addMinutesSpent(long student, long work, long change, Instant at, int minutes) {
        db.sql("""
                INSERT INTO time_spent (student_id, work_id, change_id, at, minutes)
                VALUES (:student, :work, :change, :at, :minutes)
                """)
                .param("student", student)
                .param("work", work)
                .param("change", change)
                .param("at", at)
                .param("minutes", minutes)
                .update();
    }

    /** @param query of the address, without its question mark */
    public record Lens(long id, String name, String query) {}

    /** By name. */
    public List<Lens> lenses(long student, Set<Long> undone) {
        Map<Long, Lens> standing = new LinkedHashMap<>();
        db.sql("""
                SELECT l.id, r.change_id, r.gone, r.name, r.query
                FROM lens l JOIN lens_revision r ON r.lens_id = l.id
                WHERE l.student_id = :student ORDER BY r.id
                """).param("student", student).query(row -> {
            if (undone.contains(row.getLong("change_id"))) {
                return;
            }
            if (row.getBoolean("gone")) {
                standing.remove(row.getLong("id"));
            } else {
                standing.put(
                        row.getLong("id"), new Lens(row.getLong("id"), row.getString("name"), row.getString("query")));
            }
        });
        return standing.values().stream()
                .sorted(Comparator.comparing(Lens::name, String.CASE_INSENSITIVE_ORDER))
                .toList();
    }

    public long addLens(long student, long change, String name, String query) {
        KeyHolder key = new GeneratedKeyHolder();
        db.sql("INSERT INTO lens (student_id) VALUES (:student)")
                .param("student", student)
                .update(key, "id");
        long id = Objects.requireNonNull(key.getKeyAs(Long.class));
        reviseLens(change, new Lens(id, name, query), false);
        return id;
    }

    public void reviseLens(long change, Lens lens, boolean gone) {
        db.sql("""
                INSERT INTO lens_revision (lens_id, change_id, gone, name, query)
                VALUES (:lens, :change, :gone, :name, :query)
                """)
                .param("lens", lens.id())
                .param("change", change)
                .param("gone", gone)
                .param("name", lens.name())
                .param("query", lens.query())
                .update();
    }
}
