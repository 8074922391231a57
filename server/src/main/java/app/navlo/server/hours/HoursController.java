package app.navlo.server.hours;

import app.navlo.server.account.Person;
import app.navlo.server.change.Changed;
import app.navlo.server.change.Writer;
import app.navlo.server.problem.Refusal;
import app.navlo.server.sheet.TimeSheet;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.io.IOException;
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

/** When a student can work: its own hours, and the calendars in whose times it is busy. */
@RestController
@RequestMapping("/api/students/{student}")
public class HoursController {
    private static final int MOST_BYTES = 5 << 20;

    private final HoursService hours;
    private final BusyCalendarService busy;

    HoursController(HoursService hours, BusyCalendarService busy) {
        this.hours = hours;
        this.busy = busy;
    }

    public record FeedForm(
            @NotBlank(message = "Give the address of the feed.") @Size(max = 1_000, message = "At most 1000 letters.")
            String address) {}

    /** The time that a student has to work in, and what makes them busy. */
    @GetMapping("/hours")
    public HoursView read(@PathVariable long student, @AuthenticationPrincipal Person reader) {
        return hours.read(student, reader);
    }

    /** Sets the hours of the week, the days that differ and the holidays. */
    @PutMapping("/hours")
    public Changed say(
            @PathVariable long student,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody TimeSheet sheet) {
        return hours.say(Writer.of(student, person, null, key), person, sheet);
    }

    /** Adds the times of a calendar file as busy. */
    @PostMapping(path = "/busy-calendars/file", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    public Changed addFile(
            @PathVariable long student,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key,
            @RequestParam MultipartFile file)
            throws IOException {
        if (file.getSize() > MOST_BYTES) {
            throw Refusal.tooLarge("The file has " + (file.getSize() >> 20)
                    + " MB; at most 5 MB are read. Export a shorter span, a term for example.");
        }
        return busy.addFile(Writer.of(student, person, null, key), person, file.getOriginalFilename(), file.getBytes());
    }

    /** Adds the times of a calendar feed as busy, and asks it every hour. */
    @PostMapping("/busy-calendars/feed")
    @ResponseStatus(HttpStatus.CREATED)
    public Changed addFeed(
            @PathVariable long student,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody FeedForm form) {
        return busy.addFeed(Writer.of(student, person, null, key), person, form.address());
    }

    /** Asks a feed now. */
    @PostMapping("/busy-calendars/{calendar}/asking")
    public HoursView ask(
            @PathVariable long student, @PathVariable long calendar, @AuthenticationPrincipal Person person) {
        busy.askNow(student, calendar, person);
        return hours.read(student, person);
    }

    /** Removes a busy calendar. It can be undone. */
    @DeleteMapping("/busy-calendars/{calendar}")
    public Changed remove(
            @PathVariable long student,
            @PathVariable long calendar,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key) {
        return busy.remove(Writer.of(student, person, null, key), calendar);
    }
}
