package app.navlo.server.message;

import app.navlo.server.account.Person;
import app.navlo.server.board.SaidView.EnclosedView;
import app.navlo.server.work.Enclosures;
import app.navlo.server.work.Uploads;
import app.navlo.server.work.Writer;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Email;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Writing to a teacher about a piece of work. */
@RestController
@RequestMapping("/api/students/{student}")
public class MessageController {
    private final MessageDesk desk;

    MessageController(MessageDesk desk) {
        this.desk = desk;
    }

    /**
     * @param to the teacher's name; empty where the course names none
     * @param address where the teacher was last written to, or can be; empty where that isn't known
     * @param canSend false without a mail server; then the message can only be copied
     * @param drafts the most pressing first; never empty
     */
    public record DraftsView(String to, String address, boolean canSend, List<MessageDraft> drafts) {}

    /** How far a message has come. */
    public enum Sending {
        WAITING,
        SENT,
        GIVEN_UP
    }

    /**
     * @param work null for a message about a whole course
     * @param fault of the last try; null for none
     * @param files that go with it
     * @param school that has it beside the mail, with the number that it gave it; null for none
     */
    public record MessageView(
            long id,
            long course,
            @Nullable Long work,
            Instant at,
            String from,
            String to,
            String address,
            String subject,
            String body,
            Sending sending,
            @Nullable String fault,
            List<EnclosedView> files,
            @Nullable String school) {}

    /**
     * @param receipt the hand-in whose receipt goes with it as a file; null for none
     * @param files that go with it beside; null for none
     */
    public record MessageForm(
            @NotBlank(message = "Type the teacher's address.")
            @Email(message = "This isn't an e-mail address; one looks like name@example.org.")
            @Size(max = 254, message = "At most 254 letters.")
            String to,

            @NotBlank(message = "Give it a subject.") @Size(max = 200, message = "At most 200 letters.")
            String subject,

            @NotBlank(message = "Write the message first.") @Size(max = 20_000, message = "At most 20000 letters.")
            String body,

            @Nullable Long receipt,

            @Nullable @Size(max = Enclosures.MOST, message = "At most 6 files go with a message. Leave some out.")
            List<MultipartFile> files) {}

    @GetMapping("/works/{work}/message")
    public DraftsView drafts(
            @PathVariable long student, @PathVariable long work, @AuthenticationPrincipal Person person) {
        return desk.drafts(student, work, person.name());
    }

    @PostMapping(path = "/works/{work}/messages", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    public MessageView send(
            @PathVariable long student,
            @PathVariable long work,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @ModelAttribute MessageForm form)
            throws IOException {
        try (Uploads files = Uploads.of(form.files())) {
            return desk.send(Writer.of(student, person, null, key), work, form, files.all());
        }
    }

    /** The latest first. */
    @GetMapping("/messages")
    public List<MessageView> all(@PathVariable long student) {
        return desk.all(student);
    }
}
