package app.navlo.server.next;

import app.navlo.server.account.Person;
import app.navlo.server.problem.Refusal;
import app.navlo.server.time.ServerClock;
import java.time.ZoneId;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
public class NextController {
    private static final int MOST_MINUTES = 24 * 60;

    private final NextService next;
    private final ServerClock clock;

    NextController(NextService next, ServerClock clock) {
        this.next = next;
        this.clock = clock;
    }

    /**
     * What to do, in the order in which it saves the most.
     *
     * @param minutes that today has from now on; without it, what its free hours have
     */
    @GetMapping("/api/students/{student}/next")
    public NextView next(
            @PathVariable long student,
            @RequestParam(required = false) @Nullable Integer minutes,
            @AuthenticationPrincipal Person reader) {
        if (minutes != null && (minutes < 0 || minutes > MOST_MINUTES)) {
            throw Refusal.invalid("minutes", "It must be from 0 to " + MOST_MINUTES + ", a day.");
        }
        return next.plan(student, ZoneId.of(reader.zone()), minutes, clock.instant());
    }
}
