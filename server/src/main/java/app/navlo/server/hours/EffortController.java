package app.navlo.server.hours;

import app.navlo.server.account.Person;
import app.navlo.server.change.Changed;
import app.navlo.server.change.Writer;
import jakarta.validation.Valid;
import java.util.List;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What the time really spent says of how long work takes. */
@RestController
@RequestMapping("/api/students/{student}/efforts")
public class EffortController {
    private final EffortService service;

    EffortController(EffortService service) {
        this.service = service;
    }

    /** What the time really spent makes of the efforts, by course and kind. */
    @GetMapping
    public List<EffortCorrectionView> read(@PathVariable long student, @AuthenticationPrincipal Person reader) {
        return service.read(student, reader);
    }

    /** Says whether efforts of a kind are to be left as they were said. */
    @PutMapping
    public Changed refuse(
            @PathVariable long student,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody RefusalForm form) {
        return service.refuse(Writer.of(student, person, null, key), person, form);
    }
}
