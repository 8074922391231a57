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
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.IntStream;
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
            List<LinkTrouble> troubles,
            String fingerprint) {}

    @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    public FilePreview read(
            @PathVariable long student, @AuthenticationPrincipal Person person, @RequestParam MultipartFile file)
            throws IOException {
        if (file.isEmpty()) {
            throw Refusal.invalid("file", "The file is empty. Export it again.");
        }
        if (file.getSize() > MOST_BYTES) {
            throw Refusal.tooLarge("The file has " + (file.getSize() >> 20)
                    + " MB; at most 50 MB are read. Export a shorter span, a term for example.");
        }
        Path content = Files.createTempFile("navlo-file", ".in");
        try {
            file.transferTo(content);
            return view(desk.read(student, person, name(file), content));
        } finally {
            Files.deleteIfExists(content);
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
