package app.navlo.server.term;

import app.navlo.formats.ical.CalendarFault;
import app.navlo.formats.ical.HolidayReader;
import app.navlo.server.account.Person;
import app.navlo.server.board.BoardView;
import app.navlo.server.change.Changed;
import app.navlo.server.change.Writer;
import app.navlo.server.problem.Refusal;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.time.ZoneId;
import java.util.List;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
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

/** Terms: first and last day, days off, grading closes. */
@RestController
@RequestMapping("/api/students/{student}/terms")
public class TermController {
    private static final int MOST_BYTES = 2 << 20;

    private final TermService service;

    TermController(TermService service) {
        this.service = service;
    }

    /** @param closing the terms that run now */
    public record BeginForm(@NotNull @Valid TermForm term, boolean closing) {}

    public record ClosingForm(boolean closed) {}

    /** The terms, with their grading periods and days off. */
    @GetMapping
    public TermsView terms(@PathVariable long student) {
        return service.read(student);
    }

    /** Begins a term. */
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    public Changed begin(
            @PathVariable long student,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody BeginForm form) {
        return service.add(Writer.of(student, person, null, key), form.term(), form.closing());
    }

    /** Changes a term, its periods and its days off. */
    @PutMapping("/{term}")
    public Changed edit(
            @PathVariable long student,
            @PathVariable long term,
            @AuthenticationPrincipal Person person,
            @RequestHeader(HttpHeaders.IF_MATCH) String version,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody TermForm form) {
        return service.edit(Writer.of(student, person, version, key), term, form);
    }

    /** Closes a term, or opens it again. */
    @PutMapping("/{term}/closing")
    public Changed close(
            @PathVariable long student,
            @PathVariable long term,
            @AuthenticationPrincipal Person person,
            @RequestHeader(HttpHeaders.IF_MATCH) String version,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody ClosingForm form) {
        return service.close(Writer.of(student, person, version, key), term, form.closed());
    }

    /** Removes a term that has no courses. It can be undone. */
    @DeleteMapping("/{term}")
    public Changed remove(
            @PathVariable long student,
            @PathVariable long term,
            @AuthenticationPrincipal Person person,
            @RequestHeader(HttpHeaders.IF_MATCH) String version,
            @RequestHeader("Idempotency-Key") String key) {
        return service.remove(Writer.of(student, person, version, key), term);
    }

    public record AsideForm(
            @NotNull(message = "Say what is put aside.") BoardView.Unknown what) {}

    /** Doesn't ask for it any more. */
    @PostMapping("/unknown/aside")
    public Changed aside(
            @PathVariable long student,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody AsideForm form) {
        return service.aside(Writer.of(student, person, null, key), form.what());
    }

    /** The days off that a calendar of holidays names. Nothing is written. */
    @PostMapping(path = "/holidays", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    public List<TermForm.OffForm> holidays(
            @PathVariable long student, @AuthenticationPrincipal Person person, @RequestParam MultipartFile file)
            throws IOException {
        if (file.getSize() > MOST_BYTES) {
            throw Refusal.tooLarge("The file has " + (file.getSize() >> 20) + " MB; at most 2 MB are read.");
        }
        try {
            return HolidayReader.read(file.getBytes(), ZoneId.of(person.zone())).stream()
                    .map(off -> new TermForm.OffForm(off.first(), off.last(), off.name()))
                    .toList();
        } catch (CalendarFault fault) {
            throw Refusal.invalid("file", String.valueOf(fault.getMessage()));
        }
    }
}
