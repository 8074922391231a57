package app.navlo.server.imports;

import app.navlo.formats.csv.Mapping;
import app.navlo.formats.csv.Recogniser.Recognised;
import app.navlo.formats.told.StateWords;
import app.navlo.formats.told.Told;
import app.navlo.server.account.Person;
import app.navlo.server.board.Board;
import app.navlo.server.board.Boards;
import app.navlo.server.imports.NewsPlan.Status;
import app.navlo.server.live.LiveFeed;
import app.navlo.server.problem.Refusal;
import app.navlo.server.rules.GradeSheet;
import app.navlo.server.rules.TimeSheet;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Course;
import app.navlo.server.store.Courses;
import app.navlo.server.store.Files;
import app.navlo.server.store.ImportFiles;
import app.navlo.server.store.Links;
import app.navlo.server.store.Links.Link;
import app.navlo.server.store.OwnTimes;
import app.navlo.server.store.Sha256;
import app.navlo.server.store.WriteOnce;
import app.navlo.server.time.ServerClock;
import app.navlo.server.work.Writer;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/** Reads in a calendar, a table or a gradebook's bundle: says what it would do, and does exactly that, whole or not at all. */
@Service
class ImportDesk {
    private static final int MOST_WORKS = 5_000;
    private static final int LONGEST_SUMMARY = 400;
    private static final int SHORTEST_LIKE = 3;
    private static final String SOURCE = "file:";

    private final Boards boards;
    private final ImportFiles files;
    private final Files contents;
    private final Changes changes;
    private final Links links;
    private final Planners planners;
    private final NewsWriter writer;
    private final OwnTimes times;
    private final WriteOnce once;
    private final LiveFeed live;
    private final ServerClock clock;
    private final JsonMapper json;

    ImportDesk(
            Boards boards,
            ImportFiles files,
            Files contents,
            Changes changes,
            Links links,
            Planners planners,
            NewsWriter writer,
            OwnTimes times,
            WriteOnce once,
            LiveFeed live,
            ServerClock clock,
            JsonMapper json) {
        this.boards = boards;
        this.files = files;
        this.contents = contents;
        this.changes = changes;
        this.links = links;
        this.planners = planners;
        this.writer = writer;
        this.times = times;
        this.once = once;
        this.live = live;
        this.clock = clock;
        this.json = json;
    }

    /**
     * What a person says about what came in.
     *
     * @param source by which it is known here; null for what it calls itself
     * @param knownAs the student in a bundle of several; null while nobody has chosen
     * @param mapping of a table; null for what is recognised
     * @param courses what the courses that the source names are called here, by the source's keys
     * @param past how new work stands that was due before now
     * @param words for states that a person was asked about
     * @param rows by key
     * @param grading whether categories and weights make the grade of courses that have none yet
     * @param classes whether the hours of classes are taken as well
     */
    record Choices(
            @Nullable String source,
            @Nullable String knownAs,
            @Nullable Mapping mapping,
            Map<String, String> courses,
            Wanted.Past past,
            Map<String, StateWords.Meaning> words,
            Map<String, RowEdit> rows,
            boolean grading,
            boolean classes) {
        static final Choices NONE =
                new Choices(null, null, null, Map.of(), Wanted.Past.ON_TIME, Map.of(), Map.of(), true, false);

        Choices called(String name, @Nullable String student, @Nullable Mapping read, Map<String, String> named) {
            return new Choices(name, student, read, named, past, words, rows, grading, classes);
        }
    }

    /**
     * @param known whether this source was read in before
     * @param plan null while the student isn't chosen, or the titles aren't known
     * @param told with the corrections in it; null with the plan
     */
    record Preview(
            long file,
            boolean known,
            Choices choices,
            Sources.ReadIn read,
            @Nullable NewsPlan plan,
            @Nullable Told told,
            Wanted wanted,
            String fingerprint) {}

    /** Keeps what came in, and looks at it. Nothing of the board is changed. */
    @Transactional
    public Preview read(long student, Person person, String name, Path content) throws IOException {
        String sha;
        try (InputStream in = java.nio.file.Files.newInputStream(content)) {
            sha = Sha256.of(in);
        }
        contents.keep(sha, java.nio.file.Files.size(content), content);
        long file = files.addFile(student, name, sha, clock.instant());
        return look(student, person, file, name, content, Choices.NONE);
    }

    @Transactional(readOnly = true)
    public Preview preview(long student, Person person, long file, Choices choices) throws IOException {
        ImportFiles.ImportFile stored = files.file(student, file).orElseThrow(() -> Refusal.notFound("file"));
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
        Map<String, StateWords.Meaning> words = new HashMap<>();
        links.stateWords(student).forEach((word, meaning) -> words.put(word, StateWords.Meaning.valueOf(meaning)));
        words.putAll(choices.words());
        Sources.ReadIn read = Sources.read(
                content,
                new Sources.Asked(
                        name,
                        choices,
                        board.zone(),
                        board.courses().values().stream()
                                .map(course -> course.details().name().toLowerCase(Locale.ROOT))
                                .collect(Collectors.toSet()),
                        board.now().atZone(board.zone()).toLocalDate(),
                        words,
                        heads -> remembered(student, heads)));
        String called = Optional.ofNullable(choices.source()).orElse(read.name());
        Told told = read.told();
        Map<String, String> courses = told == null ? Map.of() : courseNames(told, choices, board);
        Choices chosen = choices.called(called, choices.knownAs(), read.mapping(), courses);
        return told == null
                ? new Preview(file, false, chosen, read, null, null, Wanted.ALL, "")
                : plan(student, board, file, chosen, read, told);
    }

    /** Those that the person named; of the others the course here that is meant most likely. */
    private static Map<String, String> courseNames(Told told, Choices choices, Board board) {
        Map<String, String> names = new LinkedHashMap<>();
        for (Told.Course course : told.courses()) {
            String chosen = choices.courses().get(course.key());
            names.put(course.key(), chosen == null || chosen.isBlank() ? like(course.name(), board) : chosen.strip());
        }
        return names;
    }

    /** The course of this name; else the only one whose name begins so; else a new one of this name. */
    private static String like(String name, Board board) {
        List<String> here = board.courses().values().stream()
                .map(course -> course.details().name())
                .toList();
        String low = name.toLowerCase(Locale.ROOT);
        List<String> alike = here.stream()
                .filter(one -> one.equalsIgnoreCase(name)
                        || (low.length() >= SHORTEST_LIKE
                                && one.toLowerCase(Locale.ROOT).startsWith(low))
                        || low.startsWith(one.toLowerCase(Locale.ROOT) + " "))
                .toList();
        return here.stream().filter(name::equalsIgnoreCase).findFirst().orElse(alike.size() == 1 ? alike.get(0) : name);
    }

    private Optional<Mapping> remembered(long student, List<String> heads) {
        return links.mapping(student, headsKey(heads)).map(text -> json.readValue(text, Mapping.class));
    }

    private static String headsKey(List<String> heads) {
        return Sha256.of(String.join("\n", heads));
    }

    private Preview plan(long student, Board board, long file, Choices choices, Sources.ReadIn read, Told told) {
        if (told.works().size() > MOST_WORKS) {
            throw Refusal.invalid(
                    "file",
                    "It tells of " + told.works().size() + " pieces of work; at most " + MOST_WORKS
                            + " are read at once. Read in one term, or one course, at a time.");
        }
        Told corrected = new Corrections(choices.rows(), choices.courses(), board.zone()).of(told);
        Wanted wanted = wanted(choices, corrected, board);
        Link link = linkOf(student, choices);
        NewsPlan plan = planners.of(link, board)
                .plan(
                        new News(corrected, read.kind() != Sources.Kind.TABLE || link.id() != 0, List.of(), null, null),
                        wanted);
        String fingerprint =
                Sha256.of(plan.works().stream().map(Object::toString).collect(Collectors.joining("\n")) + "\n"
                        + new TreeMap<>(plan.results()) + plan.courses() + choices.classes());
        return new Preview(file, link.id() != 0, choices, read, plan, corrected, wanted, fingerprint);
    }

    private static Wanted wanted(Choices choices, Told told, Board board) {
        Set<String> leave = new HashSet<>();
        Set<String> retake = new HashSet<>();
        Map<String, Wanted.Past> past = new HashMap<>();
        for (Told.Work work : told.works()) {
            RowEdit edit = choices.rows().get(work.key());
            Boolean take = edit == null ? null : edit.take();
            boolean left = take == null ? work.hint().notWork() != null : !take;
            if (left) {
                leave.add(work.key());
            } else if (take != null) {
                retake.add(work.key());
            }
            if (edit != null && edit.past() != null) {
                past.put(work.key(), edit.past());
            }
        }
        Set<String> grades = new HashSet<>();
        if (choices.grading()) {
            told.courses().stream()
                    .filter(course -> isWeighted(course) && isUngraded(course, board))
                    .forEach(course -> grades.add(course.key()));
        }
        return new Wanted(leave, retake, choices.past(), past, true, grades);
    }

    /** Whether every category of it has a weight. */
    static boolean isWeighted(Told.Course course) {
        return course.categories().size() > 1
                && course.categories().stream().allMatch(category -> category.weight() != null);
    }

    private static boolean isUngraded(Told.Course course, Board board) {
        Course here = Courses.named(board.courses().values(), course.name());
        return here == null || here.rules().grade().equals(GradeSheet.POINTS);
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

    /** What was written. @param change to be named when it is undone */
    record Applied(long change, long link, int added, int changed, int gone, int entries) {}

    /** @throws Refusal if applying would now do anything else than what was confirmed; nothing is changed then */
    @Transactional(rollbackFor = IOException.class)
    public Applied apply(Writer by, Person person, long file, Choices choices, String fingerprint) throws IOException {
        changes.lock(by.student());
        WriteOnce.Once request = new WriteOnce.Once(
                by.student(), by.person(), by.key(), "apply file " + file + " " + fingerprint, clock.instant());
        Optional<Applied> earlier = once.answered(request, Applied.class);
        if (earlier.isPresent()) {
            return earlier.get();
        }
        Preview preview = preview(by.student(), person, file, choices);
        NewsPlan plan = preview.plan();
        if (plan == null || !preview.fingerprint().equals(fingerprint)) {
            throw Refusal.changedSince("What this file would do");
        }
        boolean classes = choices.classes() && !classesOf(preview).isEmpty();
        boolean leaves = plan.works().stream().anyMatch(row -> row.status() == Status.ASIDE && row.newKey());
        if (plan.isEmpty() && !classes && !leaves) {
            throw Refusal.conflict("There is nothing to apply", "Everything in this file is on the board already.");
        }
        Applied done = once.run(request, Applied.class, () -> applyNow(by, person, preview, plan));
        live.changed(by.student());
        return done;
    }

    private static List<Told.ClassTime> classesOf(Preview preview) {
        return preview.told() == null ? List.of() : preview.told().beside().classes();
    }

    private Applied applyNow(Writer by, Person person, Preview preview, NewsPlan plan) {
        Instant now = clock.instant();
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
            link = new Link(id, link.student(), link.name(), false, link.access(), link.faring());
        }
        Board board = boards.read(by.student(), ZoneId.of(person.zone()), now);
        String news = writer.write(link, plan, board, change, now);
        if (preview.choices().classes()) {
            takeClasses(by.student(), preview, board, change);
        }
        links.answered(link.id(), null, null, news, now, null);
        files.applied(preview.file(), change);
        remember(by.student(), preview);
        return new Applied(
                change,
                link.id(),
                (int) plan.many(Status.NEW),
                (int) plan.many(Status.CHANGED),
                (int) plan.many(Status.GONE),
                plan.results().size());
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

    /** Beside those that there are, each once. */
    private void takeClasses(long student, Preview preview, Board board, long change) {
        TimeSheet before = board.time().orElseGet(TimeSheet::assumed);
        List<TimeSheet.ClassSpan> classes = new ArrayList<>(before.classes());
        for (Told.ClassTime held : classesOf(preview)) {
            Course course = Courses.named(board.courses().values(), held.title());
            TimeSheet.ClassSpan span = new TimeSheet.ClassSpan(
                    course == null ? null : course.id(), held.day(), held.starts(), held.ends());
            boolean there = classes.stream()
                    .anyMatch(one -> one.day() == span.day() && one.starts().equals(span.starts()));
            if (!there) {
                classes.add(span);
            }
        }
        times.say(student, change, before.holding(classes));
    }
}
