package app.navlo.server.workdetail;

import app.navlo.server.board.Boards;
import app.navlo.server.http.StandIns;
import app.navlo.server.problem.Refusal;
import app.navlo.server.time.ServerClock;
import java.net.URI;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** Leads to the place where a piece of work is done. */
@RestController
public class PlaceController {
    private final Boards boards;
    private final StandIns standIns;
    private final ServerClock clock;

    PlaceController(Boards boards, StandIns standIns, ServerClock clock) {
        this.boards = boards;
        this.standIns = standIns;
        this.clock = clock;
    }

    /** A redirect; nothing of the reader goes along. */
    @GetMapping("/api/students/{student}/works/{work}/place")
    public ResponseEntity<Void> place(@PathVariable long student, @PathVariable long work) {
        String address = boards.one(student, work, clock.instant())
                .work()
                .definition()
                .rules()
                .address();
        if (address == null) {
            throw Refusal.notFound("place where it is done");
        }
        try {
            return ResponseEntity.status(HttpStatus.FOUND)
                    .location(URI.create(standIns.resolve(address)))
                    .header("Referrer-Policy", "no-referrer")
                    .build();
        } catch (IllegalArgumentException bad) {
            throw Refusal.conflict("The address can't be opened", "Change it under “Where it is done”.");
        }
    }
}
