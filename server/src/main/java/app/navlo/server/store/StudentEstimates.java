package app.navlo.server.store;

import app.navlo.core.exact.Rational;
import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What a student reckons of each piece of work, and the time spent on it. */
@Repository
public class StudentEstimates {
    private final JdbcClient db;
    private final Batch batch;

    StudentEstimates(JdbcClient db, Batch batch) {
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
}
