package app.navlo.server.school;

import app.navlo.formats.csv.MappedTable;
import app.navlo.formats.csv.Mapping;
import app.navlo.formats.csv.Recogniser;
import app.navlo.formats.csv.Recogniser.Recognised;
import app.navlo.formats.oneroster.OneRosterReader;
import app.navlo.formats.oneroster.Roster;
import app.navlo.formats.oneroster.ZipBundle;
import app.navlo.formats.table.TableFault;
import app.navlo.formats.table.TextTable;
import app.navlo.formats.told.Told;
import app.navlo.server.account.Person;
import app.navlo.server.board.Board;
import app.navlo.server.board.Boards;
import app.navlo.server.live.LiveFeed;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.Calendars;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Files;
import app.navlo.server.store.Links;
import app.navlo.server.store.Links.Link;
import app.navlo.server.store.Sha256;
import app.navlo.server.store.WriteOnce;
import app.navlo.server.time.ServerClock;
import app.navlo.server.work.EditController.EditedView;
import app.navlo.server.work.Writer;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/** Reads in a gradebook's bundle or a plain table: says what it would do, and does exactly that, whole or not at all. */
@Service
class FileDesk {
    private static final long MOST_UNPACKED = 512L << 20;
    private static final int MOST_WORKS = 5_000;
    private static final int LONGEST_SUMMARY = 400;
    private static final String SOURCE = "file:";

    private final Boards boards;
    private final Calendars files;
    private final Files contents;
    private final Changes changes;
    private final Links links;
    private final LinkDesk desk;
    private final NewsWriter writer;
    private final WriteOnce once;
    private final LiveFeed live;
    private final ServerClock clock;
    private final JsonMapper json;

    FileDesk(
            Boards boards,
            Calendars files,
            Files contents,
            Changes changes,
            Links links,
            LinkDesk desk,
            NewsWriter writer,
            WriteOnce once,
            LiveFeed live,
            ServerClock clock,
            JsonMapper json) {
        this.boards = boards;
        this.files = files;
        this.contents = contents;
        this.changes = changes;
        this.links = links;
        this.desk = desk;
        this.writer = writer;
        this.once = once;
        this.live = live;
        this.clock = clock;
        this.json = json;
    }

    /**
     * What a person says about a file.
     *
     * @param source by which it is known here; null for what it calls itself
     * @param knownAs the student in a bundle of several; null while nobody has chosen
     * @param mapping of a table; null for what is recognised
     * @param course of the rows that name none; null for the name of the source
     */
    record Choices(
            @Nullable String source,
            @Nullable String knownAs,
            @Nullable Mapping mapping,
            @Nullable String course) {}

    /**
     * @param students of a bundle; empty for a table
     * @param recognised of a table; null for a bundle
     * @param plan null while the student isn't chosen, or the titles aren't known
     */
    record Preview(
            long file,
            Choices choices,
            List<Roster.User> students,
            @Nullable Recognised recognised,
            @Nullable NewsPlan plan,
            String fingerprint) {}

    /** Keeps the file, and looks at it. Nothing of the board is changed. */
    @Transactional
    public Preview read(long student, Person person, String name, Path content) throws IOException {
        String sha;
        try (InputStream in = java.nio.file.Files.newInputStream(content)) {
            sha = Sha256.of(in);
        }
        contents.keep(sha, java.nio.file.Files.size(content), content);
        long file = files.addFile(student, name, sha, clock.instant());
        return look(student, person, file, name, content, new Choices(null, null, null, null));
    }

    @Transactional(readOnly = true)
    public Preview preview(long student, Person person, long file, Choices choices) throws IOException {
        Calendars.CalendarFile stored = files.file(student, file).orElseThrow(() -> Refusal.notFound("file"));
        Path content = java.nio.file.Files.createTempFile("navlo-file", ".in");
        try {
            try (OutputStream out = java.nio.file.Files.newOutputStream(content)) {
                contents.copy(stored.sha256(), out);
            }
            return look(student, person, file, stored.name(), content, choices);
        } finally {
            java.nio.file.Files.deleteIfExists(content);
        }
    }

    private Preview look(long student, Person person, long file, String name, Path content, Choices choices)
            throws IOException {
        Board board = boards.read(student, ZoneId.of(person.zone()), clock.instant());
        try {
            return isZip(content)
                    ? bundle(student, board, file, name, content, choices)
                    : table(student, board, file, name, content, choices);
        } catch (TableFault fault) {
            throw Refusal.invalid("file", String.valueOf(fault.getMessage()));
        } catch (ZipBundle.TooLarge large) {
            throw Refusal.tooLarge(String.valueOf(large.getMessage()));
        }
    }

    private static boolean isZip(Path content) throws IOException {
        try (var in = java.nio.file.Files.newInputStream(content)) {
            byte[] head = in.readNBytes(2);
            return head.length == 2 && head[0] == 'P' && head[1] == 'K';
        }
    }

    private Preview bundle(long student, Board board, long file, String name, Path content, Choices choices)
            throws IOException, TableFault {
        try (ZipBundle bundle = ZipBundle.open(content, MOST_UNPACKED)) {
            OneRosterReader reader = OneRosterReader.of(bundle);
            List<Roster.User> students = reader.students();
            String knownAs = choices.knownAs() != null
                    ? choices.knownAs()
                    : students.size() == 1 ? students.get(0).id() : null;
            Choices chosen = new Choices(
                    Optional.ofNullable(choices.source())
                            .orElse(reader.system().isBlank() ? plain(name) : reader.system()),
                    knownAs,
                    null,
                    null);
            Told told = knownAs == null ? null : reader.read(knownAs, board.zone());
            return plan(student, board, file, chosen, students, null, told);
        }
    }

    private Preview table(long student, Board board, long file, String name, Path content, Choices choices)
            throws IOException, TableFault {
        TextTable.Source source = () -> java.nio.file.Files.newInputStream(content);
        Recognised recognised = Recogniser.recognise(name, source);
        Mapping mapping = Optional.ofNullable(choices.mapping())
                .or(() -> remembered(student, recognised.heads()))
                .filter(one -> one.fields().size() == recognised.heads().size())
                .orElse(recognised.mapping());
        String called = Optional.ofNullable(choices.source()).orElse(plain(name));
        String course = Optional.ofNullable(choices.course()).orElse(called);
        Choices chosen = new Choices(called, null, mapping, course);
        Told told = mapping.place(Mapping.Field.TITLE).isEmpty()
                ? null
                : MappedTable.read(name, source, mapping, board.zone(), course);
        return plan(student, board, file, chosen, List.of(), recognised, told);
    }

    private Optional<Mapping> remembered(long student, List<String> heads) {
        return links.mapping(student, headsKey(heads)).map(text -> json.readValue(text, Mapping.class));
    }

    private static String headsKey(List<String> heads) {
        return Sha256.of(String.join("\n", heads));
    }

    private static String plain(String name) {
        return name.replaceFirst("\\.[^.]*$", "");
    }

    private Preview plan(
            long student,
            Board board,
            long file,
            Choices choices,
            List<Roster.User> students,
            @Nullable Recognised recognised,
            @Nullable Told told) {
        if (told == null) {
            return new Preview(file, choices, students, recognised, null, "");
        }
        if (told.works().size() > MOST_WORKS) {
            throw Refusal.invalid(
                    "file",
                    "It tells of " + told.works().size() + " pieces of work; at most " + MOST_WORKS
                            + " are read at once.");
        }
        NewsPlan plan = desk.planner(linkOf(student, choices), board).plan(new News(told, true, List.of(), null, null));
        String fingerprint = Sha256.of(
                plan.works().stream().map(Object::toString).collect(Collectors.joining("\n")) + "\n" + plan.results());
        return new Preview(file, choices, students, recognised, plan, fingerprint);
    }

    /** The link that files of this source came by before; one that isn't there yet where none did. */
    private Link linkOf(long student, Choices choices) {
        String name = Objects.requireNonNull(choices.source());
        return desk.standing(student).stream()
                .filter(link ->
                        link.access().kind() == Links.Kind.FILE && link.name().equalsIgnoreCase(name))
                .findFirst()
                .orElseGet(() -> new Link(
                        0,
                        student,
                        name,
                        false,
                        new Links.Access(Links.Kind.FILE, SOURCE + name, null, choices.knownAs()),
                        new Links.Faring(null, null, null, null, null, 0, null, null)));
    }

    /** @throws Refusal if applying would now do anything else than what was confirmed; nothing is changed then */
    @Transactional(rollbackFor = IOException.class)
    public EditedView apply(Writer by, Person person, long file, Choices choices, String fingerprint)
            throws IOException {
        changes.lock(by.student());
        Preview preview = preview(by.student(), person, file, choices);
        NewsPlan plan = preview.plan();
        if (plan == null || !preview.fingerprint().equals(fingerprint)) {
            throw Refusal.changedSince("What this file would do");
        }
        if (plan.isEmpty()) {
            throw Refusal.conflict("There is nothing to apply", "Everything in this file is on the board already.");
        }
        Instant now = clock.instant();
        EditedView done = once.run(
                new WriteOnce.Once(by.student(), by.person(), by.key(), "apply file " + file + " " + fingerprint, now),
                EditedView.class,
                () -> applyNow(by, person, preview, plan, now));
        live.changed(by.student());
        return done;
    }

    private EditedView applyNow(Writer by, Person person, Preview preview, NewsPlan plan, Instant now) {
        Link link = linkOf(by.student(), preview.choices());
        String summary = NewsWords.summary("Read in: " + link.name(), plan);
        long change = changes.add(new Changes.NewChange(
                by.student(),
                by.person(),
                ChangeKind.IMPORT,
                now,
                link.name(),
                summary.substring(0, Math.min(LONGEST_SUMMARY, summary.length()))));
        if (link.id() == 0) {
            long id = links.add(by.student(), change, link.name(), link.access(), null, null);
            link = desk.find(by.student(), id);
        }
        Board board = boards.read(by.student(), ZoneId.of(person.zone()), now);
        String news = writer.write(link, plan, board, change, now);
        links.answered(link.id(), null, null, news, now, null);
        files.applied(preview.file(), change);
        Recognised recognised = preview.recognised();
        if (recognised != null) {
            links.rememberMapping(
                    by.student(),
                    headsKey(recognised.heads()),
                    json.writeValueAsString(preview.choices().mapping()));
        }
        return new EditedView(change, link.id());
    }
}
