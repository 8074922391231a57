package app.navlo.server.work;

import app.navlo.server.account.Person;
import app.navlo.server.store.Own;
import app.navlo.server.work.EditController.EditedView;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** What a student adds for itself: notes, lenses, the order of its courses. */
@RestController
@RequestMapping("/api/students/{student}")
public class OwnController {
    private final OwnDesk desk;

    OwnController(OwnDesk desk) {
        this.desk = desk;
    }

    public record NoteForm(
            @Nullable @Size(max = 40, message = "At most 40 letters.")
            String tag,

            @NotBlank(message = "Write the note first.") @Size(max = 20_000, message = "At most 20000 letters.")
            String body) {
        Own.Note note(@Nullable Long work, Instant at) {
            return new Own.Note(0, 0, work, null, at, tag == null || tag.isBlank() ? null : tag.strip(), body.strip());
        }
    }

    /**
     * @param work null for a note on a whole course
     * @param number of this very state of it
     * @param at when it was last written
     */
    public record OwnNoteView(
            long id,
            long number,
            long course,
            @Nullable Long work,
            Instant at,
            @Nullable String tag,
            String body) {}

    public record LensForm(
            @NotBlank(message = "Give it a name.") @Size(max = 80, message = "At most 80 letters.")
            String name,

            @NotNull @Size(max = 2_000, message = "This narrowing is too long to be kept.")
            String query) {}

    /** @param query of the address, without its question mark */
    public record LensView(long id, String name, String query) {}

    /** Courses in their new order; every one of them once. */
    public record ArrangementForm(@NotEmpty List<@Valid PlacedCourse> courses) {}

    public record PlacedCourse(
            long id, @NotBlank(message = "Choose a colour.") String colour) {}

    /** The latest first: those on works, and those on courses. */
    @GetMapping("/notes")
    public List<OwnNoteView> notes(@PathVariable long student) {
        return desk.notes(student);
    }

    @PostMapping("/courses/{course}/notes")
    @ResponseStatus(HttpStatus.CREATED)
    public EditedView addCourseNote(
            @PathVariable long student,
            @PathVariable long course,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody NoteForm form) {
        return desk.addCourseNote(Writer.of(student, person, null, key), course, form);
    }

    @PutMapping("/notes/{note}")
    public EditedView editNote(
            @PathVariable long student,
            @PathVariable long note,
            @AuthenticationPrincipal Person person,
            @RequestHeader(HttpHeaders.IF_MATCH) String number,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody NoteForm form) {
        return desk.editNote(Writer.of(student, person, number, key), note, form);
    }

    @DeleteMapping("/notes/{note}")
    public EditedView removeNote(
            @PathVariable long student,
            @PathVariable long note,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key) {
        return desk.removeNote(Writer.of(student, person, null, key), note);
    }

    @GetMapping("/lenses")
    public List<LensView> lenses(@PathVariable long student) {
        return desk.lenses(student);
    }

    @PostMapping("/lenses")
    @ResponseStatus(HttpStatus.CREATED)
    public EditedView addLens(
            @PathVariable long student,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody LensForm form) {
        return desk.addLens(Writer.of(student, person, null, key), form);
    }

    @DeleteMapping("/lenses/{lens}")
    public EditedView removeLens(
            @PathVariable long student,
            @PathVariable long lens,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key) {
        return desk.removeLens(Writer.of(student, person, null, key), lens);
    }

    @PutMapping("/courses")
    public EditedView arrange(
            @PathVariable long student,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody ArrangementForm form) {
        return desk.arrange(Writer.of(student, person, null, key), form);
    }
}
