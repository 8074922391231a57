package app.navlo.server.hours;

import app.navlo.core.work.WorkKind;
import app.navlo.server.account.Person;
import app.navlo.server.work.EditController.EditedView;
import app.navlo.server.work.Writer;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
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
    private final EffortDesk desk;

    EffortController(EffortDesk desk) {
        this.desk = desk;
    }

    /**
     * Of one kind of work in a course.
     *
     * @param works that are done and whose time was noted
     * @param saidMinutes for those, together
     * @param spentMinutes on those, together
     * @param factor by which what is said is multiplied, a decimal string
     * @param refused whether the student wants it left as it is said
     */
    public record EffortCorrectionView(
            long course,
            WorkKind kind,
            int works,
            long saidMinutes,
            long spentMinutes,
            String factor,
            boolean refused) {}

    public record RefusalForm(
            @NotNull(message = "Say which course.") Long course,
            @NotNull(message = "Say which kind of work.") WorkKind kind,
            boolean refused) {}

    @GetMapping
    public List<EffortCorrectionView> read(@PathVariable long student, @AuthenticationPrincipal Person reader) {
        return desk.read(student, reader);
    }

    @PutMapping
    public EditedView refuse(
            @PathVariable long student,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody RefusalForm form) {
        return desk.refuse(Writer.of(student, person, null, key), person, form);
    }
}
