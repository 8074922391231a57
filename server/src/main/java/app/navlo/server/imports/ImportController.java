package app.navlo.server.imports;

import app.navlo.formats.csv.Mapping;
import app.navlo.server.account.Person;
import app.navlo.server.change.Writer;
import app.navlo.server.imports.ImportForms.ImportChoices;
import app.navlo.server.imports.ImportForms.ImportConfirmation;
import app.navlo.server.imports.ImportMapper.ImportDone;
import app.navlo.server.imports.ImportMapper.ImportPreview;
import app.navlo.server.imports.Intake.Taken;
import app.navlo.server.problem.OneLine;
import app.navlo.server.problem.Refusal;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
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
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
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

    private final ImportService service;
    private final Progress progress;

    ImportController(ImportService service, Progress progress) {
        this.service = service;
        this.progress = progress;
    }

    /** Cells, or lines, as they were copied. @param name what they are called; it names the course of rows that name none */
    public record PastedForm(
            @NotBlank(message = "Paste the table first.") @Size(max = 5_000_000, message = "At most 5 million letters.")
            String text,

            @NotBlank(message = "Say where it is from.") @Size(max = 120, message = "At most 120 letters.") @OneLine
            String name) {}

    /**
     * Takes files to be read in, and shows what that would do.
     *
     * @param file one, or the tables of a bundle that was unpacked into a folder
     * @param dates how you write dates, for a table that doesn't tell what "03/04" is; without it the day comes first
     */
    @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    public ImportPreview read(
            @PathVariable long student,
            @AuthenticationPrincipal Person person,
            @RequestParam List<MultipartFile> file,
            @RequestParam(defaultValue = "DAY_FIRST") Mapping.DateOrder dates)
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
                return ImportMapper.preview(service.read(student, person, name(file.get(0)), content, dates));
            }
            pack(file, content);
            return ImportMapper.preview(service.read(student, person, FOLDER, content, dates));
        } finally {
            Files.deleteIfExists(content);
        }
    }

    /**
     * Takes a table that was copied from a page or a spreadsheet, and shows what reading it in would do.
     *
     * @param dates how you write dates, for a table that doesn't tell what "03/04" is; without it the day comes first
     */
    @PostMapping("/pasted")
    @ResponseStatus(HttpStatus.CREATED)
    public ImportPreview paste(
            @PathVariable long student,
            @AuthenticationPrincipal Person person,
            @RequestParam(defaultValue = "DAY_FIRST") Mapping.DateOrder dates,
            @Valid @RequestBody PastedForm pasted)
            throws IOException {
        Path content = Files.createTempFile("navlo-file", ".in");
        try {
            Files.writeString(content, pasted.text());
            return ImportMapper.preview(
                    service.read(student, person, pasted.name().strip(), content, dates));
        } finally {
            Files.deleteIfExists(content);
        }
    }

    /** The lines of a course outline, to be looked through for dates. Nothing is kept. */
    public record OutlineLines(List<String> lines) {}

    /** Looks what a file or a pasted table holds, before anything is chosen. */
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

    /** What reading it in would do, row by row. Nothing is written. */
    @PostMapping("/{file}/preview")
    public ImportPreview preview(
            @PathVariable long student,
            @PathVariable long file,
            @AuthenticationPrincipal Person person,
            @Valid @RequestBody ImportChoices choices)
            throws IOException {
        return ImportMapper.preview(service.preview(student, person, file, choices.choices()));
    }

    /** How far the writing is. @param of all that is to be written; 0 while nothing is */
    public record ImportProgress(int done, int of) {}

    /** How far a long reading is. */
    @GetMapping("/progress")
    public ImportProgress progress(@PathVariable long student) {
        Progress.Step step = progress.of(student);
        return new ImportProgress(step.done(), step.of());
    }

    /** Writes what the preview showed, whole or not at all. */
    @PostMapping("/{file}/application")
    @ResponseStatus(HttpStatus.CREATED)
    public ImportDone apply(
            @PathVariable long student,
            @PathVariable long file,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody ImportConfirmation confirmed)
            throws IOException {
        Taken done = service.apply(
                Writer.of(student, person, null, key),
                person,
                file,
                confirmed.choices().choices(),
                confirmed.fingerprint());
        return ImportDone.of(done);
    }
}
