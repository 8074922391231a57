package app.navlo.server.imports;

import app.navlo.formats.csv.Mapping;
import app.navlo.formats.csv.Recogniser.Recognised;
import app.navlo.formats.csv.Recogniser.Unclear;
import app.navlo.formats.told.StateWords;
import app.navlo.formats.told.Told;
import app.navlo.server.account.Person;
import app.navlo.server.imports.ImportViews.ImportRow;
import app.navlo.server.imports.ImportViews.ImportTrouble;
import app.navlo.server.problem.Refusal;
import app.navlo.server.rules.Figures;
import app.navlo.server.work.Writer;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.DayOfWeek;
import java.time.LocalTime;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** The one way in for files and for what is pasted: calendars, tables and bundles, previewed and then written whole. */
@RestController
@RequestMapping("/api/students/{student}/imports")
public class ImportController {
    private static final long MOST_BYTES = 50L << 20;
    private static final long MOST_OUTLINE = 20L << 20;
    private static final int LONGEST_NAME = 200;
    private static final String FOLDER = "folder.zip";

    private final ImportDesk desk;

    ImportController(ImportDesk desk) {
        this.desk = desk;
    }

    /** What the columns of a table mean. */
    public record MappingForm(
            @NotNull @Size(max = 500, message = "At most 500 columns.")
            List<Mapping.Field> fields,

            Mapping.@NotNull DateOrder dates,
            Mapping.@NotNull Decimals decimals) {}

    /** @param name of one of theirs, or a new one */
    public record CourseChoice(
            @NotNull @Size(max = 1_000) String key,

            @NotBlank(message = "Give the course a name.") @Size(max = 120, message = "At most 120 letters.")
            String name) {}

    public record WordChoice(@NotBlank @Size(max = 120) String word, StateWords.@NotNull Meaning meaning) {}

    /**
     * What a person says about what came in; what is null stands as it was read.
     *
     * @param source by which it is known here; null for what it calls itself
     * @param knownAs who the student is in a bundle of several; null while nobody has chosen
     * @param mapping of a table; null for what is recognised
     * @param past how new work stands that was due before now and of which nothing is told
     * @param grading whether categories and weights make the grade of courses that have none yet
     * @param classes whether the hours of classes are taken as well
     */
    public record ImportChoices(
            @Nullable @Size(max = 200, message = "At most 200 letters.")
            String source,

            @Nullable @Size(max = 300, message = "At most 300 letters.")
            String knownAs,

            @Nullable @Valid MappingForm mapping,

            @NotNull @Size(max = 500, message = "At most 500 courses.")
            List<@Valid CourseChoice> courses,

            Wanted.@NotNull Past past,

            @NotNull @Size(max = 500, message = "At most 500 words.")
            List<@Valid WordChoice> words,

            @NotNull @Size(max = 5_000, message = "At most 5000 rows.")
            List<@Valid RowEdit> rows,

            boolean grading,
            boolean classes) {
        ImportDesk.Choices choices() {
            Map<String, String> named = new HashMap<>();
            courses.forEach(course -> named.put(course.key(), course.name()));
            Map<String, StateWords.Meaning> means = new HashMap<>();
            words.forEach(word -> means.put(StateWords.plain(word.word()), word.meaning()));
            Map<String, RowEdit> edits = new HashMap<>();
            rows.forEach(row -> edits.put(row.key(), row));
            return new ImportDesk.Choices(
                    blank(source),
                    blank(knownAs),
                    mapping == null ? null : new Mapping(mapping.fields(), mapping.dates(), mapping.decimals()),
                    named,
                    past,
                    means,
                    edits,
                    grading,
                    classes);
        }

        private static @Nullable String blank(@Nullable String text) {
            return text == null || text.isBlank() ? null : text.strip();
        }
    }

    /** @param fingerprint of the preview that was confirmed */
    public record ImportConfirmation(
            @Valid @NotNull ImportChoices choices, @NotNull String fingerprint) {}

    /** Cells, or lines, as they were copied. @param name what they are called; it names the course of rows that name none */
    public record PastedForm(
            @NotBlank(message = "Paste the table first.") @Size(max = 5_000_000, message = "At most 5 million letters.")
            String text,

            @NotBlank(message = "Say where it is from.") @Size(max = 120, message = "At most 120 letters.")
            String name) {}

    public record ImportStudent(String id, String name, String email) {}

    /** @param values of the first rows */
    public record ImportColumn(String head, List<String> values) {}

    /** @param weight a decimal; null where none is named */
    public record ImportCategory(String name, @Nullable String weight) {}

    /**
     * A course that the source names.
     *
     * @param name what it is called here
     * @param isNew whether it is to be added
     * @param categories that make its grade if that is wanted; empty where they don't
     */
    public record ImportCourse(
            String key, String told, String name, boolean isNew, int works, List<ImportCategory> categories) {}

    /** A class that repeats each week. */
    public record ImportClass(String title, DayOfWeek day, LocalTime starts, LocalTime ends) {}

    /** What came in. */
    public enum ImportKind {
        CALENDAR,
        TABLE,
        BUNDLE
    }

    /**
     * What reading it in would do.
     *
     * @param known whether this source was read in before
     * @param students of a bundle, one of whom is to be chosen; empty for anything else
     * @param columns of a table; empty for anything else
     * @param unclear what a person has to say, because the table doesn't
     * @param ready whether there is a plan: the student is chosen, the titles are known
     * @param results scores and other entries of a gradebook
     * @param records what would be kept as a second record, without an entry of a gradebook
     * @param unknownWords for states, that a person is asked about
     */
    public record ImportPreview(
            long id,
            ImportKind kind,
            boolean known,
            ImportChoices choices,
            List<ImportStudent> students,
            List<ImportColumn> columns,
            Set<Unclear> unclear,
            boolean ready,
            List<ImportCourse> courses,
            List<ImportRow> rows,
            int results,
            int records,
            List<ImportTrouble> troubles,
            List<String> unknownWords,
            List<ImportClass> classes,
            String fingerprint) {}

    /**
     * @param change to be named when it is undone
     * @param entries scores and states that came with it
     */
    public record ImportDone(long change, long link, int added, int changed, int gone, int entries) {}

    /** @param file one, or the tables of a bundle that was unpacked into a folder */
    @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    public ImportPreview read(
            @PathVariable long student, @AuthenticationPrincipal Person person, @RequestParam List<MultipartFile> file)
            throws IOException {
        long bytes = file.stream().mapToLong(MultipartFile::getSize).sum();
        if (bytes == 0) {
            throw Refusal.invalid("file", "The file is empty. Export it again.");
        }
        if (bytes > MOST_BYTES) {
            throw Refusal.tooLarge("The file has " + (bytes >> 20)
                    + " MB; at most 50 MB are read. Export a shorter span, a term for example.");
        }
        Path content = Files.createTempFile("navlo-file", ".in");
        try {
            if (file.size() == 1) {
                file.get(0).transferTo(content);
                return view(desk.read(student, person, name(file.get(0)), content));
            }
            pack(file, content);
            return view(desk.read(student, person, FOLDER, content));
        } finally {
            Files.deleteIfExists(content);
        }
    }

    /** A table that was copied from a page or a spreadsheet. */
    @PostMapping("/pasted")
    @ResponseStatus(HttpStatus.CREATED)
    public ImportPreview paste(
            @PathVariable long student, @AuthenticationPrincipal Person person, @Valid @RequestBody PastedForm pasted)
            throws IOException {
        Path content = Files.createTempFile("navlo-file", ".in");
        try {
            Files.writeString(content, pasted.text());
            return view(desk.read(student, person, pasted.name().strip(), content));
        } finally {
            Files.deleteIfExists(content);
        }
    }

    /** The lines of a course outline, to be looked through for dates. Nothing is kept. */
    public record OutlineLines(List<String> lines) {}

    @PostMapping(path = "/outline", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    public OutlineLines outline(@PathVariable long student, @RequestParam MultipartFile file) throws IOException {
        if (file.getSize() > MOST_OUTLINE) {
            throw Refusal.tooLarge("The file has " + (file.getSize() >> 20) + " MB; at most 20 MB are read.");
        }
        Path content = Files.createTempFile("navlo-outline", ".in");
        try {
            file.transferTo(content);
            return new OutlineLines(OutlineText.lines(name(file), content));
        } finally {
            Files.deleteIfExists(content);
        }
    }

    /** The tables of a folder as the bundle that they are of; what else lies there is passed over. */
    private static void pack(List<MultipartFile> files, Path into) throws IOException {
        Set<String> packed = new HashSet<>();
        try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(into))) {
            for (MultipartFile table : files) {
                String name = name(table);
                if (!name.toLowerCase(Locale.ROOT).endsWith(".csv")) {
                    continue;
                }
                if (!packed.add(name)) {
                    throw Refusal.invalid("file", "The folder has two files " + name + ". Choose the one of one term.");
                }
                zip.putNextEntry(new ZipEntry(name));
                try (InputStream in = table.getInputStream()) {
                    in.transferTo(zip);
                }
            }
        }
        if (packed.isEmpty()) {
            throw Refusal.invalid("file", "The folder has no tables (.csv). Choose the one that has manifest.csv.");
        }
    }

    private static String name(MultipartFile file) {
        String name = Objects.requireNonNullElse(file.getOriginalFilename(), "table.csv");
        String last = name.substring(Math.max(name.lastIndexOf('/'), name.lastIndexOf('\\')) + 1)
                .replaceAll("\\p{Cntrl}", "");
        return last.length() <= LONGEST_NAME ? last : last.substring(0, LONGEST_NAME);
    }

    @PostMapping("/{file}/preview")
    public ImportPreview preview(
            @PathVariable long student,
            @PathVariable long file,
            @AuthenticationPrincipal Person person,
            @Valid @RequestBody ImportChoices choices)
            throws IOException {
        return view(desk.preview(student, person, file, choices.choices()));
    }

    @PostMapping("/{file}/application")
    @ResponseStatus(HttpStatus.CREATED)
    public ImportDone apply(
            @PathVariable long student,
            @PathVariable long file,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody ImportConfirmation confirmed)
            throws IOException {
        ImportDesk.Applied done = desk.apply(
                Writer.of(student, person, null, key),
                person,
                file,
                confirmed.choices().choices(),
                confirmed.fingerprint());
        return new ImportDone(done.change(), done.link(), done.added(), done.changed(), done.gone(), done.entries());
    }

    private static ImportPreview view(ImportDesk.Preview preview) {
        NewsPlan plan = preview.plan();
        Told told = preview.told();
        Recognised recognised = preview.read().recognised();
        boolean ready = plan != null && told != null;
        return new ImportPreview(
                preview.file(),
                ImportKind.valueOf(preview.read().kind().name()),
                preview.known(),
                choices(preview.choices()),
                preview.read().students().stream()
                        .map(one -> new ImportStudent(one.id(), one.name(), one.email()))
                        .toList(),
                columns(recognised),
                recognised == null ? Set.of() : recognised.unclear(),
                ready,
                ready ? courses(plan, told, preview.read()) : List.of(),
                ready ? ImportViews.rows(plan, told, preview.wanted()) : List.of(),
                ready ? plan.results().size() : 0,
                ready ? plan.recordsAlone() : 0,
                ready ? ImportViews.troubles(plan) : List.of(),
                ready ? told.beside().unknownWords() : List.of(),
                ready
                        ? told.beside().classes().stream()
                                .map(one -> new ImportClass(one.title(), one.day(), one.starts(), one.ends()))
                                .toList()
                        : List.of(),
                preview.fingerprint());
    }

    private static ImportChoices choices(ImportDesk.Choices chosen) {
        Mapping mapping = chosen.mapping();
        return new ImportChoices(
                chosen.source(),
                chosen.knownAs(),
                mapping == null ? null : new MappingForm(mapping.fields(), mapping.dates(), mapping.decimals()),
                chosen.courses().entrySet().stream()
                        .map(entry -> new CourseChoice(entry.getKey(), entry.getValue()))
                        .toList(),
                chosen.past(),
                chosen.words().entrySet().stream()
                        .map(entry -> new WordChoice(entry.getKey(), entry.getValue()))
                        .toList(),
                List.copyOf(chosen.rows().values()),
                chosen.grading(),
                chosen.classes());
    }

    private static List<ImportCourse> courses(NewsPlan plan, Told told, Sources.ReadIn read) {
        Map<String, String> saidThere = new HashMap<>();
        if (read.told() != null) {
            read.told().courses().forEach(course -> saidThere.put(course.key(), course.name()));
        }
        return plan.courses().stream()
                .map(course -> new ImportCourse(
                        course.key(),
                        saidThere.getOrDefault(course.key(), course.name()),
                        course.name(),
                        course.ours() == null,
                        (int) told.works().stream()
                                .filter(work -> course.key().equals(work.courseKey()))
                                .count(),
                        course.grade().stream()
                                .map(one -> new ImportCategory(one.name(), Figures.textOrNull(one.weight())))
                                .toList()))
                .toList();
    }

    private static List<ImportColumn> columns(@Nullable Recognised recognised) {
        if (recognised == null) {
            return List.of();
        }
        return IntStream.range(0, recognised.heads().size())
                .mapToObj(place -> new ImportColumn(
                        recognised.heads().get(place),
                        recognised.sample().stream().map(row -> row.get(place)).toList()))
                .toList();
    }
}
