package app.navlo.server.handin;

import app.navlo.server.account.Person;
import app.navlo.server.change.Done;
import app.navlo.server.change.Writer;
import app.navlo.server.files.Uploads;
import app.navlo.server.workdetail.HandedIn;
import app.navlo.server.workdetail.WorkDetail;
import app.navlo.server.workdetail.WorkDetailService;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Drafts, hand-ins, what takes them back, and the parts of a discussion. */
@RestController
@RequestMapping("/api/students/{student}/works/{work}")
public class HandInController {
    private final WorkDetailService details;
    private final DraftService drafts;
    private final HandInService handIns;

    HandInController(WorkDetailService details, DraftService drafts, HandInService handIns) {
        this.details = details;
        this.drafts = drafts;
        this.handIns = handIns;
    }

    /** @param number of the draft that was shown when it was written; 0 where there was none */
    public record DraftText(@NotNull String text, long number) {}

    /**
     * Work that was handed in on paper, or in another place, by the student's own word.
     *
     * @param day on which it was, in the zone of the course
     * @param time of that day
     * @param note where and to whom
     * @param photos of it; null for none
     */
    public record Elsewhere(
            @NotNull(message = "Say on which day.") LocalDate day,
            @NotNull(message = "Say at what time.") LocalTime time,

            @NotBlank(message = "Say in a line where and to whom it went.")
            @Size(max = 1000, message = "At most 1000 letters.")
            String note,

            @Nullable @Size(max = 6, message = "At most 6 photos are kept. Leave some out.")
            List<MultipartFile> photos) {}

    /** Saves the text of the draft. */
    @PutMapping("/draft")
    public WorkDetail saveText(
            @PathVariable long student,
            @PathVariable long work,
            @AuthenticationPrincipal Person person,
            @Valid @RequestBody DraftText draft) {
        drafts.saveText(Writer.of(student, person, null, null), work, draft.text(), draft.number());
        return details.read(student, work);
    }

    /** Lays a file ready to be handed in. */
    @PostMapping(path = "/draft/files", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    public WorkDetail addFile(
            @PathVariable long student,
            @PathVariable long work,
            @AuthenticationPrincipal Person person,
            @RequestParam MultipartFile file)
            throws IOException {
        Path copy = java.nio.file.Files.createTempFile("navlo", ".upload");
        try {
            file.transferTo(copy);
            String name = Objects.requireNonNullElse(file.getOriginalFilename(), "file");
            drafts.addFile(Writer.of(student, person, null, null), work, name, copy);
        } finally {
            java.nio.file.Files.deleteIfExists(copy);
        }
        return details.read(student, work);
    }

    /** Takes a file out of the draft. */
    @DeleteMapping("/draft/files/{file}")
    public WorkDetail removeFile(
            @PathVariable long student,
            @PathVariable long work,
            @PathVariable long file,
            @AuthenticationPrincipal Person person) {
        drafts.removeFile(Writer.of(student, person, null, null), work, file);
        return details.read(student, work);
    }

    /** Hands in what lies ready: here, and at the school where a link takes it. */
    @PostMapping("/hand-ins")
    @ResponseStatus(HttpStatus.CREATED)
    public HandedIn handIn(
            @PathVariable long student,
            @PathVariable long work,
            @AuthenticationPrincipal Person person,
            @RequestHeader(HttpHeaders.IF_MATCH) String version,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody HandInService.HandIn request) {
        Done done = handIns.handIn(Writer.of(student, person, version, key), work, request);
        return new HandedIn(done.change(), details.receipt(student, work, done.fact()), details.read(student, work));
    }

    /** Takes a hand-in back that isn't graded yet. */
    @PostMapping("/withdrawal")
    @ResponseStatus(HttpStatus.CREATED)
    public HandedIn withdraw(
            @PathVariable long student,
            @PathVariable long work,
            @AuthenticationPrincipal Person person,
            @RequestHeader(HttpHeaders.IF_MATCH) String version,
            @RequestHeader("Idempotency-Key") String key) {
        Done done = handIns.withdraw(Writer.of(student, person, version, key), work);
        return new HandedIn(done.change(), null, details.read(student, work));
    }

    /** Writes a post or a reply of a discussion. */
    @PostMapping("/posts")
    @ResponseStatus(HttpStatus.CREATED)
    public HandedIn post(
            @PathVariable long student,
            @PathVariable long work,
            @AuthenticationPrincipal Person person,
            @RequestHeader(HttpHeaders.IF_MATCH) String version,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody Post post) {
        Done done = handIns.post(Writer.of(student, person, version, key), work, post);
        return new HandedIn(done.change(), null, details.read(student, work));
    }

    /** Records that work was handed in on paper or elsewhere, by the student's own word. */
    @PostMapping(path = "/hand-ins/elsewhere", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    public HandedIn elsewhere(
            @PathVariable long student,
            @PathVariable long work,
            @AuthenticationPrincipal Person person,
            @RequestHeader(HttpHeaders.IF_MATCH) String version,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @ModelAttribute Elsewhere form)
            throws IOException {
        try (Uploads photos = Uploads.of(form.photos())) {
            Done done = handIns.elsewhere(
                    Writer.of(student, person, version, key),
                    work,
                    form.day().atTime(form.time()),
                    form.note().strip(),
                    photos.all());
            return new HandedIn(
                    done.change(), details.receipt(student, work, done.fact()), details.read(student, work));
        }
    }
}
