package app.navlo.server.course;

import app.navlo.server.account.Person;
import app.navlo.server.change.Changed;
import app.navlo.server.change.Writer;
import app.navlo.server.sheet.LateSheet;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Courses: added, named, closed, removed. */
@RestController
@RequestMapping("/api/students/{student}/courses")
public class CourseController {
    private final CourseService service;

    CourseController(CourseService service) {
        this.service = service;
    }

    public record CourseClosing(boolean closed) {}

    /** @param courses that are to have this late rule */
    public record SharedLate(
            @NotEmpty(message = "Choose at least one course.") @Size(max = 200, message = "At most 200 courses.")
            List<Long> courses,

            @NotNull @Valid LateSheet late) {}

    /** Adds a course, with its rules copied from another where one is named. */
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    public Changed add(
            @PathVariable long student,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody CourseForm form) {
        return service.add(Writer.of(student, person, null, key), form);
    }

    /** Names a course otherwise, and says its teacher, zone and colour. */
    @PutMapping("/{course}")
    public Changed edit(
            @PathVariable long student,
            @PathVariable long course,
            @AuthenticationPrincipal Person person,
            @RequestHeader(HttpHeaders.IF_MATCH) String version,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody CourseForm form) {
        return service.edit(Writer.of(student, person, version, key), course, form);
    }

    /** Closes a course, or opens it again: a closed one is in no count. */
    @PutMapping("/{course}/closing")
    public Changed close(
            @PathVariable long student,
            @PathVariable long course,
            @AuthenticationPrincipal Person person,
            @RequestHeader(HttpHeaders.IF_MATCH) String version,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody CourseClosing form) {
        return service.close(Writer.of(student, person, version, key), course, form.closed());
    }

    /** Removes a course with all of its work. It can be undone. */
    @DeleteMapping("/{course}")
    public Changed remove(
            @PathVariable long student,
            @PathVariable long course,
            @AuthenticationPrincipal Person person,
            @RequestHeader(HttpHeaders.IF_MATCH) String version,
            @RequestHeader("Idempotency-Key") String key) {
        return service.remove(Writer.of(student, person, version, key), course);
    }

    /** One late rule for several courses at once. */
    @PutMapping("/late")
    public Changed late(
            @PathVariable long student,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody SharedLate form) {
        return service.copyLate(Writer.of(student, person, null, key), form.courses(), form.late());
    }
}
