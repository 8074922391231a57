package app.navlo.server.imports;

import app.navlo.core.reconcile.Reconciled;
import app.navlo.core.reconcile.RecordEntry;
import app.navlo.core.time.Deadline;
import app.navlo.core.work.Fact;
import app.navlo.formats.told.SourceSnapshot;
import app.navlo.server.board.Board;
import app.navlo.server.imports.SyncDelta.ToldAnnouncement;
import app.navlo.server.imports.SyncDelta.ToldDeed;
import app.navlo.server.imports.SyncPlan.CourseRow;
import app.navlo.server.imports.SyncPlan.Status;
import app.navlo.server.imports.SyncPlan.WorkRow;
import app.navlo.server.store.Announcements.Announcement;
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
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Compares what a link tells with the board. Decides everything, writes nothing. Work that the link names anew, and that is
 * the same by course, title and due, is taken for the same.
 */
public final class SyncPlanner {
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
    private final Map<String, Announcement> announced;

    /**
     * @param byLikeness whether work of a like title and due is taken for the same: a second record names things its own way
     * @param records what this link told so far as a second record, by work
     * @param announced what it announced so far, by its key
     */
    public SyncPlanner(
            Board board,
            Map<KeyKind, Map<String, Key>> keys,
            boolean byLikeness,
            Map<Long, OtherRecord> records,
            Map<String, Announcement> announced) {
        this.board = board;
        this.keys = keys;
        this.records = records;
        this.announced = announced;
        this.byLikeness = byLikeness;
        board.entries().forEach(entry -> entries.put(entry.work().id(), entry));
    }

    public SyncPlan plan(SyncDelta news) {
        return plan(news, Wanted.ALL);
    }

    /** @param with what a person said of it */
    public SyncPlan plan(SyncDelta news, Wanted with) {
        wanted = with;
        SourceSnapshot content = Objects.requireNonNull(news.told());
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
        for (SourceSnapshot.Work work : content.works()) {
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
        Map<String, SourceSnapshot.Result> results = new LinkedHashMap<>();
        content.results().stream()
                .filter(result -> isTold(byKey.get(result.workKey())))
                .filter(result -> !isHere(Happened.resultKey(result)))
                .forEach(result -> results.put(result.workKey(), result));
        List<ToldDeed> happened = news.deeds().stream()
                .filter(DeedFacts::knows)
                .filter(deed -> !isHere(deed.key()))
                .filter(deed -> isTold(byKey.get(deed.item())))
                .filter(deed -> !isHereByAnotherWay(
                        deed, Objects.requireNonNull(byKey.get(deed.item())).ours()))
                .toList();
        Set<String> past = new HashSet<>();
        for (int i = 0; i < works.size(); i++) {
            WorkRow row = works.get(i);
            boolean told = results.containsKey(row.key())
                    || happened.stream().anyMatch(deed -> deed.item().equals(row.key()));
            if (wanted.asksPast() && row.status() == Status.NEW && !told && isPast(row)) {
                past.add(row.key());
                works.set(i, answered(row, results));
            }
        }
        Map<String, Deadline> dues = new HashMap<>();
        content.works().stream().filter(work -> work.due() != null).forEach(work -> dues.put(work.key(), work.due()));
        return new SyncPlan(
                courses,
                works,
                happened,
                news.announcements().stream().filter(this::isNews).toList(),
                results,
                dues,
                second,
                past,
                wanted.scoredByHand(),
                content.troubles());
    }

    /** Whether it wasn't announced before, or otherwise. What was undone isn't said again. */
    private boolean isNews(ToldAnnouncement told) {
        Announcement before = announced.get(told.key());
        return before == null
                || !(before.title().equals(told.title())
                        && before.body().equals(told.text())
                        && before.at().equals(told.at())
                        && Objects.equals(before.lastDay(), told.lastDay()));
    }

    /** Whether it was to be handed in before now. */
    private boolean isPast(WorkRow row) {
        Work.Definition definition = Objects.requireNonNull(row.definition());
        return definition.due() != null
                && definition.due().instant().isBefore(board.now())
                && definition.handling().expectsHandIn()
                && definition.rules().appointment() == null;
    }

    /** What the person says of past work stands for what no source tells. */
    private WorkRow answered(WorkRow row, Map<String, SourceSnapshot.Result> results) {
        Wanted.Past answer = wanted.of(row.key());
        if (answer == Wanted.Past.LEAVE_OUT) {
            return row.aside();
        }
        if (answer != Wanted.Past.NOT_HANDED_IN) {
            boolean late = answer == Wanted.Past.LATE;
            results.put(
                    row.key(),
                    new SourceSnapshot.Result(
                            row.key(), SourceSnapshot.Status.HANDED_IN, null, null, "", late, false, false));
        }
        return row;
    }

    private Map<String, Key> keys(KeyKind kind) {
        return Objects.requireNonNull(keys.get(kind));
    }

    /** Whether it is of work that is told of, and not left aside. */
    private static boolean isTold(@Nullable WorkRow row) {
        return row != null && row.status() != Status.ASIDE;
    }

    private boolean isHere(String deed) {
        Key key = keys(KeyKind.DEED).get(deed);
        return key != null && !(wanted.undoneAgain() && key.undone());
    }

    private boolean isHereByAnotherWay(ToldDeed deed, @Nullable Long work) {
        return work != null && Happened.isHere(deed, entries.get(work));
    }

    private CourseRow course(SourceSnapshot.Course course) {
        Key key = keys(KeyKind.COURSE).get(course.key());
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

    private Work.Definition definition(SourceSnapshot.Work work) {
        Long course = work.courseKey() == null ? null : courseOf.get(work.courseKey());
        return Retold.definition(
                work, course == null ? 0 : course, wanted.byHand().getOrDefault(work.key(), Set.of()));
    }

    private Board.@Nullable Entry known(SourceSnapshot.Work work) {
        Key key = keys(KeyKind.WORK).get(work.key());
        return key == null ? null : entries.get(key.ours());
    }

    private WorkRow work(SourceSnapshot.Work work) {
        boolean again = wanted.retake().contains(work.key());
        Key key = again ? null : keys(KeyKind.WORK).get(work.key());
        Board.Entry entry = known(work);
        if (entry == null && wanted.leave().contains(work.key())) {
            return row(work, Status.ASIDE, null, definition(work), List.of(), key == null, true);
        }
        if (entry == null && key != null && !(wanted.undoneAgain() && key.undone())) {
            return row(work, Status.ASIDE, null, definition(work), List.of(), false, key.brought());
        }
        boolean newKey = entry == null;
        if (entry == null) {
            entry = alike(work);
        }
        if (entry == null && work.hint().notWork() != null && !again) {
            return row(work, Status.ASIDE, null, definition(work), List.of(), false, true);
        }
        if (entry == null) {
            WorkRow fresh = row(work, Status.NEW, null, definition(work), List.of(), true, true);
            return key != null && key.ours() != 0 ? fresh.again(key.ours()) : fresh;
        }
        taken.add(entry.work().id());
        boolean brought = key == null ? broughtUnderAnotherKey(entry) : key.brought();
        if (!brought) {
            List<String> conflicts = Retold.conflicts(work, entry);
            Status status = conflicts.isEmpty() ? Status.SAME : Status.CONFLICTING;
            return row(work, status, entry, null, conflicts, newKey, false);
        }
        List<String> own = Retold.ownDiffers(work, entry);
        if (!own.isEmpty()) {
            ownDiffers.put(work.key(), true);
        }
        List<String> changes = Retold.changes(work, entry);
        if (changes.isEmpty() && !own.isEmpty()) {
            return row(work, Status.CONFLICTING, entry, null, own, newKey, true);
        }
        Work.Definition retold =
                changes.isEmpty() ? null : Retold.retold(work, entry.work().definition());
        return row(work, changes.isEmpty() ? Status.SAME : Status.CHANGED, entry, retold, changes, newKey, true);
    }

    /** What is to be kept of it as a second record; null where nothing of it is new. Who told it when is written with it. */
    private @Nullable OtherRecord secondRecord(WorkRow row, SourceSnapshot.Work work) {
        OtherRecord before = row.ours() == null ? null : records.get(row.ours());
        boolean asBefore = before == null
                ? row.status() != Status.CONFLICTING
                : before.title().equals(work.title()) && Objects.equals(before.due(), Retold.instant(work.due()));
        boolean alone = row.brought() && !ownDiffers.containsKey(row.key());
        if (alone || row.ours() == null || asBefore) {
            return null;
        }
        return new OtherRecord(
                "",
                Instant.EPOCH,
                work.title(),
                Retold.instant(work.due()),
                null,
                before == null ? null : before.points(),
                before != null && before.missing());
    }

    private static WorkRow row(
            SourceSnapshot.Work work,
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
        return keys(KeyKind.WORK).values().stream()
                .anyMatch(key -> key.ours() == entry.work().id() && key.brought());
    }

    /** Matches what no key names, course by course, the most alike first. */
    private void liken(SourceSnapshot content) {
        Map<Long, List<RecordEntry>> book = new HashMap<>();
        for (SourceSnapshot.Work work : content.works()) {
            Long course = work.courseKey() == null ? null : courseOf.get(work.courseKey());
            if (course != null && !keys(KeyKind.WORK).containsKey(work.key())) {
                book.computeIfAbsent(course, any -> new ArrayList<>())
                        .add(entry(work.key(), work.title(), Retold.instant(work.due())));
            }
        }
        book.forEach((course, entriesOfBook) -> {
            List<RecordEntry> site = board.entries().stream()
                    .filter(entry -> entry.course().id() == course)
                    .filter(entry -> !taken.contains(entry.work().id()))
                    .map(entry -> entry(
                            Long.toString(entry.work().id()),
                            entry.work().definition().title(),
                            Retold.instant(entry.work().definition().due())))
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
    private Board.@Nullable Entry alike(SourceSnapshot.Work work) {
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
                        Objects.equals(Retold.instant(entry.work().definition().due()), Retold.instant(work.due())))
                .findFirst()
                .orElse(alike.size() == 1 ? alike.get(0) : null);
    }

    /** What this link brought and no longer tells of. */
    private List<WorkRow> gone(SourceSnapshot.Beside beside) {
        List<WorkRow> gone = new ArrayList<>();
        Set<Long> seen = new HashSet<>();
        keys(KeyKind.WORK).forEach((key, ours) -> {
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
    private static boolean within(SourceSnapshot.Beside beside, Board.@Nullable Entry entry) {
        if (beside.reach() == null || entry == null) {
            return true;
        }
        Instant due = Retold.instant(entry.work().definition().due());
        return due != null
                && !due.isBefore(beside.reach().start())
                && due.isBefore(beside.reach().endExclusive());
    }
}
