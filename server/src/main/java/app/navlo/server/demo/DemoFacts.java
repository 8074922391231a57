package app.navlo.server.demo;

import app.navlo.core.exact.Rational;
import app.navlo.core.work.Actor;
import app.navlo.core.work.HandInContent;
import app.navlo.server.demo.DemoFiles.FactFile;
import app.navlo.server.store.FactKind;
import app.navlo.server.store.Facts;
import app.navlo.server.store.Feedback;
import app.navlo.server.store.Files;
import app.navlo.server.store.HandIns;
import app.navlo.server.store.Sha256;
import app.navlo.server.store.StoredFile;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.apache.tika.Tika;
import org.jspecify.annotations.Nullable;

/** Puts what happened in the demo's term into the store. */
final class DemoFacts {
    private static final Tika TIKA = new Tika();

    private final Facts facts;
    private final Feedback feedback;
    private final HandIns handIns;
    private final Files files;
    private final DemoTimes times;
    private final long change;
    private final long student;
    private final String studentName;
    private final Map<Long, Long> lastHandIn = new HashMap<>();
    private final Map<Long, Long> lastWord = new HashMap<>();

    DemoFacts(
            Facts facts,
            Feedback feedback,
            HandIns handIns,
            Files files,
            DemoTimes times,
            long change,
            long student,
            String studentName) {
        this.facts = facts;
        this.feedback = feedback;
        this.handIns = handIns;
        this.files = files;
        this.times = times;
        this.change = change;
        this.student = student;
        this.studentName = studentName;
    }

    /** Of whose doing a deed is, and which fact it makes. */
    private record Deed(FactKind kind, Actor actor) {}

    private static final Map<String, Deed> DEEDS = Map.ofEntries(
            Map.entry("draft", new Deed(FactKind.DRAFT_STARTED, Actor.STUDENT)),
            Map.entry("began an attempt", new Deed(FactKind.ATTEMPT_BEGUN, Actor.STUDENT)),
            Map.entry("handed in", new Deed(FactKind.HANDED_IN, Actor.STUDENT)),
            Map.entry("finished", new Deed(FactKind.HANDED_IN, Actor.STUDENT)),
            Map.entry("posted", new Deed(FactKind.POSTED, Actor.STUDENT)),
            Map.entry("replied", new Deed(FactKind.POSTED, Actor.STUDENT)),
            Map.entry("withdrew", new Deed(FactKind.WITHDRAWN, Actor.STUDENT)),
            Map.entry("asked for an extension", new Deed(FactKind.EXTENSION_ASKED, Actor.STUDENT)),
            Map.entry("used a token", new Deed(FactKind.TOKEN_USED, Actor.STUDENT)),
            Map.entry("opened the key", new Deed(FactKind.KEY_OPENED, Actor.STUDENT)),
            Map.entry("read", new Deed(FactKind.READ_MARKED, Actor.STUDENT)),
            Map.entry("sent back", new Deed(FactKind.SENT_BACK, Actor.TEACHER)),
            Map.entry("returned", new Deed(FactKind.RETURNED, Actor.TEACHER)),
            Map.entry("scored", new Deed(FactKind.SCORED, Actor.TEACHER)),
            Map.entry("excused", new Deed(FactKind.EXCUSED, Actor.TEACHER)),
            Map.entry("flagged", new Deed(FactKind.FLAGGED, Actor.TEACHER)),
            Map.entry("granted an extension", new Deed(FactKind.EXTENSION_GRANTED, Actor.TEACHER)),
            Map.entry("declined an extension", new Deed(FactKind.EXTENSION_DECLINED, Actor.TEACHER)),
            Map.entry("reopened", new Deed(FactKind.REOPENED, Actor.TEACHER)),
            Map.entry("commented", new Deed(FactKind.COMMENTED, Actor.TEACHER)),
            Map.entry("answered", new Deed(FactKind.COMMENTED, Actor.STUDENT)),
            Map.entry("marked the rubric", new Deed(FactKind.RUBRIC_MARKED, Actor.TEACHER)),
            Map.entry("released answers", new Deed(FactKind.ANSWERS_RELEASED, Actor.TEACHER)));

    void add(long work, String teacher, FactFile file) {
        Deed deed = DEEDS.get(file.did());
        if (deed == null) {
            throw new IllegalArgumentException("the demo says '" + file.did() + "'; known are " + DEEDS.keySet());
        }
        Actor actor = file.system() ? Actor.SYSTEM : deed.actor();
        String name = Objects.requireNonNullElse(file.by(), actor == Actor.STUDENT ? studentName : teacher);
        long fact = insert(work, deed.kind(), file, actor, name, columns(deed.kind(), work, file));
        if (deed.kind() == FactKind.HANDED_IN) {
            handIns.add(fact, new HandIns.Content(file.text(), file.note(), stored(file.files())));
            lastHandIn.put(work, fact);
        }
        addWhatItHolds(work, fact, file);
        boolean saidWithIt = file.say() != null && deed.kind() != FactKind.COMMENTED && deed.kind() != FactKind.POSTED;
        if (saidWithIt) {
            lastWord.put(work, insert(work, FactKind.COMMENTED, file, Actor.TEACHER, teacher, comment(file)));
        } else if (deed.kind() == FactKind.COMMENTED && actor == Actor.TEACHER) {
            lastWord.put(work, fact);
        }
    }

    private void addWhatItHolds(long work, long fact, FactFile file) {
        DemoFiles.MarkFile mark = file.mark();
        if (mark != null) {
            feedback.addMark(
                    fact,
                    lastHandIn.get(work),
                    Objects.requireNonNullElse(mark.file(), 1),
                    Objects.requireNonNullElse(mark.page(), 1),
                    new Feedback.Area(mark.x(), mark.y(), mark.width(), mark.height()));
        }
        int place = 0;
        for (DemoFiles.RowFile row : Objects.requireNonNullElse(file.rows(), List.<DemoFiles.RowFile>of())) {
            feedback.addRubricMark(fact, new Feedback.RubricMark(place++, Rational.of(row.got()), row.say()));
        }
        place = 0;
        for (DemoFiles.AnswerFile one : Objects.requireNonNullElse(file.answers(), List.<DemoFiles.AnswerFile>of())) {
            feedback.addAnswer(
                    fact,
                    place++,
                    new Feedback.Answer(
                            one.question(),
                            one.given(),
                            one.wanted(),
                            Rational.of(one.points()),
                            Rational.of(one.of()),
                            one.say()));
        }
    }

    private long insert(
            long work, FactKind kind, FactFile file, Actor actor, String name, Map<String, Object> columns) {
        Instant at = times.at(file.at());
        return facts.add(new Facts.NewFact(change, student, work, kind, at, at, actor, name, columns));
    }

    private Map<String, Object> columns(FactKind kind, long work, FactFile file) {
        return switch (kind) {
            case ATTEMPT_BEGUN, ANSWERS_RELEASED -> Map.of("attempt", attempt(file));
            case HANDED_IN ->
                Map.of("attempt", attempt(file), "content", content(file).name());
            case POSTED ->
                Map.of("part", file.did().equals("posted") ? "POST" : "REPLY", "body", String.valueOf(file.say()));
            case TOKEN_USED -> Map.of("span_minutes", Objects.requireNonNull(file.hours()) * 60L);
            case SENT_BACK -> with(due(file.due()), "body", Objects.requireNonNull(file.why()));
            case RETURNED -> with(due(file.redo()), "asks_redo", file.redo() != null);
            case SCORED -> score(file);
            case EXCUSED -> Map.of("stands", true);
            case FLAGGED -> Map.of("flag", Objects.requireNonNull(file.flag()).name());
            case EXTENSION_GRANTED -> due(file.due());
            case COMMENTED ->
                file.did().equals("answered") ? with(comment(file), "answers_fact", lastWord.get(work)) : comment(file);
            default -> Map.of();
        };
    }

    private Map<String, Object> score(FactFile file) {
        Map<String, Object> columns = new HashMap<>();
        columns.put("attempt", attempt(file));
        columns.put("points", Objects.requireNonNull(file.points()));
        columns.put("points_by_due", file.byDue());
        columns.put("is_final", !file.provisional());
        columns.put("is_posted", !file.hidden());
        return columns;
    }

    private static Map<String, Object> comment(FactFile file) {
        return Map.of(
                "body",
                Objects.requireNonNull(file.say()),
                "is_private",
                !file.toClass(),
                "in_file",
                file.mark() != null);
    }

    private Map<String, Object> due(@Nullable String text) {
        return Facts.dueColumns(text == null || text.equals("none") ? null : times.deadline(text));
    }

    private static Map<String, Object> with(Map<String, Object> columns, String name, Object value) {
        Map<String, Object> more = new HashMap<>(columns);
        more.put(name, value);
        return more;
    }

    private static int attempt(FactFile file) {
        return Objects.requireNonNullElse(file.attempt(), 1);
    }

    private static HandInContent content(FactFile file) {
        if (file.did().equals("finished")) {
            return HandInContent.ATTEMPT;
        }
        return file.files() != null
                ? HandInContent.FILES
                : file.text() != null ? HandInContent.TEXT : HandInContent.DONE;
    }

    List<StoredFile> stored(@Nullable List<String> names) {
        return names == null ? List.of() : names.stream().map(this::stored).toList();
    }

    private StoredFile stored(String name) {
        byte[] content = DemoFiles.content(name);
        String sha = Sha256.of(content);
        files.keep(sha, content);
        return new StoredFile(name, TIKA.detect(name), content.length, sha);
    }
}
