package app.navlo.server.link;

import app.navlo.core.time.Deadline;
import app.navlo.server.account.Person;
import app.navlo.server.problem.Refusal;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
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

/** Calendar files in: look, choose, apply. */
@RestController
@RequestMapping("/api/students/{student}/imports")
public class ImportController {
    private static final int MOST_BYTES = 5 << 20;

    private final CalendarImports imports;

    ImportController(CalendarImports imports) {
        this.imports = imports;
    }

    /**
     * @param courseId null for a new course
     * @param newCourse null where {@code courseId} is given
     * @param leave keys of the rows that are to be left aside
     */
    public record ImportOptions(
            @Nullable Long courseId,

            @Nullable @Size(max = 40, message = "At most 40 letters.")
            String newCourse,

            boolean byCategory,
            @NotNull Set<String> leave) {
        ImportChoice choice() {
            if (courseId == null && (newCourse == null || newCourse.isBlank())) {
                throw Refusal.invalid("newCourse", "Give the new course a name, or choose one of yours.");
            }
            return new ImportChoice(courseId, newCourse == null ? null : newCourse.strip(), byCategory);
        }
    }

    /** @param fingerprint of the preview that was confirmed */
    public record ImportConfirmation(
            @Valid @NotNull ImportOptions options, @NotNull String fingerprint) {}

    /**
     * What applying would do.
     *
     * @param known whether this calendar was read in before
     * @param categories that the calendar names, and that could each be a course
     */
    public record ImportPreview(
            long id,
            String calendarName,
            boolean known,
            @Nullable Long courseId,
            @Nullable String newCourse,
            boolean byCategory,
            List<String> categories,
            List<ImportRow> rows,
            List<ImportAside> leftAside,
            String fingerprint) {}

    /**
     * @param due null for none
     * @param dueDay where only a day is given
     * @param changes what differs from the board, in words
     * @param note a doubt about what was read; null for none
     */
    public record ImportRow(
            String key,
            ImportStatus status,
            String title,
            String courseName,
            boolean newCourse,
            @Nullable Instant due,
            @Nullable LocalDate dueDay,
            List<String> changes,
            @Nullable String note) {}

    /** What applying does with a row; {@code KEPT} and {@code ASIDE} rows are left as they are. */
    public enum ImportStatus {
        NEW,
        CHANGED,
        SAME,
        GONE,
        KEPT,
        ASIDE
    }

    /** An entry of the file that is no piece of work, or can't be read. */
    public record ImportAside(String title, String why) {}

    /** @param change to be named when it is undone */
    public record ImportApplied(long change, int added, int changed, int removed) {}

    @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    public ImportPreview read(
            @PathVariable long student, @AuthenticationPrincipal Person person, @RequestParam MultipartFile file)
            throws IOException {
        if (file.getSize() > MOST_BYTES) {
            throw Refusal.tooLarge("The file has " + (file.getSize() >> 20)
                    + " MB; at most 5 MB are read. Export a shorter span, a term for example.");
        }
        String name = Objects.requireNonNullElse(file.getOriginalFilename(), "calendar.ics");
        return view(imports.read(student, person, plainName(name), file.getBytes()));
    }

    @PostMapping("/{file}/preview")
    public ImportPreview preview(
            @PathVariable long student,
            @PathVariable long file,
            @AuthenticationPrincipal Person person,
            @Valid @RequestBody ImportOptions options) {
        return view(imports.preview(student, person, file, options.choice(), options.leave()));
    }

    @PostMapping("/{file}/application")
    @ResponseStatus(HttpStatus.CREATED)
    public ImportApplied apply(
            @PathVariable long student,
            @PathVariable long file,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") @Size(min = 1, max = 100) String key,
            @Valid @RequestBody ImportConfirmation confirmation) {
        ImportOptions options = confirmation.options();
        CalendarImports.Applied applied = imports.apply(
                student,
                person,
                file,
                key,
                new CalendarImports.Confirmed(options.choice(), options.leave(), confirmation.fingerprint()));
        return new ImportApplied(applied.change(), applied.added(), applied.changed(), applied.removed());
    }

    private static String plainName(String name) {
        String last = name.substring(Math.max(name.lastIndexOf('/'), name.lastIndexOf('\\')) + 1)
                .replaceAll("\\p{Cntrl}", "");
        return last.length() <= 200 ? last : last.substring(0, 200);
    }

    private static ImportPreview view(CalendarImports.Preview preview) {
        ImportPlan plan = preview.plan();
        return new ImportPreview(
                preview.file(),
                plan.calendarName(),
                plan.calendar() != null,
                preview.choice().courseId(),
                preview.choice().newCourse(),
                preview.choice().byCategory(),
                preview.content().entries().stream()
                        .flatMap(entry -> entry.categories().stream())
                        .distinct()
                        .sorted()
                        .toList(),
                plan.rows().stream().map(ImportController::row).toList(),
                leftAside(preview),
                plan.fingerprint());
    }

    /** What is no piece of work, and what was cancelled before it was ever taken in. */
    private static List<ImportAside> leftAside(CalendarImports.Preview preview) {
        Set<String> rows =
                preview.plan().rows().stream().map(ImportPlan.Row::key).collect(Collectors.toSet());
        Stream<ImportAside> cancelled = preview.content().entries().stream()
                .filter(entry -> entry.cancelled() && !rows.contains(entry.key()))
                .map(entry -> new ImportAside(entry.title(), "is cancelled in the calendar"));
        Stream<ImportAside> others =
                preview.content().leftAside().stream().map(aside -> new ImportAside(aside.title(), aside.why()));
        return Stream.concat(others, cancelled).toList();
    }

    private static ImportRow row(ImportPlan.Row row) {
        Deadline due = row.definition().due();
        return new ImportRow(
                row.key(),
                ImportStatus.valueOf(row.status().name()),
                row.title(),
                row.courseName(),
                row.newCourse(),
                due == null ? null : due.instant(),
                due instanceof Deadline.EndOfDay end ? end.day() : null,
                row.changes(),
                row.note());
    }
}
