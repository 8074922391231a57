package app.navlo.server.school;

import app.navlo.formats.csv.Mapping;
import app.navlo.formats.csv.Recogniser.Recognised;
import app.navlo.formats.csv.Recogniser.Unclear;
import app.navlo.server.account.Person;
import app.navlo.server.problem.Refusal;
import app.navlo.server.school.FileDesk.Choices;
import app.navlo.server.school.FileDesk.Preview;
import app.navlo.server.school.LinkController.LinkRow;
import app.navlo.server.school.LinkController.LinkTrouble;
import app.navlo.server.work.EditController.EditedView;
import app.navlo.server.work.Writer;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
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

/** Files of a gradebook in: OneRoster bundles and plain tables, previewed and then applied. */
@RestController
@RequestMapping("/api/students/{student}/link-files")
public class FileController {
    private static final long MOST_BYTES = 50L << 20;
    private static final int LONGEST_NAME = 200;
    private static final String FOLDER = "folder.zip";

    private final FileDesk desk;

    FileController(FileDesk desk) {
        this.desk = desk;
    }

    /** What the columns of a table mean. */
    public record MappingForm(
            @NotNull @Size(max = 500, message = "At most 500 columns.")
            List<Mapping.Field> fields,

            Mapping.@NotNull DateOrder dates,
            Mapping.@NotNull Decimals decimals) {}

    /**
     * @param source by which it is known here; null for what it calls itself
     * @param knownAs who the student is in a bundle of several; null while nobody has chosen
     * @param mapping of a table; null for what is recognised
     * @param course of rows that name none; null for the name of the source
     */
    public record FileChoices(
            @Nullable @Size(max = 200, message = "At most 200 letters.")
            String source,

            @Nullable @Size(max = 300, message = "At most 300 letters.")
            String knownAs,

            @Nullable @Valid MappingForm mapping,

            @Nullable @Size(max = 120, message = "At most 120 letters.")
            String course) {
        Choices choices() {
            return new Choices(
                    blank(source),
                    blank(knownAs),
                    mapping == null ? null : new Mapping(mapping.fields(), mapping.dates(), mapping.decimals()),
                    blank(course));
        }

        private static @Nullable String blank(@Nullable String text) {
            return text == null || text.isBlank() ? null : text.strip();
        }
    }

    /** @param fingerprint of the preview that was confirmed */
    public record FileConfirmation(
            @Valid @NotNull FileChoices choices, @NotNull String fingerprint) {}

    public record FileStudent(String id, String name, String email) {}

    /** @param values of the first rows */
    public record FileColumn(String head, List<String> values) {}

    /**
     * What reading it in would do.
     *
     * @param students of a bundle, one of whom is to be chosen; empty for a table
     * @param columns of a table; empty for a bundle
     * @param unclear what a person has to say, because the table doesn't
     * @param ready whether there is a plan: the student is chosen, the titles are known
     * @param results scores and other entries of a gradebook
     * @param records what would be kept as a second record, without an entry of a gradebook
     */
    public record FilePreview(
            long id,
            FileChoices choices,
            List<FileStudent> students,
            List<FileColumn> columns,
            Set<Unclear> unclear,
            boolean ready,
            List<String> courses,
            List<LinkRow> rows,
            int results,
            int records,
            List<LinkTrouble> troubles,
            String fingerprint) {}

    /** @param file one, or the tables of a bundle that was unpacked into a folder */
    @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    public FilePreview read(
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
    public FilePreview preview(
            @PathVariable long student,
            @PathVariable long file,
            @AuthenticationPrincipal Person person,
            @Valid @RequestBody FileChoices choices)
            throws IOException {
        return view(desk.preview(student, person, file, choices.choices()));
    }

    @PostMapping("/{file}/application")
    @ResponseStatus(HttpStatus.CREATED)
    public EditedView apply(
            @PathVariable long student,
            @PathVariable long file,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody FileConfirmation confirmed)
            throws IOException {
        return desk.apply(
                Writer.of(student, person, null, key),
                person,
                file,
                confirmed.choices().choices(),
                confirmed.fingerprint());
    }

    private static FilePreview view(Preview preview) {
        Choices chosen = preview.choices();
        Mapping mapping = chosen.mapping();
        NewsPlan plan = preview.plan();
        return new FilePreview(
                preview.file(),
                new FileChoices(
                        chosen.source(),
                        chosen.knownAs(),
                        mapping == null ? null : new MappingForm(mapping.fields(), mapping.dates(), mapping.decimals()),
                        chosen.course()),
                preview.students().stream()
                        .map(one -> new FileStudent(one.id(), one.name(), one.email()))
                        .toList(),
                columns(preview.recognised()),
                preview.recognised() == null ? Set.of() : preview.recognised().unclear(),
                plan != null,
                plan == null
                        ? List.of()
                        : plan.courses().stream()
                                .filter(course -> course.ours() == null)
                                .map(NewsPlan.CourseRow::name)
                                .toList(),
                plan == null ? List.of() : LinkController.rows(plan),
                plan == null ? 0 : plan.results().size(),
                plan == null ? 0 : plan.recordsAlone(),
                plan == null ? List.of() : LinkController.troubles(plan),
                preview.fingerprint());
    }

    private static List<FileColumn> columns(@Nullable Recognised recognised) {
        if (recognised == null) {
            return List.of();
        }
        return IntStream.range(0, recognised.heads().size())
                .mapToObj(place -> new FileColumn(
                        recognised.heads().get(place),
                        recognised.sample().stream().map(row -> row.get(place)).toList()))
                .toList();
    }
}
