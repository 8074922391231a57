package app.navlo.server.demo;

import app.navlo.server.account.Person;
import app.navlo.server.live.ClockMoved;
import app.navlo.server.live.LiveFeed;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.Role;
import app.navlo.server.time.ServerClock;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import java.time.Duration;
import java.time.Instant;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Moves the demo's clock on. */
@RestController
public class DemoController {
    private static final int SIXTY_DAYS = 60 * 24 * 60;

    private final ServerClock clock;
    private final LiveFeed live;
    private final ApplicationEventPublisher events;

    DemoController(ServerClock clock, LiveFeed live, ApplicationEventPublisher events) {
        this.clock = clock;
        this.live = live;
        this.events = events;
    }

    public record ClockMove(
            @Min(value = 1, message = "The clock only goes forward, by 1 minute or more.")
            @Max(value = SIXTY_DAYS, message = "At most 60 days at once.")
            int minutes) {}

    public record ClockView(Instant now) {}

    @Scheduled(fixedDelay = 30_000, initialDelay = 30_000)
    void keepClock() {
        if (clock instanceof DemoClock demo) {
            demo.keep();
        }
    }

    /** Moves the clock of a demo on, never back. Students do; who looks on doesn't change what they see. */
    @PostMapping("/api/demo/clock")
    public ClockView move(@Valid @RequestBody ClockMove move, @AuthenticationPrincipal Person mover) {
        if (mover.role() != Role.STUDENT) {
            throw Refusal.forbidden("Only a student moves the clock", "Sign in as one, and move it there.");
        }
        if (!(clock instanceof DemoClock demo)) {
            throw Refusal.notFound("demo clock");
        }
        demo.advance(Duration.ofMinutes(move.minutes()));
        live.clockMoved();
        events.publishEvent(new ClockMoved());
        return new ClockView(demo.instant());
    }
}
