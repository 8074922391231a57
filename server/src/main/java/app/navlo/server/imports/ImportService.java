package app.navlo.server.imports;

import app.navlo.formats.csv.Mapping;
import app.navlo.formats.csv.Recogniser.Recognised;
import app.navlo.formats.told.StateWords;
import app.navlo.server.account.Person;
import app.navlo.server.board.Board;
import app.navlo.server.board.Boards;
import app.navlo.server.board.ReadBoard;
import app.navlo.server.change.WriteOnce;
import app.navlo.server.change.Writer;
import app.navlo.server.imports.Intake.Taken;
import app.navlo.server.imports.Previews.Looked;
import app.navlo.server.live.LiveFeed;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Files;
import app.navlo.server.store.ImportFiles;
import app.navlo.server.store.Links;
import app.navlo.server.store.Links.Link;
import app.navlo.server.store.Sha256;
import app.navlo.server.time.ServerClock;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Path;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/** Reads in a calendar, a table or a gradebook's bundle: says what it would do, and does exactly that, whole or not at all. */
@Service
class ImportService {
    private static final String SOURCE = "file:";

    private final Boards boards;
    private final ImportFiles files;
    private final Files contents;
    private final Changes changes;
    private final Links links;
    private final Previews previews;
    private final Intake intake;
    private final WriteOnce once;
    private final LiveFeed live;
    private final ServerClock clock;
    private final JsonMapper json;

    ImportService(
            Boards boards,
            ImportFiles files,
            Files contents,
            Changes changes,
            Links links,
            Previews previews,
            Intake intake,
            WriteOnce once,
            LiveFeed live,
            ServerClock clock,
            JsonMapper json) {
        this.boards = boards;
        this.files = files;
        this.contents = contents;
        this.changes = changes;
        this.links = links;
        this.previews = previews;
        this.intake = intake;
        this.once = once;
        this.live = live;
        this.clock = clock;
        this.json = json;
    }

    /**
     * @param known whether this source was read in before
     * @param looked null while the student isn't chosen, or the titles aren't known
     */
    record Preview(
            long file,
            boolean known,
            Choices choices,
            Sources.ReadIn read,
            @Nullable Looked looked) {
        String fingerprint() {
            return looked == null ? "" : looked.fingerprint();
        }
    }

    /**
     * Keeps what came in, and looks at it. Nothing of the board is changed.
     *
     * @param dates how the person writes dates, for a table that doesn't tell
     */
    @Transactional
    public Preview read(long student, Person person, String name, Path content, Mapping.DateOrder dates)
            throws IOException {
        String sha;
        try (InputStream in = java.nio.file.Files.newInputStream(content)) {
            sha = Sha256.of(in);
        }
        contents.keep(sha, java.nio.file.Files.size(content), content);
        long file = files.addFile(student, name, sha, clock.instant());
        return look(student, person, new Came(file, name, content), Choices.NONE, dates);
    }

    @ReadBoard
    public Preview preview(long student, Person person, long file, Choices choices) throws IOException {
        ImportFiles.ImportFile stored = files.file(student, file).orElseThrow(() -> Refusal.notFound("file"));
        Path content = java.nio.file.Files.createTempFile("navlo-file", ".in");
        try {
            try (OutputStream out = java.nio.file.Files.newOutputStream(content)) {
                contents.copy(stored.sha256(), out);
            }
            return look(student, person, new Came(file, stored.name(), content), choices, Mapping.DateOrder.DAY_FIRST);
        } finally {
            java.nio.file.Files.deleteIfExists(content);
        }
    }

    /** A file by its number and name, and where its content lies. */
    private record Came(long file, String name, Path content) {}

    private Preview look(long student, Person person, Came came, Choices choices, Mapping.DateOrder dates)
            throws IOException {
        Board board = boards.read(student, ZoneId.of(person.zone()), clock.instant());
        Map<String, StateWords.Meaning> words = new HashMap<>();
        links.stateWords(student).forEach((word, meaning) -> words.put(word, StateWords.Meaning.valueOf(meaning)));
        words.putAll(choices.words());
        Sources.ReadIn read = Sources.read(
                came.content(),
                new Sources.Asked(
                        came.name(),
                        choices,
                        board.zone(),
                        dates,
                        board.courses().values().stream()
                                .map(course -> course.details().name().toLowerCase(Locale.ROOT))
                                .collect(Collectors.toSet()),
                        board.now().atZone(board.zone()).toLocalDate(),
                        words,
                        heads -> remembered(student, heads)));
        String called = Optional.ofNullable(choices.source()).orElse(read.name());
        Choices chosen = choices.of(called, choices.knownAs(), read.mapping());
        if (read.told() == null) {
            return new Preview(came.file(), false, chosen, read, null);
        }
        Link link = linkOf(student, chosen);
        boolean whole = read.kind() != Sources.Kind.TABLE || link.id() != 0;
        Looked looked = previews.of(link, new SyncDelta(read.told(), whole, List.of(), null, null), chosen, board);
        return new Preview(came.file(), link.id() != 0, looked.choices(), read, looked);
    }

    private Optional<Mapping> remembered(long student, List<String> heads) {
        return links.mapping(student, headsKey(heads)).map(text -> json.readValue(text, Mapping.class));
    }

    private static String headsKey(List<String> heads) {
        return Sha256.of(String.join("\n", heads));
    }

    /** The link that what is of this source came by before; one that isn't there yet where nothing did. */
    private Link linkOf(long student, Choices choices) {
        String name = Objects.requireNonNull(choices.source());
        return links.of(student, changes.undone(student)).stream()
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
    public Taken apply(Writer by, Person person, long file, Choices choices, String fingerprint) throws IOException {
        changes.lock(by.student());
        WriteOnce.Once request = new WriteOnce.Once(
                by.student(), by.person(), by.key(), "apply file " + file + " " + fingerprint, clock.instant());
        Optional<Taken> earlier = once.answered(request, Taken.class);
        if (earlier.isPresent()) {
            return earlier.get();
        }
        Preview preview = preview(by.student(), person, file, choices);
        Looked looked = preview.looked();
        if (looked == null || !looked.fingerprint().equals(fingerprint)) {
            throw Refusal.changedSince("What this file would do");
        }
        if (looked.isEmpty()) {
            throw Refusal.conflict("There is nothing to apply", "Everything in this file is on the board already.");
        }
        Taken done = once.run(request, Taken.class, () -> {
            Link link = linkOf(by.student(), preview.choices());
            Taken taken = intake.take(
                    new Intake.Asked(by.student(), by.person(), person.zone(), "Read in: " + link.name()),
                    link,
                    looked,
                    Intake.Answered.FOR_GOOD);
            files.applied(preview.file(), taken.change());
            remember(by.student(), preview);
            return taken;
        });
        live.changed(by.student());
        return done;
    }

    private void remember(long student, Preview preview) {
        Recognised recognised = preview.read().recognised();
        if (recognised != null) {
            links.rememberMapping(
                    student,
                    headsKey(recognised.heads()),
                    json.writeValueAsString(preview.choices().mapping()));
        }
        preview.choices().words().forEach((word, meaning) -> links.rememberWord(student, word, meaning.name()));
    }
}
