package app.navlo.server.next;

import app.navlo.core.next.Instead;
import app.navlo.server.ops.Turns;
import java.time.Instant;
import java.time.ZoneId;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** Plans, as many at once as there are processors. Who waits for a turn holds no connection to the data, which others need. */
@Service
public class PlansInTurn {
    private final Turns turns = Turns.ofProcessors();
    private final NextService next;

    PlansInTurn(NextService next) {
        this.next = next;
    }

    /** @see NextService#make */
    public NextService.Made make(long student, ZoneId zone, @Nullable Integer budgetMinutes, Instant now) {
        return turns.take(() -> next.make(student, zone, budgetMinutes, now));
    }

    /** @see NextService#swapped */
    Instead swapped(long student, ZoneId zone, long work, long before, Instant now) {
        return turns.take(() -> next.swapped(student, zone, work, before, now));
    }

    /** @see NextService#shorter */
    Instead shorter(long student, ZoneId zone, int lessMinutes, Instant now) {
        return turns.take(() -> next.shorter(student, zone, lessMinutes, now));
    }
}
