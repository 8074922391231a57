package app.navlo.server.next;

import app.navlo.server.account.Person;
import app.navlo.server.board.Written;
import app.navlo.server.problem.Refusal;
import app.navlo.server.time.ServerClock;
import java.time.Instant;
import java.time.ZoneId;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
public class NextController {
    private static final int MOST_MINUTES = 24 * 60;

    private final NextReading next;
    private final PlansInTurn plans;
    private final ServerClock clock;

    NextController(NextReading next, PlansInTurn plans, ServerClock clock) {
        this.next = next;
        this.plans = plans;
        this.clock = clock;
    }

    /**
     * What to do, in the order in which it saves the most.
     *
     * @param minutes that today has from now on; without it, what its free hours have
     */
    @GetMapping("/api/students/{student}/next")
    public ResponseEntity<Written<NextView>> next(
            @PathVariable long student,
            @RequestParam(required = false) @Nullable Integer minutes,
            @AuthenticationPrincipal Person reader) {
        if (minutes != null && (minutes < 0 || minutes > MOST_MINUTES)) {
            throw Refusal.invalid("minutes", "It must be from 0 to " + MOST_MINUTES + ", a day.");
        }
        Instant now = clock.instant();
        return next.read(student, reader, minutes, now).answered(now);
    }

    /**
     * What the other way round would cost: one move done before another.
     *
     * @param work that would be done first
     * @param before that comes before it by the plan
     */
    @GetMapping("/api/students/{student}/next/swaps")
    public InsteadView swapped(
            @PathVariable long student,
            @RequestParam long work,
            @RequestParam long before,
            @AuthenticationPrincipal Person reader) {
        if (work == before) {
            throw Refusal.invalid("before", "Choose another move than this one.");
        }
        return InsteadView.of(plans.swapped(student, ZoneId.of(reader.zone()), work, before, clock.instant()));
    }

    /** What less time today would cost. @param minutes less than today's free hours have from now on */
    @GetMapping("/api/students/{student}/next/shorter-days")
    public InsteadView shorter(
            @PathVariable long student,
            @RequestParam(defaultValue = "60") int minutes,
            @AuthenticationPrincipal Person reader) {
        if (minutes < 1 || minutes > MOST_MINUTES) {
            throw Refusal.invalid("minutes", "It must be from 1 to " + MOST_MINUTES + ", a day.");
        }
        return InsteadView.of(plans.shorter(student, ZoneId.of(reader.zone()), minutes, clock.instant()));
    }
}
