package app.navlo.server.timeline;

import app.navlo.server.account.Person;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

@RestController
public class TimelineController {
    private final TimelineService timeline;

    TimelineController(TimelineService timeline) {
        this.timeline = timeline;
    }

    /** Where each piece of work lies in time, and the hours that are free. */
    @GetMapping("/api/students/{student}/timeline")
    public TimelineView timeline(@PathVariable long student, @AuthenticationPrincipal Person reader) {
        return timeline.of(student, reader);
    }
}
