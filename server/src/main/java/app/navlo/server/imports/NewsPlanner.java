package app.navlo.server.imports;

import app.navlo.core.exact.Rational;
import app.navlo.core.policy.KeptScore;
import app.navlo.core.reason.Sentences;
import app.navlo.core.reconcile.Reconciled;
import app.navlo.core.reconcile.RecordEntry;
import app.navlo.core.time.Deadline;
import app.navlo.core.time.Stretch;
import app.navlo.core.work.Fact;
import app.navlo.core.work.WorkItem;
import app.navlo.core.work.WorkKind;
import app.navlo.formats.told.Told;
import app.navlo.server.board.Board;
import app.navlo.server.imports.News.ToldDeed;
import app.navlo.server.imports.NewsPlan.CourseRow;
import app.navlo.server.imports.NewsPlan.Status;
import app.navlo.server.imports.NewsPlan.WorkRow;
import app.navlo.server.rules.OwnField;
import app.navlo.server.rules.WorkSheet;
import app.navlo.server.rules.WorkSheet.AppointmentSheet;
import app.navlo.server.store.Links.Key;
import app.navlo.server.store.Links.KeyKind;
import app.navlo.server.store.Material.OtherRecord;
import app.navlo.server.store.Work;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Compares what a link tells with the board. Decides everything, writes nothing. Work that the link names anew, and that is
 * the same by course, title and due, is taken for the same.
 */
public final class NewsPlanner {
    private final Board board;
    private final Map<KeyKind, Map<String, Key>> keys;
    private final Map<Long, Board.Entry> entries = new HashMap<>();
    private final Set<Long> taken = new HashSet<>();
    private final Map<String, Long> courseOf = new HashMap<>();
    private final Set<String> told = new HashSet<>();

    private final boolean byLikeness;
    private final Map<String, Boolean> ownDiffers = new HashMap<>();
    private Wanted wanted = Wanted.ALL;
    private final Map<String, Board.Entry> likened = new HashMap<>();
    private final Map<Long, OtherRecord> records;

    /**
     * @param byLikeness whether work of a like title and due is taken for the same: a second record names things its own way
     * @param records what this link told so far as a second record, by work
     */
    public NewsPlanner(
            Board board, Map<KeyKind, Map<String, Key>> keys, boolean byLikeness, Map<Long, OtherRecord> records) {
        this.board = board;
        this.keys = keys;
        this.records = records;
        this.byLikeness = byLikeness;
        board.entries().forEach(entry -> entries.put(entry.work().id(), entry));
    }

    public NewsPlan plan(News news) {
        return plan(news, Wanted.ALL);
    }

    /** @param with what a person said of it */
    public NewsPlan plan(News news, Wanted with) {
        wanted = with;
        Told content = Objects.requireNonNull(news.told());
        List<CourseRow> courses = content.courses().stream().map(this::course).toList();
        content.works().forEach(work -> told.add(work.key()));
        content.works().stream()
                .map(this::known)
                .filter(Objects::nonNull)
                .forEach(entry -> taken.add(entry.work().id()));
        if (byLikeness) {
            liken(content);
        }
        List<WorkRow> works = new ArrayList<>();
        Map<String, WorkRow> byKey = new HashMap<>();
        Map<String, OtherRecord> second = new HashMap<>();
        for (Told.Work work : content.works()) {
            WorkRow row = work(work);
            works.add(row);
            byKey.put(row.key(), row);
            OtherRecord record = secondRecord(row, work);
            if (record != null) {
                second.put(row.key(), record);
            }
        }
        if (news.whole()) {
            works.addAll(gone(content.beside()));
        }
        Map<String, Told.Result> results = new LinkedHashMap<>();
        content.results().stream()
                .filter(result -> byKey.containsKey(result.workKey()))
                .filter(result -> byKey.get(result.workKey()).status() != Status.ASIDE)
                .filter(result -> !isHere(resultKey(result)))
                .forEach(result -> results.put(result.workKey(), result));
        List<ToldDeed> happened = news.deeds().stream()
                .filter(DeedFacts::knows)
                .filter(deed -> !isHere(deed.key()))
                .filter(deed ->
                        byKey.containsKey(deed.item()) && byKey.get(deed.item()).status() != Status.ASIDE)
                .filter(deed -> !isHere(deed, byKey.get(deed.item()).ours()))
                .toList();
        Set<String> past = new HashSet<>();
        for (int i = 0; i < works.size(); i++) {
            WorkRow row = works.get(i);
            boolean told = results.containsKey(row.key())
                    || happened.stream().anyMatch(deed -> deed.item().equals(row.key()));
            if (row.status() == Status.NEW && !told && isPast(row)) {
                past.add(row.key());
                works.set(i, answered(row, results));
            }
        }
        Map<String, Deadline> dues = new HashMap<>();
        content.works().stream().filter(work -> work.due() != null).forEach(work -> dues.put(work.key(), work.due()));
        return new NewsPlan(courses, works, happened, results, dues, second, past, content.troubles());
    }

    /** Whether it was to be handed in before now. */
    private boolean isPast(WorkRow row) {
        Work.Definition definition = Objects.requireNonNull(row.definition());
        return definition.due() != null
                && definition.due().instant().isBefore(board.now())
                && definition.expectsHandIn()
                && definition.rules().appointment() == null;
    }

    /** What the person says of past work stands for what no source tells. */
    private WorkRow answered(WorkRow row, Map<String, Told.Result> results) {
        Wanted.Past answer = wanted.of(row.key());
        if (answer == Wanted.Past.LEAVE_OUT) {
            return row.aside();
        }
        if (answer != Wanted.Past.NOT_HANDED_IN) {
            boolean late = answer == Wanted.Past.LATE;
            results.put(
                    row.key(), new Told.Result(row.key(), Told.Status.HANDED_IN, null, null, "", late, false, false));
        }
        return row;
    }

    private boolean isHere(String deed) {
        Key key = keys.get(KeyKind.DEED).get(deed);
        return key != null && !(wanted.undoneAgain() && key.undone());
    }

    /** Whether the same happened here at the same instant: told by another way, and no second thing. */
    private boolean isHere(ToldDeed deed, @Nullable Long work) {
        Board.Entry entry = work == null ? null : entries.get(work);
        return entry != null
                && entry.recorded().stream()
                        .anyMatch(one -> one.fact().stamp().at().equals(deed.at()) && isSame(one.fact(), deed));
    }

    private static boolean isSame(Fact fact, ToldDeed deed) {
        boolean saysSame = !(fact instanceof Fact.Commented comment)
                || comment.text().equals(deed.body().path("say").asString(""));
        boolean ofSameAttempt = !(fact instanceof Fact.AnswersReleased released)
                || released.attempt() == deed.body().path("attempt").asInt(1);
        return kind(fact).equals(deed.kind()) && saysSame && ofSameAttempt;
    }

    /** "HANDED_IN" for what was handed in, as the hand-in box calls it. */
    private static String kind(Fact fact) {
        return fact.getClass()
                .getSimpleName()
                .replaceAll("(?<=[a-z])(?=[A-Z])", "_")
                .toUpperCase(Locale.ROOT);
    }

    /** The same for as long as a result says the same. */
    static String resultKey(Told.Result result) {
        String points = result.points() == null ? "" : result.points().toString();
        return "result " + result.workKey() + " " + result.status() + " " + points + " " + result.missing() + " "
                + result.late() + " " + result.comment().hashCode();
    }

    private CourseRow course(Told.Course course) {
        Key key = keys.get(KeyKind.COURSE).get(course.key());
        Long ours = key != null && board.courses().containsKey(key.ours()) ? Long.valueOf(key.ours()) : null;
        boolean newKey = ours == null;
        if (ours == null) {
            ours = board.courses().values().stream()
                    .filter(one ->
                            one.details().name().equalsIgnoreCase(course.name().strip()))
                    .map(one -> one.id())
                    .findFirst()
                    .orElse(null);
        }
        if (ours != null) {
            courseOf.put(course.key(), ours);
        }
        return new CourseRow(
                course.key(),
                course.name().strip(),
                course.teacher(),
                ours,
                newKey,
                wanted.grades().contains(course.key()) ? course.categories() : List.of());
    }

    private Board.@Nullable Entry known(Told.Work work) {
        Key key = keys.get(KeyKind.WORK).get(work.key());
        return key == null ? null : entries.get(key.ours());
    }

    private WorkRow work(Told.Work work) {
        boolean again = wanted.retake().contains(work.key());
        Key key = again ? null : keys.get(KeyKind.WORK).get(work.key());
        Board.Entry entry = known(work);
        if (wanted.leave().contains(work.key())) {
            return row(work, Status.ASIDE, null, definition(work), List.of(), key == null, true);
        }
        if (entry == null && key != null && !(wanted.undoneAgain() && key.undone())) {
            return row(work, Status.ASIDE, null, definition(work), List.of(), false, key.brought());
        }
        boolean newKey = entry == null;
        if (entry == null) {
            entry = alike(work);
        }
        if (entry == null) {
            WorkRow fresh = row(work, Status.NEW, null, definition(work), List.of(), true, true);
            return key != null && key.ours() != 0 ? fresh.again(key.ours()) : fresh;
        }
        taken.add(entry.work().id());
        boolean brought = key == null ? broughtUnderAnotherKey(entry) : key.brought();
        if (!brought) {
            List<String> conflicts = conflicts(work, entry);
            Status status = conflicts.isEmpty() ? Status.SAME : Status.CONFLICTING;
            return row(work, status, entry, null, conflicts, newKey, false);
        }
        List<String> own = ownDiffers(work, entry);
        if (!own.isEmpty()) {
            ownDiffers.put(work.key(), true);
        }
        List<String> changes = changes(work, entry);
        if (changes.isEmpty() && !own.isEmpty()) {
            return row(work, Status.CONFLICTING, entry, null, own, newKey, true);
        }
        Work.Definition retold =
                changes.isEmpty() ? null : retold(work, entry.work().definition());
        return row(work, changes.isEmpty() ? Status.SAME : Status.CHANGED, entry, retold, changes, newKey, true);
    }

    /** What it tells otherwise than the source that brought the work. */
    private List<String> conflicts(Told.Work work, Board.Entry entry) {
        Work.Definition here = entry.work().definition();
        List<String> conflicts = new ArrayList<>();
        if (work.due() != null && !work.due().instant().equals(instant(here.due()))) {
            conflicts.add("due here " + moment(here.due(), entry) + ", there " + moment(work.due(), entry));
        }
        Rational possible = here.marking().possible();
        if (work.possible() != null && !possible.isZero() && !possible.equals(work.possible())) {
            conflicts.add("of " + Sentences.number(possible) + " points here, of " + Sentences.number(work.possible())
                    + " there");
        }
        return conflicts;
    }

    /** What is to be kept of it as a second record; null where nothing of it is new. Who told it when is written with it. */
    private @Nullable OtherRecord secondRecord(WorkRow row, Told.Work work) {
        OtherRecord before = row.ours() == null ? null : records.get(row.ours());
        boolean asBefore = before == null
                ? row.status() != Status.CONFLICTING
                : before.title().equals(work.title()) && Objects.equals(before.due(), instant(work.due()));
        boolean alone = row.brought() && !ownDiffers.containsKey(row.key());
        if (alone || row.ours() == null || asBefore) {
            return null;
        }
        return new OtherRecord(
                "",
                Instant.EPOCH,
                work.title(),
                instant(work.due()),
                null,
                before == null ? null : before.points(),
                before != null && before.missing());
    }

    private static WorkRow row(
            Told.Work work,
            Status status,
            Board.@Nullable Entry entry,
            Work.@Nullable Definition definition,
            List<String> changes,
            boolean newKey,
            boolean brought) {
        return new WorkRow(
                work.key(),
                status,
                entry == null ? null : entry.work().id(),
                work.title(),
                work.courseKey(),
                definition,
                work.instructions(),
                changes,
                newKey,
                brought);
    }

    private boolean broughtUnderAnotherKey(Board.Entry entry) {
        return keys.get(KeyKind.WORK).values().stream()
                .anyMatch(key -> key.ours() == entry.work().id() && key.brought());
    }

    /** Matches what no key names, course by course, the most alike first. */
    private void liken(Told content) {
        Map<Long, List<RecordEntry>> book = new HashMap<>();
        for (Told.Work work : content.works()) {
            Long course = work.courseKey() == null ? null : courseOf.get(work.courseKey());
            if (course != null && !keys.get(KeyKind.WORK).containsKey(work.key())) {
                book.computeIfAbsent(course, any -> new ArrayList<>())
                        .add(entry(work.key(), work.title(), instant(work.due())));
            }
        }
        book.forEach((course, entriesOfBook) -> {
            List<RecordEntry> site = board.entries().stream()
                    .filter(entry -> entry.course().id() == course)
                    .filter(entry -> !taken.contains(entry.work().id()))
                    .map(entry -> entry(
                            Long.toString(entry.work().id()),
                            entry.work().definition().title(),
                            instant(entry.work().definition().due())))
                    .toList();
            Reconciled.of(site, entriesOfBook, List.of())
                    .matches()
                    .forEach((ours, theirs) -> likened.put(theirs, entries.get(Long.valueOf(ours))));
        });
    }

    private static RecordEntry entry(String id, String title, @Nullable Instant due) {
        return new RecordEntry(id, null, title, due, null, null, false);
    }

    /** The one piece of work of the same course and title that no other key means; of several the one of the same due. */
    private Board.@Nullable Entry alike(Told.Work work) {
        Board.Entry like = likened.get(work.key());
        if (like != null && !taken.contains(like.work().id())) {
            return like;
        }
        Long course = work.courseKey() == null ? null : courseOf.get(work.courseKey());
        List<Board.Entry> alike = board.entries().stream()
                .filter(entry -> course != null && entry.course().id() == course)
                .filter(entry -> !taken.contains(entry.work().id()))
                .filter(entry -> entry.work().definition().title().equalsIgnoreCase(work.title()))
                .toList();
        return alike.stream()
                .filter(entry ->
                        Objects.equals(instant(entry.work().definition().due()), instant(work.due())))
                .findFirst()
                .orElse(alike.size() == 1 ? alike.get(0) : null);
    }

    private List<String> changes(Told.Work work, Board.Entry entry) {
        Work.Definition was = entry.work().definition();
        List<String> changes = new ArrayList<>();
        Set<OwnField> own = was.rules().own();
        if (!was.title().equals(work.title()) && !own.contains(OwnField.TITLE)) {
            changes.add("title was “" + was.title() + "”");
        }
        if (!Objects.equals(instant(was.due()), instant(work.due())) && !own.contains(OwnField.DUE)) {
            changes.add("due was " + moment(was.due(), entry) + ", is " + moment(work.due(), entry));
        }
        if (!Objects.equals(was.opensAt(), work.opensAt()) && !own.contains(OwnField.OPENS)) {
            changes.add("opens at another time");
        }
        boolean otherPoints = work.possible() != null
                && !was.marking().possible().equals(work.possible())
                && !own.contains(OwnField.POINTS);
        if (otherPoints) {
            changes.add("points possible were " + Sentences.number(was.marking().possible()) + ", are "
                    + Sentences.number(work.possible()));
        }
        return changes;
    }

    /** What the student set by hand stands, and what the source tells otherwise is kept beside it. */
    private static List<String> ownDiffers(Told.Work work, Board.Entry entry) {
        Work.Definition was = entry.work().definition();
        Set<OwnField> own = was.rules().own();
        List<String> differs = new ArrayList<>();
        if (own.contains(OwnField.DUE)
                && work.due() != null
                && !work.due().instant().equals(instant(was.due()))) {
            differs.add(
                    "due here, as you set it, " + moment(was.due(), entry) + "; there " + moment(work.due(), entry));
        }
        boolean points = own.contains(OwnField.POINTS)
                && work.possible() != null
                && !work.possible().equals(was.marking().possible());
        if (points) {
            differs.add("of " + Sentences.number(was.marking().possible()) + " points, as you set it; of "
                    + Sentences.number(work.possible()) + " there");
        }
        return differs;
    }

    private static Work.Definition retold(Told.Work work, Work.Definition was) {
        Set<OwnField> own = was.rules().own();
        Rational possible = work.possible() == null || own.contains(OwnField.POINTS)
                ? was.marking().possible()
                : work.possible();
        Work.Definition told = was.retold(
                own.contains(OwnField.TITLE) ? was.title() : work.title(),
                own.contains(OwnField.OPENS) ? was.opensAt() : work.opensAt(),
                own.contains(OwnField.DUE) ? was.due() : work.due());
        Stretch appointment = work.more() == null || own.contains(OwnField.DUE)
                ? null
                : work.more().appointment();
        return (appointment == null ? told : told.at(AppointmentSheet.of(appointment)))
                .marked(new WorkItem.Marking(
                        possible, was.marking().passPercent(), was.marking().kept()));
    }

    private Work.Definition definition(Told.Work work) {
        Told.More more = work.more();
        Long course = work.courseKey() == null ? null : courseOf.get(work.courseKey());
        return new Work.Definition(
                course == null ? 0 : course,
                work.title(),
                work.kind(),
                more == null ? null : more.unit(),
                work.category(),
                more == null ? work.kind() != WorkKind.PRACTICE : more.required(),
                more == null || more.expectsHandIn(),
                new WorkItem.Marking(
                        work.possible() == null ? Rational.ZERO : work.possible(), null, KeptScore.HIGHEST),
                work.opensAt(),
                more == null || more.appointment() == null
                        ? work.due()
                        : Deadline.at(more.appointment().start()),
                more == null || more.closesAt() == null ? null : Deadline.at(more.closesAt()),
                more == null ? null : more.attempts(),
                null,
                null,
                more == null ? null : more.effortMinutes(),
                more == null
                        ? Work.Takes.ANYTHING
                        : new Work.Takes(
                                more.takesFiles(),
                                more.takesText(),
                                !more.takesFiles() && !more.takesText(),
                                more.fileTypes()),
                WorkSheet.with(more == null ? null : more.rubric(), more == null ? null : more.appointment())
                        .doneAt(work.hint().address()));
    }

    /** What this link brought and no longer tells of. */
    private List<WorkRow> gone(Told.Beside beside) {
        List<WorkRow> gone = new ArrayList<>();
        Set<Long> seen = new HashSet<>();
        keys.get(KeyKind.WORK).forEach((key, ours) -> {
            Board.Entry entry = entries.get(ours.ours());
            boolean cancelled = beside.cancelled().contains(key);
            boolean still = told.contains(key) || taken.contains(ours.ours()) || (!cancelled && !within(beside, entry));
            if (entry == null || still || !ours.brought() || !seen.add(ours.ours())) {
                return;
            }
            boolean touched = entry.facts().stream().anyMatch(fact -> !(fact instanceof Fact.ReadMarked));
            gone.add(new WorkRow(
                    key,
                    touched ? Status.KEPT : Status.GONE,
                    entry.work().id(),
                    entry.work().definition().title(),
                    null,
                    entry.work().definition(),
                    "",
                    List.of(cancelled ? "cancelled there" : "no longer told of"),
                    false,
                    true));
        });
        return gone;
    }

    /** Many calendars export only a span of time: what lies outside of it isn't taken for gone. */
    private static boolean within(Told.Beside beside, Board.@Nullable Entry entry) {
        if (beside.reach() == null || entry == null) {
            return true;
        }
        Instant due = instant(entry.work().definition().due());
        return due != null
                && !due.isBefore(beside.reach().start())
                && due.isBefore(beside.reach().endExclusive());
    }

    private static @Nullable Instant instant(@Nullable Deadline deadline) {
        return deadline == null ? null : deadline.instant();
    }

    private static String moment(@Nullable Deadline deadline, Board.Entry entry) {
        return deadline == null
                ? "none"
                : Sentences.moment(deadline.instant(), entry.course().details().zone());
    }
}
