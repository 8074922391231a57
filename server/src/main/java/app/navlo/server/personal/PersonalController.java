package app.navlo.server.personal;

import app.navlo.server.account.Person;
import app.navlo.server.change.Changed;
import app.navlo.server.change.Writer;
import jakarta.validation.Valid;
import java.util.List;
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
public class PersonalController {
    private final NoteService notes;
    private final LensService lenses;
    private final CourseOrder order;

    PersonalController(NoteService notes, LensService lenses, CourseOrder order) {
        this.notes = notes;
        this.lenses = lenses;
        this.order = order;
    }

    /** The latest first: those on works, and those on courses. */
    @GetMapping("/notes")
    public List<OwnNoteView> notes(@PathVariable long student) {
        return notes.all(student);
    }

    /** Adds a note to a course. */
    @PostMapping("/courses/{course}/notes")
    @ResponseStatus(HttpStatus.CREATED)
    public Changed addCourseNote(
            @PathVariable long student,
            @PathVariable long course,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody NoteForm form) {
        return notes.addToCourse(Writer.of(student, person, null, key), course, form);
    }

    /** Changes a note that is as the writer saw it. */
    @PutMapping("/notes/{note}")
    public Changed editNote(
            @PathVariable long student,
            @PathVariable long note,
            @AuthenticationPrincipal Person person,
            @RequestHeader(HttpHeaders.IF_MATCH) String number,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody NoteForm form) {
        return notes.edit(Writer.of(student, person, number, key), note, form);
    }

    /** Removes a note. It can be undone. */
    @DeleteMapping("/notes/{note}")
    public Changed removeNote(
            @PathVariable long student,
            @PathVariable long note,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key) {
        return notes.remove(Writer.of(student, person, null, key), note);
    }

    /** The ways of looking at the work that were saved. */
    @GetMapping("/lenses")
    public List<LensView> lenses(@PathVariable long student) {
        return lenses.all(student);
    }

    /** Saves a way of looking at the work. */
    @PostMapping("/lenses")
    @ResponseStatus(HttpStatus.CREATED)
    public Changed addLens(
            @PathVariable long student,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody LensForm form) {
        return lenses.add(Writer.of(student, person, null, key), form);
    }

    /** Removes a lens. It can be undone. */
    @DeleteMapping("/lenses/{lens}")
    public Changed removeLens(
            @PathVariable long student,
            @PathVariable long lens,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key) {
        return lenses.remove(Writer.of(student, person, null, key), lens);
    }

    /** Sets the order and the colours of all courses. */
    @PutMapping("/courses")
    public Changed arrange(
            @PathVariable long student,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody ArrangementForm form) {
        return order.arrange(Writer.of(student, person, null, key), form);
    }
}
