package app.navlo.server.personal;

import app.navlo.core.signal.SignalKind;
import app.navlo.server.account.Person;
import app.navlo.server.change.Changed;
import app.navlo.server.change.Done;
import app.navlo.server.change.Writer;
import app.navlo.server.files.Enclosures;
import app.navlo.server.files.Uploads;
import app.navlo.server.workdetail.HandedIn;
import app.navlo.server.workdetail.WorkDetailService;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** What a student says about a piece of work, has read of it, and has spent on it. */
@RestController
@RequestMapping("/api/students/{student}/works/{work}")
public class WordController {
    private final WorkDetailService details;
    private final WordService words;

    WordController(WorkDetailService details, WordService words) {
        this.details = details;
        this.words = words;
    }

    /**
     * @param answers the word that it answers; null for none
     * @param files that go with it; null for none
     */
    public record Comment(
            @NotBlank(message = "Write something first.") @Size(max = 20000, message = "At most 20000 letters.")
            String text,

            @Nullable Long answers,

            @Nullable @Size(max = Enclosures.MOST, message = "At most 6 files go with a comment. Leave some out.")
            List<MultipartFile> files) {}

    public record Tick(boolean done) {}

    public record Spent(
            @Min(value = 1, message = "At least 1 minute.") @Max(value = 6000, message = "At most 6000 minutes.")
            int minutes) {}

    /** Writes a comment to oneself or the answer to one; it stays in Navlo. */
    @PostMapping(path = "/comments", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    public HandedIn comment(
            @PathVariable long student,
            @PathVariable long work,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @ModelAttribute Comment comment)
            throws IOException {
        try (Uploads files = Uploads.of(comment.files())) {
            Done done = words.say(
                    Writer.of(student, person, null, key), work, comment.text(), comment.answers(), files.all());
            return new HandedIn(done.change(), null, details.read(student, work));
        }
    }

    /** Says whether a mark on a page is dealt with. @param mark the number of the word that stands on the page */
    @PutMapping("/marks/{mark}")
    public Changed tick(
            @PathVariable long student,
            @PathVariable long work,
            @PathVariable long mark,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody Tick tick) {
        Done done = words.tick(Writer.of(student, person, null, key), work, mark, tick.done());
        return new Changed(done.change(), work);
    }

    /** Adds time that was spent on a piece of work. */
    @PostMapping("/time-spent")
    @ResponseStatus(HttpStatus.CREATED)
    public HandedIn timeSpent(
            @PathVariable long student,
            @PathVariable long work,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody Spent spent) {
        Done done = words.spent(Writer.of(student, person, null, key), work, spent.minutes());
        return new HandedIn(done.change(), null, details.read(student, work));
    }

    /** Puts a signal aside until it arises anew. */
    @PostMapping("/signals/{signal}/aside")
    @ResponseStatus(HttpStatus.CREATED)
    public Changed putAside(
            @PathVariable long student,
            @PathVariable long work,
            @PathVariable SignalKind signal,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key) {
        Done done = words.putAside(Writer.of(student, person, null, key), work, signal);
        return new Changed(done.change(), work);
    }

    /** Says that what stands now is read. It is no change of the work. */
    @PostMapping("/read-mark")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    public void markRead(@PathVariable long student, @PathVariable long work, @AuthenticationPrincipal Person person) {
        words.markRead(Writer.of(student, person, null, null), work);
    }
}
