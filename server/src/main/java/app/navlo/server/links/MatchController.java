package app.navlo.server.links;

import app.navlo.server.account.Person;
import app.navlo.server.change.Changed;
import app.navlo.server.change.Writer;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RestController;

/** Says by hand which records of two systems are of the same work. */
@RestController
public class MatchController {
    private final MatchService service;

    MatchController(MatchService service) {
        this.service = service;
    }

    /**
     * @param book the other system, by the name of its link
     * @param with the piece of work that its record is really of; null if it is of none here
     */
    public record MatchForm(
            @NotNull(message = "Say whose record it is.") String book,
            @Nullable Long with) {}

    /** Says of which piece of work another system's record is. */
    @PutMapping("/api/students/{student}/works/{work}/match")
    public Changed match(
            @PathVariable long student,
            @PathVariable long work,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody MatchForm form) {
        return service.match(Writer.of(student, person, null, key), work, form.book(), form.with());
    }
}
