package app.navlo.server.store;

import app.navlo.core.time.Deadline;
import app.navlo.core.work.Actor;
import app.navlo.core.work.Fact;
import app.navlo.core.work.Flag;
import app.navlo.core.work.HandInContent;
import app.navlo.core.work.Stamp;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The facts of a student's work: added, read, never changed. */
@Repository
public class Facts {
    private final JdbcClient db;
    private final Batch batch;

    Facts(JdbcClient db, Batch batch) {
        this.db = db;
        this.batch = batch;
    }

    /** Facts that stand, by work, in the order in which they were added. */
    public Map<Long, List<RecordedFact>> all(long student, Set<Long> undone) {
        Map<Long, List<RecordedFact>> byWork = new LinkedHashMap<>();
        db.sql("""
                SELECT f.id, f.change_id, f.work_id, f.kind, f.happened_at, f.learnt_at, f.actor, f.actor_name,
                       c.source, f.attempt, f.content, f.part, f.body, f.points, f.points_by_due, f.is_final, f.is_posted, f.stands,
                       f.flag, f.asks_redo, f.due_at, f.due_day, f.due_zone, f.span_minutes, f.is_private, f.in_file, f.answers_fact, f.answers_post,
                       f.asks, f.before_at, f.before_day, f.before_zone
                FROM fact f JOIN change c ON c.id = f.change_id
                WHERE f.student_id = :student
                ORDER BY f.id
                """).param("student", student).query(row -> {
            if (!undone.contains(row.getLong("change_id"))) {
                RecordedFact fact = recorded(row);
                byWork.computeIfAbsent(fact.workId(), w -> new ArrayList<>()).add(fact);
            }
        });
        return byWork;
    }

    private static RecordedFact recorded(ResultSet row) throws SQLException {
        return new RecordedFact(
                row.getLong("id"),
                row.getLong("change_id"),
                row.getLong("work_id"),
                row.getString("body"),
                Rows.longOrNull(row, "answers_fact"),
                Rows.longOrNull(row, "answers_post"),
                fact(row));
    }

    private static Fact fact(ResultSet row) throws SQLException {
        Stamp stamp = new Stamp(
                Rows.instant(row, "happened_at"),
                Rows.instant(row, "learnt_at"),
                row.getLong("id"),
                Actor.valueOf(row.getString("actor")),
                row.getString("actor_name"),
                row.getString("source"));
        return switch (FactKind.valueOf(row.getString("kind"))) {
            case DRAFT_STARTED -> new Fact.DraftStarted(stamp);
            case ATTEMPT_BEGUN -> new Fact.AttemptBegun(stamp, row.getInt("attempt"));
            case HANDED_IN ->
                new Fact.HandedIn(stamp, row.getInt("attempt"), HandInContent.valueOf(row.getString("content")));
            case POSTED -> new Fact.Posted(stamp, Fact.Posted.Part.valueOf(row.getString("part")));
            case WITHDRAWN -> new Fact.Withdrawn(stamp);
            case SENT_BACK -> new Fact.SentBack(stamp, row.getString("body"), due(row));
            case RETURNED ->
                new Fact.Returned(stamp, row.getBoolean("asks_redo") ? new Fact.RedoAsked(due(row)) : null);
            case SCORED ->
                new Fact.Scored(
                        stamp,
                        row.getInt("attempt"),
                        Rows.exact(row, "points"),
                        Rows.exactOrNull(row, "points_by_due"),
                        row.getBoolean("is_final"),
                        row.getBoolean("is_posted"));
            case EXCUSED -> new Fact.Excused(stamp, row.getBoolean("stands"));
            case FLAGGED -> new Fact.Flagged(stamp, Flag.valueOf(row.getString("flag")));
            case EXTENSION_ASKED -> new Fact.ExtensionAsked(stamp);
            case EXTENSION_GRANTED -> new Fact.ExtensionGranted(stamp, Objects.requireNonNull(due(row)));
            case EXTENSION_DECLINED -> new Fact.ExtensionDeclined(stamp);
            case TOKEN_USED -> new Fact.TokenUsed(stamp, Duration.ofMinutes(row.getLong("span_minutes")));
            case REOPENED -> new Fact.Reopened(stamp);
            case KEY_OPENED -> new Fact.KeyOpened(stamp);
            case COMMENTED ->
                new Fact.Commented(
                        stamp,
                        row.getString("body"),
                        row.getBoolean("is_private"),
                        row.getBoolean("in_file"),
                        row.getBoolean("asks"));
            case RUBRIC_MARKED -> new Fact.RubricMarked(stamp);
            case ANSWERS_RELEASED -> new Fact.AnswersReleased(stamp, row.getInt("attempt"));
            case READ_MARKED -> new Fact.ReadMarked(stamp);
            case DUE_MOVED -> new Fact.DueMoved(stamp, deadline(row, "before"), due(row));
            case PUT_ASIDE -> new Fact.PutAside(stamp, row.getString("body"));
        };
    }

    private static @Nullable Deadline due(ResultSet row) throws SQLException {
        return deadline(row, "due");
    }

    private static @Nullable Deadline deadline(ResultSet row, String prefix) throws SQLException {
        String zone = row.getString(prefix + "_zone");
        return Rows.deadlineOrNull(row, prefix, zone == null ? ZoneId.of("UTC") : ZoneId.of(zone));
    }

    /**
     * What is said with a fact, and what it answers.
     *
     * @param body of a post, which the fact itself doesn't hold; null for anything else
     * @param answersFact the word that is answered; null for none
     * @param answersPost the post of another that is answered; null for none
     */
    public record Words(
            @Nullable String body,
            @Nullable Long answersFact,
            @Nullable Long answersPost) {
        public static final Words NONE = new Words(null, null, null);

        public static Words answering(@Nullable Long fact) {
            return new Words(null, fact, null);
        }
    }

    /**
     * What is added. The store gives it its number, and the source of its change.
     *
     * @param fact the order and the source of its stamp are left aside
     */
    public record NewFact(long change, long student, long work, Fact fact, Words words) {
        public NewFact(long change, long student, long work, Fact fact) {
            this(change, student, work, fact, Words.NONE);
        }
    }

    /** The stamp of a fact that is to be added. */
    public static Stamp stamp(Instant at, Instant learnt, Actor by, String name) {
        return new Stamp(at, learnt, 0, by, name, Changes.TYPED_IN);
    }

    private static final List<String> TYPED_COLUMNS = List.of(
            "attempt",
            "content",
            "part",
            "body",
            "points",
            "points_by_due",
            "is_final",
            "is_posted",
            "stands",
            "flag",
            "asks_redo",
            "due_at",
            "due_day",
            "due_zone",
            "span_minutes",
            "is_private",
            "in_file",
            "answers_fact",
            "answers_post",
            "asks",
            "before_at",
            "before_day",
            "before_zone");

    private static final String INSERT = """
            INSERT INTO fact (change_id, student_id, work_id, kind, happened_at, learnt_at, actor, actor_name,
                              attempt, content, part, body, points, points_by_due, is_final, is_posted, stands, flag, asks_redo,
                              due_at, due_day, due_zone, span_minutes, is_private, in_file, answers_fact, answers_post,
                              asks, before_at, before_day, before_zone)
            VALUES (:change, :student, :work, :kind, :happened, :learnt, :actor, :actorName,
                    :attempt, :content, :part, :body, :points, :points_by_due, :is_final, :is_posted, :stands, :flag, :asks_redo,
                    :due_at, :due_day, :due_zone, :span_minutes, :is_private, :in_file, :answers_fact, :answers_post,
                    :asks, :before_at, :before_day, :before_zone)
            """;

    /** @return the number of the fact */
    public long add(NewFact fact) {
        return addAll(List.of(fact)).get(0);
    }

    /** Any number of them at once. @return their numbers, in their order */
    public List<Long> addAll(List<NewFact> facts) {
        return batch.insert(INSERT, facts.stream().map(Facts::row).toList());
    }

    private static Map<String, Object> row(NewFact added) {
        Fact fact = added.fact();
        Map<String, Object> row = new HashMap<>();
        TYPED_COLUMNS.forEach(column -> row.put(column, null));
        row.put("change", added.change());
        row.put("student", added.student());
        row.put("work", added.work());
        row.put("kind", FactKind.of(fact).name());
        row.put("happened", fact.stamp().at());
        row.put("learnt", fact.stamp().learnt());
        row.put("actor", fact.stamp().by().name());
        row.put("actorName", fact.stamp().name());
        row.put("body", added.words().body());
        row.put("answers_fact", added.words().answersFact());
        row.put("answers_post", added.words().answersPost());
        done(row, fact);
        judged(row, fact);
        dues(row, fact);
        return row;
    }

    private static void done(Map<String, Object> row, Fact fact) {
        if (fact instanceof Fact.AttemptBegun begun) {
            row.put("attempt", begun.attempt());
        } else if (fact instanceof Fact.HandedIn handedIn) {
            row.put("attempt", handedIn.attempt());
            row.put("content", handedIn.content().name());
        } else if (fact instanceof Fact.Posted posted) {
            row.put("part", posted.part().name());
        } else if (fact instanceof Fact.TokenUsed used) {
            row.put("span_minutes", used.span().toMinutes());
        } else if (fact instanceof Fact.PutAside aside) {
            row.put("body", aside.signal());
        }
    }

    private static void judged(Map<String, Object> row, Fact fact) {
        if (fact instanceof Fact.Scored scored) {
            row.put("attempt", scored.attempt());
            row.put("points", Rows.decimal(scored.points()));
            row.put("points_by_due", scored.byDue() == null ? null : Rows.decimal(scored.byDue()));
            row.put("is_final", scored.isFinal());
            row.put("is_posted", scored.posted());
        } else if (fact instanceof Fact.Excused excused) {
            row.put("stands", excused.stands());
        } else if (fact instanceof Fact.Flagged flagged) {
            row.put("flag", flagged.flag().name());
        } else if (fact instanceof Fact.Commented said) {
            row.put("body", said.text());
            row.put("is_private", said.isPrivate());
            row.put("in_file", said.inFile());
            row.put("asks", said.asks());
        } else if (fact instanceof Fact.AnswersReleased released) {
            row.put("attempt", released.attempt());
        }
    }

    private static void dues(Map<String, Object> row, Fact fact) {
        if (fact instanceof Fact.SentBack sentBack) {
            row.put("body", sentBack.reason());
            put(row, "due", sentBack.newDue());
        } else if (fact instanceof Fact.Returned returned) {
            Fact.RedoAsked redo = returned.redo();
            row.put("asks_redo", redo != null);
            put(row, "due", redo == null ? null : redo.due());
        } else if (fact instanceof Fact.ExtensionGranted granted) {
            put(row, "due", granted.due());
        } else if (fact instanceof Fact.DueMoved moved) {
            put(row, "before", moved.before());
            put(row, "due", moved.after());
        }
    }

    private static void put(Map<String, Object> row, String prefix, @Nullable Deadline deadline) {
        if (deadline instanceof Deadline.EndOfDay end) {
            row.put(prefix + "_day", LocalDate.from(end.day()));
            row.put(prefix + "_zone", end.zone().getId());
        } else if (deadline != null) {
            row.put(prefix + "_at", deadline.instant());
        }
    }

    /** @param before null for none; the same of {@code after} */
    public record DueMoved(
            long change,
            long student,
            long work,
            @Nullable Deadline before,
            @Nullable Deadline after) {
        boolean isNothing() {
            return before == null || after == null
                    ? before == after
                    : before.instant().equals(after.instant());
        }
    }

    /** That a source told another due than before; nothing where it is the same instant. */
    public void addDueMoved(DueMoved moved, Instant at, String source) {
        if (!moved.isNothing()) {
            Stamp stamp = stamp(at, at, Actor.TEACHER, source);
            add(new NewFact(
                    moved.change(),
                    moved.student(),
                    moved.work(),
                    new Fact.DueMoved(stamp, moved.before(), moved.after())));
        }
    }
}
