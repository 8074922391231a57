package app.navlo.server.course;

import app.navlo.server.account.Person;
import app.navlo.server.change.Changed;
import app.navlo.server.change.Writer;
import app.navlo.server.sheet.RuleSheet;
import jakarta.validation.Valid;
import org.springframework.http.HttpHeaders;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The rules of a course, with what they would do to examples and to the course itself. */
@RestController
@RequestMapping("/api/students/{student}/courses/{course}/rules")
public class RulesController {
    private final RulesService service;

    RulesController(RulesService service) {
        this.service = service;
    }

    /** The rules of a course, with what each means in words. */
    @GetMapping
    public RulesView read(@PathVariable long student, @PathVariable long course) {
        return service.read(student, course);
    }

    /** Saves nothing. */
    @PostMapping("/trial")
    public TrialView trial(@PathVariable long student, @PathVariable long course, @Valid @RequestBody TrialForm form) {
        return service.trial(student, course, form);
    }

    /** Sets the rules of a course as a whole. */
    @PutMapping
    public Changed write(
            @PathVariable long student,
            @PathVariable long course,
            @AuthenticationPrincipal Person person,
            @RequestHeader(HttpHeaders.IF_MATCH) String version,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody RuleSheet rules) {
        return service.write(Writer.of(student, person, version, key), course, rules);
    }
}
