package app.navlo.server.demo;

import app.navlo.core.exact.Rational;
import app.navlo.core.time.Deadline;
import app.navlo.core.work.Actor;
import app.navlo.core.work.Fact;
import app.navlo.core.work.HandInContent;
import app.navlo.core.work.Stamp;
import app.navlo.server.demo.DemoFiles.FactFile;
import app.navlo.server.store.FactKind;
import app.navlo.server.store.Facts;
import app.navlo.server.store.Feedback;
import app.navlo.server.store.Files;
import app.navlo.server.store.HandIns;
import app.navlo.server.store.Sha256;
import app.navlo.server.store.StoredFile;
import java.math.BigDecimal;
import java.time.Duration;
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
        long fact = insert(work, fact(deed.kind(), file, stamp(file, actor, name)), words(deed.kind(), work, file));
        if (deed.kind() == FactKind.HANDED_IN) {
            handIns.add(fact, new HandIns.Content(file.text(), file.note(), stored(file.files())));
            lastHandIn.put(work, fact);
        }
        addWhatItHolds(work, fact, file);
        boolean saidWithIt = file.say() != null && deed.kind() != FactKind.COMMENTED && deed.kind() != FactKind.POSTED;
        if (saidWithIt) {
            Fact said = comment(file, stamp(file, Actor.TEACHER, teacher));
            lastWord.put(work, insert(work, said, Facts.Words.NONE));
        } else if (deed.kind() == FactKind.COMMENTED && actor == Actor.TEACHER) {
            lastWord.put(work, fact);
        }
    }

    private void addWhatItHolds(long work, long fact, FactFile file) {
        DemoFiles.MarkFile mark = file.mark();
        if (mark != null) {
            feedback.addMark(
                    fact,
                    Objects.requireNonNull(lastHandIn.get(work)),
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

    private long insert(long work, Fact fact, Facts.Words words) {
        return facts.add(new Facts.NewFact(change, student, work, fact, words));
    }

    private Stamp stamp(FactFile file, Actor actor, String name) {
        Instant at = times.at(file.at());
        return Facts.stamp(at, at, actor, name);
    }

    private Fact fact(FactKind kind, FactFile file, Stamp stamp) {
        return switch (kind) {
            case DRAFT_STARTED -> new Fact.DraftStarted(stamp);
            case ATTEMPT_BEGUN -> new Fact.AttemptBegun(stamp, attempt(file));
            case HANDED_IN -> new Fact.HandedIn(stamp, attempt(file), content(file));
            case POSTED -> new Fact.Posted(stamp, isPost(file) ? Fact.Posted.Part.POST : Fact.Posted.Part.REPLY);
            case WITHDRAWN -> new Fact.Withdrawn(stamp);
            case SENT_BACK -> new Fact.SentBack(stamp, Objects.requireNonNull(file.why()), due(file.due()));
            case RETURNED ->
                new Fact.Returned(stamp, file.redo() == null ? null : new Fact.RedoAsked(due(file.redo())));
            case SCORED -> score(file, stamp);
            case EXCUSED -> new Fact.Excused(stamp, true);
            case FLAGGED -> new Fact.Flagged(stamp, Objects.requireNonNull(file.flag()));
            case EXTENSION_ASKED -> new Fact.ExtensionAsked(stamp);
            case EXTENSION_GRANTED -> new Fact.ExtensionGranted(stamp, Objects.requireNonNull(due(file.due())));
            case EXTENSION_DECLINED -> new Fact.ExtensionDeclined(stamp);
            case TOKEN_USED -> new Fact.TokenUsed(stamp, Duration.ofHours(Objects.requireNonNull(file.hours())));
            case REOPENED -> new Fact.Reopened(stamp);
            case KEY_OPENED -> new Fact.KeyOpened(stamp);
            case COMMENTED -> comment(file, stamp);
            case RUBRIC_MARKED -> new Fact.RubricMarked(stamp);
            case ANSWERS_RELEASED -> new Fact.AnswersReleased(stamp, attempt(file));
            case READ_MARKED -> new Fact.ReadMarked(stamp);
            case DUE_MOVED, PUT_ASIDE -> throw new IllegalArgumentException("the demo's files tell of no " + kind);
        };
    }

    private static boolean isPost(FactFile file) {
        return file.did().equals("posted");
    }

    private Facts.Words words(FactKind kind, long work, FactFile file) {
        if (kind == FactKind.POSTED) {
            return new Facts.Words(String.valueOf(file.say()), null, null);
        }
        return file.did().equals("answered") ? Facts.Words.answering(lastWord.get(work)) : Facts.Words.NONE;
    }

    private static Fact score(FactFile file, Stamp stamp) {
        BigDecimal byDue = file.byDue();
        return new Fact.Scored(
                stamp,
                attempt(file),
                Rational.of(Objects.requireNonNull(file.points())),
                byDue == null ? null : Rational.of(byDue),
                !file.provisional(),
                !file.hidden());
    }

    private static Fact comment(FactFile file, Stamp stamp) {
        return new Fact.Commented(
                stamp, Objects.requireNonNull(file.say()), !file.toClass(), file.mark() != null, false);
    }

    private @Nullable Deadline due(@Nullable String text) {
        return text == null || text.equals("none") ? null : times.deadline(text);
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
