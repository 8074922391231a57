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
     * What is added: who, when, and the columns that its kind uses.
     *
     * @param happenedAt when it happened; it is learnt at {@code learntAt}
     */
    public record NewFact(
            long change,
            long student,
            long work,
            FactKind kind,
            Instant happenedAt,
            Instant learntAt,
            Actor actor,
            String actorName,
            Map<String, Object> columns) {}

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

    private static Map<String, Object> row(NewFact fact) {
        if (!TYPED_COLUMNS.containsAll(fact.columns().keySet())) {
            throw new IllegalArgumentException(
                    "a fact has no such columns: " + fact.columns().keySet());
        }
        Map<String, Object> params = new HashMap<>();
        TYPED_COLUMNS.forEach(column -> params.put(column, fact.columns().get(column)));
        params.put("change", fact.change());
        params.put("student", fact.student());
        params.put("work", fact.work());
        params.put("kind", fact.kind().name());
        params.put("happened", fact.happenedAt());
        params.put("learnt", fact.learntAt());
        params.put("actor", fact.actor().name());
        params.put("actorName", fact.actorName());
        return params;
    }

    /** The columns of a due, to be put into {@link NewFact#columns}. */
    public static Map<String, Object> dueColumns(@Nullable Deadline due) {
        return columns("due", due);
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
            Map<String, Object> columns = new HashMap<>(columns("before", moved.before()));
            columns.putAll(columns("due", moved.after()));
            add(new NewFact(
                    moved.change(),
                    moved.student(),
                    moved.work(),
                    FactKind.DUE_MOVED,
                    at,
                    at,
                    Actor.TEACHER,
                    source,
                    columns));
        }
    }

    private static Map<String, Object> columns(String prefix, @Nullable Deadline deadline) {
        if (deadline instanceof Deadline.EndOfDay end) {
            return Map.of(
                    prefix + "_day",
                    (Object) LocalDate.from(end.day()),
                    prefix + "_zone",
                    end.zone().getId());
        }
        return deadline == null ? Map.of() : Map.of(prefix + "_at", deadline.instant());
    }
}
