package app.navlo.server.editing;

import app.navlo.server.account.Person;
import app.navlo.server.change.Changed;
import app.navlo.server.change.Writer;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What is done to several pieces of work at once, as one change. */
@RestController
@RequestMapping("/api/students/{student}/works")
public class TogetherController {
    private final TogetherService service;
    private final ScoreService scores;

    TogetherController(TogetherService service, ScoreService scores) {
        this.service = service;
        this.scores = scores;
    }

    public record ScoresForm(
            @NotEmpty(message = "Write at least one score.") @Size(max = 1_000, message = "At most 1000 at once.")
            List<@Valid ScoreEntry> scores) {}

    /** Does one thing with many pieces of work, as one change. */
    @PostMapping("/together")
    public Changed together(
            @PathVariable long student,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody TogetherForm form) {
        return service.together(Writer.of(student, person, null, key), form);
    }

    /** Writes scores down by hand, any number of them as one change. */
    @PostMapping("/scores")
    public Changed scores(
            @PathVariable long student,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody ScoresForm form) {
        return scores.write(Writer.of(student, person, null, key), form.scores());
    }
}
