package app.navlo.server.workdetail;

import app.navlo.server.account.Person;
import app.navlo.server.workdetail.WorkDetail.Receipt;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** One piece of work, read whole. */
@RestController
@RequestMapping("/api/students/{student}/works/{work}")
public class WorkController {
    private final WorkDetailService details;

    WorkController(WorkDetailService details) {
        this.details = details;
    }

    /** A piece of work with all that belongs to it. */
    @GetMapping
    public WorkDetail read(
            @PathVariable long student, @PathVariable long work, @AuthenticationPrincipal Person reader) {
        return details.read(student, work, reader.id() == student);
    }

    /** What handing in now would come to, for the last look before it. */
    @GetMapping("/hand-in")
    public WorkDetail.IfHandedInView ifHandedIn(@PathVariable long student, @PathVariable long work) {
        return details.ifHandedIn(student, work);
    }

    /** What was handed in, as it was taken. */
    @GetMapping("/hand-ins/{handIn}")
    public Receipt receipt(@PathVariable long student, @PathVariable long work, @PathVariable long handIn) {
        return details.receipt(student, work, handIn);
    }
}
