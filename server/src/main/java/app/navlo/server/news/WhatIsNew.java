package app.navlo.server.news;

import app.navlo.core.id.WorkId;
import app.navlo.core.news.NewThing;
import app.navlo.core.news.NewThings;
import app.navlo.core.reason.Sentences;
import app.navlo.core.work.Fact;
import app.navlo.core.work.Timing;
import app.navlo.server.account.Sights;
import app.navlo.server.board.Board;
import app.navlo.server.board.Boards;
import app.navlo.server.board.ReadBoard;
import app.navlo.server.http.StandIns;
import app.navlo.server.store.Announcements;
import app.navlo.server.store.Announcements.Announcement;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Device;
import app.navlo.server.store.Material;
import app.navlo.server.store.RecordedFact;
import app.navlo.server.store.SeenMarks;
import app.navlo.server.store.SeenMarks.Reader;
import app.navlo.server.store.Sight;
import app.navlo.server.store.Works;
import app.navlo.server.time.ServerClock;
import app.navlo.server.workdetail.HistoryWords;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/**
 * What is new about a student to one reader: what schools did and said, what came due, what was read in, and what another person
 * or another device changed. A change that brought many things is one line.
 */
@Service
public class WhatIsNew {
    /** So far back it reaches for who never looked, and so long what was seen can still be found. */
    private static final Duration BACK = Duration.ofDays(7);

    private static final int MANY = 12;
    private static final int MOST = 300;
    private static final Set<ChangeKind> NO_NEWS = EnumSet.of(ChangeKind.SEED, ChangeKind.DRAFT, ChangeKind.READ);

    private final Boards boards;
    private final Changes changes;
    private final SeenMarks seen;
    private final Works works;
    private final Material material;
    private final Announcements announcements;
    private final StandIns standIns;
    private final Device device;
    private final Sights sights;
    private final ServerClock clock;

    WhatIsNew(
            Boards boards,
            Changes changes,
            SeenMarks seen,
            Works works,
            Material material,
            Announcements announcements,
            StandIns standIns,
            Device device,
            Sights sights,
            ServerClock clock) {
        this.boards = boards;
        this.changes = changes;
        this.seen = seen;
        this.works = works;
        this.material = material;
        this.announcements = announcements;
        this.standIns = standIns;
        this.device = device;
        this.sights = sights;
        this.clock = clock;
    }

    /** @param zone in which days and times are read */
    @ReadBoard
    public NewsView of(Reader reader, ZoneId zone) {
        Board board = boards.read(reader.student(), zone, clock.instant());
        return of(reader, board, sights.of(reader.student()), device.current());
    }

    /**
     * The same for a reader who needn't ask themselves.
     *
     * @param board of the student, for this reader
     * @param device with which they read; null for none that says
     */
    @ReadBoard
    public NewsView of(Reader reader, Board board, Sight sees, @Nullable String device) {
        Instant now = board.now();
        Instant until = seen.until(reader).orElse(now.minus(BACK));
        Instant since = until.isBefore(now.minus(BACK)) ? until : now.minus(BACK);
        Set<Long> undone = changes.undone(reader.student());
        List<Changes.Made> made = changes.since(reader.student(), since).stream()
                .filter(one -> !undone.contains(one.change().id()))
                .filter(one -> sees.messages() || one.change().kind() != ChangeKind.MESSAGE)
                .toList();
        List<NewsItem> items = new Gathering(reader, sees, device, board, made, since).items();
        announced(board, undone, since, items);
        Map<String, Boolean> marks = seen.marks(reader);
        List<NewsItem> told = items.stream()
                .map(item -> item.as(!marks.getOrDefault(item.key(), !item.at().isAfter(until))))
                .sorted(Comparator.comparing(NewsItem::isNew)
                        .thenComparing(NewsItem::at)
                        .thenComparing(NewsItem::key)
                        .reversed())
                .limit(MOST)
                .toList();
        return new NewsView(now, (int) told.stream().filter(NewsItem::isNew).count(), told);
    }

    private void announced(Board board, Set<Long> undone, Instant since, List<NewsItem> items) {
        for (Announcement one : announcements.all(board.student(), undone)) {
            Instant shown = one.at().isAfter(one.learnt()) ? one.at() : one.learnt();
            LocalDate today = LocalDate.ofInstant(board.now(), board.zone());
            boolean over = one.lastDay() != null && one.lastDay().isBefore(today);
            boolean old = one.at().isBefore(since.minus(BACK));
            if (shown.isAfter(since) && !shown.isAfter(board.now()) && !over && !old) {
                items.add(new NewsItem(
                        SeenMarks.item("announcement " + one.key()),
                        NewsKind.ANNOUNCEMENT,
                        shown,
                        one.at(),
                        one.course(),
                        null,
                        one.title(),
                        one.author(),
                        one.course() == null ? one.source() : "",
                        one.body(),
                        standIns.page(one.address()),
                        false));
            }
        }
    }

    /** Everything since an instant, with what comes by one change counted. */
    private final class Gathering {
        private final Reader reader;
        private final Sight sees;
        private final @Nullable String device;
        private final Board board;
        private final Instant since;
        private final Map<Long, Changes.Made> made;
        private final Map<Long, Board.Entry> entries = new HashMap<>();
        /** By the change that brought them; 0 for what none did. */
        private final Map<Long, List<NewsItem>> byChange = new HashMap<>();

        Gathering(
                Reader reader,
                Sight sees,
                @Nullable String device,
                Board board,
                List<Changes.Made> made,
                Instant since) {
            this.reader = reader;
            this.sees = sees;
            this.device = device;
            this.board = board;
            this.since = since;
            this.made =
                    made.stream().collect(Collectors.toMap(one -> one.change().id(), one -> one));
            board.entries().forEach(entry -> entries.put(entry.work().id(), entry));
        }

        List<NewsItem> items() {
            board.entries().forEach(this::happened);
            newWork();
            List<NewsItem> items = new ArrayList<>();
            byChange.forEach((change, brought) -> {
                if (change != 0 && brought.size() > MANY && made.containsKey(change)) {
                    items.add(change(made.get(change).change()));
                } else {
                    items.addAll(brought);
                }
            });
            made.values().stream()
                    .filter(one -> isAnothers(one)
                            && !byChange.containsKey(one.change().id()))
                    .map(one -> change(one.change()))
                    .forEach(items::add);
            return items;
        }

        /** Done by another person or from another device, or by nobody that is known. */
        private boolean isAnothers(Changes.Made one) {
            if (NO_NEWS.contains(one.change().kind()) || one.change().person() == null) {
                return false;
            }
            boolean otherDevice = one.device() != null && !one.device().equals(device);
            return one.change().person() != reader.person() || otherDevice;
        }

        private void add(long change, NewsItem item) {
            byChange.computeIfAbsent(change, any -> new ArrayList<>()).add(item);
        }

        private void happened(Board.Entry entry) {
            Map<Long, RecordedFact> recorded = entry.recorded().stream()
                    .collect(Collectors.toMap(one -> one.fact().stamp().order(), one -> one, (one, other) -> one));
            boolean lost = entry.finding().item().required() && entry.state().timing() == Timing.CLOSED;
            Instant closed = lost ? entry.state().acceptance().ends() : null;
            List<NewThing> things =
                    NewThings.of(WorkId.of(entry.work().id()), entry.facts(), closed, since, board.now());
            for (NewThing thing : things) {
                RecordedFact fact = thing.fact() == null
                        ? null
                        : recorded.get(thing.fact().stamp().order());
                add(fact == null ? 0 : fact.changeId(), item(entry, thing, fact));
            }
        }

        private NewsItem item(Board.Entry entry, NewThing thing, @Nullable RecordedFact recorded) {
            Fact fact = thing.fact();
            ZoneId zone = entry.course().details().zone();
            String words = fact == null ? "Closed with nothing handed in" : words(entry, fact, zone);
            String body = thing.words() != null ? thing.words().text() : recorded == null ? "" : text(recorded);
            return new NewsItem(
                    thing.key(),
                    NewsKind.valueOf(thing.kind().name()),
                    thing.shownAt(),
                    thing.at(),
                    entry.course().id(),
                    entry.work().id(),
                    entry.work().definition().title(),
                    fact == null ? "" : fact.stamp().name(),
                    words,
                    body,
                    null,
                    false);
        }

        private static String text(RecordedFact recorded) {
            return Objects.requireNonNullElse(recorded.body(), "");
        }

        private static String words(Board.Entry entry, Fact fact, ZoneId zone) {
            if (fact instanceof Fact.Scored scored) {
                String possible =
                        Sentences.number(entry.work().definition().marking().possible());
                String of = possible.equals("0") ? "" : " of " + possible;
                return (scored.isFinal() ? "Scored " : "Scored so far ") + Sentences.number(scored.points()) + of;
            }
            return HistoryWords.of(fact, zone);
        }

        private void newWork() {
            Map<Long, Long> broughtBy = works.broughtBy(board.student());
            broughtBy.forEach((work, change) -> {
                Changes.Made by = made.get(change);
                Board.Entry entry = entries.get(work);
                if (entry != null && by != null && by.change().kind() == ChangeKind.IMPORT) {
                    add(change, about(entry, "work " + work, NewsKind.WORK, by, due(entry)));
                }
            });
            for (Material.Added file : sees.words() ? material.addedBy(made.keySet()) : List.<Material.Added>of()) {
                Board.Entry entry = entries.get(file.work());
                Changes.Made by = made.get(file.change());
                boolean old = !Objects.equals(broughtBy.get(file.work()), file.change());
                if (entry != null && by != null && old) {
                    String key = "file " + file.work() + " " + file.change() + " " + file.name();
                    add(
                            file.change(),
                            about(entry, SeenMarks.item(key), NewsKind.FILE, by, "A file was added: " + file.name()));
                }
            }
        }

        private static NewsItem about(Board.Entry entry, String key, NewsKind kind, Changes.Made by, String words) {
            return new NewsItem(
                    key,
                    kind,
                    by.change().at(),
                    by.change().at(),
                    entry.course().id(),
                    entry.work().id(),
                    entry.work().definition().title(),
                    by.change().source(),
                    words,
                    "",
                    null,
                    false);
        }

        private static String due(Board.Entry entry) {
            return entry.work().definition().due() == null
                    ? "New, without a due date"
                    : "New, due "
                            + Sentences.moment(
                                    entry.work().definition().due().instant(),
                                    entry.course().details().zone());
        }

        private NewsItem change(Changes.Change change) {
            return new NewsItem(
                    "change " + change.id(),
                    NewsKind.CHANGE,
                    change.at(),
                    change.at(),
                    null,
                    null,
                    change.summary(),
                    change.source(),
                    "",
                    "",
                    null,
                    false);
        }
    }
}
