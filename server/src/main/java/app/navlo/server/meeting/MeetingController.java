package app.navlo.server.meeting;

import app.navlo.server.account.Person;
import app.navlo.server.change.Changed;
import app.navlo.server.change.Writer;
import jakarta.validation.Valid;
import java.time.LocalDate;
import java.time.ZoneId;
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
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The sheet for a meeting. What is agreed there is written by the student or by who looks after them. */
@RestController
@RequestMapping("/api/students/{student}")
class MeetingController {
    private final MeetingService meeting;

    MeetingController(MeetingService meeting) {
        this.meeting = meeting;
    }

    /**
     * What came back in a span up to today, and what was agreed.
     *
     * @param since the first day; two weeks ago where it is left out
     */
    @GetMapping("/meeting")
    MeetingView sheet(
            @PathVariable long student,
            @AuthenticationPrincipal Person person,
            @RequestParam(required = false) @Nullable LocalDate since) {
        return meeting.sheet(student, ZoneId.of(person.zone()), since);
    }

    /** Writes down who does what, by when. */
    @PostMapping("/agreements")
    @ResponseStatus(HttpStatus.CREATED)
    Changed agree(
            @PathVariable long student,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody AgreementForm form) {
        return meeting.agree(Writer.of(student, person, null, key), form);
    }

    /** Changes an agreement that is as the writer saw it, or says that it was kept. */
    @PutMapping("/agreements/{agreement}")
    Changed change(
            @PathVariable long student,
            @PathVariable long agreement,
            @AuthenticationPrincipal Person person,
            @RequestHeader(HttpHeaders.IF_MATCH) String number,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody AgreementForm form) {
        return meeting.change(Writer.of(student, person, number, key), agreement, form);
    }

    /** Removes an agreement. */
    @DeleteMapping("/agreements/{agreement}")
    Changed remove(
            @PathVariable long student,
            @PathVariable long agreement,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key) {
        return meeting.remove(Writer.of(student, person, null, key), agreement);
    }
}
