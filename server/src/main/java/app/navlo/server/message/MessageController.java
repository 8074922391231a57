package app.navlo.server.message;

import app.navlo.server.account.Person;
import app.navlo.server.change.Writer;
import app.navlo.server.files.Uploads;
import jakarta.validation.Valid;
import java.io.IOException;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Writing to a teacher about a piece of work or a course: the student, or a guardian who is shown messages, in their own name. */
@RestController
@RequestMapping("/api/students/{student}")
public class MessageController {
    private final MessageService service;

    MessageController(MessageService service) {
        this.service = service;
    }

    /** Letters to the teacher of a piece of work that could be written now. */
    @GetMapping("/works/{work}/message")
    public DraftsView drafts(
            @PathVariable long student, @PathVariable long work, @AuthenticationPrincipal Person person) {
        return service.drafts(student, work, person);
    }

    /** Sends a message to a teacher by mail, and to the school where a link takes it. */
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
            return service.send(Writer.of(student, person, null, key), About.work(work), form, files.all());
        }
    }

    /** Letters to the teacher of a course that could be written now. */
    @GetMapping("/courses/{course}/message")
    public DraftsView draftsOfCourse(
            @PathVariable long student, @PathVariable long course, @AuthenticationPrincipal Person person) {
        return service.draftsOfCourse(student, course, person);
    }

    /** Sends a message about a whole course to its teacher by mail. */
    @PostMapping(path = "/courses/{course}/messages", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    public MessageView sendOfCourse(
            @PathVariable long student,
            @PathVariable long course,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @ModelAttribute MessageForm form)
            throws IOException {
        try (Uploads files = Uploads.of(form.files())) {
            return service.send(Writer.of(student, person, null, key), About.course(course), form, files.all());
        }
    }

    /** Those of the student and of their guardians, the latest first. */
    @GetMapping("/messages")
    public List<MessageView> all(@PathVariable long student, @AuthenticationPrincipal Person person) {
        return service.all(student, person.id());
    }

    /** What a teacher answered to a message, put down by whoever wrote it, for all who may read it. */
    @PutMapping("/messages/{message}/answer")
    public MessageView answered(
            @PathVariable long student,
            @PathVariable long message,
            @AuthenticationPrincipal Person person,
            @Valid @RequestBody ReplyForm form) {
        return service.answered(Writer.of(student, person, null, null), message, form.words());
    }
}
