package app.navlo.server.leeway;

import app.navlo.server.account.Person;
import app.navlo.server.change.Changed;
import app.navlo.server.change.Writer;
import jakarta.validation.Valid;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Extensions and tokens: what may be had, what it is worth, and what was done. */
@RestController
@RequestMapping("/api/students/{student}")
public class LeewayController {
    private final LeewayListService leeway;
    private final LeewayService service;

    LeewayController(LeewayListService leeway, LeewayService service) {
        this.leeway = leeway;
        this.service = service;
    }

    /** The choices of all work that could have an extension or tokens, and the banks. */
    @GetMapping("/leeway")
    public LeewayListView read(@PathVariable long student, @AuthenticationPrincipal Person reader) {
        return leeway.read(student, reader);
    }

    /** Takes down that an extension was asked for; where the course gives it at once, it is given. */
    @PostMapping("/works/{work}/leeway/asking")
    @ResponseStatus(HttpStatus.CREATED)
    public Changed ask(
            @PathVariable long student,
            @PathVariable long work,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key) {
        return service.ask(Writer.of(student, person, null, key), work);
    }

    /** Takes down what the teacher answered. */
    @PostMapping("/works/{work}/leeway/answer")
    @ResponseStatus(HttpStatus.CREATED)
    public Changed answer(
            @PathVariable long student,
            @PathVariable long work,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody AnswerForm form) {
        return service.answer(Writer.of(student, person, null, key), work, form);
    }

    /** Uses tokens on a piece of work. */
    @PostMapping("/works/{work}/leeway/tokens")
    @ResponseStatus(HttpStatus.CREATED)
    public Changed use(
            @PathVariable long student,
            @PathVariable long work,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody TokensForm form) {
        return service.use(Writer.of(student, person, null, key), work, form);
    }

    /** Takes down that the answer key was opened, which bars the rest. */
    @PostMapping("/works/{work}/leeway/key")
    @ResponseStatus(HttpStatus.CREATED)
    public Changed openKey(
            @PathVariable long student,
            @PathVariable long work,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key) {
        return service.openKey(Writer.of(student, person, null, key), work);
    }
}
