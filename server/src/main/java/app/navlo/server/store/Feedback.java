package app.navlo.server.store;

import app.navlo.core.exact.Rational;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What a word of a teacher holds beside its text, by the number of its fact: a place on a page, rubric rows, answers. */
@Repository
public class Feedback {
    private final JdbcClient db;

    Feedback(JdbcClient db) {
        this.db = db;
    }

    /**
     * Where on a page of a file that was handed in a comment stands.
     *
     * @param handIn the fact of the hand-in
     * @param position of the file in it, from 1
     * @param fileName as it was handed in
     * @param page from 1
     */
    public record FileMark(long handIn, int position, String fileName, int page, Area area) {}

    /** Shares of the page's width and height, from its upper left corner; a width and height of 0 are a point. */
    public record Area(double x, double y, double width, double height) {}

    /** @param place of the row in the rubric, from 0 */
    public record RubricMark(
            int place, Rational points, @Nullable String words) {}

    /**
     * @param given by the student; null for nothing
     * @param wanted null where the question has no one answer
     * @param words of the teacher; null for none
     */
    public record Answer(
            String question,
            @Nullable String given,
            @Nullable String wanted,
            Rational points,
            Rational possible,
            @Nullable String words) {}

    /**
     * All of a student, or of one piece of work.
     *
     * @param work null for all
     */
    public Map<Long, FileMark> marks(long student, @Nullable Long work) {
        Map<Long, FileMark> marks = new HashMap<>();
        db.sql("""
                SELECT m.fact_id, m.hand_in, m.position, h.name, m.page, m.x, m.y, m.width, m.height
                FROM file_mark m JOIN fact f ON f.id = m.fact_id
                     JOIN hand_in_file h ON h.fact_id = m.hand_in AND h.position = m.position
                WHERE f.student_id = :student AND (CAST(:work AS BIGINT) IS NULL OR f.work_id = :work)
                """).param("student", student).param("work", work).query(row -> {
            marks.put(row.getLong("fact_id"), mark(row));
        });
        return marks;
    }

    private static FileMark mark(ResultSet row) throws SQLException {
        return new FileMark(
                row.getLong("hand_in"),
                row.getInt("position"),
                row.getString("name"),
                row.getInt("page"),
                new Area(row.getDouble("x"), row.getDouble("y"), row.getDouble("width"), row.getDouble("height")));
    }

    /** The marks that the student has dealt with. @param work null for all */
    public Set<Long> ticked(long student, @Nullable Long work, Set<Long> undone) {
        Set<Long> ticked = new HashSet<>();
        db.sql("""
                SELECT t.fact_id, t.change_id, t.done
                FROM mark_tick t JOIN fact f ON f.id = t.fact_id
                WHERE f.student_id = :student AND (CAST(:work AS BIGINT) IS NULL OR f.work_id = :work) ORDER BY t.id
                """).param("student", student).param("work", work).query(row -> {
            if (undone.contains(row.getLong("change_id"))) {
                return;
            }
            if (row.getBoolean("done")) {
                ticked.add(row.getLong("fact_id"));
            } else {
                ticked.remove(row.getLong("fact_id"));
            }
        });
        return ticked;
    }

    public void tick(long fact, long work, long change, boolean done) {
        db.sql("INSERT INTO mark_tick (fact_id, work_id, change_id, done) VALUES (:fact, :work, :change, :done)")
                .param("fact", fact)
                .param("work", work)
                .param("change", change)
                .param("done", done)
                .update();
    }

    /** What goes with words of the student, in order. @param work null for all */
    public Map<Long, List<StoredFile>> files(long student, @Nullable Long work) {
        Map<Long, List<StoredFile>> files = new HashMap<>();
        db.sql("""
                SELECT c.fact_id, c.name, c.media_type, c.size, c.sha256
                FROM comment_file c JOIN fact f ON f.id = c.fact_id
                WHERE f.student_id = :student AND (CAST(:work AS BIGINT) IS NULL OR f.work_id = :work)
                ORDER BY c.fact_id, c.position
                """).param("student", student).param("work", work).query(row -> {
            files.computeIfAbsent(row.getLong("fact_id"), fact -> new ArrayList<>())
                    .add(StoredFile.of(row));
        });
        return files;
    }

    public void addFiles(long fact, List<StoredFile> files) {
        FileRows.add(db, "comment_file", "fact_id", fact, files);
    }

    public void addMark(long fact, long handIn, int position, int page, Area area) {
        db.sql("""
                INSERT INTO file_mark (fact_id, hand_in, position, page, x, y, width, height)
                VALUES (:fact, :handIn, :position, :page, :x, :y, :width, :height)
                """)
                .param("fact", fact)
                .param("handIn", handIn)
                .param("position", position)
                .param("page", page)
                .param("x", area.x())
                .param("y", area.y())
                .param("width", area.width())
                .param("height", area.height())
                .update();
    }

    /** In the order of the rubric. @param work null for all */
    public Map<Long, List<RubricMark>> rubricMarks(long student, @Nullable Long work) {
        Map<Long, List<RubricMark>> marks = new HashMap<>();
        db.sql("""
                SELECT m.fact_id, m.place, m.points, m.words
                FROM rubric_mark m JOIN fact f ON f.id = m.fact_id
                WHERE f.student_id = :student AND (CAST(:work AS BIGINT) IS NULL OR f.work_id = :work)
                ORDER BY m.fact_id, m.place
                """).param("student", student).param("work", work).query(row -> {
            marks.computeIfAbsent(row.getLong("fact_id"), fact -> new ArrayList<>())
                    .add(new RubricMark(row.getInt("place"), Rows.exact(row, "points"), row.getString("words")));
        });
        return marks;
    }

    public void addRubricMark(long fact, RubricMark mark) {
        db.sql("INSERT INTO rubric_mark (fact_id, place, points, words) VALUES (:fact, :place, :points, :words)")
                .param("fact", fact)
                .param("place", mark.place())
                .param("points", Rows.decimal(mark.points()))
                .param("words", mark.words())
                .update();
    }

    /** In the order of the questions; released or not. @param work null for all */
    public Map<Long, List<Answer>> answers(long student, @Nullable Long work) {
        Map<Long, List<Answer>> answers = new HashMap<>();
        db.sql("""
                SELECT a.fact_id, a.question, a.given, a.wanted, a.points, a.possible, a.words
                FROM attempt_answer a JOIN fact f ON f.id = a.fact_id
                WHERE f.student_id = :student AND (CAST(:work AS BIGINT) IS NULL OR f.work_id = :work)
                ORDER BY a.fact_id, a.place
                """).param("student", student).param("work", work).query(row -> {
            answers.computeIfAbsent(row.getLong("fact_id"), fact -> new ArrayList<>())
                    .add(new Answer(
                            Objects.requireNonNull(row.getString("question")),
                            row.getString("given"),
                            row.getString("wanted"),
                            Rows.exact(row, "points"),
                            Rows.exact(row, "possible"),
                            row.getString("words")));
        });
        return answers;
    }

    /** @param place from 0 */
    public void addAnswer(long fact, int place, Answer answer) {
        db.sql("""
                INSERT INTO attempt_answer (fact_id, place, question, given, wanted, points, possible, words)
                VALUES (:fact, :place, :question, :given, :wanted, :points, :possible, :words)
                """)
                .param("fact", fact)
                .param("place", place)
                .param("question", answer.question())
                .param("given", answer.given())
                .param("wanted", answer.wanted())
                .param("points", Rows.decimal(answer.points()))
                .param("possible", Rows.decimal(answer.possible()))
                .param("words", answer.words())
                .update();
    }
}
